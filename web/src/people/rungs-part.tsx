import { type Ladder, patternOf } from '@inner-rung/core/ladder';
import type { Ruler } from '@inner-rung/core/limits';
import { PATTERNS } from '@inner-rung/core/move';
import { type Place, placesOf } from '@inner-rung/core/person';
import { memo, useDeferredValue, useMemo, useState } from 'react';
import { useSearchParams } from 'react-router';
import { laneStyle, lookOf } from '../features/rung-look.ts';
import { useBars } from '../features/use-bars.ts';
import type { PersonPage } from '../features/use-person.ts';
import { initials } from '../store/data.ts';
import { dayWords, today } from '../store/day.ts';
import { barredRungs } from './find-rung.tsx';
import { Chosen, EVIDENCE } from './rung-chosen.tsx';

/** Every ladder with their token on it: tested, seen or assumed, when, how sure. */
export default function RungsPart(props: { page: PersonPage }) {
  const { person, library } = props.page;
  const [search, setSearch] = useSearchParams();
  const [text, setText] = useState('');
  const looking = useDeferredValue(text).trim().toLowerCase();
  const [known, setKnown] = useState(false);
  const bars = useBars(library, person, null, 'limits');
  const places = useMemo(
    () => new Map(placesOf(library, person, today()).map((p) => [p.ladder, p])),
    [library, person],
  );
  const chosen = library.ladder(search.get('ladder') ?? '') ?? null;
  const ladders = library.ladders.filter(
    (l) =>
      (!known || places.get(l.id)!.on !== null) &&
      (looking === '' ||
        l.name.toLowerCase().includes(looking) ||
        l.rungs.some((r) => library.move(r.move)?.name.toLowerCase().includes(looking))),
  );
  const groups = PATTERNS.map((pattern) => ({
    pattern,
    ladders: ladders.filter((l) => patternOf(library, l) === pattern),
  })).filter((g) => g.ladders.length > 0);
  const token = initials(person.name);
  return (
    <div className="mt-2 grid grid-cols-1 gap-x-6 gap-y-4 xl:grid-cols-[minmax(0,1fr)_22rem]">
      <div className="order-2 min-w-0 xl:order-1">
        <div className="flex flex-wrap items-end gap-3">
          <label className="block">
            <span className="quiet block text-sm">Find a ladder</span>
            <input
              type="search"
              className="input touch w-56"
              placeholder="squat, push, step…"
              value={text}
              onChange={(e) => setText(e.target.value)}
            />
          </label>
          <button
            type="button"
            aria-pressed={known}
            className={`btn touch ${known ? 'btn-neutral' : ''}`}
            onClick={() => setKnown(!known)}
          >
            Only those tried
          </button>
          <Key />
        </div>
        {groups.map((group) => (
          <section key={group.pattern} aria-label={group.pattern} className="mt-4">
            <h3 className="quiet text-base">{group.pattern}</h3>
            <ul className="flex flex-wrap gap-x-3 gap-y-3">
              {group.ladders.map((ladder) => (
                <li key={ladder.id}>
                  <Small
                    ladder={ladder}
                    at={places.get(ladder.id)!}
                    barred={barredRungs(ladder, bars)}
                    lanes={ladder.rungs.map((rung) => lookOf(library, rung).lane)}
                    token={token}
                    on={ladder === chosen}
                    onChoose={() => setSearch({ ladder: ladder.id }, { replace: true })}
                  />
                </li>
              ))}
            </ul>
          </section>
        ))}
        {groups.length === 0 && <p className="quiet mt-4">No ladder by that word.</p>}
      </div>
      <aside aria-label="The chosen ladder" className="order-1 xl:sticky xl:top-2 xl:order-2 xl:self-start">
        {chosen ? (
          <Chosen key={chosen.id} page={props.page} ladder={chosen} at={places.get(chosen.id)!} bars={bars} />
        ) : (
          <p className="quiet border-l-4 border-base-300 pl-3">
            Choose a ladder to find the rung, or to set it from what you saw.
          </p>
        )}
      </aside>
    </div>
  );
}

function Key() {
  return (
    <p className="quiet flex flex-wrap items-center gap-x-3 text-sm">
      {(['assessed', 'observed', 'assumed'] as const).map((evidence) => (
        <span key={evidence} className="flex items-center gap-1">
          <span className={`inline-block h-4 w-4 rounded-full ${tokenLook(evidence, false)}`} aria-hidden />
          {EVIDENCE[evidence]}
        </span>
      ))}
      <span className="flex items-center gap-1">
        <span className="barred inline-block h-4 w-6 border border-base-content" aria-hidden />
        barred
      </span>
    </p>
  );
}

const tokenLook = (evidence: Place['evidence'], stale: boolean) =>
  `${
    evidence === 'assessed'
      ? 'bg-[var(--line)] text-base-100'
      : evidence === 'observed'
        ? 'border-[3px] border-[var(--line)] bg-base-100'
        : 'border-2 border-dotted border-[var(--line)] bg-base-100'
  } ${stale ? 'opacity-60 outline-2 outline-offset-1 outline-dashed outline-[var(--line)]' : ''}`;

/** A ladder seen from across the room, the token on the rung they own. */
const Small = memo(function Small(props: {
  ladder: Ladder;
  at: Place;
  barred: readonly (readonly Ruler[])[];
  lanes: readonly (0 | 1 | 2 | 3)[];
  token: string;
  on: boolean;
  onChoose: () => void;
}) {
  const { ladder, at, barred } = props;
  const closed = barred.filter((b) => b.length > 0).length;
  const says = `${ladder.name}: ${at.rung < 0 ? 'below the lowest rung' : `rung ${at.rung + 1} of ${ladder.rungs.length}`}, ${EVIDENCE[at.evidence]}${at.on ? ` ${dayWords(at.on)}` : ''}${at.stale ? ', gone stale' : ''}${closed > 0 ? `, ${closed} barred` : ''}`;
  return (
    <button
      type="button"
      aria-label={says}
      aria-pressed={props.on}
      title={says}
      className={`w-24 rounded p-1 text-left hover:bg-base-200 ${props.on ? 'bg-base-300' : ''}`}
      onClick={props.onChoose}
    >
      <span className="mb-2 flex flex-col-reverse border-x-[3px] border-base-content/80 py-1.5">
        {ladder.rungs.map((rung, i) => (
          <span
            key={`${rung.move}/${rung.settings?.surfaceCm ?? ''}`}
            className={`relative block h-3 border-t border-base-content/50 ${barred[i]!.length > 0 ? 'barred' : ''}`}
            style={barred[i]!.length > 0 ? undefined : laneStyle(props.lanes[i]!)}
          >
            {i === at.rung && (
              <span
                className={`display absolute top-1/2 left-1/2 z-1 grid h-6 w-6 -translate-1/2 place-items-center rounded-full text-[0.65rem] ${tokenLook(at.evidence, at.stale)}`}
              >
                {props.token}
              </span>
            )}
          </span>
        ))}
      </span>
      <span className="mt-1 line-clamp-2 block text-xs leading-tight">{ladder.name}</span>
    </button>
  );
});
