import type { Use } from '@inner-rung/core/engine';
import { type Ladder, type Library, stepWords } from '@inner-rung/core/ladder';
import type { Settings } from '@inner-rung/core/move';
import { formName } from '@inner-rung/core/words';
import type { BlockPicture } from './block-picture.ts';

/** The ladder a station is looked at on: the one with the form in use, branches where that form is only there. */
export function ladderFor(library: Library, original: string, use: Use | null): Ladder | null {
  const has = (ladder: Ladder, move: string) => ladder.rungs.some((rung) => rung.move === move);
  const score = (ladder: Ladder) =>
    (use && has(ladder, use.move) ? 2 : 0) +
    (has(ladder, original) ? 1.5 : 0) +
    (ladder.branchOf.length > 0 ? 0 : 0.25);
  const best = [...library.ladders].sort((a, b) => score(b) - score(a))[0];
  return best && score(best) >= 1.5 ? best : null;
}

/** The rung a use stands on: the same move at the nearest height; −1 when it isn't on this ladder. */
function rungOf(ladder: Ladder, move: string, settings: Settings): number {
  let best = -1;
  let gap = Number.POSITIVE_INFINITY;
  ladder.rungs.forEach((rung, i) => {
    if (rung.move !== move) return;
    const away = Math.abs(
      (rung.settings?.surfaceCm ?? settings.surfaceCm ?? 0) -
        (settings.surfaceCm ?? rung.settings?.surfaceCm ?? 0),
    );
    if (away < gap) {
      gap = away;
      best = i;
    }
  });
  return best;
}

/** A ladder standing upright: rungs bottom to top, levers between, the person and the trainer's choice on it. */
export function Upright(props: {
  ladder: Ladder;
  library: Library;
  picture: BlockPicture;
  station: number;
  initials: string;
  onPick: (move: string, settings: Settings | undefined) => void;
}) {
  const { ladder, library, picture } = props;
  const use = picture.version.uses[props.station] ?? null;
  const original = picture.version.original[props.station] ?? null;
  const person = use ? rungOf(ladder, use.move, use.settings) : -1;
  const trainer = original ? rungOf(ladder, original.move, original.settings) : -1;
  const rungs = ladder.rungs.map((rung, i) => ({ rung, i })).reverse();
  return (
    <div>
      <ol
        className="relative ml-1 border-x-[5px] border-base-content/80 px-0 py-1"
        reversed
        aria-label={`${ladder.name}, top rung first`}
      >
        {rungs.map(({ rung, i }) => {
          const bars = picture.barsByRung.get(`${ladder.id}/${i}`) ?? [];
          const here = i === person;
          const name = formName(library, rung.move, rung.settings);
          return (
            <li key={`${rung.move}/${rung.settings?.surfaceCm ?? ''}`}>
              <button
                type="button"
                data-rung={rung.move}
                className={`touch flex w-full items-center gap-2 border-y-2 border-base-content/70 px-2 py-1 text-left leading-tight hover:bg-base-200 ${here ? 'bg-[var(--lane-1)] text-[var(--lane-0-ink)]' : ''}`}
                title={bars.length > 0 ? bars.map((b) => b.says).join('; ') : 'Write this one in'}
                onClick={() => props.onPick(rung.move, rung.settings)}
              >
                <span className="min-w-0 flex-1">
                  <span
                    className={`block text-[0.95rem] font-semibold ${bars.length > 0 ? 'line-through decoration-2' : ''}`}
                  >
                    {name}
                  </span>
                  {bars.length > 0 && <span className="quiet block text-xs">{bars[0]!.says}</span>}
                </span>
                {i === trainer && (
                  <span className="rounded border border-current px-1 text-[0.7rem] leading-4">
                    as written
                  </span>
                )}
                {here && (
                  <span className="display grid h-8 w-8 shrink-0 place-items-center rounded-full bg-[var(--line)] text-sm text-base-100">
                    {props.initials}
                  </span>
                )}
              </button>
              {i > 0 && (
                <p className="quiet px-3 py-[3px] text-xs">
                  ↑ {stepWords(library, ladder.rungs, i).join(' · ')}
                </p>
              )}
            </li>
          );
        })}
      </ol>
      {person < 0 && use && (
        <p className="quiet mt-1 text-sm">{props.initials} does a form from another ladder here.</p>
      )}
    </div>
  );
}
