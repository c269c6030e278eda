import { direction, type Point, type Solved } from '../pose/index.ts';
import { type Body, GRAVITY, scaleOf } from './body.ts';
import {
  ABOVE_LOW_BACK,
  BELOW_LOW_BACK,
  JOINT_ROWS,
  jointAt,
  lowBackAt,
  type MomentJoint,
  turnAbout,
} from './joints.ts';
import type { Mass, Reaction, Standing } from './statics.ts';

/**
 * What muscles have to make about a joint, N·m: above 0 by those that straighten (knee, hip), push down (ankle), lift
 * the arm forwards (shoulder) or bend (elbow, wrist), seen from the side. Seen from the front it has no such sign.
 */
export type Moments = Readonly<Record<MomentJoint, readonly [number, number]>>;

function turning(about: Point, masses: readonly Mass[], reactions: readonly Reaction[]): number {
  return (
    masses.reduce((sum, { at, kg }) => sum + turnAbout(about, at, [0, -kg * GRAVITY]), 0) +
    reactions.reduce((sum, { at, force }) => sum + turnAbout(about, at, force), 0)
  );
}

/** Net joint moments by side from what lies beyond each joint: segment weights, loads and what bears there. */
export function momentsOf(s: Solved, standing: Standing, body: Body): Moments {
  const k = scaleOf(body);
  const of = (joint: MomentJoint, side: 0 | 1): number => {
    const [x, y] = jointAt(s, joint, side);
    const { parts, bears, sign } = JOINT_ROWS[joint];
    return (
      sign *
      turning(
        [x * k, y * k],
        standing.masses.filter((one) => one.side === side && parts.includes(one.part)),
        standing.reactions.filter((one) => one.side === side && bears.includes(one.part)),
      )
    );
  };
  const pair = (joint: MomentJoint) => [of(joint, 0), of(joint, 1)] as const;
  return {
    ankle: pair('ankle'),
    knee: pair('knee'),
    hip: pair('hip'),
    shoulder: pair('shoulder'),
    elbow: pair('elbow'),
    wrist: pair('wrist'),
  };
}

/** How far behind that joint the back's muscles pull, and how far before it the belly's, m (Chaffin, from memory). */
export const BACK_ARM = 0.055;
const FRONT_ARM = 0.11;

/** What the low back has to bear. */
export interface LowBack {
  /** N·m: above 0 by the back's muscles, below by the belly's. */
  readonly moment: number;
  /**
   * N: the muscles' pull and what presses along the trunk, as one muscle would do it. Muscles that work against each
   * other, to brace, add to it: figures of bracing come out too low by as much.
   */
  readonly compression: number;
}

/** Moment and compression at the lowest joint of the spine, from everything above it. */
export function lowBackOf(s: Solved, standing: Standing, body: Body): LowBack {
  const k = scaleOf(body);
  const [x, y] = lowBackAt(s);
  const about: Point = [x * k, y * k];
  const masses = standing.masses.filter((one) => ABOVE_LOW_BACK.includes(one.part));
  const reactions = standing.reactions.filter(({ part }) => !BELOW_LOW_BACK.includes(part));
  const moment = -turning(about, masses, reactions);
  // Along the trunk, from the joint upwards.
  const up = direction(s.hip, s.waist);
  const axis: Point = [Math.sin((up * Math.PI) / 180), -Math.cos((up * Math.PI) / 180)];
  const pressed = masses.reduce((sum, { kg }) => sum + kg * GRAVITY * axis[1], 0);
  const pushed = reactions.reduce((sum, { force }) => sum + force[0] * axis[0] + force[1] * axis[1], 0);
  const muscle = moment >= 0 ? moment / (BACK_ARM * k) : -moment / (FRONT_ARM * k);
  return { moment, compression: muscle + Math.max(0, pressed - pushed) };
}
