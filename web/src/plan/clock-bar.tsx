import {
  CHOICES,
  type ChoiceKey,
  FORMATS,
  type Format,
  type FormatKind,
  INPUTS,
  type InputKey,
} from '@inner-rung/core/clock';
import { turnedInto } from '@inner-rung/core/session';
import { useId } from 'react';
import { NumberField } from '../ui/number-field.tsx';

const isChoice = (key: string): key is ChoiceKey => key in CHOICES;

/** A block's format: its kind and what that kind asks for. */
export function ClockBar(props: { format: Format; onChange: (format: Format) => void }) {
  const { format, onChange } = props;
  const id = useId();
  const entry = FORMATS[format.kind];
  const values = format as unknown as Record<string, number | boolean | string | undefined>;
  const put = (key: string, value: unknown) => {
    const next: Record<string, unknown> = { ...format, [key]: value };
    if (value === undefined) delete next[key];
    onChange(next as unknown as Format);
  };
  return (
    <fieldset className="grid grid-cols-2 gap-x-3 gap-y-2">
      <legend className="sr-only">The clock</legend>
      <div className="col-span-2 flex flex-col">
        <label htmlFor={`${id}-kind`} className="quiet text-sm">
          Format
        </label>
        <select
          id={`${id}-kind`}
          className="select touch w-full font-semibold"
          value={format.kind}
          onChange={(event) => onChange(turnedInto(format, event.target.value as FormatKind))}
        >
          {(Object.keys(FORMATS) as FormatKind[]).map((kind) => (
            <option key={kind} value={kind}>
              {FORMATS[kind].name}
            </option>
          ))}
        </select>
      </div>
      {entry.inputs.map((asked) => {
        const input = asked.replace('?', '') as InputKey | ChoiceKey;
        const optional = asked.endsWith('?');
        if (isChoice(input)) {
          const { says, of } = CHOICES[input];
          return of === null ? (
            <label key={input} className="touch col-span-2 flex items-center gap-2 text-sm">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={values[input] === true}
                onChange={(event) => put(input, event.target.checked || (optional ? undefined : false))}
              />
              {says}
            </label>
          ) : (
            <div key={input} className="col-span-2 flex flex-col">
              <label htmlFor={`${id}-${input}`} className="quiet text-sm">
                {says}
              </label>
              <select
                id={`${id}-${input}`}
                className="select touch w-full"
                value={String(values[input])}
                onChange={(event) => put(input, event.target.value)}
              >
                {Object.entries(of).map(([value, words]) => (
                  <option key={value} value={value}>
                    {words}
                  </option>
                ))}
              </select>
            </div>
          );
        }
        const key = input;
        const { says, unit, min, max, step } = INPUTS[key];
        // A long time is thought of in minutes, halves among them.
        const scale = key === 'capSeconds' ? 60 : 1;
        const value = values[key] as number | undefined;
        return (
          <NumberField
            key={key}
            label={says}
            unit={scale === 60 ? 'min' : unit}
            value={value === undefined ? undefined : value / scale}
            min={min / scale}
            max={max / scale}
            step={step / scale}
            {...(scale === 60 ? { grain: 0.5 } : {})}
            {...(optional ? { onEmpty: () => put(key, undefined) } : {})}
            onChange={(next) => put(key, next * scale)}
          />
        );
      })}
    </fieldset>
  );
}
