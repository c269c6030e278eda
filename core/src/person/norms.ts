import type { Age } from './age.ts';

export type Sex = 'female' | 'male';

interface Band<T> {
  readonly from: number;
  readonly to: number;
  readonly male: T;
  readonly female: T;
}

/** Chair stands in 30 seconds: fewer than this is below average (CDC STEADI, from memory). */
export const CHAIR_STAND: readonly Band<number>[] = [
  { from: 60, to: 64, male: 14, female: 12 },
  { from: 65, to: 69, male: 12, female: 11 },
  { from: 70, to: 74, male: 12, female: 10 },
  { from: 75, to: 79, male: 11, female: 10 },
  { from: 80, to: 84, male: 10, female: 9 },
  { from: 85, to: 89, male: 8, female: 8 },
  { from: 90, to: 94, male: 7, female: 4 },
];

/** Two-minute step, times the right knee came up: lowest and highest of the usual range (Rikli and Jones, from memory). */
export const TWO_MINUTE_STEP: readonly Band<readonly [number, number]>[] = [
  { from: 60, to: 64, male: [87, 115], female: [75, 107] },
  { from: 65, to: 69, male: [86, 116], female: [73, 107] },
  { from: 70, to: 74, male: [80, 110], female: [68, 101] },
  { from: 75, to: 79, male: [73, 109], female: [68, 100] },
  { from: 80, to: 84, male: [71, 103], female: [60, 90] },
  { from: 85, to: 89, male: [59, 91], female: [55, 85] },
  { from: 90, to: 94, male: [52, 86], female: [44, 72] },
];

/** Seconds from which getting up, three metres and back means a raised risk of falling (CDC STEADI, from memory). */
export const UP_AND_GO_SECONDS = 12;
/** Seconds heel to toe under which the risk of falling is raised (CDC STEADI, from memory). */
export const TANDEM_SECONDS = 10;

/** A published norm that may apply: the age's band and the sex it is for. */
export interface Norm<T> {
  readonly sex: Sex;
  readonly ages: string;
  readonly value: T;
}

/**
 * Every cell of a table that may be theirs: two where the sex isn't stated or a year of birth alone
 * leaves the age band open. Empty outside the table.
 */
export function normsFor<T>(table: readonly Band<T>[], age: Age, sex: Sex | undefined): Norm<T>[] {
  const bands = [age.lo, age.hi].map((years) => table.find((b) => years >= b.from && years <= b.to));
  return [...new Set(bands)].flatMap((band) =>
    band
      ? (sex ? [sex] : (['female', 'male'] as const)).map((one) => ({
          sex: one,
          ages: `${band.from}–${band.to}`,
          value: band[one],
        }))
      : [],
  );
}
