import { clockText } from '@inner-rung/core/clock';
import type { Library } from '@inner-rung/core/ladder';
import {
  type Block,
  FIT_SCHOOLS,
  type FitSchool,
  factsIn,
  fitTo,
  type Plan,
  timelineOf,
} from '@inner-rung/core/session';
import { useId, useMemo, useState } from 'react';

/** "I have 40 minutes": what could be changed to land on it, side by side, the trainer's school first. */
export function FitFold(props: {
  library: Library;
  plan: Plan;
  onBooked: (minutes: number | undefined) => void;
  onTake: (block: number, becomes: Block) => void;
}) {
  const { library, plan } = props;
  const id = useId();
  const facts = useMemo(() => factsIn(library), [library]);
  const [text, setText] = useState(plan.bookedMinutes === undefined ? '' : String(plan.bookedMinutes));
  const [school, setSchool] = useState<FitSchool>('rounds');
  const minutes = Number(text.replace(',', '.'));
  const asked = text.trim() !== '';
  const sound = Number.isFinite(minutes) && minutes > 0 && minutes <= 240;
  const { fits, now } = useMemo(
    () => ({
      fits: asked && sound ? fitTo(plan, facts, Math.round(minutes * 60), school) : [],
      now: timelineOf(plan, facts).lengthSeconds,
    }),
    [plan, facts, minutes, asked, sound, school],
  );
  return (
    <details className="mt-2">
      <summary className="touch flex cursor-pointer items-center underline underline-offset-4">
        Fit it to a time
      </summary>
      <label className="flex items-center gap-2">
        I have
        <input
          className="input touch w-16 px-2 text-right"
          inputMode="decimal"
          value={text}
          placeholder={String(Math.round(now / 60))}
          onChange={(event) => {
            setText(event.target.value);
            const value = Number(event.target.value);
            if (event.target.value.trim() === '') props.onBooked(undefined);
            else if (Number.isInteger(value) && value >= 1 && value <= 240) props.onBooked(value);
          }}
        />
        minutes
      </label>
      <div className="mt-1 flex flex-col">
        <label htmlFor={id} className="quiet text-sm">
          What to change first
        </label>
        <select
          id={id}
          className="select touch w-full"
          value={school}
          onChange={(event) => setSchool(event.target.value as FitSchool)}
        >
          {Object.entries(FIT_SCHOOLS).map(([id, says]) => (
            <option key={id} value={id}>
              {says}
            </option>
          ))}
        </select>
      </div>
      {asked && fits.length === 0 && (
        <p role="alert" className="text-sm font-semibold text-error">
          {!sound
            ? 'Minutes from 1 to 240.'
            : now === Math.round(minutes * 60)
              ? 'It is just that long.'
              : 'No one change brings it there.'}
        </p>
      )}
      <ul className="mt-1">
        {fits.slice(0, 8).map((fit) => (
          <li key={fit.says} className="border-t border-base-300 py-1">
            <button
              type="button"
              data-fit={fit.by}
              className="btn btn-sm touch h-auto w-full justify-start py-1 text-left leading-tight"
              onClick={() => props.onTake(fit.block, fit.becomes)}
            >
              {fit.says}: {clockText(fit.lengthSeconds)}
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}
