import { ARM, FLESH, LEG, LENGTHS, type Point, step, TRUNK } from './body.ts';
import { type KeyPose, type Limb, solve, type View } from './pose.ts';

/** Arms that hang, a little bent. */
export const HANG: Limb = { turned: [-3, 9] };
/** A limb turned by hand: upper part, lower part, degrees from straight down, forwards or outwards. */
export const turned = (upper: number, lower: number, end?: number): Limb => ({
  turned: [upper, lower],
  ...(end === undefined ? {} : { end }),
});
/** A limb that reaches to where it touches. */
export const to = (at: Point, end?: number, bend?: 1 | -1): Limb => ({
  at,
  ...(end === undefined ? {} : { end }),
  ...(bend ? { bend } : {}),
});
type Pair = readonly [Limb, Limb];
export const both = (limb: Limb): Pair => [limb, limb];

/** A foot flat at x, on something so high. */
export const flat = (x: number, height = 0): Limb => to([x, height + LENGTHS.ankle], 90);
/** A foot on its ball, the heel so many degrees up. */
export const onBall = (x: number, degrees = 45, height = 0): Limb => {
  // The ball stays where it was while the heel rises round it.
  const foot = 90 - degrees;
  const ball: Point = [x + LENGTHS.foot * 0.74, height + 0.02];
  const sole = step(ball, foot + 180, LENGTHS.foot * 0.74);
  return to(step(sole, foot + 90, LENGTHS.ankle), foot);
};

export interface Standing {
  /** Height of the hips as a share of standing. */
  readonly h?: number;
  readonly lean?: number;
  readonly curl?: number;
  readonly nod?: number;
  readonly legs?: Pair;
  readonly arms?: Pair;
  /** Where the centre of mass stands over; the middle of the feet where it isn't said. Null: the hip is at `x`. */
  readonly over?: number | null;
  readonly x?: number;
}

/** Seen from the side, the middle of a standing foot lies so far before its ankle. */
const MID_FOOT = LENGTHS.foot * 0.24;

/** Somebody on their feet, hips as high as it says, leaning so far back or forth that they stand. */
export function standing(of: Standing, view: View = 'side'): KeyPose {
  const legs = of.legs ?? (view === 'side' ? both(flat(0)) : apart(0.1));
  const pose = (x: number): KeyPose => ({
    hip: [x, (of.h ?? 0.995) * LEG],
    lean: of.lean ?? 0,
    curl: of.curl ?? 0,
    nod: of.nod ?? 0,
    arms: of.arms ?? both(view === 'side' ? HANG : turned(8, 5)),
    legs,
  });
  if (of.over === null) return pose(of.x ?? 0);
  const feet = legs.flatMap((leg) => (leg.at ? [leg.at[0]] : []));
  const mid = feet.length === 0 ? 0 : feet.reduce((a, b) => a + b, 0) / feet.length;
  const goal = of.over ?? mid + (view === 'side' ? MID_FOOT : 0);
  const off = (x: number) => solve(pose(x), view).centre[0] - goal;
  return pose(whereNothing(off, goal - HIPS_REACH, goal + HIPS_REACH));
}

/** Hips that stand over their feet are no further from over them than this, m. */
const HIPS_REACH = 1.2;
/** Nearer than this nobody sees, m. */
const STANDS_STILL = 1e-12;

/**
 * Where a growing figure is nothing, between two places; the nearer of them where it is nothing at neither side. By
 * false position, each end that stays counting half (Illinois): hips move a centre of mass nearly in proportion, so
 * five or six looks do where halving takes forty.
 */
function whereNothing(of: (x: number) => number, from: number, to: number): number {
  let [lo, hi, below, above] = [from, to, of(from), of(to)];
  if (below >= 0) return lo;
  if (above <= 0) return hi;
  let last = 0;
  for (let i = 0; i < 60; i++) {
    const x = hi - (above * (hi - lo)) / (above - below);
    const here = of(x);
    if (Math.abs(here) < STANDS_STILL) return x;
    if (here < 0) {
      [lo, below] = [x, here];
      if (last < 0) above /= 2;
      last = -1;
    } else {
      [hi, above] = [x, here];
      if (last > 0) below /= 2;
      last = 1;
    }
  }
  return (lo + hi) / 2;
}

