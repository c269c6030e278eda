import type { Avoid, Ladder, Library } from '@inner-rung/core/ladder';
import type { Ruler } from '@inner-rung/core/limits';
import type { Person } from '@inner-rung/core/person';
import { formName } from '@inner-rung/core/words';
import { memo } from 'react';
import { Link } from 'react-router';
import { laneStyle, lookOf, standingOn } from '../features/rung-look.ts';
import { initials } from '../store/data.ts';
import { FlightMark, FloorMark } from '../ui/marks.tsx';

export type Bars = ReadonlyMap<string, readonly Ruler[]>;

export const slug = (pattern: string) => pattern.replaceAll(' ', '-');

interface ColumnProps {
  readonly ladder: Ladder;
  readonly library: Library;
  readonly bars: Bars;
  readonly people: readonly Person[];
  readonly found: ReadonlySet<string> | null;
  readonly filtering: boolean;
}

/** A trunk with its rungs by name, and its branches as small ladders beside it. */
export const Trunk = memo(function Trunk(props: ColumnProps) {
  const { ladder, library, bars } = props;
  const branches = library.ladders.filter((l) => l.branchOf.includes(ladder.id));
  return (
    <article
      aria-labelledby={`ladder-${ladder.id}`}
      className="[contain-intrinsic-size:auto_20rem] [content-visibility:auto]"
    >
      <div className="flex flex-wrap items-end gap-2">
        <ol
          reversed
          className="w-60 shrink-0 border-x-4 border-base-content/80"
          aria-label={`${ladder.name}, top rung first`}
        >
          {ladder.rungs
            .map((rung, i) => ({ rung, i }))
            .reverse()
            .map(({ rung, i }) => {
              const look = lookOf(library, rung);
              const by = bars.get(`${ladder.id}/${i}`) ?? [];
              const here = standingOn(props.people, ladder.id, rung);
              const barred = by.length > 0;
              return (
                <li key={`${rung.move}/${rung.settings?.surfaceCm ?? ''}`}>
                  <Link
                    to={`/moves/${rung.move}`}
                    title={by.map((b) => b.says).join('; ') || undefined}
                    style={barred ? undefined : laneStyle(look.lane)}
                    className={`touch flex min-h-7 items-center gap-1.5 border-y border-base-content/50 px-2 py-0.5 text-[0.92rem] leading-tight hover:underline ${barred ? 'barred' : ''} ${props.found?.has(rung.move) ? 'outline-2 -outline-offset-2 outline-primary' : ''}`}
                  >
                    <span
                      className={`min-w-0 flex-1 ${barred ? 'quiet line-through decoration-2' : 'font-semibold'}`}
                    >
                      {formName(library, rung.move, rung.settings)}
                      {barred && <span className="sr-only">, barred: {by[0]!.says}</span>}
                    </span>
                    {look.flies && <FlightMark />}
                    {look.floor && <FloorMark />}
                    {here.map((p) => (
                      <span
                        key={p.id}
                        title={`${p.name} owns this rung`}
                        className="display grid h-6 w-6 shrink-0 place-items-center rounded-full bg-[var(--line)] text-[0.65rem] text-base-100"
                      >
                        {initials(p.name)}
                      </span>
                    ))}
                  </Link>
                </li>
              );
            })}
        </ol>
        {branches.map((branch) => (
          <Miniature
            key={branch.id}
            branch={branch}
            library={library}
            bars={bars}
            filtering={props.filtering}
          />
        ))}
      </div>
      <h3 id={`ladder-${ladder.id}`} className="mt-1 text-lg leading-tight">
        <Link
          to={`/ladders/${ladder.id}`}
          className="touch inline-flex items-center underline decoration-2 underline-offset-4"
        >
          {ladder.name}
        </Link>
      </h3>
    </article>
  );
});

function Miniature(props: { branch: Ladder; library: Library; bars: Bars; filtering: boolean }) {
  const { branch, library, bars } = props;
  const barred = branch.rungs.map((_, i) => (bars.get(`${branch.id}/${i}`) ?? []).length > 0);
  const open = barred.filter((b) => !b).length;
  const name = branch.avoids ? `without ${branch.avoids}` : branch.name;
  return (
    <Link
      to={`/ladders/${branch.id}`}
      title={`${branch.name}: ${name}`}
      aria-label={`${branch.name}, ${name}, ${open} of ${branch.rungs.length} rungs open`}
      className={`touch flex flex-col justify-end ${branch.avoids ? 'w-11' : 'w-20'}`}
    >
      <span className="mx-auto block w-6 border-x-2 border-base-content/70">
        {[...branch.rungs].reverse().map((rung, k) => {
          const i = branch.rungs.length - 1 - k;
          return (
            <span
              key={`${rung.move}/${rung.settings?.surfaceCm ?? ''}`}
              className={`block h-3.5 border-y border-base-content/50 ${barred[i] ? 'barred' : ''}`}
              style={barred[i] ? undefined : laneStyle(lookOf(library, rung).lane)}
            />
          );
        })}
      </span>
      <span className="quiet mt-0.5 block text-center text-xs leading-[1.05]">
        {branch.avoids ? (SHORT[branch.avoids] ?? `no ${branch.avoids}`) : branch.name}
      </span>
    </Link>
  );
}

/** What a branch avoids, in a word or two under its small ladder. */
const SHORT: Partial<Record<Avoid, string>> = {
  'leaving the floor': 'feet down',
  'weight through the wrists': 'no wrists',
  'getting down to the floor': 'no floor',
  'standing and the floor': 'seated',
  'a bent-back wrist under load': 'straight wrist',
  kneeling: 'off knees',
  'arms behind the body': 'arms ahead',
  'arms overhead': 'arms low',
  gripping: 'no grip',
  'bending the back': 'long back',
  'a deep knee bend': 'small bend',
};
