/** Metres and degrees throughout; y is up, x the way the figure looks in a side view. */
export type Point = readonly [number, number];

/** Height of the figure, m. What is drawn beside it is to the same scale. */
export const HEIGHT = 1.7;

/**
 * Lengths of segments as shares of height (Drillis & Contini 1966, as printed in Winter 2009, from memory); the trunk
 * in two parts, its waist an estimate.
 */
export const LENGTHS = {
  foot: 0.152 * HEIGHT,
  ankle: 0.039 * HEIGHT,
  shank: 0.246 * HEIGHT,
  thigh: 0.245 * HEIGHT,
  loin: 0.12 * HEIGHT,
  chest: 0.168 * HEIGHT,
  neck: 0.052 * HEIGHT,
  head: 0.13 * HEIGHT,
  upperArm: 0.186 * HEIGHT,
  forearm: 0.146 * HEIGHT,
  hand: 0.085 * HEIGHT,
  shoulderHalf: 0.115 * HEIGHT,
  hipHalf: 0.062 * HEIGHT,
} as const;

/** Straight leg from hip to floor, arm from shoulder to wrist, trunk from hip to shoulder. */
export const LEG = LENGTHS.thigh + LENGTHS.shank + LENGTHS.ankle;
export const ARM = LENGTHS.upperArm + LENGTHS.forearm;
export const TRUNK = LENGTHS.loin + LENGTHS.chest;

/**
 * Shares of body mass, and where along the segment its centre lies from the end nearer the trunk (Winter 2009, table of
 * anthropometric data, from memory; head and neck together). Limbs are for one side. They sum to one.
 */
export const MASSES = {
  head: { share: 0.081, at: 0.6 },
  chest: { share: 0.216, at: 0.5 },
  loin: { share: 0.281, at: 0.5 },
  upperArm: { share: 0.028, at: 0.436 },
  forearm: { share: 0.016, at: 0.43 },
  hand: { share: 0.006, at: 0.506 },
  thigh: { share: 0.1, at: 0.433 },
  shank: { share: 0.0465, at: 0.433 },
  foot: { share: 0.0145, at: 0.5 },
} as const;

/** Thickness of what is drawn, as a radius at either end, m. Our own. */
export const RADII = {
  thigh: [0.088, 0.058],
  shank: [0.056, 0.036],
  foot: [0.034, 0.022],
  upperArm: [0.046, 0.036],
  forearm: [0.036, 0.026],
  hand: [0.028, 0.02],
  loin: [0.098, 0.092],
  chest: [0.094, 0.1],
  neck: [0.05, 0.046],
  head: 0.105,
} as const;

/** Flesh between a joint and what it rests on, m: hips on a seat or the floor, shoulders on the floor, a kneecap. */
export const FLESH = { hip: 0.098, shoulder: 0.1, knee: 0.058, elbow: 0.036, wrist: 0.03 } as const;

const RADIANS = Math.PI / 180;
/** A step of so many metres in a direction: 0 is down, 90 forward, 180 up; `side` −1 turns it the other way. */
export const step = (from: Point, degrees: number, metres: number, side = 1): Point => [
  from[0] + side * metres * Math.sin(degrees * RADIANS),
  from[1] - metres * Math.cos(degrees * RADIANS),
];
/** The direction from one point to another, in the same degrees. */
export const direction = (from: Point, to: Point, side = 1): number =>
  Math.atan2(side * (to[0] - from[0]), from[1] - to[1]) / RADIANS;
export const distance = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1]);
export const between = (a: number, b: number, t: number): number => a + (b - a) * t;
export const along = (a: Point, b: Point, t: number): Point => [
  between(a[0], b[0], t),
  between(a[1], b[1], t),
];
/** The same direction between −180 and 180. */
export const wrapped = (degrees: number): number => (((degrees % 360) + 540) % 360) - 180;
/** The smaller turn between two directions, 0 to 180. */
export const turn = (a: number, b: number): number => Math.abs(wrapped(a - b));
