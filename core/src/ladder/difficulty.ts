import { at, DEMANDS, type Demand, type DemandKey, middle } from '../move/index.ts';

export const REGIONS = [
  'strength.legs',
  'strength.push',
  'strength.pull',
  'strength.front',
  'strength.side',
  'strength.back',
  'strength.grip',
  'balance.level',
  'coordination.level',
] as const;
/** One of the scales on which a person's ability and a form's demand are compared. */
export type Region = (typeof REGIONS)[number];

/**
 * What each region's scale means, by what four kinds of people can do: new to exercise, finding
 * their feet, moving well, wanting more. Every region is read through these, so that balance and a
 * push can be compared. Estimates.
 */
export const ANCHORS: Readonly<Record<Region, readonly [number, number, number, number]>> = {
  'strength.legs': [42, 54, 72, 92],
  'strength.push': [42, 56, 67, 80],
  'strength.pull': [26, 38, 50, 76],
  'strength.front': [24, 38, 56, 76],
  'strength.side': [22, 38, 54, 70],
  'strength.back': [30, 42, 56, 76],
  'strength.grip': [26, 40, 55, 80],
  'balance.level': [3, 4, 5, 6],
  'coordination.level': [2, 3, 4, 6],
};

/** One rung on each scale: what a coach would feel as the next step. Estimates. */
export const RUNG_STEP: Readonly<Record<Region, number>> = {
  'strength.legs': 10,
  'strength.push': 8,
  'strength.pull': 10,
  'strength.front': 10,
  'strength.side': 10,
  'strength.back': 10,
  'strength.grip': 12,
  'balance.level': 1,
  'coordination.level': 1,
};

/** Points at the four anchors: a quarter of the way for each kind of person. */
const POINTS = [25, 50, 75, 100] as const;

function through(anchors: readonly number[], value: number): number {
  let x0 = 0;
  let y0 = 0;
  for (let i = 0; i < anchors.length; i++) {
    const x1 = anchors[i]!;
    const y1 = POINTS[i]!;
    if (value <= x1 || i === anchors.length - 1) return y0 + ((value - x0) * (y1 - y0)) / (x1 - x0);
    x0 = x1;
    y0 = y1;
  }
  return y0;
}

/** A region's figure on the common scale: 25 is what somebody new can do, 100 what the fit want. */
export function regionPoints(region: Region, value: number): number {
  return through(ANCHORS[region], value);
}

/**
 * Effort and impact on the same scale. MET at the ends of the absolute bands of Garber et al. 2011
 * (from memory) for light, moderate and vigorous; 12 MET for the fit is an estimate. Impact classes
 * lie where the named levels' lanes end.
 */
const SITTING_MET = 1.3;
const EFFORT_ANCHORS = [3, 6, 8.8, 12].map((met) => met - SITTING_MET);
/** A quarter more effort feels like a rung. Estimate. */
const EFFORT_STEP = Math.log(1.25);
const IMPACT_POINTS = [0, 20, 45, 72] as const;

export const PART_KEYS = [...REGIONS, 'effort.met', 'impact.class'] as const satisfies readonly DemandKey[];
export type PartKey = (typeof PART_KEYS)[number];

interface DifficultyPart {
  readonly key: PartKey;
  readonly points: number;
  readonly says: string;
}

export interface Difficulty {
  /** 0 to about 110: the hardest part governs, the others add a little. */
  readonly points: number;
  /** Hardest first; parts that ask nothing are left out. */
  readonly parts: readonly DifficultyPart[];
}

/** Out of anybody's reach. */
const UNKNOWN_POINTS = 120;

function partPoints(key: PartKey, value: number): number {
  if (key === 'effort.met') return through(EFFORT_ANCHORS, Math.max(0, value - SITTING_MET));
  if (key === 'impact.class') return IMPACT_POINTS[Math.min(3, Math.round(value)) as 0 | 1 | 2 | 3];
  return regionPoints(key, value);
}

/**
 * How hard a form is, for ordering forms of different ladders, explained by its parts. The parts meet
 * in a power mean of degree 6, so that the hardest governs and three moderate demands never outweigh
 * one that somebody can't meet. What isn't known counts as out of reach. Estimate throughout.
 */
export function difficultyOf(demand: Demand): Difficulty {
  const parts = PART_KEYS.map((key): DifficultyPart => {
    const value = middle(demand[key]);
    const points = Number.isNaN(value) ? UNKNOWN_POINTS : partPoints(key, value);
    return { key, points, says: DEMANDS[key].says };
  })
    .filter((part) => part.points > 0)
    .sort((a, b) => b.points - a.points || (a.key < b.key ? -1 : 1));
  return { points: together(parts.map((part) => part.points)), parts };
}

const DEGREE = 6;
const together = (points: readonly number[]): number =>
  points.reduce((total, one) => total + one ** DEGREE, 0) ** (1 / DEGREE);

/** The same off a row of figures, DEMAND_COUNT from an offset on; NaN where one isn't known. */
export function pointsOfRow(lo: Float64Array, hi: Float64Array, offset: number): number {
  return together(
    PART_KEYS.map((key) => {
      const i = offset + at(key);
      const value = (lo[i]! + hi[i]!) / 2;
      return Number.isNaN(value) ? UNKNOWN_POINTS : Math.max(0, partPoints(key, value));
    }),
  );
}

/** A ladder's own hardness: the hardest of what it measures, in points. */
export function hardnessOn(measures: readonly PartKey[], demand: Demand): number {
  return Math.max(...measures.map((key) => partPoints(key, middle(demand[key]))));
}

/** How far apart two forms are on one measure, in rungs; above 0 where the second is harder. */
export function rungsApart(key: PartKey, below: Demand, above: Demand): number {
  const from = middle(below[key]);
  const to = middle(above[key]);
  if (key === 'effort.met') return Math.log(to / from) / EFFORT_STEP;
  return (to - from) / (key === 'impact.class' ? 1 : RUNG_STEP[key]);
}
