import type { DemandKey } from '../move/index.ts';

/** The least that a drawing shows a figure to be, and how. */
export interface Least {
  readonly key: DemandKey;
  readonly least: number;
  readonly why: string;
}

/** From how much on a level holds, the highest first. */
export type Cuts = readonly (readonly [from: number, level: number])[];
/** The highest level whose cut is reached; 0 below them all. */
export const levelAt = (cuts: Cuts, value: number): number => cuts.find(([from]) => value >= from)?.[1] ?? 0;
