import {
  apart,
  both,
  type DrawnFigure,
  distance,
  faultsOf,
  flat,
  type KeyPose,
  kneeling,
  LEG,
  LENGTHS,
  LIMB_SIDES,
  type Limb,
  moved,
  onBall,
  type Point,
  type Solved,
  solve,
  standing,
  TRUNK,
  trunkBetween,
  turned,
} from '../pose/index.ts';

/** A fault as it looks: the pose as it should be and the one it becomes, drawn to one scale. */
export interface Wrong {
  readonly right: DrawnFigure;
  readonly wrong: DrawnFigure;
}

/** Degrees and metres of a fault that is easily seen and still possible. Estimates. */
const SAG = 0.13;
const ROUND = 34;
const LEAN = 18;
const NOD = 28;
const SHRUG = 0.075;
/** How far a knee comes inwards, m. Estimate. */
const INWARDS = 0.075;
/** Shares of it that are tried, the most first: a fault has to be a pose that can be. */
const TRIED = [1, 0.75, 0.5] as const;

type Change = (pose: KeyPose, s: Solved, k: number) => KeyPose | null;

/** A trunk lies rather than bends over where it is flat and low. */
const FLAT = TRUNK * 0.8;
const LOW = 0.62;
const lies = (s: Solved): boolean =>
  Math.abs(s.neck[0] - s.hip[0]) > FLAT && Math.min(s.neck[1], s.hip[1]) < LOW;

/** The hips so much higher or lower with shoulders, knees and feet where they are. */
function buckled(pose: KeyPose, s: Solved, up: number, along = 0): KeyPose | null {
  const ahead = Math.sign(s.neck[0] - s.hip[0]) || 1;
  let hip: Point = [s.hip[0] + ahead * along, s.hip[1] + up];
  const far = distance(hip, s.neck);
  if (far > TRUNK * 0.985) {
    const k = 1 - (TRUNK * 0.985) / far;
    hip = [hip[0] + (s.neck[0] - hip[0]) * k, hip[1] + (s.neck[1] - hip[1]) * k];
  }
  const bend = (up < 0 ? -1 : 1) * ahead > 0 ? 1 : -1;
  const trunk = trunkBetween(hip, s.neck, bend);
  // The head goes on looking where it looked.
  const nod = pose.lean + pose.curl + pose.nod - trunk.lean - trunk.curl;
  const legs = LIMB_SIDES.map((side) => {
    const leg = pose.legs[side];
    if (!leg.turned || leg.atEye || s.legs[side].joint[1] > 0.12) return leg;
    return {
      ...kneeling(hip, s.legs[side].joint, leg.turned[1]),
      ...(leg.end === undefined ? {} : { end: leg.end }),
    };
  }) as unknown as readonly [Limb, Limb];
  return { ...pose, ...trunk, hip, nod, legs };
}

/** Forwards or back; somebody seen from the front can lean only to the side. */
const tipped =
  (lean: number, curl = 0, nod = 0): Change =>
  (pose, s, k) =>
    lies(s) || (s.view === 'front' && curl === 0 && lean < 0)
      ? null
      : { ...pose, lean: pose.lean + lean * k, curl: pose.curl + curl * k, nod: pose.nod + nod * k };

const heelsUp: Change = (pose, _, k) => {
  const legs = pose.legs.map((leg) =>
    leg.at && leg.end === 90 ? onBall(leg.at[0], 30 * k, Math.max(0, leg.at[1] - LENGTHS.ankle)) : leg,
  ) as unknown as readonly [Limb, Limb];
  return legs.every((leg, i) => leg === pose.legs[i]) ? null : { ...pose, legs };
};

/** What a fault does to a pose, by the words it is seen in; the first that fits. */
const CHANGES: readonly (readonly [RegExp, Change])[] = [
  [
    /hips (sag|sink|drop|drag)|back (sags|sinks)|sags low|body sags/,
    (pose, s, k) => (Math.abs(s.neck[0] - s.hip[0]) > FLAT * 0.45 ? buckled(pose, s, -SAG * k) : null),
  ],
  [
    /hips (rise|climb)|seat (climbs|pokes|sticks|stays in the air|bounces)/,
    (pose, s, k) => buckled(pose, s, SAG * k),
  ],
  [
    /back lifts off|lower back arches|ribs flare|back (arches|sways)|lunges far and arches/,
    (pose, s, k) =>
      lies(s)
        ? // Face down the back hollows; face up it leaves the floor, or is pushed up too far.
          s.neck[0] > s.hip[0]
          ? buckled(pose, s, -SAG * 0.8 * k)
          : buckled(pose, s, 0.03 * k, 0.03 * k)
        : tipped(12, -30)(pose, s, k),
  ],
  [
    /back (rounds|hunches)|rounds to|slumps|chest drops|shoulders (round|roll forward|hunch)|folds$/,
    (pose, s, k) =>
      lies(s)
        ? null
        : { ...pose, lean: pose.lean - 6 * k, curl: pose.curl + ROUND * k, nod: pose.nod + 12 * k },
  ],
  [
    /leans? back|rocks back|sways back|leans away|trunk leans back|body (leans|rocks) back|throws with the back/,
    tipped(-LEAN),
  ],
  [
    /leans forward|pitches forward|topples forward|leans over|bows from the hips|leans on|leans hard/,
    tipped(LEAN + 6),
  ],
  [/heels? lifts?|lands on the toes/, heelsUp],
  [
    /neck cranes|chin juts|head (lifts|cranes|is pushed forward)|rolls the head back/,
    (pose, _, k) => ({ ...pose, nod: pose.nod - NOD * k }),
  ],
  [/hands? pulls? the head|looks down|only the head/, (pose, _, k) => ({ ...pose, nod: pose.nod + NOD * k })],
  [
    /shoulders? (creeps?|shrugs?|lifts?|hikes?|push)|hangs in the ears/,
    (pose, _, k) => ({ ...pose, shrug: SHRUG * k }),
  ],
  [
    /squats instead|squats and lifts/,
    (pose, s) =>
      lies(s)
        ? null
        : standing({ h: 0.66, lean: 24, arms: pose.arms, legs: pose.legs[0].at ? pose.legs : both(flat(0)) }),
  ],
];

