import { formatEntry, type Segment } from '../clock/index.ts';
import { type Entry, entriesOf } from '../session/index.ts';
import { passOf } from './pace.ts';
import { type FormDone, formsAt, type Present } from './people.ts';
import { type Does, entryName, type Run } from './run.ts';

/** One of the things done in a stretch of work, once through: how often or how long, what it is called, who does what. */
export interface MoveNow {
  /** Place in the session's list of entries. */
  readonly entry: number;
  readonly name: string;
  /** So many of it each time through; null where it goes by time. */
  readonly count: number | null;
  /** Metres of it each time through, where it is so far rather than so often. */
  readonly metres: number | null;
  /** Seconds of it each time through, where several things go by time; null for a count, and for what has the whole stretch. */
  readonly seconds: number | null;
  /** Fills what the count before it leaves of its turn. */
  readonly fills: boolean;
  /** "3-1-1-0", where one is asked for. */
  readonly tempo: string | null;
  /** Form by form, the innermost lane first; empty where nobody is named. */
  readonly forms: readonly FormDone[];
}

type Goes = Pick<Run, 'plan' | 'names' | 'how'>;

const made = new WeakMap<Segment, readonly Omit<MoveNow, 'forms'>[]>();

function movesOf(run: Goes, segment: Segment): readonly Omit<MoveNow, 'forms'>[] {
  const known = made.get(segment);
  if (known) return known;
  const entries: readonly (Entry | undefined)[] = entriesOf(run.plan.blocks);
  const pass = passOf(segment);
  const turns = formatEntry(run.plan.blocks[segment.block]!.format.kind).fills === true;
  const moves = pass.map(({ entry, reps, seconds }, i) => {
    const fills = turns && i > 0 && reps === null;
    const dose = entries[entry]?.dose;
    // The last of several rounds may be cut off by the clock: what was written for each holds, not a share of the whole.
    const written = segment.does[i]!.goes > 1 ? dose : undefined;
    const timed = reps === null && !fills && pass.length > 1;
    const metres = timed ? (dose?.metres ?? null) : null;
    return {
      entry,
      name: entryName(run, entry),
      count: reps === null ? null : (written?.reps ?? reps),
      metres,
      seconds: timed && metres === null ? (written?.seconds ?? Math.round(seconds)) : null,
      fills,
      tempo: dose?.tempo ?? null,
    };
  });
  made.set(segment, moves);
  return moves;
}

/** All that is done in a stretch of work, in its order, each once: what a wall and a coach show while it lasts. */
export function movesAt(run: Goes, people: readonly Present[], segment: Segment): MoveNow[] {
  return movesOf(run, segment).map((move) => ({
    ...move,
    forms: formsAt(run, people, move.entry).filter(({ does }) => does),
  }));
}

/** How much of a move there is each time through: "10", "200 m", "30 s"; nothing where it has the whole stretch. */
export const amountOf = ({
  count,
  metres,
  seconds,
}: Pick<MoveNow, 'count' | 'metres' | 'seconds'>): string =>
  count !== null ? String(count) : metres !== null ? `${metres} m` : seconds !== null ? `${seconds} s` : '';

/** The same of a form in its place: as many as it was given, where it is counted at all. */
export function amountFor(move: MoveNow, does: Does): string {
  if (move.count === null || does === null) return amountOf(move);
  if (does.pace === null) return does.dose;
  return String(does.reps ?? move.count);
}

/** What is done in a stretch, said in one go: "10 squats, then 8 press-ups". */
export const movesWords = (run: Goes, segment: Segment): string =>
  movesOf(run, segment)
    .map((move) => [amountOf(move), move.name].filter(Boolean).join(' '))
    .join(', then ');

/** How far those who count have come in a block, least to most: nothing of who is where. */
export function tallyWords(people: readonly Present[], block: number): string {
  const rounds = people.flatMap(({ is, counts }) => (is === 'here' ? [counts.get(block)?.rounds ?? 0] : []));
  const [least, most] = [Math.min(...rounds), Math.max(...rounds)];
  if (rounds.length === 0 || most === 0) return '';
  return `${least === most ? most : `${least} to ${most}`} ${most === 1 ? 'round' : 'rounds'} so far`;
}

/**
 * People in rows: those known by number of whom the same is said, who do the same in the same place and have counted the
 * same stand in one row, everybody else in one of their own. Where groups go round, a group's people stand together.
 */
export function alike(
  people: readonly Present[],
  entries: readonly number[],
  block: number | null,
  around: boolean,
): Present[][] {
  const rows = new Map<string, Present[]>();
  for (const one of people) {
    const does = entries.map((entry) => one.doing[entry]?.at(-1)?.does);
    const key = one.byNumber
      ? JSON.stringify([
          one.name,
          one.is,
          around ? one.cast.group : 0,
          does,
          block === null ? null : one.counts.get(block),
        ])
      : one.id;
    rows.set(key, [...(rows.get(key) ?? []), one]);
  }
  return [...rows.values()];
}
