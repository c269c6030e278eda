import { INPUTS } from '../clock/index.ts';
import type { Version } from '../engine/index.ts';
import type { Library } from '../ladder/index.ts';
import type { FormRef } from '../move/index.ts';
import type { Limit } from '../person/index.ts';
import {
  type Block,
  blockName,
  type Entry,
  type Facts,
  type Plan,
  type Station,
  type Traits,
} from '../session/index.ts';
import type { Sums } from './sums.ts';

/** A change to the session that mends a finding. */
export type Fix = { readonly label: string } & (
  | { readonly kind: 'block'; readonly block: number; readonly becomes: Block }
  | { readonly kind: 'order'; readonly block: number }
  | { readonly kind: 'add'; readonly role: 'warm-up' | 'cool-down' }
);

export interface Finding {
  readonly check: string;
  readonly severity: 'stop' | 'mend' | 'note';
  readonly says: string;
  readonly block: number | null;
  /** Index in its block. */
  readonly station: number | null;
  /** Where it is, by ids that outlive reordering: what an accepted finding is known by. */
  readonly at: string;
  readonly fix: Fix | null;
  /** Why the trainer let it stand. */
  readonly accepted: string | null;
}

export interface Checked {
  readonly library: Library;
  readonly session: Pick<Plan, 'blocks' | 'forWhom' | 'bookedMinutes' | 'accepted'>;
  readonly version: Version;
  readonly sums: Sums;
  /** Limits of whom it is for; none for a lane. */
  readonly limits?: readonly Limit[];
  /** People who would have to change, for want of things, were all to do it as written. */
  readonly shortOfThings?:
    | { readonly block: number; readonly people: number; readonly of: number }
    | undefined;
}

export interface Context extends Checked {
  readonly facts: Facts;
  readonly entries: readonly Entry[];
  /** First entry of each block's stations. */
  readonly first: readonly (readonly number[])[];
  readonly traits: (b: number, station: number) => Traits;
  readonly name: (b: number, station: number) => string;
  readonly formAt: (b: number, station: number) => FormRef;
}
export type Raw = Omit<Finding, 'check' | 'accepted' | 'at'>;

/** What is looked at in every session: one entry a check; it may find several things, the worst first. */
export interface Check {
  /** What a finding that was let stand is stored by: it never changes with the words. */
  readonly id: string;
  /** Ids by which earlier programs stored it. */
  readonly was?: readonly string[];
  readonly find: (c: Context) => Raw[];
}

export const span = (seconds: number) =>
  seconds % 60 === 0 ? `${seconds / 60} ${seconds === 60 ? 'minute' : 'minutes'}` : `${seconds} s`;
export const low = (name: string) => name.charAt(0).toLowerCase() + name.slice(1);
export const here = (c: Context, b: number) =>
  c.session.blocks.length > 1 ? `${blockName(c.session.blocks, b)}: ` : '';

/** The input of a format that holds the rest from station to station. */
export function restOf(block: Block): { key: 'restSeconds' | 'stationRestSeconds'; seconds: number } | null {
  const { format } = block;
  if ('stationRestSeconds' in format)
    return { key: 'stationRestSeconds', seconds: format.stationRestSeconds };
  return 'restSeconds' in format ? { key: 'restSeconds', seconds: format.restSeconds } : null;
}
export function restFix(block: Block, b: number, seconds: number): Fix | null {
  const rest = restOf(block);
  if (!rest || seconds > INPUTS[rest.key].max) return null;
  return {
    label: `Rest ${seconds} s`,
    kind: 'block',
    block: b,
    becomes: { ...block, format: { ...block.format, [rest.key]: seconds } as Block['format'] },
  };
}
export const withStation = (block: Block, i: number, patch: Partial<Station>): Block => ({
  ...block,
  stations: block.stations.map((s, k) => (k === i ? { ...s, ...patch } : s)),
});
