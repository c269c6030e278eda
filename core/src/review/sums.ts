import type { Segment } from '../clock/index.ts';
import type { Version } from '../engine/index.ts';
import { factsInIndex } from '../engine/index.ts';
import { type LibraryIndex, MUSCLE_COLUMNS, rowOf } from '../forms/index.ts';
import { at, DEMAND_KEYS, MUSCLES, type Muscle, PATTERNS, type Pattern } from '../move/index.ts';
import { BANDS, bandOfMet, type EffortAge, kcalPerMinute } from '../person/index.ts';
import {
  type Block,
  changeFor,
  entriesOf,
  REST_STYLES,
  restStyleIn,
  type Timed,
  type Timeline,
  timelineOf,
} from '../session/index.ts';

/** Easy walking about between stations. Estimate. */
const MET = at('effort.met');
export const REST_MET = { lo: 1.8, hi: 2.5 };
const STAND = 0;
const SEAT = 1;
const FLOOR = 2;

/** Seconds that getting from one posture to another takes the fit. Common practice: 3–4 s for a floor change. */
const CHANGE_SECONDS = [
  [3, 4, 5],
  [4, 3, 6],
  [6, 6, 3],
] as const;

interface Change {
  /** Indices of stations among all of the session. */
  readonly from: number;
  readonly to: number;
  readonly block: number;
  /** Seconds needed, and seconds the clock gives. */
  readonly needs: number;
  readonly has: number;
}

/** What a stretch of a session comes to. */
interface Totals {
  readonly lengthSeconds: number;
  readonly workSeconds: number;
  readonly restSeconds: number;
  readonly changeSeconds: number;
  readonly metLo: number;
  readonly metHi: number;
  readonly lightLandings: number;
  readonly hardLandings: number;
  /** Times somebody gets down to the floor and up again. */
  readonly floorChanges: number;
}

interface MoveSum {
  readonly move: string;
  readonly seconds: number;
  /** Reps in all, counted or by pace; null for a hold. `most` where rounds are only estimated. */
  readonly reps: number | null;
  readonly most: number | null;
  /** Seconds on each side, for a move done one side at a time; otherwise null. */
  readonly left: number | null;
  readonly right: number | null;
}

export interface Sums extends Totals {
  readonly range: { readonly lo: number; readonly hi: number };
  readonly kcal: { readonly lo: number; readonly hi: number } | null;
  readonly blocks: readonly (Totals & {
    readonly startSeconds: number;
    readonly range: { readonly lo: number; readonly hi: number };
  })[];
  /** Most landings in any minute. */
  readonly mostLandingsAMinute: number;
  readonly changes: readonly Change[];
  readonly moves: readonly MoveSum[];
  readonly patterns: readonly { readonly pattern: Pattern; readonly seconds: number }[];
  readonly muscles: readonly { readonly muscle: Muscle; readonly seconds: number }[];
  /** Seconds of work in each effort band, light first. */
  readonly bands: readonly number[];
  /** Planned session load: how hard the work is on 0–10 by minutes of the whole (Foster et al. 2001, from memory). */
  readonly load: { readonly lo: number; readonly hi: number };
}

export interface SumsFor {
  readonly massKg?: number | undefined;
  readonly changeSeconds?: number | undefined;
  /** For effort bands; absent: absolute ones of their age. */
  readonly capacityMet?: number | null | undefined;
  /** Absent: an adult's. */
  readonly effortAge?: EffortAge | undefined;
}

const RESTS: ReadonlySet<Segment['kind']> = new Set([
  'rest',
  'round rest',
  'block rest',
  'drink',
  'ready',
  'show',
]);

class Tally {
  length = 0;
  work = 0;
  rest = 0;
  change = 0;
  metLo = 0;
  metHi = 0;
  light = 0;
  hard = 0;
  floor = 0;

  totals(): Totals {
    const over = Math.max(1, this.length);
    return {
      lengthSeconds: this.length,
      workSeconds: Math.round(this.work),
      restSeconds: Math.round(this.rest),
      changeSeconds: Math.round(this.change),
      metLo: this.length > 0 ? this.metLo / over : 0,
      metHi: this.length > 0 ? this.metHi / over : 0,
      lightLandings: this.light,
      hardLandings: this.hard,
      floorChanges: this.floor,
    };
  }
}

/** What a rest costs by what is asked for in it: by itself, or by the move that it is. */
function restMet(
  index: LibraryIndex,
  block: Block,
  segment: Segment,
): { readonly lo: number; readonly hi: number } {
  const style = restStyleIn(block, segment);
  if (!style) return REST_MET;
  const { met, moves } = REST_STYLES[style];
  if (met) return { lo: met[0], hi: met[1] };
  const row = moves[0] === undefined ? -1 : rowOf(index, moves[0]);
  const column = row * DEMAND_KEYS.length + MET;
  return row < 0 ? REST_MET : { lo: index.lo[column]!, hi: index.hi[column]! };
}

