import { type Format, oneSlot } from '../clock/index.ts';
import type { KindId } from './kinds.ts';
import type { Block } from './plan.ts';
import { type Facts, secondsOf } from './timeline.ts';

/** A circuit whose tiers differ in their rest: as groups of their own, or on one clock. */
export interface RestTiers {
  /** Innermost first: seconds of rest, and how long the block takes a group that has it. */
  readonly tiers: readonly { readonly restSeconds: number; readonly lengthSeconds: number }[];
  /** One slot for all, which the inner lanes leave earlier; how long it takes. */
  readonly oneClock: { readonly format: Format; readonly lengthSeconds: number };
}

/**
 * What becomes of rests that differ by tier, which no single clock can have: each tier a group of its own with its
 * own length, or a staggered finish, in which everybody's share of work in the slot is what it was. Half and no
 * rest for the two outer tiers, as trainers do (30/30, 30/15, 30/0). Null where the format has no rest to share.
 */
export function restTiers(block: Block, forWhom: KindId, facts: Facts): RestTiers | null {
  const { format } = block;
  if (format.kind !== 'intervals' || format.restSeconds < 10 || block.stations.length === 0) return null;
  const { workSeconds: work, restSeconds: rest } = format;
  const rests = [rest, Math.round(rest / 2), 0];
  const length = (f: Format) => secondsOf({ ...block, format: f }, forWhom, facts);
  const oneClock: Format = { ...format, ...oneSlot(work, rests[0]!, rests[1]!) };
  return {
    tiers: rests.map((restSeconds) => ({ restSeconds, lengthSeconds: length({ ...format, restSeconds }) })),
    oneClock: { format: oneClock, lengthSeconds: length(oneClock) },
  };
}
