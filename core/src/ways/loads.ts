import type { Library } from '../ladder/index.ts';
import { LB_PER_KG, type LevelIndex, type Limit } from '../person/index.ts';
import { type EquipmentId, equipmentOf, offersOf, type Room } from '../room/index.ts';

/** Repetitions between which Epley's estimate is fair: beyond them endurance decides. Common practice. */
const EPLEY_FAIR = { from: 1, to: 12 } as const;

/** Most that could be lifted once, from a load and the repetitions to the last clean one (Epley 1985, from memory). */
export function epleyMax(load: number, reps: number): number {
  return reps <= 1 ? load : load * (1 + reps / 30);
}

/** Repetitions of equal effort with another load; null outside the fair range. */
export function equalEffortReps(load: number, reps: number, otherLoad: number): number | null {
  if (!(load > 0) || !(otherLoad > 0)) return null;
  const other = Math.round(30 * (epleyMax(load, reps) / otherLoad - 1));
  return other >= EPLEY_FAIR.from && other <= EPLEY_FAIR.to ? other : null;
}

/** Weights as they are sold in pounds. */
const POUNDS = [1, 2, 3, 5, 8, 10, 12, 15, 18, 20, 25, 30, 35, 40, 45, 50, 53, 60, 70];

/** The weight sold in pounds that is nearest to one in kilograms. */
export function poundsNear(kg: number): number {
  const lb = kg * LB_PER_KG;
  return POUNDS.reduce((best, one) => (Math.abs(one - lb) < Math.abs(best - lb) ? one : best));
}

/** Where in a move's range of loads each level begins. Estimates, on the light side. */
const BEGIN_AT = [0, 0.15, 0.35, 0.6] as const;

export interface Load {
  readonly kg: number;
  /** Two of it, one in each hand. */
  readonly pair: boolean;
  readonly from: EquipmentId;
  readonly standIn: boolean;
  /** The next heavier that is here, when the first is too light. */
  readonly next: number | null;
  readonly previous: number | null;
}

/**
 * What to begin with, from what the room has: the load nearest below where the level begins, else the
 * lightest. Null where the move takes no load or the room has none that fits. A grip that is spared
 * keeps to the lightest.
 */
export function startingLoad(
  library: Library,
  room: Room,
  move: string,
  level: LevelIndex,
  limits: readonly Limit[] = [],
): Load | null {
  const need = library.move(move)?.needs.find((n) => n.what === 'hand load');
  if (!need) return null;
  const min = need.min ?? 0;
  const max = need.max ?? Number.POSITIVE_INFINITY;
  const fits = (offersOf(room).get('hand load') ?? []).filter(
    (offer) => offer.size !== null && offer.size >= min && offer.size <= max && offer.count >= need.count,
  );
  if (fits.length === 0) return null;
  const sizes = [...new Set(fits.map((offer) => offer.size!))].sort((a, b) => a - b);
  const gripSpared = limits.some((l) => l.kind === 'cap' && l.on === 'strength.grip' && l.max <= 25);
  const aim = gripSpared ? min : min + BEGIN_AT[level] * ((Number.isFinite(max) ? max : min * 4) - min);
  const at = Math.max(
    0,
    sizes.findLastIndex((size) => size <= aim),
  );
  const kg = sizes[at]!;
  const offer = fits.find((o) => o.size === kg && !o.standIn) ?? fits.find((o) => o.size === kg)!;
  return {
    kg,
    pair: need.count === 2,
    from: offer.from,
    standIn: offer.standIn,
    next: sizes[at + 1] ?? null,
    previous: sizes[at - 1] ?? null,
  };
}

/** "Begin with 4 kg in each hand (hand weights): the last two reps hard and clean. Too easy: 6 kg." */
export function loadWords(load: Load, unit: 'kg' | 'lb' = 'kg'): string {
  const say = (kg: number) => (unit === 'kg' ? `${kg} kg` : `${poundsNear(kg)} lb`);
  const thing = equipmentOf(load.from);
  return [
    `Begin with ${say(load.kg)}${load.pair ? ' in each hand' : ''} (${thing.name.toLowerCase()}${thing.standIn ? `: ${thing.standIn}` : ''}): the last two reps are hard and clean.`,
    load.next !== null ? `Too easy: ${say(load.next)}.` : 'Too easy: slow the lowering to four seconds.',
    load.previous !== null ? `Too hard: ${say(load.previous)}.` : 'Too hard: do it without.',
  ].join(' ');
}
