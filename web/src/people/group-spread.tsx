import type { Ladder, Library } from '@inner-rung/core/ladder';
import { type Person, type Place, placesOf } from '@inner-rung/core/person';
import { formName } from '@inner-rung/core/words';
import { useMemo, useState } from 'react';
import { laneStyle, lookOf } from '../features/rung-look.ts';
import { tokenOf } from '../store/data.ts';
import { today } from '../store/day.ts';

/** The ladders a group is first looked at on, where the library has them. */
const FIRST_LADDERS = ['squat', 'push', 'jack', 'plank', 'locomotion', 'step', 'pull', 'bridge'];

/** Where everybody stands on a few ladders: tokens on rungs. */
export function Spread(props: { library: Library; everybody: readonly Person[] }) {
  const { library, everybody } = props;
  const [more, setMore] = useState<readonly string[]>([]);
  const places = useMemo(
    () =>
      everybody.map((person) => ({
        person,
        at: new Map(placesOf(library, person, today()).map((p) => [p.ladder, p])),
      })),
    [library, everybody],
  );
  if (everybody.length === 0) return null;
  const shown = [...FIRST_LADDERS, ...more].flatMap((id) => library.ladder(id) ?? []);
  return (
    <section className="mt-8" aria-labelledby="spread-h">
      <div className="flex flex-wrap items-center gap-3">
        <h2 id="spread-h" className="mr-auto text-2xl">
          Where they stand
        </h2>
        <label>
          <span className="sr-only">Another ladder</span>
          <select
            className="select touch"
            value=""
            onChange={(e) => e.target.value && setMore([...more, e.target.value])}
          >
            <option value="">Another ladder…</option>
            {library.ladders
              .filter((l) => !shown.includes(l))
              .map((l) => (
                <option key={l.id} value={l.id}>
                  {l.name}
                </option>
              ))}
          </select>
        </label>
      </div>
      <p className="quiet text-sm">Filled: tested or seen. Dotted: assumed.</p>
      <div className="mt-2 grid grid-cols-1 gap-x-6 gap-y-6 sm:grid-cols-2 lg:grid-cols-4">
        {shown.map((ladder) => (
          <SpreadLadder
            key={ladder.id}
            library={library}
            ladder={ladder}
            places={places.map(({ person, at }) => ({ person, at: at.get(ladder.id)! }))}
          />
        ))}
      </div>
    </section>
  );
}

function SpreadLadder(props: {
  library: Library;
  ladder: Ladder;
  places: readonly { person: Person; at: Place }[];
}) {
  const { library, ladder, places } = props;
  const below = places.filter(({ at }) => at.rung < 0);
  const tokens = (list: typeof places) =>
    list.map(({ person, at }) => (
      <span
        key={person.id}
        title={person.name}
        className={`display grid h-7 min-w-7 place-items-center rounded-full px-1 text-xs ${at.evidence === 'assumed' ? 'border-2 border-dotted border-[var(--line)] bg-base-100 text-base-content' : 'bg-[var(--line)] text-base-100'}`}
      >
        {tokenOf(person)}
        <span className="sr-only">, {person.name}</span>
      </span>
    ));
  return (
    <div>
      <h3 className="text-lg leading-tight">{ladder.name}</h3>
      <ol
        className="mt-1 border-x-4 border-base-content/80"
        reversed
        aria-label={`${ladder.name}, top rung first`}
      >
        {ladder.rungs
          .map((rung, i) => ({ rung, i }))
          .reverse()
          .map(({ rung, i }) => {
            const here = places.filter(({ at }) => at.rung === i);
            return (
              <li
                key={`${rung.move}/${rung.settings?.surfaceCm ?? ''}`}
                className="flex min-h-9 flex-wrap items-center gap-1 border-y border-base-content/60 px-1.5 py-0.5 text-sm leading-tight"
                style={here.length > 0 ? laneStyle(lookOf(library, rung).lane) : undefined}
              >
                <span className="min-w-0 flex-1">{formName(library, rung.move, rung.settings)}</span>
                {tokens(here)}
              </li>
            );
          })}
      </ol>
      {below.length > 0 && (
        <p className="mt-1 flex flex-wrap items-center gap-1 text-sm">below: {tokens(below)}</p>
      )}
    </div>
  );
}
