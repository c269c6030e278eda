import {
  type ClockPiece,
  compileFormat,
  type Estimate,
  type FormatFault,
  formatEntry,
  formatRange,
  type Level,
  lengthOf,
  type PartWork,
  type Segment,
  type Span,
  type StationWork,
  type Surroundings,
  span,
} from '../clock/index.ts';
import type { Library } from '../ladder/index.ts';
import type { FormRef, Move } from '../move/index.ts';
import { changeFor, KINDS, type KindId } from './kinds.ts';
import { type Block, type Dose, type Plan, roleOf } from './plan.ts';

/** What the clock has to know of a move. */
export interface MoveFacts {
  /** Seconds a rep takes: quickest, usual, slowest; null for a hold. */
  readonly rep: Span | null;
  /** One side at a time, so that a count is usually for each side. */
  readonly sided: boolean;
  readonly starts: Level;
  readonly ends: Level;
  /** What a rep is counted aloud by, over and over: parts of so many seconds. */
  readonly counts?: NonNullable<Move['counts']>;
}
export type Facts = (move: string) => MoveFacts;

/** What is assumed of a move that isn't in the library. Estimate. */
export const UNKNOWN_FACTS: MoveFacts = { rep: span(2, 3, 4), sided: false, starts: 0, ends: 0 };
const levelOf = (posture: string): Level => (posture === 'standing' ? 0 : posture === 'seated' ? 1 : 2);

const factsByLibrary = new WeakMap<Library, Facts>();

export function factsIn(library: Library): Facts {
  const made = factsByLibrary.get(library);
  if (made) return made;
  const known = new Map<string, MoveFacts>();
  const factsOf: Facts = (id) => {
    let facts = known.get(id);
    if (!facts) {
      const move = library.move(id);
      facts = move
        ? {
            rep: move.pace ? span(60 / move.pace[2], 60 / move.pace[1], 60 / move.pace[0]) : null,
            sided: move.sides === 'one',
            starts: levelOf(move.posture.start),
            ends: levelOf(move.posture.end),
            ...(move.counts ? { counts: move.counts } : {}),
          }
        : UNKNOWN_FACTS;
      known.set(id, facts);
    }
    return facts;
  };
  factsByLibrary.set(library, factsOf);
  return factsOf;
}

/** One thing somebody does somewhere in a session: what is scaled, a form for each. */
export interface Entry extends FormRef {
  readonly block: number;
  /** Index among all stations of the session. */
  readonly station: number;
  /** Index in its block. */
  readonly inBlock: number;
  /** 0 for the station's own move, then its chain. */
  readonly part: number;
  /** The round it is for, where each has its own; otherwise null. */
  readonly round: number | null;
  readonly dose: Dose | undefined;
}

/** All that is done in a session, in its order. */
export function entriesOf(blocks: readonly Block[]): Entry[] {
  const entries: Entry[] = [];
  let station = 0;
  blocks.forEach((block, b) => {
    const climbs = formatEntry(block.format.kind).climbs === true;
    block.stations.forEach((s, inBlock) => {
      const rounds = climbs ? Math.max(1, (block.format as { rounds: number }).rounds) : 1;
      for (let round = 0; round < rounds; round++) {
        const form = round === 0 ? s : (s.byRound?.[round - 1] ?? s.byRound?.at(-1) ?? s);
        entries.push({
          block: b,
          station,
          inBlock,
          part: 0,
          round: climbs ? round : null,
          dose: s.dose,
          move: form.move,
          ...(form.settings ? { settings: form.settings } : {}),
        });
      }
      s.chain?.forEach((part, k) => {
        entries.push({
          block: b,
          station,
          inBlock,
          part: k + 1,
          round: null,
          dose: part.dose,
          move: part.move,
          ...(part.settings ? { settings: part.settings } : {}),
        });
      });
      station++;
    });
  });
  return entries;
}

/** Doses where none is given. Common practice. */
const USUAL_REPS = 10;
const USUAL_HOLD_SECONDS = 20;
const USUAL_FLOW_SECONDS = 30;
/** A count of a hold, as in a pyramid, is a breath and a bit. Estimate. */
const HELD_COUNT = span(4, 5, 6);
/** Metres a second over short lengths with turns. Estimates. */
const METRES = { quick: 2.5, usual: 1.5, slow: 0.8 };