/** Two feet so far apart, seen from the front; `height` is what either stands on. */
export const apart = (half: number, height: readonly [number, number] = [0, 0]): Pair => [
  under(-half, half, height[0]),
  under(half, half, height[1]),
];
/** Half of a stance from which knees bend outwards more than towards the eye, m. Estimate. */
const WIDE = 0.2;
const under = (x: number, half: number, height: number): Limb => ({
  ...to([x, height + LENGTHS.ankle], 0, 1),
  ...(half < WIDE ? { ahead: 1 } : {}),
});

/** Sitting on something so high, feet before it. */
export function sitting(
  seat: number,
  of: {
    readonly lean?: number;
    readonly curl?: number;
    readonly nod?: number;
    readonly arms?: Pair;
    readonly legs?: Pair;
    readonly feet?: number;
  } = {},
): KeyPose {
  const foot = of.feet ?? 0.4;
  return {
    hip: [0, seat + FLESH.hip],
    lean: of.lean ?? 4,
    curl: of.curl ?? 0,
    nod: of.nod ?? 0,
    arms: of.arms ?? both(turned(18, 62)),
    legs: of.legs ?? both(flat(foot)),
  };
}

/** Feet on their toes behind, on something so high, the body a line from there to the shoulders. */
export interface Line {
  /** What the hands or forearms are on. */
  readonly hands?: number;
  /** 1 with straight arms, less the more they are bent. */
  readonly straight?: number;
  readonly feet?: number;
  /** On the knees, on the forearms. */
  readonly knees?: boolean;
  readonly forearms?: boolean;
  /** Hips above the line, m; below it where it is less than nought. */
  readonly pike?: number;
  /** Where the hands are beside the shoulders when the arms are straight, m forwards. */
  readonly ahead?: number;
  readonly nod?: number;
}

/** Arms that are called straight keep so little bend, a share of their length. Common practice: nobody locks them. */
const STRAIGHT = 0.985;
/** A chest stops so far above what the hands are on, m. Estimate. */
const CHEST_STOPS = 0.1;
/** Height of the hands from which arms are square to the body, m. Estimate, from the published shares on the hands. */
const SQUARE_FROM = 0.5;
const TOES_UP = LENGTHS.foot * 0.74;

/**
 * Hands on something, feet or knees on the floor: a body held in a line. The feet are at 0, the head is at the right;
 * the hands stay where they are under straight arms however far those bend.
 */
