import { distance, FLESH, LENGTHS, type Point, turn } from './body.ts';
import { moved } from './build.ts';
import { type Hidden, hiddenMirrored } from './hidden.ts';
import { placeAt } from './moment.ts';
import { type KeyPose, LIMB_SIDES, mirrored, poseBetween, type Solved, solve, type View } from './pose.ts';

/** Things drawn beside somebody, from the same numbers, m. */
export type Prop =
  /** With `half`, seen from above: so far to either side of the middle. */
  | { readonly is: 'mat'; readonly from: number; readonly to: number; readonly half?: number }
  | {
      readonly is: 'seat';
      readonly x: number;
      readonly height: number;
      readonly back: boolean;
      readonly arms?: boolean;
    }
  | { readonly is: 'surface' | 'step'; readonly from: number; readonly to: number; readonly height: number }
  /** A wall beside somebody; behind them (or before them, seen from their back) in a front view. */
  | { readonly is: 'wall'; readonly x: number; readonly behind?: true }
  /** Something for the hands; with `half`, so far to either side of its middle. */
  | { readonly is: 'hold'; readonly x: number; readonly height: number; readonly half?: number }
  /** A line on the floor, seen end on. */
  | { readonly is: 'mark'; readonly x: number }
  /** A skipping rope in both hands. */
  | { readonly is: 'rope' }
  | { readonly is: 'bar'; readonly height: number; readonly x: number }
  | { readonly is: 'cushion'; readonly x: number }
  /** In one hand or both: what hangs or is held there. */
  | { readonly is: 'dumbbell' | 'bell' | 'bottle' | 'ball' | 'towel' | 'stick'; readonly in: InHand }
  | { readonly is: 'band'; readonly from: Point; readonly in: InHand }
  /** A short band round both legs. */
  | { readonly is: 'loop'; readonly round: 'thighs' | 'ankles' };

/** Which hands hold a thing. */
export type InHand = 'near' | 'far' | 'both';

/** A move as it is drawn: its key poses in the order of one rep, and what stands beside it. */
export interface DrawnFigure {
  readonly view: View;
  readonly poses: readonly KeyPose[];
  readonly props: readonly Prop[];
  /** From the last pose back through the others, or straight to the first again. */
  readonly back: boolean;
  /** The move goes somewhere: feet may slide between poses. */
  readonly travels?: boolean;
  /** Everything leaves the ground after this pose, or after each, as high as so many metres. */
  readonly flight?: { readonly from: number | 'each'; readonly height: number };
  /** One part after another: a still picture shows every key pose. */
  readonly parts?: true;
  /** Somebody lying, seen from above: nothing in it is high or low. */
  readonly above?: true;
  /** What the view hides, by key pose. */
  readonly hidden?: readonly Hidden[];
  /** Of a move that one limb does alone, that the farther one is drawn doing it; else it is the nearer. */
  readonly works?: 'far';
}

/** Half turns of the joints people have, degrees: least and most. Common ranges (AAOS norms, from memory), rounded outwards. */
const KNEE = [-8, 160] as const;
const ELBOW = [-8, 160] as const;
const HIP_BEND_MOST = 155;

/** The pose of a rep at a moment from 0 to 1, there and back. */
export function poseAt(figure: DrawnFigure, t: number): KeyPose {
  const { poses } = figure;
  if (poses.length <= 1) return poses[0]!;
  const { i, k } = placeAt(figure, t);
  const between = poseBetween(poses[i]!, poses[i + 1]!, k, figure.view, !figure.above);
  const { flight } = figure;
  if (!flight || (flight.from !== 'each' && i !== flight.from)) return between;
  // Off the ground as anything thrown: highest half way.
  const up = 4 * flight.height * k * (1 - k);
  return moved(between, 0, up);
}

/** The same rep with the other side. */
export function otherSide({ works, ...figure }: DrawnFigure): DrawnFigure {
  const props = figure.props.map(inOtherHand);
  return {
    ...figure,
    poses: figure.poses.map((pose) => mirrored(pose, figure.view)),
    ...(figure.hidden ? { hidden: hiddenMirrored(figure.hidden) } : {}),
    // Somebody on their other side has their head at the other end: so has what they lie on.
    props: figure.poses.some((pose) => pose.onSide) ? props.map(turnedRound) : props,
    ...(works ? {} : { works: 'far' }),
  };
}

const inOtherHand = (prop: Prop): Prop =>
  'in' in prop && prop.in !== 'both' ? { ...prop, in: prop.in === 'near' ? 'far' : 'near' } : prop;

