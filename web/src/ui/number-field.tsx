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
