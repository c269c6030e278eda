import type { Age } from './age.ts';

/** Usual activity, least first; the scores of the non-exercise equation (Jurca 2005, from memory). */
export const ACTIVITY = [
  { id: 'inactive', says: 'mostly sits; little more than chores', score: 0 },
  { id: 'some', says: 'walks or cycles now and then', score: 0.32 },
  { id: 'regular', says: 'moves briskly 20–60 minutes a week', score: 1.06 },
  { id: 'active', says: 'breathes hard 1–3 hours a week', score: 1.76 },
  { id: 'athletic', says: 'breathes hard more than 3 hours a week', score: 3.03 },
] as const;
export type ActivityId = (typeof ACTIVITY)[number]['id'];

const ML_PER_MET = 3.5;
/** Nobody who stands and walks is reckoned below this. Estimate. */
const LEAST_MET = 2.5;
const JURCA_ERROR_MET = 1.5;
const FRIEND_ERROR_ML = 7;
/** The walk's equation is for a group's mean; a single person lies further off. Estimate. */
const WALK_ERROR_ML = 3.5;
/** Pounds in a kilogram. */
export const LB_PER_KG = 2.2046226;

/**
 * Capacity in MET without a test: age in years, body-mass index in kg/m², resting rate in beats a
 * minute (Jurca 2005, from memory).
 */
export function jurcaMet(
  male: boolean,
  age: number,
  bmi: number,
  restingRate: number,
  score: number,
): number {
  return 18.07 + (male ? 2.77 : 0) - 0.1 * age - 0.17 * bmi - 0.03 * restingRate + score;
}

/** VO2max in mL/kg/min from a registry (Myers 2017, FRIEND, from memory). */
export function friendMl(female: boolean, age: number, massKg: number): number {
  return 79.9 - 0.39 * age - (female ? 13.7 : 0) - 0.127 * massKg * LB_PER_KG;
}

/** Mean VO2peak in mL/kg/min from the metres of a six-minute walk (Ross 2010, from memory). */
export const walkMl = (metres: number): number => 4.948 + 0.023 * metres;

interface Capacity {
  readonly lo: number;
  readonly hi: number;
  /** What they are planned by, in MET: the middle, or the lower where what isn't known leaves two. */
  readonly likely: number;
  readonly from: string;
}

interface Known {
  readonly age: Age;
  readonly sex?: 'female' | 'male' | undefined;
  readonly massKg?: number | undefined;
  readonly heightCm?: number | undefined;
  readonly restingRate?: number | undefined;
  readonly activity?: ActivityId | undefined;
  /** Metres of the newest six-minute walk. */
  readonly walkMetres?: number | undefined;
  /** A figure a clinic has measured. */
  readonly measured?: Omit<Capacity, 'likely'> | undefined;
  /** Under 18, pregnant, or a medicine or device that changes the heart rate. */
  readonly byWords: boolean;
}

export type CapacityAnswer =
  | { readonly capacity: Capacity; readonly lacks: null }
  | { readonly capacity: null; readonly lacks: string };

const banded = (lo: number, hi: number, error: number, from: string): CapacityAnswer => ({
  capacity: {
    lo: Math.max(LEAST_MET, Math.round((lo - error) * 10) / 10),
    hi: Math.max(LEAST_MET, Math.round((hi + error) * 10) / 10),
    likely: Math.max(LEAST_MET, Math.round(lo * 10) / 10),
    from,
  },
  lacks: null,
});

/** The best figure that what is known allows, as a wide band in MET; or what it would take. */
export function capacityOf(known: Known): CapacityAnswer {
  if (known.byWords) return { capacity: null, lacks: 'told by effort words alone' };
  if (known.measured) {
    const { lo, hi } = known.measured;
    return { capacity: { ...known.measured, likely: Math.round((lo + hi) * 5) / 10 }, lacks: null };
  }
  if (known.walkMetres !== undefined) {
    const met = walkMl(known.walkMetres) / ML_PER_MET;
    return banded(met, met, WALK_ERROR_ML / ML_PER_MET, `six-minute walk, ${known.walkMetres} m`);
  }
  const { age, sex, massKg } = known;
  if (age.lo < 20 || age.hi > 79) return { capacity: null, lacks: 'the equations are for ages 20–79' };
  const males = sex ? [sex === 'male'] : [false, true];
  const ends = (met: (male: boolean, age: number) => number) => {
    const all = males.flatMap((male) => [met(male, age.lo), met(male, age.hi)]);
    return [Math.min(...all), Math.max(...all)] as const;
  };
  const open = sex ? '' : '; sex not stated, both counted';
  if (massKg !== undefined && known.heightCm && known.restingRate !== undefined && known.activity) {
    const bmi = massKg / (known.heightCm / 100) ** 2;
    const { score } = ACTIVITY.find((a) => a.id === known.activity)!;
    const [lo, hi] = ends((male, years) => jurcaMet(male, years, bmi, known.restingRate!, score));
    return banded(lo, hi, JURCA_ERROR_MET, `estimated from activity, age, build and resting rate${open}`);
  }
  if (massKg !== undefined) {
    const [lo, hi] = ends((male, years) => friendMl(!male, years, massKg) / ML_PER_MET);
    return banded(lo, hi, FRIEND_ERROR_ML / ML_PER_MET, `estimated from age and weight${open}`);
  }
  return { capacity: null, lacks: 'body mass, or a six-minute walk' };
}