/**
 * Adds up a version: times in seconds, MET as time-weighted ends, landings, floor changes, what works which
 * muscles. The session's timeline is made here where it isn't given.
 */
export function sumUp(
  index: LibraryIndex,
  session: Timed,
  uses: Version['uses'],
  person: SumsFor = {},
  timeline: Timeline = timelineOf(session, factsInIndex(index)),
): Sums {
  const { segments } = timeline;
  const entries = entriesOf(session.blocks);
  const rows = uses.map((use) => (use ? rowOf(index, use.move) : -1));
  const whole = new Tally();
  const parts = session.blocks.map(() => new Tally());
  const moves = new Map<
    string,
    {
      seconds: number;
      reps: number;
      most: number;
      left: number;
      right: number;
      hold: boolean;
      sided: boolean;
    }
  >();
  const patterns = new Float64Array(PATTERNS.length);
  const muscles = new Float64Array(MUSCLES.length);
  const bands = [0, 0, 0, 0];
  let rpeLo = 0;
  let rpeHi = 0;
  let where = STAND;
  for (const segment of segments) {
    const { lengthSeconds, kind } = segment;
    const both = [whole, parts[segment.block]!];
    for (const tally of both) tally.length += lengthSeconds;
    let busy = 0;
    for (const doing of segment.does) {
      const use = uses[doing.entry] ?? null;
      const row = rows[doing.entry] ?? -1;
      const ends = segment.laneEnds && use ? segment.laneEnds[use.lane]! : Number.POSITIVE_INFINITY;
      const bouts = use?.own?.bouts;
      const seconds = Math.min(bouts ? bouts.times * bouts.seconds : doing.seconds, lengthSeconds, ends);
      const share = use?.own?.share ?? 1;
      busy += seconds;
      const lands = (perMinute: number) =>
        doing.most !== null && use?.pace
          ? Math.ceil((perMinute / use.pace) * doing.most * share)
          : // Landings of somebody's own bouts are an average over the whole stretch.
            Math.ceil((perMinute * Math.min(doing.seconds, ends)) / 60);
      const light = use ? lands(use.lightPerMinute) : 0;
      const hard = use ? lands(use.highPerMinute) : 0;
      const down = use && row >= 0 && index.startsAt[row] === FLOOR && where !== FLOOR ? 1 : 0;
      for (const tally of both) {
        tally.work += seconds;
        tally.metLo += seconds * (use?.metLo ?? REST_MET.lo);
        tally.metHi += seconds * (use?.metHi ?? REST_MET.hi);
        tally.light += light;
        tally.hard += hard;
        tally.floor += down;
      }
      where = row >= 0 ? index.endsAt[row]! : STAND;
      if (!use || row < 0) continue;
      const sum = moves.get(use.move) ?? {
        seconds: 0,
        reps: 0,
        most: 0,
        left: 0,
        right: 0,
        hold: use.pace === null,
        sided: index.oneSided[row] === 1,
      };
      sum.seconds += seconds;
      const byPace = ((use.pace ?? 0) * seconds) / 60;
      sum.reps += doing.reps === null ? byPace : doing.reps * share;
      sum.most += doing.most === null ? byPace : doing.most * share;
      const only = segment.side ?? use.settings.side ?? null;
      if (only !== 'right') sum.left += only ? seconds : seconds / 2;
      if (only !== 'left') sum.right += only ? seconds : seconds / 2;
      moves.set(use.move, sum);
      patterns[index.pattern[row]!]! += seconds;
      for (let m = 0; m < MUSCLE_COLUMNS; m++)
        muscles[m]! += seconds * index.muscles[row * MUSCLE_COLUMNS + m]!;
      const band = bandOfMet(
        (use.metLo + use.metHi) / 2,
        person.capacityMet ?? null,
        person.effortAge ?? 'adult',
      );
      bands[band]! += seconds;
      rpeLo += seconds * (BANDS[band].rpeTop - 1);
      rpeHi += seconds * BANDS[band].rpeTop;
    }
    // What is left of a stretch of work, and everything else, is moving about easily.
    const easy = Math.max(0, lengthSeconds - busy);
    const met = restMet(index, session.blocks[segment.block]!, segment);
    for (const tally of both) {
      tally.metLo += easy * met.lo;
      tally.metHi += easy * met.hi;
      if (kind === 'change') tally.change += easy;
      else if (kind === 'hold') tally.work += easy;
      else if (RESTS.has(kind) || kind === 'work') tally.rest += easy;
    }
  }
  const total = whole.totals();
  const work = Math.max(1, whole.work);
  const minutes = total.lengthSeconds / 60;
  return {
    ...total,
    range: timeline.range,
    kcal:
      person.massKg === undefined
        ? null
        : {
            lo: kcalPerMinute(total.metLo, person.massKg) * minutes,
            hi: kcalPerMinute(total.metHi, person.massKg) * minutes,
          },
    blocks: parts.map((tally, b) => ({
      ...tally.totals(),
      startSeconds: timeline.blocks[b]!.startSeconds,
      lengthSeconds: timeline.blocks[b]!.lengthSeconds,
      range: timeline.blocks[b]!.range,
    })),
    mostLandingsAMinute: mostAMinute(segments, uses),
    changes: changesIn(index, session, segments, entries, rows, person.changeSeconds ?? 0),
    moves: [...moves].map(([move, sum]) => ({
      move,
      seconds: Math.round(sum.seconds),
      reps: sum.hold ? null : Math.round(sum.reps),
      most: sum.hold ? null : Math.ceil(sum.most),
      left: sum.sided ? Math.round(sum.left) : null,
      right: sum.sided ? Math.round(sum.right) : null,
    })),
    patterns: PATTERNS.map((pattern, i) => ({ pattern, seconds: Math.round(patterns[i]!) }))
      .filter((p) => p.seconds > 0)
      .sort((a, b) => b.seconds - a.seconds),
    muscles: MUSCLES.map((muscle, i) => ({ muscle, seconds: Math.round(muscles[i]!) }))
      .filter((m) => m.seconds > 0)
      .sort((a, b) => b.seconds - a.seconds),
    bands: bands.map(Math.round),
    load: {
      lo: whole.work > 0 ? Math.round((rpeLo / work) * minutes) : 0,
      hi: whole.work > 0 ? Math.round((rpeHi / work) * minutes) : 0,
    },
  };
}