/** Faults of one side against the other: a view from the side can't show them. */
const SIDEWAYS = /one side|side to side|one hip|moving side|free side/;
const KNEE_IN = /knees? (falls?|dives?|twists?|slides?)( in|$| apart)|knees? falls? in|top knee falls/;
const LANDING = /(heavy|loud) landing|comes down hard|catches with stiff/;

/** Knees seen from the front at the height of a pose: over the feet, and fallen in. */
function kneesFromFront(s: Solved, bothKnees: boolean): Wrong {
  const h = Math.min(0.93, Math.max(0.62, s.hip[1] / LEG));
  const right = standing({ legs: apart(0.13), h, arms: both(turned(20, 70)) }, 'front');
  const root = solve(right, 'front').legs[0];
  const half = distance(root.root, root.end) / 2;
  const out = Math.sqrt(Math.max(0.001, ((LENGTHS.thigh + LENGTHS.shank) / 2) ** 2 - half * half));
  const inwards = (leg: Limb): Limb => ({ ...leg, bend: -1, ahead: 1 - Math.min(1, INWARDS / out) });
  const front = (pose: KeyPose): DrawnFigure => ({ view: 'front', poses: [pose], props: [], back: true });
  return {
    right: front(right),
    wrong: front({
      ...right,
      legs: [inwards(right.legs[0]), bothKnees ? inwards(right.legs[1]) : right.legs[1]],
    }),
  };
}

/** The key pose in which a fault is best seen: the lowest hips on the feet, or the flattest trunk. */
function worst(figure: DrawnFigure, all: readonly Solved[], flattest: boolean): number {
  let best = 0;
  all.forEach((s, i) => {
    const of = (one: Solved) => (flattest ? Math.abs(one.neck[0] - one.hip[0]) : -one.hip[1]);
    if (of(s) >= of(all[best]!) - 1e-9) best = i;
  });
  return figure.poses.length === 1 ? 0 : best;
}

/**
 * A fault drawn from the words it is seen in, beside the pose as it should be; null where a still drawing can't show it
 * (a held breath, hurry, one side against the other) or where the pose it would become can't be.
 */
export function wrongOf(figure: DrawnFigure, see: string): Wrong | null {
  if (figure.above || SIDEWAYS.test(see)) return null;
  const all = figure.poses.map((pose) => solve(pose, figure.view));
  const { flight: _, ...rest } = figure;
  const still = (pose: KeyPose): DrawnFigure => ({ ...rest, poses: [pose] });
  if (KNEE_IN.test(see)) {
    const s = all[worst(figure, all, false)]!;
    const stands = figure.poses.some((pose) => pose.legs.some((leg) => leg.at && leg.at[1] < 0.1));
    return stands && !lies(s) && s.hip[1] > 0.4 * LEG ? kneesFromFront(s, /knees/.test(see)) : null;
  }
  if (figure.flight && LANDING.test(see)) {
    // Where they come down, on both feet whatever they do in the air: soft knees, and stiff ones.
    const { legs: foot, hip } = all.at(-1)!;
    const stands = figure.poses.at(-1)!.legs[0].at !== undefined;
    const x = stands ? foot[0].end[0] : hip[0] - 0.04;
    const on = stands ? Math.max(0, foot[0].end[1] - LENGTHS.ankle) : 0;
    const front = figure.view === 'front';
    const legs = front ? apart(0.14) : both(flat(x));
    const landed = (h: number, lean: number, arms: Limb) =>
      still(moved(standing({ h, lean: front ? 0 : lean, legs, arms: both(arms) }, figure.view), 0, on));
    return { right: landed(0.78, 26, turned(30, 50)), wrong: landed(0.995, -4, turned(10, 12)) };
  }
  const [, change] = CHANGES.find(([words]) => words.test(see)) ?? [];
  if (!change) return null;
  const i = worst(figure, all, /sag|sink|arch|lift|ribs|rise|seat|drop/.test(see));
  const pose = figure.poses[i]!;
  for (const k of TRIED) {
    const changed = change(pose, all[i]!, k);
    if (!changed) return null;
    const wrong = still(changed);
    if (faultsOf(wrong, 1).length === 0) return { right: still(pose), wrong };
  }
  return null;
}
