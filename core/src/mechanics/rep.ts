import {
  armRaised,
  type DrawnFigure,
  distance,
  hipBend,
  kneeBend,
  LIMB_SIDES,
  type Point,
  poseAt,
  type Solved,
  solve,
} from '../pose/index.ts';
import { type Body, GRAVITY, scaleOf, USUAL_BODY } from './body.ts';
import { JOINT_ROWS, MOMENT_JOINTS, type MomentJoint } from './joints.ts';
import { type LowBack, lowBackOf, type Moments, momentsOf } from './moments.ts';
import { type Held, NOTHING_HELD, type Pull, placedOf, type Standing } from './statics.ts';

/** One moment of a rep. Angles in degrees, by side. */
export interface Frame {
  /** From 0 to 1, there and back. */
  readonly t: number;
  readonly solved: Solved;
  readonly standing: Standing;
  readonly moments: Moments;
  readonly lowBack: LowBack;
  readonly knee: readonly [number, number];
  readonly hip: readonly [number, number];
  readonly arm: readonly [number, number];
}

/** What a drawn rep asks of a body. */
export interface Rep {
  readonly body: Body;
  readonly held: Held;
  readonly frames: readonly Frame[];
  /** Nothing bears in some frame: it leaves the ground. */
  readonly leaves: boolean;
  /**
   * Metres by which the mass is raised over one rep, all of its parts' rises added and shared out over the body: what
   * muscles work against. Throw and swing give some of it back, so that quick reps come out too high.
   */
  readonly raised: number;
}

/** Why a drawing can't be reckoned with: it is seen from above, where weight points at the eye. */
export type Unreckoned = 'seen from above';

/** As many frames as angles and moments are smooth over. */
const STEPS = 24;
/** A band that is stretched pulls a hand with so much, N: a light to middling one at arm's length. Estimate. */
export const BAND_N = 50;

/** What a band in the hands pulls with, towards where it is tied. */
function pullsOf(figure: DrawnFigure, s: Solved): Pull[] {
  return figure.props.flatMap((prop) => {
    if (prop.is !== 'band') return [];
    return LIMB_SIDES.filter((side) => prop.in === 'both' || side === (prop.in === 'near' ? 0 : 1)).map(
      (side): Pull => {
        const at = s.arms[side].end;
        const far = distance(at, prop.from) || 1;
        const force: Point = [
          ((prop.from[0] - at[0]) / far) * BAND_N,
          ((prop.from[1] - at[1]) / far) * BAND_N,
        ];
        return { side, at, force };
      },
    );
  });
}

/** How a weight of so many kilograms is held in a drawing: one in both hands is shared, one each is each hand's. */
export function heldAs(figure: DrawnFigure, kg: number): Held {
  const thing = figure.props.find((prop) => 'in' in prop && prop.is !== 'towel' && prop.is !== 'band');
  if (!thing || !('in' in thing)) return NOTHING_HELD;
  if (thing.in === 'near') return [kg, 0];
  if (thing.in === 'far') return [0, kg];
  return thing.is === 'dumbbell' || thing.is === 'bottle' ? [kg, kg] : [kg / 2, kg / 2];
}

/** What a pose asks of a body, with what bears in it. */
export function frameOf(figure: DrawnFigure, solved: Solved, t: number, body: Body, held: Held): Frame {
  const standing = placedOf(figure, solved, body, held, pullsOf(figure, solved));
  const pair = (one: (s: Solved, side: 0 | 1) => number) => [one(solved, 0), one(solved, 1)] as const;
  return {
    t,
    solved,
    standing,
    moments: momentsOf(solved, standing, body),
    lowBack: lowBackOf(solved, standing, body),
    knee: pair(kneeBend),
    hip: pair(hipBend),
    arm: pair(armRaised),
  };
}

/** Key poses of a drawing that somebody could stop in; none of one seen from above. */
export function stillFrames(figure: DrawnFigure, held: Held): Frame[] {
  if (figure.above) return [];
  return figure.poses
    .map((pose) => frameOf(figure, solve(pose, figure.view), 0, USUAL_BODY, held))
    .filter(couldStop);
}

/**
 * A rep frame by frame: quasi-static, so that throw, quick reversal and landing come on top (see `landing`). A drawing
 * from above can't be reckoned with.
 */