export function line(of: Line): KeyPose {
  const { hands = 0, straight = 1, feet = 0, knees = false, forearms = false, pike = 0, ahead = 0 } = of;
  const pivot: Point = knees ? [0, FLESH.knee] : [0, feet + TOES_UP * 0.92];
  const low = knees ? LENGTHS.thigh : LENGTHS.thigh + LENGTHS.shank;
  const whole = low + TRUNK;
  const armUp = forearms ? LENGTHS.upperArm : ARM;
  const contact = hands + (forearms ? FLESH.elbow : FLESH.wrist);
  // On the floor arms stand upright; the higher the hands, the nearer to a right angle with the body.
  const square = forearms ? 0 : Math.min(1, hands / SQUARE_FROM);
  /** Where the shoulder is when the arms are so straight, and how far before it the hands are. */
  const shoulderAt = (k: number): { at: Point; angle: number; before: number } => {
    let angle = 0.3;
    let y = contact + armUp * k;
    for (let i = 0; i < 12; i++) {
      y = contact + armUp * k * Math.cos(angle * square);
      angle = Math.asin(Math.min(1, Math.max(-1, (y - pivot[1]) / whole)));
    }
    return {
      at: [pivot[0] + whole * Math.cos(angle), y],
      angle: (angle * 180) / Math.PI,
      before: armUp * k * Math.sin(angle * square),
    };
  };
  const rest = shoulderAt(STRAIGHT);
  const top = rest.at[0] + rest.before;
  const bottom = shoulderAt(0.4).at[0];
  // Going down the shoulders swing forwards about the feet: the hands stand a little before them at the top.
  const swing = forearms ? 0 : Math.min(0.09, Math.max(0, 0.6 * (bottom - top)));
  const hand: Point = [top + swing + ahead, contact];
  const { at: shoulder, angle } =
    straight >= STRAIGHT || square === 0 ? shoulderAt(straight) : loweredTo(straight);
  /** Bent arms bring the shoulders towards hands that stay: as far as it says of the way from straight. */
  function loweredTo(k: number): { at: Point; angle: number } {
    const share = (STRAIGHT - k) / STRAIGHT;
    const lowest = Math.max(contact + CHEST_STOPS, pivot[1]);
    const y = rest.at[1] + (lowest - rest.at[1]) * Math.min(1, share * 1.15);
    const turn = Math.asin(Math.min(1, Math.max(-1, (y - pivot[1]) / whole)));
    return { at: [pivot[0] + whole * Math.cos(turn), y], angle: (turn * 180) / Math.PI };
  }
  const hip: Point = [
    pivot[0] + low * Math.cos((angle * Math.PI) / 180),
    pivot[1] + low * Math.sin((angle * Math.PI) / 180) + pike,
  ];
  const lean = 90 - (Math.atan2(shoulder[1] - hip[1], shoulder[0] - hip[0]) * 180) / Math.PI;
  const arm: Limb = forearms
    ? turned(Math.max(-60, Math.min(60, ((rest.at[0] - shoulder[0]) / LENGTHS.upperArm) * 57)), 90, 90)
    : to(hand, hands > 1.05 ? 150 : 90);
  const leg: Limb = knees ? kneeling(hip, pivot) : to(pivot, feet > 0.05 ? 20 : 8);
  return { hip, lean, curl: 0, nod: of.nod ?? -8, arms: both(arm), legs: both(leg) };
}

/** A thigh from the hip to a knee on the floor, the shank lying behind it. */
export function kneeling(hip: Point, knee: Point, shank = -84): Limb {
  const thigh = (Math.atan2(knee[0] - hip[0], hip[1] - knee[1]) * 180) / Math.PI;
  return turned(thigh, shank, -90);
}

/** On hands and knees; the hips over the knees where nothing else is said. */
export function fours(
  of: {
    readonly back?: number;
    readonly curl?: number;
    readonly nod?: number;
    readonly arms?: readonly [Limb | null, Limb | null];
    readonly legs?: readonly [Limb | null, Limb | null];
    /** Knees held so far off the floor. */
    readonly hover?: number;
    readonly forearms?: boolean;
  } = {},
): KeyPose {
  const hover = of.hover ?? 0;
  const hip: Point = [-(of.back ?? 0), FLESH.knee + LENGTHS.thigh + hover - Math.abs(of.back ?? 0) * 0.45];
  const reachUp = (of.forearms ? LENGTHS.upperArm + FLESH.elbow : ARM + FLESH.wrist) * STRAIGHT;
  const hand: Point = [
    Math.sqrt(Math.max(0.05, TRUNK ** 2 - (reachUp - (FLESH.knee + LENGTHS.thigh)) ** 2)),
    0,
  ];
  const shoulderY = Math.min(reachUp, hip[1] + TRUNK * 0.6);
  const lean = 90 - (Math.asin(Math.max(-1, Math.min(1, (shoulderY - hip[1]) / TRUNK))) * 180) / Math.PI;
  const arm: Limb = of.forearms ? turned(0, 90, 90) : to([hand[0], FLESH.wrist], 90);
  const knee: Point = [0, FLESH.knee + hover];
  const leg: Limb = hover > 0 ? { ...kneeling(hip, knee, -97), end: 6 } : kneeling(hip, knee);
  return {
    hip,
    lean,
    curl: of.curl ?? 0,
    nod: of.nod ?? -6,
    arms: [of.arms?.[0] ?? arm, of.arms?.[1] ?? arm],
    legs: [of.legs?.[0] ?? leg, of.legs?.[1] ?? leg],
  };
}

