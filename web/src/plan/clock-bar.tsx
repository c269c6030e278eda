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
import { useEffect, useId, useState } from 'react';

/** A whole number with a unit, kept while it is being typed, taken when it makes sense. */
export function NumberField(props: {
  label: string;
  unit: string;
  value: number | undefined;
  min: number;
  max: number;
  step: number;
  /** Whole numbers of this; 1 where it isn't said. */
  grain?: number;
  /** May be left empty: then this is called. */
  onEmpty?: () => void;
  onChange: (value: number) => void;
}) {
  const id = useId();
  const given = props.value === undefined ? '' : String(props.value);
  const [text, setText] = useState(given);
  useEffect(() => setText(given), [given]);
  const typed = Number(text);
  const empty = text.trim() === '';
  const isWhole = (n: number) => Number.isInteger(n / (props.grain ?? 1)) && n >= props.min && n <= props.max;
  const whole = !empty && isWhole(typed);
  const fits = whole || (empty && props.onEmpty !== undefined);
  return (
    <div className="flex min-w-0 flex-col">
      <label htmlFor={id} className="quiet text-sm">
        {props.label}
      </label>
      <span className={`input touch w-full px-2 ${fits ? '' : 'input-error'}`}>
        <input
          id={id}
          type="number"
          inputMode="numeric"
          className="w-full min-w-0 text-lg font-semibold"
          value={text}
          min={props.min}
          max={props.max}
          step={props.step}
          placeholder={props.onEmpty ? '–' : ''}
          aria-invalid={!fits}
          onChange={(event) => {
            setText(event.target.value);
            const next = Number(event.target.value);
            if (event.target.value.trim() === '') props.onEmpty?.();
            else if (isWhole(next)) props.onChange(next);
          }}
          onBlur={() => setText(given)}
        />
        {props.unit && (
          <span className="quiet text-sm" aria-hidden="true">
            {props.unit}
          </span>
        )}
      </span>
      {!fits && (
        <span className="text-sm text-error" role="alert">
          {props.min} to {props.max}
        </span>
      )}
    </div>
  );
}

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
      {entry.inputs.map((input) => {
        if (isChoice(input)) {
          const { says, of } = CHOICES[input];
          return of === null ? (
            <label key={input} className="touch col-span-2 flex items-center gap-2 text-sm">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={values[input] === true}
                onChange={(event) => put(input, event.target.checked)}
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
        const key = input.replace('?', '') as InputKey;
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
            {...(input.endsWith('?') ? { onEmpty: () => put(key, undefined) } : {})}
            onChange={(next) => put(key, next * scale)}
          />
        );
      })}
    </fieldset>
  );
}