const turnedRound = (prop: Prop): Prop =>
  'to' in prop
    ? { ...prop, from: -prop.to, to: -prop.from }
    : 'x' in prop
      ? { ...prop, x: -prop.x || 0 }
      : prop;

/** Bend of a joint: 0 is straight. */
const bendOf = (root: Point, joint: Point, end: Point): number => {
  const a = Math.atan2(joint[1] - root[1], joint[0] - root[0]);
  const b = Math.atan2(end[1] - joint[1], end[0] - joint[0]);
  return turn((a * 180) / Math.PI, (b * 180) / Math.PI);
};

/** Bend of a hip: between the thigh and the lower trunk gone on downwards. */
export const hipBend = (s: Solved, side: 0 | 1): number =>
  bendOf(s.waist, s.hip, [
    s.legs[side].joint[0] - s.legs[side].root[0] + s.hip[0],
    s.legs[side].joint[1] - s.legs[side].root[1] + s.hip[1],
  ]);

/** Bend of a knee by how near the ankle is to the hip: so it holds for one that bends towards the eye too. */
export function kneeBend(s: Solved, side: 0 | 1): number {
  const { root, end } = s.legs[side];
  const [a, b, c] = [LENGTHS.thigh, LENGTHS.shank, distance(root, end)];
  const cos = (a * a + b * b - c * c) / (2 * a * b);
  return 180 - (Math.acos(Math.min(1, Math.max(-1, cos))) * 180) / Math.PI;
}

/** How far an upper arm is raised from hanging along the trunk; one that points to the eye is raised by a right angle. */
export function armRaised(s: Solved, side: 0 | 1): number {
  const { root, joint } = s.arms[side];
  const drawn =
    180 - bendOf(s.waist, s.neck, [joint[0] - root[0] + s.neck[0], joint[1] - root[1] + s.neck[1]]);
  const seen = Math.min(1, distance(root, joint) / LENGTHS.upperArm);
  return (Math.acos(seen * Math.cos((drawn * Math.PI) / 180)) * 180) / Math.PI;
}

/** What can't be of a drawn pose, in words; empty where all is well. */
export function faultsOf(figure: DrawnFigure, steps = 16): string[] {
  const said = new Set<string>();
  figure.poses.forEach((pose, i) => {
    const s = solve(pose, figure.view);
    for (const side of LIMB_SIDES) {
      const name = side === 0 ? 'near' : 'far';
      if (s.legs[side].short > 0.025)
        said.add(
          `pose ${i + 1}: the ${name} foot is ${Math.round(s.legs[side].short * 100)} cm short of its place`,
        );
      if (s.arms[side].short > 0.025)
        said.add(
          `pose ${i + 1}: the ${name} hand is ${Math.round(s.arms[side].short * 100)} cm short of its place`,
        );
    }
  });
  for (let k = 0; k <= steps; k++) {
    const s = solve(poseAt(figure, k / steps), figure.view);
    for (const side of LIMB_SIDES) {
      const leg = s.legs[side];
      const arm = s.arms[side];
      const knee = bendOf(leg.root, leg.joint, leg.end);
      const elbow = bendOf(arm.root, arm.joint, arm.end);
      if (knee > KNEE[1]) said.add(`a knee bent ${Math.round(knee)}°, more than knees go`);
      if (elbow > ELBOW[1]) said.add(`an elbow bent ${Math.round(elbow)}°, more than elbows go`);
      if (hipBend(s, side) > HIP_BEND_MOST)
        said.add(`a hip bent ${Math.round(hipBend(s, side))}°, more than hips go`);
    }
    const low = figure.above ? 0 : Math.min(...pointsOf(s).map(([, y]) => y));
    if (low < -0.06) said.add(`something is ${Math.round(-low * 100)} cm under the floor`);
  }
  return [...said];
}

const pointsOf = (s: Solved): Point[] => [
  s.hip,
  s.neck,
  s.crown,
  ...LIMB_SIDES.flatMap((i) => [
    s.legs[i].joint,
    s.legs[i].end,
    s.legs[i].tip,
    s.legs[i].heel,
    s.arms[i].joint,
    s.arms[i].end,
  ]),
];

/** Heights at which something can be touched at x: the floor, and what is drawn. */
export function groundsAt(figure: Pick<DrawnFigure, 'props'>, x: number): number[] {
  const found = [0];
  for (const prop of figure.props) {
    if ((prop.is === 'surface' || prop.is === 'step') && x > prop.from - 0.06 && x < prop.to + 0.06)
      found.push(prop.height);
    if (prop.is === 'seat' && Math.abs(x - prop.x) < 0.34) found.push(prop.height);
    if (prop.is === 'seat' && prop.arms && x > prop.x - 0.24 && x < prop.x + 0.18)
      found.push(prop.height + ARM_REST);
    if (prop.is === 'cushion' && Math.abs(x - prop.x) < 0.25) found.push(0.06);
  }
  return found;
}