/** On the back, head to the left, feet to the right. `up` lifts the hips with the shoulders where they are, m. */
export function supine(
  of: {
    readonly up?: number;
    /** Shoulders off the floor, degrees of the upper trunk and of the whole of it. */
    readonly curl?: number;
    readonly rise?: number;
    readonly nod?: number;
    readonly arms?: Pair;
    readonly legs?: Pair;
    readonly feet?: number;
    readonly height?: number;
  } = {},
): KeyPose {
  const shoulder: Point = [-TRUNK, FLESH.shoulder];
  const rise = of.rise ?? 0;
  const hip: Point = rise > 0 || of.up === undefined ? [0, FLESH.hip] : [0, FLESH.hip + of.up];
  // Lying on the shoulders the trunk turns about them; sitting up it turns about the hips.
  const held: Point =
    rise > 0 ? hip : [shoulder[0] + Math.sqrt(Math.max(0, TRUNK ** 2 - (hip[1] - shoulder[1]) ** 2)), hip[1]];
  const lean =
    rise > 0
      ? -90 + rise
      : -90 - (Math.asin(Math.max(-1, Math.min(1, (held[1] - shoulder[1]) / TRUNK))) * 180) / Math.PI;
  return {
    hip: held,
    lean,
    curl: of.curl ?? 0,
    // The head lies level, however the trunk slopes down to it.
    nod: of.nod ?? 6 + (rise > 0 ? 0 : -90 - lean),
    arms: of.arms ?? both(turned(86, 90, 90)),
    legs: of.legs ?? both(flat(of.feet ?? 0.42, of.height ?? 0)),
  };
}

/** On the front, head to the right. */
export function prone(
  of: { readonly rise?: number; readonly arms?: Pair; readonly legs?: Pair; readonly nod?: number } = {},
): KeyPose {
  return {
    hip: [0, 0.1],
    lean: 90,
    curl: -(of.rise ?? 0),
    nod: of.nod ?? -10,
    arms: of.arms ?? both(turned(84, 92, 92)),
    legs: of.legs ?? both(turned(-88, -90, -90)),
  };
}

/** On the knees, upright or sitting back; half kneeling where a foot stands before. */
export function onKnees(
  of: {
    readonly lean?: number;
    readonly sit?: number;
    readonly arms?: Pair;
    readonly foot?: number | null;
    /** Toes under, ready to get up. */
    readonly tucked?: boolean;
    readonly curl?: number;
  } = {},
): KeyPose {
  const sit = of.sit ?? 0;
  const thigh = LENGTHS.thigh;
  const angle = (sit * Math.PI) / 180;
  const hip: Point = [-thigh * Math.sin(angle), FLESH.knee + thigh * Math.cos(angle)];
  const knee = of.tucked ? to([-0.4, 0.18], 12) : kneeling(hip, [0, FLESH.knee]);
  return {
    hip,
    lean: of.lean ?? 0,
    curl: of.curl ?? 0,
    nod: 0,
    arms: of.arms ?? both(HANG),
    legs: [of.foot === undefined || of.foot === null ? knee : flat(of.foot), knee],
  };
}

/** A pose so far along, with all it touches. */
export function moved(pose: KeyPose, by: number, up = 0): KeyPose {
  const over = (limb: Limb): Limb => (limb.at ? { ...limb, at: [limb.at[0] + by, limb.at[1] + up] } : limb);
  return {
    ...pose,
    hip: [pose.hip[0] + by, pose.hip[1] + up],
    arms: [over(pose.arms[0]), over(pose.arms[1])],
    legs: [over(pose.legs[0]), over(pose.legs[1])],
  };
}

/** Several key poses on the way of something that turns about a fixed place: a straight line between two would cut the corner. */
export const way = (steps: number, at: (t: number) => KeyPose): KeyPose[] =>
  Array.from({ length: steps }, (_, i) => at(i / (steps - 1)));
