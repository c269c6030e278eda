import type { Plan } from '@inner-rung/core/session';
import { useEffect, useId, useState } from 'react';

/** A whole number with a unit, kept while it is being typed, taken when it makes sense. */
function NumberField(props: {
  label: string;
  unit: string;
  value: number;
  min: number;
  max: number;
  step: number;
  onChange: (value: number) => void;
}) {
  const id = useId();
  const [text, setText] = useState(String(props.value));
  useEffect(() => setText(String(props.value)), [props.value]);
  const typed = Number(text);
  const fits = text.trim() !== '' && Number.isInteger(typed) && typed >= props.min && typed <= props.max;
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
          aria-invalid={!fits}
          onChange={(event) => {
            setText(event.target.value);
            const next = Number(event.target.value);
            if (
              event.target.value.trim() !== '' &&
              Number.isInteger(next) &&
              next >= props.min &&
              next <= props.max
            )
              props.onChange(next);
          }}
          onBlur={() => setText(String(props.value))}
        />
        <span className="quiet text-sm" aria-hidden="true">
          {props.unit}
        </span>
      </span>
      {!fits && (
        <span className="text-sm text-error" role="alert">
          {props.min} to {props.max}
        </span>
      )}
    </div>
  );
}

/** Work, rest, rounds: the clock everybody shares. */
export function ClockBar(props: {
  format: Plan['block']['format'];
  onChange: (format: Partial<Plan['block']['format']>) => void;
}) {
  const { format, onChange } = props;
  return (
    <fieldset className="grid grid-cols-2 gap-x-3 gap-y-2">
      <legend className="sr-only">The clock</legend>
      <NumberField
        label="Work"
        unit="s"
        value={format.workSeconds}
        min={5}
        max={600}
        step={5}
        onChange={(workSeconds) => onChange({ workSeconds })}
      />
      <NumberField
        label="Rest"
        unit="s"
        value={format.restSeconds}
        min={0}
        max={600}
        step={5}
        onChange={(restSeconds) => onChange({ restSeconds })}
      />
      <NumberField
        label="Rounds"
        unit="×"
        value={format.rounds}
        min={1}
        max={20}
        step={1}
        onChange={(rounds) => onChange({ rounds })}
      />
      <NumberField
        label="Between rounds"
        unit="s"
        value={format.roundRestSeconds}
        min={0}
        max={900}
        step={15}
        onChange={(roundRestSeconds) => onChange({ roundRestSeconds })}
      />
      <label className="touch col-span-2 flex items-center gap-2 text-sm">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={format.closingRest}
          onChange={(event) => onChange({ closingRest: event.target.checked })}
        />
        Rest after the last station too
      </label>
    </fieldset>
  );
}
