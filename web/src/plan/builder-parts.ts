import type { Library } from '@inner-rung/core/ladder';
import type { Sums } from '@inner-rung/core/review';
import { KIND_IDS, KINDS, type KindId, type Plan } from '@inner-rung/core/session';
import type { StationAt } from '../store/plan-slice.ts';

export const CLOCK_FOR = Object.fromEntries(KIND_IDS.map((id) => [id, KINDS[id].name])) as Record<
  KindId,
  string
>;

export const placeOf = (id: string): StationAt | null => {
  const [block, station] = id.split('/').map(Number);
  return block === undefined || station === undefined || Number.isNaN(station) ? null : { block, station };
};

export interface BuilderProps {
  readonly library: Library;
  readonly plan: Plan;
  readonly sums: Sums;
  readonly open: number;
  readonly station: number;
  readonly onPick: (block: number, station: number) => void;
  readonly onRemake: (block: number, role: 'warm-up' | 'cool-down', minutes: number) => void;
}