function partWork(entry: Entry, at: number, facts: MoveFacts, kind: KindId, flows: boolean): PartWork {
  const { dose } = entry;
  const slow = KINDS[kind].slowest;
  const tempo = dose?.tempo
    ?.split('-')
    .map(Number)
    .reduce((sum, n) => sum + n, 0);
  const rep =
    tempo !== undefined && tempo > 0
      ? span(tempo)
      : facts.rep
        ? span(facts.rep.lo, facts.rep.mid, Math.min(facts.rep.hi, facts.rep.mid * slow))
        : HELD_COUNT;
  const per = (dose?.each ?? facts.sided) ? 2 : 1;
  const scaled = (n: number): Span => span(rep.lo * n * per, rep.mid * n * per, rep.hi * n * per);
  const timed = (seconds: number): Span => span(seconds * (dose?.each ? 2 : 1));
  const bouts = dose?.bouts ?? null;
  const fixed = dose?.reps === undefined && (dose?.seconds !== undefined || dose?.metres !== undefined);
  const base = { entry: at, repSeconds: rep, per: per as 1 | 2, bouts, fixed };
  if (dose?.reps !== undefined) return { ...base, count: dose.reps, takes: scaled(dose.reps) };
  if (dose?.seconds !== undefined) return { ...base, count: null, takes: timed(dose.seconds) };
  if (dose?.metres !== undefined)
    return {
      ...base,
      count: null,
      takes: span(dose.metres / METRES.quick, dose.metres / METRES.usual, dose.metres / METRES.slow),
    };
  if (flows) return { ...base, count: null, takes: span(USUAL_FLOW_SECONDS) };
  return facts.rep === null
    ? { ...base, count: null, takes: span(USUAL_HOLD_SECONDS * per) }
    : { ...base, count: null, takes: scaled(USUAL_REPS) };
}

/** What a block's stations are to its clock. */
function worksOf(entries: readonly Entry[], blocks: readonly Block[], b: number, kind: KindId, facts: Facts) {
  const block = blocks[b]!;
  const { dose } = formatEntry(block.format.kind);
  const counts = dose === 'count';
  const flows = dose === 'time';
  const byStation = new Map<number, { entry: Entry; at: number }[]>();
  entries.forEach((entry, at) => {
    if (entry.block !== b) return;
    byStation.set(entry.inBlock, [...(byStation.get(entry.inBlock) ?? []), { entry, at }]);
  });
  return block.stations.map((s, i): StationWork => {
    const own = byStation.get(i) ?? [];
    const made = own.map(({ entry, at }) => {
      const work = partWork(entry, at, facts(entry.move), kind, flows);
      // Where the format counts and nothing is said, the usual count stands.
      return counts &&
        work.count === null &&
        !entry.dose?.seconds &&
        !entry.dose?.metres &&
        facts(entry.move).rep
        ? { ...work, count: USUAL_REPS }
        : work;
    });
    const firsts = own.map((o, k) => ({ ...o, work: made[k]! })).filter((o) => o.entry.part === 0);
    const rest = own.map((o, k) => ({ ...o, work: made[k]! })).filter((o) => o.entry.part > 0);
    const first = facts(s.move);
    const last = facts(s.chain?.at(-1)?.move ?? s.move);
    const cache = new Map<number, PartWork[]>();
    return {
      station: own[0]?.entry.station ?? -1,
      sides: s.sides,
      starts: first.starts,
      ends: last.ends,
      sets: s.dose?.sets ?? null,
      parts: (round) => {
        const k = Math.min(round, firsts.length - 1);
        let parts = cache.get(k);
        if (!parts) {
          parts = [firsts[k]!.work, ...rest.map((o) => o.work)];
          cache.set(k, parts);
        }
        return parts;
      },
    };
  });
}

const aroundOf = (kind: KindId): Surroundings => ({
  change: (from, to) => changeFor(kind, from.ends, to.starts),
  fatigue: KINDS[kind].fatigue,
});

