import type { ReactNode } from 'react';

/** A few answers side by side, one of which holds. */
export function Choice<T extends string | number>(props: {
  legend: string;
  name: string;
  value: T | null;
  of: readonly { readonly value: T; readonly says: ReactNode }[];
  onChoose: (value: T) => void;
  column?: boolean;
  /** Asked of somebody, and read to them. */
  question?: boolean;
}) {
  return (
    <fieldset>
      <legend className={props.question ? 'mb-1' : 'quiet text-sm'}>{props.legend}</legend>
      <div className={props.column ? 'grid gap-1' : 'flex flex-wrap gap-1.5'}>
        {props.of.map((one) => {
          const on = one.value === props.value;
          return (
            <label
              key={one.value}
              className={`touch flex cursor-pointer items-center rounded border-2 px-3 py-1 leading-tight has-focus-visible:outline-3 has-focus-visible:outline-primary ${on ? 'border-base-content bg-base-content text-base-100' : 'border-base-300 hover:bg-base-200'}`}
            >
              <input
                type="radio"
                name={props.name}
                className="sr-only"
                checked={on}
                onChange={() => props.onChoose(one.value)}
              />
              {one.says}
            </label>
          );
        })}
      </div>
    </fieldset>
  );
}

/** Something that holds or doesn’t, as a tick that can be hit with a thumb. */
export function Tick(props: { on: boolean; onTurn: (on: boolean) => void; children: ReactNode }) {
  return (
    <label className="touch flex cursor-pointer items-center gap-3 py-0.5 leading-snug">
      <input
        type="checkbox"
        className="checkbox"
        checked={props.on}
        onChange={(event) => props.onTurn(event.target.checked)}
      />
      <span className="min-w-0">{props.children}</span>
    </label>
  );
}

/** A mark that is put on and taken off with one tap. */
export function Chip(props: { on: boolean; onTurn: () => void; children: ReactNode }) {
  return (
    <button
      type="button"
      aria-pressed={props.on}
      className={`touch rounded-full border-2 px-4 text-left leading-tight ${props.on ? 'border-base-content bg-base-content text-base-100' : 'border-base-300 hover:bg-base-200'}`}
      onClick={props.onTurn}
    >
      {props.children}
    </button>
  );
}
