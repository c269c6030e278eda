import type { Capability } from '../move/index.ts';

interface Provides {
  readonly what: Capability;
  /** Sizes in cm or kg that one piece can take; none where size doesn't matter. */
  readonly sizes?: readonly number[];
}

export interface Equipment {
  readonly name: string;
  readonly provides: readonly Provides[];
  /** A stand-in is household stuff that does the job with a caution. */
  readonly standIn?: string;
}

/** What things give, in sizes common in halls and homes. A room may state its own sizes. */
export const EQUIPMENT = {
  wall: { name: 'Clear wall', provides: [{ what: 'wall' }, { what: 'hand hold' }] },
  chair: {
    name: 'Chair, no wheels',
    provides: [{ what: 'seat', sizes: [43] }, { what: 'firm surface', sizes: [43] }, { what: 'hand hold' }],
  },
  'high-chair': {
    name: 'High chair or stool',
    provides: [{ what: 'seat', sizes: [52] }, { what: 'hand hold' }],
  },
  bench: {
    name: 'Low gym bench',
    provides: [
      { what: 'firm surface', sizes: [30] },
      { what: 'step', sizes: [30] },
      { what: 'back edge', sizes: [30] },
    ],
  },
  'wall-bar': {
    name: 'Wall bars',
    provides: [{ what: 'hand hold' }, { what: 'firm surface', sizes: [60, 75, 90] }],
  },
  'step-block': {
    name: 'Stackable step',
    provides: [
      { what: 'step', sizes: [10, 15, 20] },
      { what: 'firm surface', sizes: [15, 20] },
    ],
  },
  box: {
    name: 'Sturdy box',
    provides: [
      { what: 'step', sizes: [40, 45] },
      { what: 'firm surface', sizes: [40] },
    ],
  },
  mat: { name: 'Mat', provides: [{ what: 'mat' }, { what: 'cushion' }] },
  cushion: { name: 'Cushion', provides: [{ what: 'cushion' }] },
  dumbbells: { name: 'Hand weights', provides: [{ what: 'hand load', sizes: [2, 4] }] },
  kettlebell: { name: 'Bell weight', provides: [{ what: 'hand load', sizes: [8] }] },
  band: { name: 'Band on an anchor', provides: [{ what: 'pull anchor' }, { what: 'band' }] },
  'loose-band': { name: 'Loose band', provides: [{ what: 'band' }, { what: 'towel' }] },
  'high-band': { name: 'Band anchored high', provides: [{ what: 'high anchor' }] },
  'high-bar': { name: 'Pull-up bar', provides: [{ what: 'high bar' }] },
  ball: { name: 'Soft ball', provides: [{ what: 'ball' }] },
  rope: { name: 'Skipping rope', provides: [{ what: 'rope' }, { what: 'towel' }] },
  sliders: { name: 'Sliders', provides: [{ what: 'slider' }] },
  'low-bar': { name: 'Low bar', provides: [{ what: 'low bar', sizes: [90] }] },
  bottles: {
    name: 'Filled bottles',
    provides: [{ what: 'hand load', sizes: [1, 1.5] }],
    standIn: 'caps on tight, dry hands',
  },
  'loaded-bag': {
    name: 'Loaded bag',
    provides: [{ what: 'hand load', sizes: [4, 6] }],
    standIn: 'pack it so that nothing shifts',
  },
  'lowest-stair': {
    name: 'Lowest stair',
    provides: [{ what: 'step', sizes: [18] }, { what: 'hand hold' }],
    standIn: 'a hand on the rail, face the stairs',
  },
  sofa: {
    name: 'Sofa edge',
    provides: [{ what: 'seat', sizes: [42] }, { what: 'back edge', sizes: [42] }, { what: 'couch' }],
    standIn: 'soft: sit near the front',
  },
  worktop: {
    name: 'Kitchen worktop',
    provides: [{ what: 'firm surface', sizes: [90] }, { what: 'hand hold' }],
    standIn: 'dry hands, drawers shut',
  },
  towel: {
    name: 'Towel',
    provides: [{ what: 'towel' }, { what: 'slider' }, { what: 'cushion' }],
    standIn: 'folded flat; under a foot only on a smooth floor',
  },
  broomstick: {
    name: 'Broomstick',
    provides: [{ what: 'stick' }],
    standIn: 'head unscrewed, nobody within reach of the ends',
  },
  'towel-door': {
    name: 'Towel round a shut door’s hinges',
    provides: [{ what: 'pull anchor' }],
    standIn: 'hinge side, door shut, pull towards the closing side',
  },
} as const satisfies Record<string, Equipment>;
export type EquipmentId = keyof typeof EQUIPMENT;
export const EQUIPMENT_IDS = Object.keys(EQUIPMENT) as EquipmentId[];
