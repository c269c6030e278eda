import { formatEntry, formatWords, type Segment } from '../clock/index.ts';
import { sameForm } from '../move/index.ts';
import { type Entry, entriesOf } from '../session/index.ts';
import { type Beat, countWords, isLed, passOf } from './pace.ts';
import { doesNow, doingOf, easierForAll, type FormDone, formsAt, type Present } from './people.ts';
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
  /** Among children, where all do one form: another to choose, easier and open to every one of them. */
  readonly choice: Does;
}

/** How much of a move there is each time through, and by what. */
type Amount = Pick<MoveNow, 'count' | 'metres' | 'seconds'>;
/** A move of a stretch before it has a name and people. */
type Part = Omit<MoveNow, 'name' | 'forms' | 'choice'>;

const parted = new WeakMap<Segment, readonly Part[]>();

function partsOf(run: Pick<Run, 'plan'>, segment: Segment): readonly Part[] {
  const known = parted.get(segment);
  if (known) return known;
  const entries: readonly (Entry | undefined)[] = entriesOf(run.plan.blocks);
  const pass = passOf(segment);
  const turns = formatEntry(run.plan.blocks[segment.block]!.format.kind).fills === true;
  const parts = pass.map(({ entry, reps, seconds }, i): Part => {
    const fills = turns && i > 0 && reps === null;
    const dose = entries[entry]?.dose;
    // The last of several rounds may be cut off by the clock: what was written for each holds, not a share of the whole.
    const written = segment.does[i]!.goes > 1 ? dose : undefined;
    const timed = reps === null && !fills && pass.length > 1;
    const metres = timed ? (dose?.metres ?? null) : null;
    return {
      entry,
      count: reps === null ? null : (written?.reps ?? reps),
      metres,
      seconds: timed && metres === null ? (written?.seconds ?? Math.round(seconds)) : null,
      fills,
      tempo: dose?.tempo ?? null,
    };
  });
  parted.set(segment, parts);
  return parts;
}

/** All that is done in a stretch of work, in its order, each once: what a wall and a coach show while it lasts. */
export function movesAt(
  run: Pick<Run, 'plan' | 'names' | 'how'>,
  people: readonly Present[],
  segment: Segment,
): MoveNow[] {
  return partsOf(run, segment).map((part) => {
    const forms = formsAt(run, people, part.entry).filter(({ does }) => does);
    const [only] = forms;
    return {
      ...part,
      name: entryName(run, part.entry),
      forms,
      choice:
        run.plan.forWhom === 'children' && only && forms.length === 1
          ? easierForAll(
              only.people.map((one) => ({ one, entry: doingOf(run, one, part.entry).entry })),
              only.does,
            )
          : null,
    };
  });
}

/**
 * How much of a move there is each time through: "10", "200 m", "30 s"; nothing where it has the whole stretch. Of a form
 * in its place as many as it was given, or how long, where it is held.
 */
export function amountOf({ count, metres, seconds }: Amount, does: Does = null): string {
  if (count !== null && does) return does.pace === null ? does.dose : String(does.reps ?? count);
  if (count !== null) return String(count);
  return metres !== null ? `${metres} m` : seconds !== null ? `${seconds} s` : '';
}

const joined = (amount: string, name: string): string => (amount ? `${amount} ${name}` : name);

/** A move with how much of it there is, or a form in its place: "10 squats". */
export const moveWords = (move: MoveNow, does: Does = null): string =>
  joined(amountOf(move, does), does?.name ?? move.name);

/** What is done in a stretch, said in one go: "10 squats, then 8 press-ups"; somebody's own where `doesOf` says it. */
export const movesWords = (
  run: Pick<Run, 'plan'>,
  segment: Segment,
  nameOf: (entry: number) => string,
  doesOf: (entry: number) => Does = () => null,
): string =>
  partsOf(run, segment)
    .map((part) => joined(amountOf(part, doesOf(part.entry)), nameOf(part.entry)))
    .join(', then ');

