import { type Library, otherFigure, REGIONS } from '../ladder/index.ts';
import {
  CAPABILITY_IDS,
  DEMAND_COUNT,
  DEMAND_KEYS,
  type DemandKey,
  GIVES,
  type Heights,
  LAW_IDS,
  type LawId,
  LIMB_KEYS,
  LIMBS,
  type Move,
  MUSCLES,
  PATTERNS,
  trimEffect,
} from '../move/index.ts';

/**
 * The whole library as columns of numbers: what a worker is handed instead of thousands of objects.
 * Rows are moves in the order of their ids; `lo` and `hi` hold DEMAND_COUNT figures a move, NaN where
 * a figure isn't known. List columns are flat with a `…Start` column of n + 1 offsets.
 */
export interface LibraryIndex {
  readonly count: number;
  readonly ids: readonly string[];
  readonly lo: Float64Array;
  readonly hi: Float64Array;
  readonly pattern: Uint8Array;
  /** Shares of MUSCLES, row-major. */
  readonly muscles: Float64Array;
  /** Reps a minute, slow, usual, fast; NaN for holds. */
  readonly pace: Float64Array;
  /** 1 where reps are done to a tempo, so that quickening them would make another exercise of it. */
  readonly strict: Uint8Array;
  readonly oneSided: Uint8Array;
  /** 1 where the move itself holds on to something. */
  readonly holdsOn: Uint8Array;
  /** The limb that works by itself: 0 none, 1 arm, 2 leg. */
  readonly alone: Uint8Array;
  /**
   * What the other limb has of the figures of a limb that works alone, row-major by {@link OTHER_KEYS}: what
   * its drawing shows of it and the posture asks of both; Infinity where it has whatever the working one has.
   */
  readonly other: Float64Array;
  /** Where a rep starts and ends: 0 standing, 1 seated, 2 on the floor. */
  readonly startsAt: Uint8Array;
  readonly endsAt: Uint8Array;
  /** Index of the surface law, −1 without a surface; then lowest, highest and usual height in cm. */
  readonly law: Int8Array;
  readonly surface: Float64Array;
  readonly supportBalance: Float64Array;
  readonly supportHands: Uint8Array;
  /** Figures that are drawn at several heights, by their position in a row; then the least at each of some heights, cm. */
  readonly leastStart: Int32Array;
  readonly leastKey: Uint8Array;
  readonly leastPointStart: Int32Array;
  readonly leastCm: Float64Array;
  readonly least: Float64Array;
  readonly needStart: Int32Array;
  readonly needWhat: Uint8Array;
  readonly needMin: Float64Array;
  readonly needMax: Float64Array;
  readonly needCount: Uint16Array;
  readonly needSets: Uint8Array;
  readonly trimStart: Int32Array;
  readonly trimIds: readonly string[];
  /** 1 + position in GIVES of what a trim gives back; 0 where it makes the form easier. */
  readonly trimGives: Uint8Array;
  readonly trimEffectStart: Int32Array;
  readonly trimDemand: Uint8Array;
  readonly trimBy: Float64Array;
  /** The ladders a move stands on, and for each the ladder it branches off (itself for a trunk). */
  readonly ladderStart: Int32Array;
  readonly ladder: Int16Array;
  readonly ladderRoot: Int16Array;
}

/** Figures that fall on one side alone where one limb works by itself, and where each stands in a row of `other`. */
const OTHER_KEYS: readonly DemandKey[] = [...LIMB_KEYS.arm, ...LIMB_KEYS.leg];
export const OTHER_SIZE = OTHER_KEYS.length;
export const OTHER_AT: readonly number[] = DEMAND_KEYS.map((key) => OTHER_KEYS.indexOf(key));

/** What is asked of the limb that doesn't work, Infinity for all that the working one has. */
const otherOf = (library: Library, move: Move): number[] =>
  OTHER_KEYS.map((key) => otherFigure(library, move, key) ?? Number.POSITIVE_INFINITY);

