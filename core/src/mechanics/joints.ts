import { along, type Point, type Solved } from '../pose/index.ts';
import type { Contact } from './contacts.ts';

/** Parts of a body with a mass of their own, and what a hand holds. */
export type Part =
  | 'head'
  | 'chest'
  | 'loin'
  | 'upper arm'
  | 'forearm'
  | 'hand'
  | 'thigh'
  | 'shank'
  | 'foot'
  | 'load';

/** Joints that are reckoned with by side. */
export const MOMENT_JOINTS = ['ankle', 'knee', 'hip', 'shoulder', 'elbow', 'wrist'] as const;
export type MomentJoint = (typeof MOMENT_JOINTS)[number];

interface JointRow {
  /** What hangs on the joint from outside: segments, and where those bear. */
  readonly parts: readonly Part[];
  readonly bears: readonly Contact['part'][];
  /** Which way a turning from outside has to be met, seen from the side. */
  readonly sign: 1 | -1;
  /**
   * What a usual adult can make about it, N·m for a kilogram of body: isometric figures for men and women from 20 to
   * 60, rounded, from memory (among them Harbo 2012 and Hulens 2001 for the legs, Danneskiold 2009 for the arms).
   */
  readonly most: number;
}

/** Each joint of a limb. */
export const JOINT_ROWS: Readonly<Record<MomentJoint, JointRow>> = {
  ankle: { parts: ['foot'], bears: ['foot'], sign: 1, most: 1.7 },
  knee: { parts: ['foot', 'shank'], bears: ['foot'], sign: -1, most: 2.4 },
  hip: { parts: ['foot', 'shank', 'thigh'], bears: ['foot', 'knee'], sign: 1, most: 2.3 },
  shoulder: {
    parts: ['upper arm', 'forearm', 'hand', 'load'],
    bears: ['hand', 'elbow'],
    sign: -1,
    most: 0.85,
  },
  elbow: { parts: ['forearm', 'hand', 'load'], bears: ['hand'], sign: -1, most: 0.75 },
  wrist: { parts: ['hand', 'load'], bears: ['hand'], sign: -1, most: 0.18 },
};
/** What a usual adult's back can make at its lowest joint, N·m for a kilogram of body; the belly about two thirds. */
export const BACK_MOST = 3;

export function jointAt(s: Solved, joint: MomentJoint, side: 0 | 1): Point {
  const [arm, leg] = [s.arms[side], s.legs[side]];
  if (joint === 'ankle') return leg.end;
  if (joint === 'knee') return leg.joint;
  if (joint === 'hip') return leg.root;
  if (joint === 'shoulder') return arm.root;
  return joint === 'elbow' ? arm.joint : arm.end;
}

/** The lowest joint of the spine lies so far up from the hips to the waist. Estimate. */
export const L5_S1 = 0.15;
export const lowBackAt = (s: Solved): Point => along(s.hip, s.waist, L5_S1);
export const ABOVE_LOW_BACK: readonly Part[] = [
  'head',
  'chest',
  'loin',
  'upper arm',
  'forearm',
  'hand',
  'load',
];
/** What bears below the lowest joint of the spine. */
export const BELOW_LOW_BACK: readonly Contact['part'][] = ['foot', 'knee', 'hip'];

/** How far a force at a place turns about another, N·m, against the clock. */
export const turnAbout = ([cx, cy]: Point, [x, y]: Point, [fx, fy]: Point): number =>
  (x - cx) * fy - (y - cy) * fx;