/** Seconds that showing takes: about 10 for a known move, 20–25 for a new one. Common practice. */
export const SHOW_SECONDS = { known: 10, new: 25 } as const;
export const showSecondsOf = (station: Block['stations'][number]): number =>
  (station.isNew ? SHOW_SECONDS.new : SHOW_SECONDS.known) + (station.chain ?? []).length * SHOW_SECONDS.known;
export const showSecondsIn = (block: Block): number =>
  block.stations.reduce((sum, s) => sum + showSecondsOf(s), 0);

interface BlockTime {
  readonly startSeconds: number;
  readonly lengthSeconds: number;
  readonly range: { readonly lo: number; readonly hi: number };
}

export interface Timeline {
  readonly segments: readonly Segment[];
  readonly lengthSeconds: number;
  readonly range: { readonly lo: number; readonly hi: number };
  /** Each block by itself: showing and getting ready counted, the rest after it not. */
  readonly blocks: readonly BlockTime[];
}

export type Timed = Pick<Plan, 'blocks' | 'forWhom'>;

/** Rest until everybody is ready is at most twice what was planned. Estimate. */
const UNTIL_READY = 2;

/** A block by itself, its entries and stations counted from where it stands in the session. */
interface Laid {
  readonly kind: KindId;
  readonly firstEntry: number;
  readonly firstStation: number;
  readonly pieces: readonly ClockPiece[];
  readonly range: { readonly lo: number; readonly hi: number };
}

/** Blocks are never changed in place: what one came to last time holds as long as it stands where it stood. */
const laidBefore = new WeakMap<Facts, WeakMap<Block, Laid>>();

const plain = (kind: Segment['kind'], lengthSeconds: number, more: Partial<ClockPiece> = {}): ClockPiece[] =>
  lengthSeconds > 0
    ? [
        {
          kind,
          lengthSeconds,
          slot: -1,
          station: -1,
          round: 0,
          side: null,
          does: [],
          open: null,
          ...more,
        },
      ]
    : [];

function lay(entries: readonly Entry[], session: Timed, b: number, facts: Facts): Laid {
  const block = session.blocks[b]!;
  const firstEntry = entries.findIndex((entry) => entry.block === b);
  const firstStation = entries[firstEntry]?.station ?? -1;
  let laidHere = laidBefore.get(facts);
  if (!laidHere) {
    laidHere = new WeakMap();
    laidBefore.set(facts, laidHere);
  }
  const known = laidHere.get(block);
  if (
    known &&
    known.kind === session.forWhom &&
    known.firstEntry === firstEntry &&
    known.firstStation === firstStation
  )
    return known;
  const works = worksOf(entries, session.blocks, b, session.forWhom, facts);
  const around = aroundOf(session.forWhom);
  const before = [
    ...plain('show', block.showing === 'before' ? showSecondsIn(block) : 0),
    ...plain('ready', block.readySeconds ?? 0),
  ];
  const fixed = before.reduce((sum, piece) => sum + piece.lengthSeconds, 0);
  const pieces = compileFormat(block.format, works, around);
  const range = formatRange(block.format, works, around, pieces);
  const laid: Laid = {
    kind: session.forWhom,
    firstEntry,
    firstStation,
    pieces: [...before, ...pieces],
    range: { lo: fixed + range.lo, hi: fixed + range.hi },
  };
  laidHere.set(block, laid);
  return laid;
}

/** A list of blocks is never changed in place either: several ask for the same timeline at one keystroke. */
const timelinesBefore = new WeakMap<
  Facts,
  WeakMap<readonly Block[], { readonly forWhom: KindId; readonly timeline: Timeline }>
>();

/**
 * The one clock of a session. Depends on nothing but the plan and how long a rep of its own moves takes:
 * no person, room or dial moves a boundary. Seconds throughout; a length that depends on somebody's pace is a range.
 *
 *     const { segments, range } = timelineOf({ blocks, forWhom }, factsIn(library));
 *     segments[0].startSeconds; // 0
 *     range; // { lo, hi }: shortest and longest the session comes to
 */