/** The most landings in any sixty seconds that begin with a stretch of work. */
function mostAMinute(segments: readonly Segment[], uses: Version['uses']): number {
  const rates = segments.map((segment) => {
    let sum = 0;
    for (const doing of segment.does) {
      const use = uses[doing.entry];
      if (use) sum += ((use.lightPerMinute + use.highPerMinute) * doing.seconds) / 60;
    }
    return sum / segment.lengthSeconds;
  });
  let most = 0;
  for (let i = 0; i < segments.length; i++) {
    if (rates[i] === 0) continue;
    const end = segments[i]!.startSeconds + 60;
    let sum = 0;
    for (let k = i; k < segments.length && segments[k]!.startSeconds < end; k++) {
      const { startSeconds, lengthSeconds } = segments[k]!;
      sum += rates[k]! * (Math.min(end, startSeconds + lengthSeconds) - startSeconds);
    }
    most = Math.max(most, sum);
  }
  return Math.ceil(most - 1e-9);
}

/** Every step from one stretch of work to the next inside a block, with the time it needs and has. */
function changesIn(
  index: LibraryIndex,
  session: Timed,
  segments: readonly Segment[],
  _entries: ReturnType<typeof entriesOf>,
  rows: readonly number[],
  floorSeconds: number,
): Change[] {
  const changes: Change[] = [];
  let last: Segment | null = null;
  let gap = 0;
  for (const segment of segments) {
    if (segment.kind !== 'work') {
      gap += segment.lengthSeconds;
      continue;
    }
    // Between blocks, and where all stations are one stretch, nobody is hurried on.
    if (last && last.block === segment.block && last.station >= 0 && segment.station >= 0) {
      const ended = rows[last.does.at(-1)?.entry ?? -1] ?? -1;
      const begins = rows[segment.does[0]?.entry ?? -1] ?? -1;
      const from = ended >= 0 ? index.endsAt[ended]! : STAND;
      const to = begins >= 0 ? index.startsAt[begins]! : STAND;
      const same = last.station === segment.station;
      const usual = same ? 2 : CHANGE_SECONDS[from as 0 | 1 | 2]![to as 0 | 1 | 2]!;
      const theirs = Math.max(floorSeconds, changeFor(session.forWhom, from as 0, to as 0).lo);
      const needs = from === to || same ? usual : Math.max(usual, from === SEAT && to === SEAT ? 0 : theirs);
      // Sides changed in the minute, or set after set, have their own time.
      if (!same || segment.side !== last.side)
        changes.push({ from: last.station, to: segment.station, block: segment.block, needs, has: gap });
    }
    last = segment;
    gap = 0;
  }
  return changes;
}
