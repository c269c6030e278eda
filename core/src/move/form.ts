import {
  at,
  DEMAND_COUNT,
  DEMAND_KEYS,
  type Demand,
  type DemandKey,
  type Figure,
  type Heights,
  leastAt,
} from './demand.ts';
import { LAWS, type Law, type LawId } from './laws.ts';
import type { Move, Settings } from './move.ts';

/** How a move answers its settings, as plain numbers: shared by single look-ups and the index. */
export interface SettingsSpec {
  readonly law: Law | null;
  readonly usualCm: number;
  readonly pace: readonly [number, number, number];
  readonly supportBalance: number;
  readonly supportHands: number;
  /** Position of each figure that is drawn at several heights, and the least it is there. */
  readonly leasts: readonly (readonly [at: number, heights: Heights])[];
}

const BALANCE = at('balance.level');
const BUSY = at('hands.busy');
const SINGLE = at('balance.singleLeg');

/**
 * Changes one row of demand in place to what it is at final settings. `lo` and `hi` are rows of
 * DEMAND_COUNT numbers, NaN where not known; NaN stays NaN. Returns the law's origin when one ran.
 */
export function settle(
  lo: Float64Array,
  hi: Float64Array,
  spec: SettingsSpec,
  surfaceCm: number | undefined,
  support: boolean,
  trim: readonly (readonly [number, number])[],
): ReturnType<Law['apply']> | null {
  let origin: ReturnType<Law['apply']> | null = null;
  if (spec.law && surfaceCm !== undefined && surfaceCm !== spec.usualCm)
    origin = spec.law.apply({ lo, hi, surfaceCm, usualCm: spec.usualCm, pace: spec.pace });
  else if (spec.law?.always)
    origin = spec.law.apply({ lo, hi, surfaceCm: spec.usualCm, usualCm: spec.usualCm, pace: spec.pace });
  for (const [i, heights] of spec.leasts) {
    const least = leastAt(heights, surfaceCm ?? spec.usualCm);
    // What isn't known stays so.
    if (lo[i]! < least) lo[i] = least;
    if (hi[i]! < least) hi[i] = least;
  }
  if (support) {
    lo[BALANCE] = Math.max(0, lo[BALANCE]! - spec.supportBalance);
    hi[BALANCE] = Math.max(0, hi[BALANCE]! - spec.supportBalance);
    hi[SINGLE] = Math.min(hi[SINGLE]!, 1);
    lo[SINGLE] = Math.min(lo[SINGLE]!, 1);
    lo[BUSY] = lo[BUSY]! + spec.supportHands;
    hi[BUSY] = hi[BUSY]! + spec.supportHands;
  }
  for (const [i, by] of trim) {
    lo[i] = Math.max(0, lo[i]! + by);
    hi[i] = Math.max(0, hi[i]! + by);
  }
  return origin;
}

function settingsSpec(move: Move, demand: Demand): SettingsSpec {
  return {
    law: move.surface ? LAWS[move.surface.law as LawId] : null,
    usualCm: move.surface?.usualCm ?? 0,
    pace: move.pace ?? [Number.NaN, Number.NaN, Number.NaN],
    supportBalance: move.support?.balance ?? 0,
    supportHands: move.support?.hands ?? 0,
    leasts: move.surface
      ? DEMAND_KEYS.flatMap((key, i) => {
          const { heights } = demand[key];
          return heights ? [[i, heights] as const] : [];
        })
      : [],
  };
}

export function trimEffect(move: Move, id: string | undefined): (readonly [number, number])[] {
  const trim = move.trims.find((t) => t.id === id);
  return Object.entries(trim?.effect ?? {}).map(([key, by]) => [at(key as DemandKey), by] as const);
}

/** A move's demand at its settings, each figure with its origin. */
export function demandOf(move: Move, base: Demand, settings: Settings = {}): Demand {
  const spec = settingsSpec(move, base);
  const { surfaceCm = spec.usualCm, support, trim } = settings;
  // As it stands: a page of ladders asks this of every rung.
  if (!support && !trim && (!spec.law || (surfaceCm === spec.usualCm && !spec.law.always))) return base;
  const lo = new Float64Array(DEMAND_COUNT);
  const hi = new Float64Array(DEMAND_COUNT);
  DEMAND_KEYS.forEach((key, i) => {
    lo[i] = base[key].lo ?? Number.NaN;
    hi[i] = base[key].hi ?? Number.NaN;
  });
  const origin = settle(
    lo,
    hi,
    spec,
    settings.surfaceCm,
    settings.support ?? false,
    trimEffect(move, settings.trim),
  );
  const figures = DEMAND_KEYS.map((key, i): [DemandKey, Figure] => {
    const was = base[key];
    const known = (v: number) => (Number.isNaN(v) ? null : v);
    const now = { lo: known(lo[i]!), hi: known(hi[i]!) };
    const byLaw = origin && spec.law?.writes.includes(key);
    if (!byLaw && now.lo === was.lo && now.hi === was.hi) return [key, was];
    const drawn = was.heights && now.hi === leastAt(was.heights, surfaceCm);
    const from = byLaw ? origin : { from: drawn ? ('drawing' as const) : ('estimate' as const) };
    return [key, { ...now, ...from, ...(was.heights ? { heights: was.heights } : {}) }];
  });
  return Object.fromEntries(figures) as unknown as Demand;
}
