import type { Capability, DemandKey } from '../move/index.ts';
import type { FloorId, Limit, Preset } from './limits.ts';

/** The part of the list a condition is looked for in. */
export const CONDITION_GROUPS = [
  'age and place',
  'knees, hips, feet',
  'back and bones',
  'shoulders, arms, hands',
  'neck, balance, nerves',
  'heart and breath',
  'pregnancy and after',
  'other',
] as const;

export interface Condition {
  readonly name: string;
  /** As it is said of somebody, and of several where that differs: "in a wheelchair"; nothing said: "with" its name. */
  readonly said?: string | readonly [one: string, several: string];
  readonly group: (typeof CONDITION_GROUPS)[number];
  /** Among the few offered at a tap: as it is said of somebody who walks in, and of somebody known, today. */
  readonly quick?: { readonly some: string; readonly today: string };
  /** The one line shown where a decision is made. */
  readonly caution: string;
  /** May be of one side; limits on the joints of that limb then hold for it alone. */
  readonly sided?: true;
  readonly limits: readonly Preset[];
  /** What no figure can hold, to be seen to on the day. */
  readonly reminders?: readonly string[];
  /** What has to be in reach before they begin, as it is put out. */
  readonly inReach?: readonly string[];
  /** What they have with them wherever they are. */
  readonly brings?: readonly Capability[];
  /** Heart rate says little: effort by words and the talk test only, no capacity reckoned. */
  readonly effortByWords?: true;
  /** No harder rungs, no reach, no "one more". */
  readonly steady?: true;
  /** Never left to work alone. */
  readonly notAlone?: true;
  /** Nothing begins without a doctor's word from after it began, however active they were before. */
  readonly clearFirst?: true;
}

export const cap = (on: DemandKey, max: number, reason: string): Preset => ({ kind: 'cap', on, max, reason });
export const effort = (maxRpe: number, reason: string): Preset => ({ kind: 'effort', maxRpe, reason });
export const hold = (supportAboveBalance: number, reason = 'something to hold'): Preset => ({
  kind: 'require',
  supportAboveBalance,
  reason,
});
export const atLeast = (what: FloorId, seconds: number, reason: string): Preset => ({
  kind: 'floor',
  what,
  seconds,
  reason,
});
export const budget = (
  on: Extract<Limit, { kind: 'budget' }>['on'],
  per: 'minute' | 'session',
  max: number,
  reason: string,
): Preset => ({ kind: 'budget', on, per, max, reason });

/** Caps that many conditions share, in the same words. */
export const ONE_FOOT_DOWN = cap('impact.class', 1, 'one foot stays down');
export const NO_KNEELING = cap('knee.kneel', 0, 'no kneeling');
export const NO_PIVOT = cap('knee.pivot', 0, 'no turning on a planted foot');
/** Bracing is no straining: a push-up braces, the heaviest lift and the longest lever strain. */
export const NO_STRAINING = cap('strain.breath', 2, 'no straining');
export const NO_EDGE = cap('feet.edge', 0, 'not on an edge');
export const NO_HANGING = cap('hands.hang', 0, 'no hanging by the hands');
/** A hard squeeze that isn't let go raises the pressure and starves the forearm. */
export const NO_HARD_GRIP = cap('hands.clench', 2, 'no hand closed hard without letting go');
export const LOOSE_GRIP = cap('hands.clench', 1, 'a loose grip');
export const NOTHING_OVER_THE_FACE = cap('head.under', 0, 'nothing held over the face');
export const MODERATE_BACK = cap('spine.load', 3, 'no heavy load on the low back');
export const LIGHT_BACK = cap('spine.load', 2, 'little load on the low back');
export const NO_BREATH_HOLDING = cap('strain.breath', 1, 'no breath holding');
export const HEAD_UP = cap('strain.headLow', 0, 'head not below the heart');
export const TIME_TO_CHANGE = atLeast('change', 12, 'time to get up, across and ready');
export const SLOW_CHANGES = cap('posture.changes', 0, 'slow changes of level');
export const NO_TURNING_JUMPS = cap('impact.turnDeg', 0, 'no turning jumps');
export const NOTHING_STOOD_ON = cap('balance.fall', 2, 'nothing stood on');
export const NOTHING_JUMPED_OFF = cap('impact.dropCm', 0, 'nothing jumped off');
export const STEADY_FOOTING = cap('balance.level', 4, 'steady footing');
export const NO_RISK_OF_FALLING = cap('balance.level', 4, 'no risk of falling');
export const LONG_WARM_UP = atLeast('warm-up', 600, 'a long, slow warm-up');
export const LONG_COOL_DOWN = atLeast('cool-down', 600, 'a long cool-down');
export const EARLY_RESTS = atLeast('rest', 30, 'rests before they are needed');
export const NO_BELLY_PRESSURE = cap('strain.belly', 1, 'no pressure on the belly');
/** Who may lose consciousness drops what is held up. */
export const NOTHING_HEAVY_OVERHEAD = cap('shoulder.overheadLoad', 2, 'nothing heavy overhead');
export const WITHIN_RANGE = cap('joint.endRange', 1, 'no holding at the end of a range');