export function repOf(
  figure: DrawnFigure,
  of: { readonly body?: Body; readonly held?: Held; readonly steps?: number } = {},
): Rep | Unreckoned {
  if (figure.above) return 'seen from above';
  const { body = USUAL_BODY, held = NOTHING_HELD, steps = STEPS } = of;
  const frames = Array.from({ length: steps + 1 }, (_, i) => {
    const t = i / steps;
    return frameOf(figure, solve(poseAt(figure, t), figure.view), t, body, held);
  });
  let lifted = 0;
  for (let i = 1; i < frames.length; i++)
    frames[i]!.standing.masses.forEach(({ at, kg }, m) => {
      lifted += kg * Math.max(0, at[1] - frames[i - 1]!.standing.masses[m]!.at[1]);
    });
  return {
    body,
    held,
    frames,
    leaves: frames.some(({ standing }) => standing.reactions.length === 0),
    raised: lifted / body.massKg + (figure.flight?.height ?? 0) * scaleOf(body),
  };
}

/** The most of something in any frame and side. */
export const mostOf = (rep: Rep, one: (frame: Frame) => number): number =>
  rep.frames.reduce((most, frame) => Math.max(most, one(frame)), Number.NEGATIVE_INFINITY);

/** Left over of a weight, or of its turning, from which a moment of a rep is carried on by its speed. Estimate. */
const CARRIED = 0.03;
/** Whether somebody could stop in a frame: something bears it, and all of it. */
export const couldStop = ({ standing }: Frame): boolean =>
  standing.reactions.length > 0 && standing.unborne < CARRIED && standing.tips < CARRIED;

/** A joint's moment, N·m for a kilogram of body, at the side that has more of it, of those looked at. */
export const momentAt = (
  { moments }: Frame,
  joint: MomentJoint,
  body: Body,
  sides: readonly (0 | 1)[] = LIMB_SIDES,
): number => Math.max(...sides.map((side) => Math.abs(moments[joint][side]))) / body.massKg;
/** The same as a share of what a usual adult's muscles can make. */
export const shareAt = (frame: Frame, joint: MomentJoint, body: Body): number =>
  momentAt(frame, joint, body) / JOINT_ROWS[joint].most;

/** The frame in which some joint comes nearest to what it can, of those somebody could stop in; 0 where there is none. */
export function hardestFrame({ frames, body }: Rep): number {
  let most = 0;
  let at = 0;
  frames.forEach((frame, i) => {
    const share = couldStop(frame)
      ? Math.max(...MOMENT_JOINTS.map((joint) => shareAt(frame, joint, body)))
      : 0;
    // Alike but for rounding the first stands.
    if (share > most + 1e-9) {
      most = share;
      at = i;
    }
  });
  return at;
}

/** Action limit for the low back in lifting at work, N (NIOSH 1981, from memory). */
export const LOW_BACK_ACTION_N = 3400;

/** Share of the body's weight that goes through the hands in a frame, by side. */
export function onHands({ standing }: Frame, body: Body): readonly [number, number] {
  const share = (side: 0 | 1) =>
    standing.reactions
      .filter((one) => one.part === 'hand' && one.side === side && one.kind !== 'grip')
      .reduce((sum, { force, kind }) => sum + Math.abs(force[kind === 'wall' ? 0 : 1]), 0) /
    (body.massKg * GRAVITY);
  return [share(0), share(1)];
}

/** Oxygen at rest, ml a kilogram and minute; one MET. */
const REST = 3.5;
/** Oxygen for a kilogram raised by a metre, and a third more for lowering it (ACSM's stepping equation, from memory). */
const RAISE = 1.8;
const LOWER = 1.33;

/** MET of so many reps a minute by what they raise: rest and the cost of raising, nothing for holding still. */
export const metOfRaising = (raised: number, repsAMinute: number): number =>
  1 + (RAISE * LOWER * raised * repsAMinute) / REST;

/** How far knees and hips give on landing, m, for a low hop and a deep soft landing. Estimates. */
const GIVES = [0.12, 0.3] as const;
/** A push of the ground is peaked: its highest beside its mean. Estimate, a half sine. */
const PEAKED = Math.PI / 2;

/**
 * Peak force of landing from a height, in body weights, soft to stiff: what is fallen through is stopped over what the
 * legs give. Published: 4.2 from 0.32 m, 6.4 from 0.72, 9.1 from 1.28 (McNitt-Gray 1993, recreational, from memory).
 */
export function landing(heightM: number): readonly [soft: number, stiff: number] {
  const force = (gives: number) => PEAKED * (1 + heightM / gives) - (PEAKED - 1);
  return [force(GIVES[1]), force(GIVES[0])];
}