/** Holding on by itself: to something that is held, or standing with both hands on a wall or a rail all the while. */
function holdsOn(library: Library, move: Move): boolean {
  const demand = library.demand.get(move.id)!;
  const { start, work, end } = move.posture;
  const stands = [start, work, end].every((one) => one === 'standing') && demand['posture.changes'].hi === 0;
  const bears = stands && (demand['hands.bearing'].lo ?? 0) >= 2 && demand['hands.leave'].hi === 0;
  return bears || move.needs.some((need) => need.what === 'hand hold');
}

/** Compiles a library once. The result holds plain arrays only, fit for structured cloning. */
export function compileLibrary(library: Library): LibraryIndex {
  const { moves } = library;
  const n = moves.length;
  const ladderIds = library.ladders.map((l) => l.id);
  const ladderAt = new Map(ladderIds.map((id, i) => [id, i]));
  const rootsOf = library.ladders.map((l) =>
    (l.branchOf.length > 0 ? l.branchOf : [l.id]).map((id) => ladderAt.get(id)!),
  );
  // A ladder that is a branch of two stands here twice, once for each.
  const standsOn = new Map<string, Map<string, readonly [number, number]>>();
  library.ladders.forEach((ladder, i) => {
    for (const rung of ladder.rungs) {
      const on = standsOn.get(rung.move) ?? new Map();
      for (const root of rootsOf[i]!) on.set(`${i}/${root}`, [i, root]);
      standsOn.set(rung.move, on);
    }
  });
  const needs = moves.flatMap((m) => m.needs);
  const trims = moves.flatMap((m) =>
    m.trims.map((t) => ({ id: t.id, gives: t.gives, effect: trimEffect(m, t.id) })),
  );
  const effects = trims.flatMap((t) => t.effect);
  const on = moves.map((m) =>
    [...(standsOn.get(m.id)?.values() ?? [])].sort((a, b) => a[0] - b[0] || a[1] - b[1]),
  );
  const offsets = (lengths: readonly number[]) => {
    const starts = new Int32Array(lengths.length + 1);
    lengths.forEach((length, i) => {
      starts[i + 1] = starts[i]! + length;
    });
    return starts;
  };
  const drawn = moves.map((m) =>
    DEMAND_KEYS.flatMap((key, k) => {
      const { heights } = library.demand.get(m.id)![key];
      return heights && m.surface ? [[k, heights] as const] : [];
    }),
  );
  const points = drawn.flat().map(([, heights]) => heights);
  const figures = (end: 'lo' | 'hi') =>
    Float64Array.from(
      moves.flatMap((m) => DEMAND_KEYS.map((key) => library.demand.get(m.id)![key][end] ?? Number.NaN)),
    );
  const level = (posture: string) => (posture === 'standing' ? 0 : posture === 'seated' ? 1 : 2);
  return {
    count: n,
    ids: moves.map((m) => m.id),
    lo: figures('lo'),
    hi: figures('hi'),
    pattern: Uint8Array.from(moves, (m) => PATTERNS.indexOf(m.pattern)),
    muscles: Float64Array.from(moves.flatMap((m) => MUSCLES.map((muscle) => m.muscles[muscle] ?? 0))),
    pace: Float64Array.from(moves.flatMap((m) => m.pace ?? [Number.NaN, Number.NaN, Number.NaN])),
    strict: Uint8Array.from(moves, (m) => (m.tempo ? 1 : 0)),
    oneSided: Uint8Array.from(moves, (m) => (m.sides === 'one' ? 1 : 0)),
    holdsOn: Uint8Array.from(moves, (m) => (holdsOn(library, m) ? 1 : 0)),
    alone: Uint8Array.from(moves, (m) => (m.alone ? LIMBS.indexOf(m.alone) + 1 : 0)),
    other: Float64Array.from(moves.flatMap((m) => otherOf(library, m))),
    startsAt: Uint8Array.from(moves, (m) => level(m.posture.start)),
    endsAt: Uint8Array.from(moves, (m) => level(m.posture.end)),
    law: Int8Array.from(moves, (m) => (m.surface ? LAW_IDS.indexOf(m.surface.law as LawId) : -1)),
    surface: Float64Array.from(
      moves.flatMap((m) => (m.surface ? [m.surface.minCm, m.surface.maxCm, m.surface.usualCm] : [0, 0, 0])),
    ),
    supportBalance: Float64Array.from(moves, (m) => m.support?.balance ?? 0),
    supportHands: Uint8Array.from(moves, (m) => m.support?.hands ?? 0),
    leastStart: offsets(drawn.map((list) => list.length)),
    leastKey: Uint8Array.from(drawn.flat(), ([k]) => k),
    leastPointStart: offsets(points.map((list) => list.length)),
    leastCm: Float64Array.from(points.flat(), ([cm]) => cm),
    least: Float64Array.from(points.flat(), ([, least]) => least),
    needStart: offsets(moves.map((m) => m.needs.length)),
    needWhat: Uint8Array.from(needs, (need) => CAPABILITY_IDS.indexOf(need.what)),
    needMin: Float64Array.from(needs, (need) => need.min ?? 0),
    needMax: Float64Array.from(needs, (need) => need.max ?? Number.POSITIVE_INFINITY),
    needCount: Uint16Array.from(needs, (need) => need.count),
    needSets: Uint8Array.from(needs, (need) => (need.sets ? 1 : 0)),
    trimStart: offsets(moves.map((m) => m.trims.length)),
    trimIds: trims.map((t) => t.id),
    trimGives: Uint8Array.from(trims, (t) => (t.gives ? GIVES.indexOf(t.gives) + 1 : 0)),
    trimEffectStart: offsets(trims.map((t) => t.effect.length)),
    trimDemand: Uint8Array.from(effects, ([i]) => i),
    trimBy: Float64Array.from(effects, ([, by]) => by),
    ladderStart: offsets(on.map((l) => l.length)),
    ladder: Int16Array.from(on.flat(), ([ladder]) => ladder),
    ladderRoot: Int16Array.from(on.flat(), ([, root]) => root),
  };
}

