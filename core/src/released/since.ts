import type { ConditionId, Standing } from '../person/index.ts';
import released from './released.json' with { type: 'json' };

/** Every condition as a release left it, as `released.json` keeps that of the last one. */
export interface Released {
  readonly on: string;
  readonly moves: readonly string[];
  /** `open`: a bit a move of `moves`, four to a hexadecimal digit, lowest first. */
  readonly conditions: Readonly<
    Record<string, { readonly limits: readonly string[]; readonly open: string }>
  >;
}

/**
 * A condition in a release, over the moves that there were then: those that came since are nobody's change. Null where
 * the condition is newer.
 */
export function asReleased(
  released: Released,
  id: ConditionId,
  now: Standing,
): [then: Standing, now: Standing] | null {
  const one = released.conditions[id];
  if (!one) return null;
  const known = new Set(released.moves);
  const open = released.moves.filter((_, i) => (Number.parseInt(one.open[i >> 2] ?? '0', 16) >> (i & 3)) & 1);
  const old = (list: readonly string[]) => list.filter((move) => known.has(move));
  return [
    { limits: [...one.limits], open, held: [] },
    { limits: now.limits, open: old(now.open), held: old(now.held) },
  ];
}

/** The last release. Apart from the folder that it records, so that only who compares loads it. */
export const RELEASED: Released = released;