export function timelineOf(session: Timed, facts: Facts): Timeline {
  const { blocks, forWhom } = session;
  let known = timelinesBefore.get(facts);
  if (!known) {
    known = new WeakMap();
    timelinesBefore.set(facts, known);
  }
  const before = known.get(blocks);
  if (before?.forWhom === forWhom) return before.timeline;
  const timeline = layOut(session, facts);
  known.set(blocks, { forWhom, timeline });
  return timeline;
}

function layOut(session: Timed, facts: Facts): Timeline {
  const { blocks } = session;
  const entries = entriesOf(blocks);
  const segments: Segment[] = [];
  const times: BlockTime[] = [];
  let now = 0;
  let lo = 0;
  let hi = 0;
  const put = (b: number, pieces: readonly ClockPiece[]) => {
    for (const piece of pieces) {
      segments.push({ ...piece, block: b, startSeconds: now });
      now += piece.lengthSeconds;
    }
  };
  blocks.forEach((block, b) => {
    const startSeconds = now;
    const { pieces, range } = lay(entries, session, b, facts);
    put(b, pieces);
    times.push({ startSeconds, lengthSeconds: now - startSeconds, range });
    lo += range.lo;
    hi += range.hi;
    if (!block.after || b === blocks.length - 1) return;
    const { seconds, mostSeconds, untilReady, drink } = block.after;
    const most = Math.max(mostSeconds ?? 0, untilReady ? seconds * UNTIL_READY : 0, seconds);
    put(
      b,
      plain(drink ? 'drink' : 'block rest', seconds, {
        open: most > seconds ? { lo: seconds, hi: most } : null,
      }),
    );
    lo += seconds;
    hi += most;
  });
  return { segments, lengthSeconds: lengthOf(segments), range: { lo, hi }, blocks: times };
}

/** Seconds a block takes by itself, without laying the session out again. */
export const secondsOf = (block: Block, forWhom: KindId, facts: Facts): number =>
  lay(entriesOf([block]), { blocks: [block], forWhom }, 0, facts).pieces.reduce(
    (sum, piece) => sum + piece.lengthSeconds,
    0,
  );

/** What a block's open ends come to, with what that is made of; null where the clock fixes it all. */
export function estimateOf(session: Timed, b: number, facts: Facts): Estimate | null {
  const block = session.blocks[b]!;
  const { estimate } = formatEntry(block.format.kind);
  const works = worksOf(entriesOf(session.blocks), session.blocks, b, session.forWhom, facts);
  return estimate?.(block.format, works, aroundOf(session.forWhom)) ?? null;
}

/** What can't be as it is in a block's format. */
/** What a block's stations are to its clock. */
export const worksIn = (session: Timed, b: number, facts: Facts): StationWork[] =>
  worksOf(entriesOf(session.blocks), session.blocks, b, session.forWhom, facts);

export function formatFaults(session: Timed, b: number, facts: Facts): FormatFault[] {
  const block = session.blocks[b]!;
  const { faults } = formatEntry(block.format.kind);
  if (block.stations.length === 0) return [];
  const works = worksIn(session, b, facts);
  return faults?.(block.format, works) ?? [];
}

/** Nobody minds a quarter longer; and nobody drinks right after the warm-up. Common practice. */
const DRINK_LATE = 1.25;
const DRINK_EARLY = 0.6;

/** Planned drinks: which blocks a stop should follow, so that nobody goes much longer than suits them. */
export function drinksFor(session: Timed, facts: Facts): number[] {
  const { blocks } = timelineOf(session, facts);
  const most = KINDS[session.forWhom].drinkMinutes * 60;
  const lengths = session.blocks.map((block, b) =>
    roleOf(block) === 'cool-down' ? 0 : blocks[b]!.lengthSeconds,
  );
  const stops: number[] = [];
  let since = 0;
  lengths.forEach((length, b) => {
    since += length;
    const next = lengths[b + 1] ?? 0;
    if (next > 0 && since + next > most * DRINK_LATE && since >= most * DRINK_EARLY) {
      stops.push(b);
      since = 0;
    }
  });
  return stops;
}
