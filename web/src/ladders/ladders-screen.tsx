import {
  AVOID_IDS,
  type Avoid,
  breaksPromise,
  type Ladder,
  type Library,
  patternOf,
  rungDemand,
} from '@inner-rung/core/ladder';
import type { Ruler } from '@inner-rung/core/limits';
import { PATTERNS, type Pattern } from '@inner-rung/core/move';
import { shortName } from '@inner-rung/core/person';
import { plainName } from '@inner-rung/core/read';
import { useDeferredValue, useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { findMoves } from '../features/move-search.ts';
import { lookOf } from '../features/rung-look.ts';
import { useBars } from '../features/use-bars.ts';
import { useShelf } from '../store/data.ts';
import { FlightMark, FloorMark } from '../ui/marks.tsx';
import { PartsHeader } from '../ui/parts-header.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { useLater } from '../ui/use-later.ts';
import { type Bars, slug, Trunk } from './ladder-columns.tsx';
import { Field, SelectField } from './wall-fields.tsx';

/** Patterns that fill a window: the others are drawn after them. */
const FIRST = 2;

/** All ladders at a glance: rungs, branches, where flight and the floor begin, who stands where. */
export default function LaddersScreen() {
  const { library, people, rooms, failed } = useShelf();
  const [search, setSearch] = useSearchParams();
  const [text, setText] = useState(search.get('q') ?? '');
  const looking = useDeferredValue(text);
  const person = people.find((p) => p.id === search.get('for')) ?? null;
  const room = rooms.find((r) => r.id === search.get('in')) ?? rooms[0] ?? null;
  const without = AVOID_IDS.find((avoid) => avoid === search.get('without')) ?? null;
  const roomBars = useBars(library, person, room);
  const bars = useMemo(() => withAvoided(library, roomBars, without), [library, roomBars, without]);
  const found = useMemo(
    () => (library && looking.trim() ? new Set(findMoves(library, looking, 60).map((hit) => hit.id)) : null),
    [library, looking],
  );
  const groups = useMemo(
    () => (library ? byPattern(library, found, looking) : []),
    [library, found, looking],
  );
  const rest = useLater(library !== null);
  if (failed) return <ServerAway />;
  if (!library) return <Waiting />;
  const choose = (key: 'for' | 'in' | 'without', value: string) => {
    const next = new URLSearchParams(search);
    if (value) next.set(key, value);
    else next.delete(key);
    setSearch(next, { replace: true });
  };
  const filtering = person !== null || without !== null;
  return (
    <div className="min-h-dvh">
      <PartsHeader here="ladders" />
      <main className="px-4 py-3 md:px-6">
        <div className="flex flex-wrap items-end gap-x-1.5 gap-y-2 md:gap-x-4">
          <h1 className="mr-auto text-3xl">Ladders</h1>
          <Field label="Find a move" id="wall-find">
            <input
              id="wall-find"
              type="search"
              className="input touch w-44"
              value={text}
              placeholder="press-up, glutes…"
              onChange={(event) => setText(event.target.value)}
            />
          </Field>
          <SelectField
            id="wall-for"
            label="For"
            value={person?.id ?? ''}
            none="anybody"
            options={people.map((p) => [p.id, p.name])}
            onChoose={(value) => choose('for', value)}
          />
          <SelectField
            id="wall-where"
            label="Where"
            value={room?.id ?? ''}
            options={rooms.map((r) => [r.id, r.name])}
            onChoose={(value) => choose('in', value)}
          />
          <SelectField
            id="wall-without"
            label="Without"
            value={without ?? ''}
            none="anything barred"
            options={AVOID_IDS.map((avoid) => [avoid, avoid])}
            onChoose={(value) => choose('without', value)}
          />
          <Link to="/ladders/new" className="btn btn-primary touch">
            New ladder
          </Link>
        </div>
        <div className="quiet mt-2 flex flex-wrap items-center gap-x-4 gap-y-1 text-sm">
          <span>
            {[0, 1, 2, 3].map((lane) => (
              <span
                key={lane}
                className="mr-0.5 inline-block h-3 w-4 border border-current align-[-0.1em]"
                style={{ background: `var(--lane-${lane})` }}
                aria-hidden
              />
            ))}{' '}
            paler is easier
          </span>
          <span>
            <FlightMark /> leaves the floor
          </span>
          <span>
            <FloorMark /> down on the floor
          </span>
          <span>
            <s>struck out</s> barred {person ? `for ${shortName(person)}` : 'here'}
          </span>
          <span>Small ladders beside: ways round</span>
        </div>
        <nav aria-label="Patterns" className="mt-1 -ml-3 flex gap-0 overflow-x-auto">
          {groups.map(([pattern, ladders]) => (
            <a key={pattern} href={`#${slug(pattern)}`} className="btn btn-ghost btn-sm touch shrink-0 px-3">
              {pattern} <span className="quiet">{ladders.length}</span>
            </a>
          ))}
        </nav>
        {groups.length === 0 && (
          <p className="mt-8 text-lg">
            No ladder has a move like “{text}”. Try what it works, or{' '}
            <Link to="/ladders/new" className="underline underline-offset-4">
              build one from it
            </Link>
            .
          </p>
        )}
        {groups.slice(0, rest ? groups.length : FIRST).map(([pattern, ladders]) => (
          <section
            key={pattern}
            id={slug(pattern)}
            aria-labelledby={`${slug(pattern)}-name`}
            className="mt-4 [contain-intrinsic-block-size:auto_30rem] [content-visibility:auto]"
          >
            <h2 id={`${slug(pattern)}-name`} className="border-b-2 border-base-300 text-2xl">
              {pattern.charAt(0).toUpperCase() + pattern.slice(1)}
            </h2>
            <div className="mt-2 flex flex-wrap items-end gap-x-7 gap-y-5">
              {ladders.map((ladder) => (
                <Trunk
                  key={ladder.id}
                  ladder={ladder}
                  library={library}
                  bars={bars}
                  people={people}
                  found={found}
                  filtering={filtering}
                />
              ))}
            </div>
          </section>
        ))}
        <p className="mt-4">
          <Link to="/figures" className="touch inline-flex items-center underline underline-offset-4">
            Every move as it is drawn
          </Link>
        </p>
      </main>
    </div>
  );
}

function withAvoided(library: Library | null, bars: Bars, without: Avoid | null): Bars {
  if (!library || !without) return bars;
  const all = new Map(bars);
  const ruler: Ruler = { kind: 'limit', id: without, says: `without ${without}`, mayLoosen: true };
  for (const ladder of library.ladders)
    ladder.rungs.forEach((rung, i) => {
      const demand = rungDemand(library, rung);
      const key = `${ladder.id}/${i}`;
      if (demand && breaksPromise(without, demand)) all.set(key, [ruler, ...(bars.get(key) ?? [])]);
    });
  return all;
}

function byPattern(
  library: Library,
  found: ReadonlySet<string> | null,
  text: string,
): (readonly [Pattern, Ladder[]])[] {
  const plain = plainName(text);
  const ranks = found && new Map([...found].map((id, rank) => [id, rank]));
  /** How near a ladder is to what was looked for: the rank of its best move, its branches' counted too. */
  const rankOf = (ladder: Ladder) => {
    if (!ranks || plainName(ladder.name).includes(plain)) return 0;
    const family = [ladder, ...library.ladders.filter((l) => l.branchOf.includes(ladder.id))];
    return Math.min(
      ...family.flatMap((l) => l.rungs.map((rung) => ranks.get(rung.move) ?? Number.POSITIVE_INFINITY)),
    );
  };
  const groups = new Map<Pattern, { ladder: Ladder; rank: number }[]>();
  for (const ladder of library.ladders) {
    if (ladder.branchOf.length > 0) continue;
    const rank = rankOf(ladder);
    if (rank === Number.POSITIVE_INFINITY) continue;
    const pattern = patternOf(library, ladder);
    groups.set(pattern, [...(groups.get(pattern) ?? []), { ladder, rank }]);
  }
  const branches = (ladder: Ladder) => library.ladders.filter((l) => l.branchOf.includes(ladder.id)).length;
  const bottom = (ladder: Ladder) => lookOf(library, ladder.rungs[0]!).points;
  const ordered = PATTERNS.flatMap((pattern) => {
    const inIt = groups.get(pattern);
    // The ladder with most ways round is the one most people stand on.
    inIt?.sort(
      (a, b) =>
        a.rank - b.rank ||
        branches(b.ladder) - branches(a.ladder) ||
        bottom(a.ladder) - bottom(b.ladder) ||
        (a.ladder.name < b.ladder.name ? -1 : 1),
    );
    return inIt ? [{ pattern, ladders: inIt.map(({ ladder }) => ladder), rank: inIt[0]!.rank }] : [];
  });
  // Looking for something, its pattern stands first; otherwise the patterns keep their usual order.
  return ordered.sort((a, b) => a.rank - b.rank).map(({ pattern, ladders }) => [pattern, ladders] as const);
}