const compiled = new WeakMap<Library, LibraryIndex>();
/** A library's index, compiled when it is first asked for and kept as long as the library is. */
export function indexOf(library: Library): LibraryIndex {
  const known = compiled.get(library) ?? compileLibrary(library);
  compiled.set(library, known);
  return known;
}

/** A library whose index is known already. */
export function withIndex(library: Library, index: LibraryIndex): Library {
  compiled.set(library, index);
  return library;
}

/** What of a move is drawn at several heights: the position of each figure, and the least at each height. */
export function heightsAt(index: LibraryIndex, move: number): (readonly [at: number, heights: Heights])[] {
  const found: (readonly [number, Heights])[] = [];
  for (let i = index.leastStart[move]!; i < index.leastStart[move + 1]!; i++) {
    const heights: (readonly [number, number])[] = [];
    for (let p = index.leastPointStart[i]!; p < index.leastPointStart[i + 1]!; p++)
      heights.push([index.leastCm[p]!, index.least[p]!]);
    found.push([index.leastKey[i]!, heights]);
  }
  return found;
}

/** Positions of REGIONS in a demand row. */
export const REGION_AT: readonly number[] = REGIONS.map((region) => DEMAND_KEYS.indexOf(region));

/** Row number of a move id, by binary search over the sorted ids; −1 when there is none. */
export function rowOf(index: LibraryIndex, id: string): number {
  let low = 0;
  let high = index.count - 1;
  while (low <= high) {
    const mid = (low + high) >> 1;
    const here = index.ids[mid]!;
    if (here === id) return mid;
    if (here < id) low = mid + 1;
    else high = mid - 1;
  }
  return -1;
}

export const ROW_SIZE = DEMAND_COUNT;
export const MUSCLE_COLUMNS = MUSCLES.length;
