import { ADULT_FROM, type Age } from './age.ts';
import { BANDS } from './effort.ts';

type Sex = 'female' | 'male';

interface MaxFormula {
  readonly name: string;
  readonly source: string;
  /** For whom the formula was made; undefined: everybody. */
  readonly of?: Sex;
  readonly bpm: (age: number) => number;
}

/** Highest heart rate by age, adults only; each from memory of its source. */
export const MAX_RATE: Readonly<Record<'fox' | 'tanaka' | 'gellish' | 'gulati', MaxFormula>> = {
  tanaka: { name: '208 − 0.7 × age', source: 'Tanaka 2001', bpm: (age) => 208 - 0.7 * age },
  gellish: { name: '207 − 0.7 × age', source: 'Gellish 2007', bpm: (age) => 207 - 0.7 * age },
  gulati: {
    name: '206 − 0.88 × age, women',
    source: 'Gulati 2010',
    of: 'female',
    bpm: (age) => 206 - 0.88 * age,
  },
  fox: { name: '220 − age', source: 'Fox 1971, common rule', bpm: (age) => 220 - age },
};
type MaxRateId = keyof typeof MAX_RATE;
const MAX_RATE_IDS = Object.keys(MAX_RATE) as MaxRateId[];

/** One standard deviation of what people of one age have, beats a minute: a third lie outside. */
export const RATE_SPREAD = 10;

/** Share of the highest rate at which a band begins and ends (Garber et al. 2011, from memory). */
const OF_MAX = [
  [0.57, 0.64],
  [0.64, 0.77],
  [0.77, 0.96],
  [0.96, 1],
] as const;
const OF_RESERVE = [
  [0.3, 0.4],
  [0.4, 0.6],
  [0.6, 0.9],
  [0.9, 1],
] as const;

/** Rest + share × (highest − rest), beats a minute (Karvonen 1957, from memory). */
export function reserveRate(rest: number, max: number, share: number): number {
  return rest + share * (max - rest);
}

export interface RateBand {
  readonly band: (typeof BANDS)[number]['id'];
  /** Beats a minute, where the band begins and where it ends. */
  readonly from: number;
  readonly to: number;
}

/** The four bands as heart rates: by reserve when the resting rate is known, else by share of the highest. */
export function rateBands(max: number, rest: number | null): RateBand[] {
  return BANDS.map((band, i) => {
    const [from, to] = (rest === null ? OF_MAX : OF_RESERVE)[i]!;
    const at = (share: number) => Math.round(rest === null ? share * max : reserveRate(rest, max, share));
    return { band: band.id, from: at(from), to: at(to) };
  });
}

export interface RateTargets {
  readonly formula: MaxRateId;
  readonly max: number;
  readonly by: 'reserve' | 'share of the highest';
  readonly bands: readonly RateBand[];
}

/**
 * Heart-rate bands by each formula that fits; none under 18 (the formulas are for adults) and none
 * where a medicine or device changes the heart rate. A year of birth alone is read at the older age.
 */
export function rateTargets(
  age: Age,
  sex: Sex | undefined,
  restingRate: number | undefined,
  byWords: boolean,
): RateTargets[] {
  if (byWords || age.lo < ADULT_FROM) return [];
  return MAX_RATE_IDS.filter(
    (id) => MAX_RATE[id].of === undefined || sex === undefined || MAX_RATE[id].of === sex,
  ).map((formula) => {
    const max = Math.round(MAX_RATE[formula].bpm(age.hi));
    return {
      formula,
      max,
      by: restingRate === undefined ? 'share of the highest' : 'reserve',
      bands: rateBands(max, restingRate ?? null),
    };
  });
}