/** Arm rests over their seat, m. Common for chairs with arms. */
export const ARM_REST = 0.22;

const NEAR_ENOUGH = 0.035;
/** Share of a forearm's length by which its wrist is higher where it leans on a wall. Estimate. */
const UPRIGHT = 0.6;
/** Thickness of a hand at its knuckles, m. */
const KNUCKLE = 0.02;

/** What of the body touches something in a pose: at which side, and at which height. */
export interface Touch {
  readonly part: 'foot' | 'knee' | 'hip' | 'back' | 'hand' | 'elbow' | 'chest';
  readonly side: 0 | 1 | null;
  readonly height: number;
}

/** Of something to hold, the place nearest to a hand that is so far along. */
const alongHold = (hold: Prop & { is: 'hold' }, x: number): Point => {
  const half = hold.half ?? 0;
  return [Math.min(hold.x + half, Math.max(hold.x - half, x)), hold.height];
};

export function touchesOf(figure: DrawnFigure, s: Solved): Touch[] {
  const touches: Touch[] = [];
  const on = (at: Point, below: number): number | null => {
    const fits = groundsAt(figure, at[0]).filter((h) => Math.abs(at[1] - below - h) < NEAR_ENOUGH);
    return fits.length > 0 ? Math.max(...fits) : null;
  };
  const walls = figure.props.flatMap((p) => (p.is === 'wall' && !p.behind ? [p.x] : []));
  for (const side of LIMB_SIDES) {
    const leg = s.legs[side];
    const arm = s.arms[side];
    const foot = [leg.tip, leg.heel].flatMap((p) => on(p, 0.005) ?? []);
    if (foot.length > 0) touches.push({ part: 'foot', side, height: Math.max(...foot) });
    const knee = on(leg.joint, FLESH.knee);
    if (knee !== null) touches.push({ part: 'knee', side, height: knee });
    // On a fist the wrist stands over the knuckles.
    const fist = distance(arm.end, arm.tip) < LENGTHS.hand * 0.75 && arm.tip[1] < arm.end[1];
    const hand = fist ? on(arm.tip, KNUCKLE) : on(arm.end, FLESH.wrist);
    if (hand !== null) touches.push({ part: 'hand', side, height: hand });
    const elbow = on(arm.joint, FLESH.elbow);
    if (elbow !== null) touches.push({ part: 'elbow', side, height: elbow });
    for (const x of walls)
      if (Math.abs(arm.end[0] - x) < 0.06 || Math.abs(arm.tip[0] - x) < 0.05)
        touches.push({ part: 'hand', side, height: arm.end[1] });
    for (const x of walls)
      if (Math.abs(arm.end[0] - x) < 0.12 && arm.end[1] - arm.joint[1] > LENGTHS.forearm * UPRIGHT)
        touches.push({ part: 'elbow', side, height: arm.joint[1] });
    for (const prop of figure.props) {
      if (prop.is === 'hold' && distance(arm.end, alongHold(prop, arm.end[0])) < 0.09)
        touches.push({ part: 'hand', side, height: prop.height });
      if (prop.is === 'bar' && distance(arm.end, [prop.x, prop.height]) < 0.12)
        touches.push({ part: 'hand', side, height: prop.height });
    }
  }
  // On the side, chest to the eye, the lower hip is what lies there.
  const lower = s.legs[0].root[1] < s.legs[1].root[1] ? s.legs[0].root : s.legs[1].root;
  const hip = on(s.view === 'side' ? lower : s.hip, FLESH.hip);
  if (hip !== null) touches.push({ part: 'hip', side: null, height: hip });
  const upright = turn(directionUp(s), 0);
  if (upright > 45) {
    const chest = on(s.neck, FLESH.shoulder) ?? on(s.waist, FLESH.hip);
    if (chest !== null) touches.push({ part: facesUp(s) ? 'back' : 'chest', side: null, height: chest });
  }
  return touches;
}

/** Lean of the trunk from upright, degrees. */
const directionUp = (s: Solved): number =>
  (Math.atan2(s.neck[0] - s.hip[0], s.neck[1] - s.hip[1]) * 180) / Math.PI;
/** On the back the head lies the way the body came from: the trunk leans backwards. */
const facesUp = (s: Solved): boolean => directionUp(s) < 0;
