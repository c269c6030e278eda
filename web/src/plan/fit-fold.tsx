import { clockText, lengthOf } from '@inner-rung/core/clock';
import { type Block, FIT_BY, fitTo, timelineOf } from '@inner-rung/core/session';
import { useState } from 'react';

/** "I have 20 minutes": what could be changed to land on it, side by side. */
export function FitFold(props: { block: Block; onTake: (patch: Partial<Block['format']>) => void }) {
  const { block } = props;
  const now = lengthOf(timelineOf(block));
  const [text, setText] = useState('');
  const minutes = Number(text.replace(',', '.'));
  const asked = text.trim() !== '';
  const fits =
    asked && Number.isFinite(minutes) && minutes > 0 && minutes <= 240
      ? fitTo(block, Math.round(minutes * 60))
      : [];
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
          onChange={(event) => setText(event.target.value)}
        />
        minutes
      </label>
      {asked && fits.length === 0 && (
        <p role="alert" className="text-sm font-semibold text-error">
          {Number.isFinite(minutes) && minutes > 0 && minutes <= 240
            ? 'Too short for one round of these stations.'
            : 'Minutes from 1 to 240.'}
        </p>
      )}
      <ul className="mt-1">
        {fits.map((fit) => (
          <li key={fit.by} className="border-t border-base-300 py-1">
            <button
              type="button"
              data-fit={fit.by}
              className="btn btn-sm touch h-auto w-full justify-start py-1 text-left leading-tight"
              onClick={() => props.onTake({ [fit.by]: fit.value })}
            >
              {fit.value} {FIT_BY[fit.by].says}: {clockText(fit.lengthSeconds)}
            </button>
          </li>
        ))}
      </ul>
    </details>
  );
}