/** Where everybody is in a stretch; where each goes at their own pace, what it is and how far they have counted. */
export function stretchWords(
  run: Pick<Run, 'plan'>,
  people: readonly Present[],
  segment: Segment,
  beat: Beat | null,
): string {
  const { format } = run.plan.blocks[segment.block]!;
  const said = isLed(format)
    ? [
        // A minute, a set or a step says more than the round that it is.
        segment.side ? `${segment.side} side` : segment.note ? '' : `round ${segment.round + 1}`,
        segment.note,
        beat?.rep ? `rep ${beat.rep} of ${beat.of}` : '',
      ]
    : [formatWords(format), tallyWords(people, segment.block), beatWords(run, people, segment.block)];
  return said.filter(Boolean).join(' · ');
}

/** How far those who count have come in a block, least to most: nothing of who is where. */
function tallyWords(people: readonly Present[], block: number): string {
  const rounds = people.flatMap(({ is, counts }) => (is === 'here' ? [counts.get(block)?.rounds ?? 0] : []));
  const [least, most] = [Math.min(...rounds), Math.max(...rounds)];
  if (rounds.length === 0 || most === 0) return '';
  const said = least === most ? String(most) : least === 0 ? `up to ${most}` : `${least} to ${most}`;
  return `${said} ${most === 1 ? 'round' : 'rounds'} so far`;
}

/** What those who are here have done of a block before, least to most; nothing among children, who aren't compared. */
function beatWords(run: Pick<Run, 'plan'>, people: readonly Present[], block: number): string {
  if (run.plan.forWhom === 'children') return '';
  const most = people
    .flatMap((one) => (one.is === 'here' ? [toBeatIn(run, one, block)] : []))
    .flatMap((one) => one ?? [])
    .sort((a, b) => a.rounds - b.rounds || a.reps - b.reps);
  const [least, top] = [most[0], most.at(-1)];
  if (!least || !top) return '';
  const [from, to] = [countWords(least), countWords(top)];
  return `to beat: ${from === to ? to : `${from} to ${to}`}`;
}

/**
 * Where rounds climb by forms of their own: somebody for whom the round that was written goes on and theirs doesn't is
 * at their limit, and does what they did in the round before.
 */
export function atLimit(run: Pick<Run, 'plan'>, person: Pick<Present, 'doing'>, entry: number): boolean {
  const entries = entriesOf(run.plan.blocks);
  const here = entries[entry];
  if (!here || here.round === null) return false;
  const before = entries.findIndex(
    (one) =>
      one.block === here.block &&
      one.inBlock === here.inBlock &&
      one.part === here.part &&
      one.round === here.round! - 1,
  );
  if (before < 0 || sameForm(entries[before]!, here)) return false;
  const [was, now] = [before, entry].map((at) => person.doing[at]?.at(-1)?.does ?? null);
  return was !== null && now !== null && sameForm(was!, now!);
}

/** The most that somebody has done of a block before this run; null as soon as they do other forms of it than they did then. */
export function toBeatIn(run: Pick<Run, 'plan'>, { cast, doing }: Present, block: number) {
  const best = cast.toBeat?.find((one) => one.block === block);
  const same = entriesOf(run.plan.blocks).every(
    (entry, i) => entry.block !== block || doing[i]?.length === 1,
  );
  return best && same ? best : null;
}

/**
 * People in rows: those known by number of whom the same is said and to be minded, who do the same in the same place, can
 * go the same ways from it and have counted the same stand in one row; everybody else, and whoever is out or gone, in one
 * of their own. Where groups go round, a group's people stand together.
 */
export function alike(
  people: readonly Present[],
  entries: readonly number[],
  block: number | null,
  around: boolean,
): Present[][] {
  const rows = new Map<string, Present[]>();
  for (const one of people) {
    const { rounds = 0, reps = 0 } = (block === null ? undefined : one.counts.get(block)) ?? {};
    const key =
      one.byNumber && one.is === 'here'
        ? JSON.stringify([
            one.name,
            one.cautions,
            around ? one.cast.group : 0,
            entries.map((entry) => [doesNow(one, entry), one.cast.switches[entry]]),
            rounds,
            reps,
            one.cast.toBeat ?? [],
          ])
        : one.id;
    rows.set(key, [...(rows.get(key) ?? []), one]);
  }
  return [...rows.values()];
}
