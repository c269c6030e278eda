import { along, between, direction, distance, LENGTHS, MASSES, type Point, step, wrapped } from './body.ts';

export type View = 'side' | 'front';
/** The limb nearer the eye, then the farther; in a front view the one drawn left, then right. */
export const LIMB_SIDES = [0, 1] as const;
export type LimbSide = (typeof LIMB_SIDES)[number];

/**
 * A limb: reaching to a place, where it touches something (wrist or ankle), or turned by hand (upper part, lower part,
 * in degrees from straight down). `bend` turns the joint the other way than it usually goes; `end` is the hand's or
 * foot's own direction.
 */
export interface Limb {
  readonly at?: Point;
  readonly turned?: readonly [number, number];
  readonly bend?: -1 | 1;
  readonly end?: number;
  /** Shares of the upper and lower part that are seen, where they point towards the eye. */
  readonly seen?: readonly [number, number];
  /** How far it bends towards the eye instead of to the side, 0 to 1: drawn as much straighter and shorter. */
  readonly ahead?: number;
  /** A closed hand, half as long. */
  readonly fist?: true;
  /** The foot points at the eye: little of it is to be seen. */
  readonly atEye?: true;
}

/** One key position of a rep. */
export interface KeyPose {
  readonly hip: Point;
  /** Lower trunk from upright, + forwards (or to the right in a front view). */
  readonly lean: number;
  /** Upper trunk beyond the lower one, and head beyond the upper. */
  readonly curl: number;
  readonly nod: number;
  /** Shoulders drawn up to the ears by so many metres. */
  readonly shrug?: number;
  /** Share of the trunk that is seen, where it points towards the eye. */
  readonly seen?: number;
  /** In a side view: lying or propped on the side, chest to the eye, so that shoulders and hips are seen one above the other. */
  readonly onSide?: true;
  /** The head is turned to the eye. */
  readonly looks?: 'at you';
  readonly arms: readonly [Limb, Limb];
  readonly legs: readonly [Limb, Limb];
}

export interface SolvedLimb {
  readonly root: Point;
  readonly joint: Point;
  readonly end: Point;
  /** Fingertips or toes. */
  readonly tip: Point;
  /** The heel; the wrist again for an arm. */
  readonly heel: Point;
  /** Metres by which it falls short of where it should touch. */
  readonly short: number;
}

/** Where everything is. */
export interface Solved {
  readonly view: View;
  /** The breadth of the body is seen: from the front, and lying on the side. */
  readonly broad: boolean;
  readonly looks: 'at you' | null;
  readonly hip: Point;
  readonly waist: Point;
  readonly neck: Point;
  readonly headBase: Point;
  readonly crown: Point;
  readonly arms: readonly [SolvedLimb, SolvedLimb];
  readonly legs: readonly [SolvedLimb, SolvedLimb];
  readonly centre: Point;
}

/** Which way x goes for a limb: both forwards in a side view, outwards in a front view. */
export const outwards = (view: View, side: LimbSide): 1 | -1 => (view === 'side' || side === 1 ? 1 : -1);

/** Upper and lower part so that a limb from a root ends at a target, by the law of cosines; straight where it is too far. */
export function reach(
  root: Point,
  target: Point,
  upper: number,
  lower: number,
  bend: 1 | -1,
  side: 1 | -1,
): { turned: [number, number]; short: number } {
  const far = distance(root, target);
  const d = Math.min(upper + lower, Math.max(Math.abs(upper - lower), far));
  const towards = direction(root, target, side);
  const cos = (upper * upper + d * d - lower * lower) / (2 * upper * d || 1);
  const away = (Math.acos(Math.min(1, Math.max(-1, cos))) * 180) / Math.PI;
  const first = towards + bend * away;
  const joint = step(root, first, upper, side);
  const end = step(root, towards, d, side);
  return { turned: [first, direction(joint, end, side)], short: Math.abs(far - d) };
}

const PART = {
  arm: { upper: LENGTHS.upperArm, lower: LENGTHS.forearm, tip: LENGTHS.hand, bend: -1 },
  leg: { upper: LENGTHS.thigh, lower: LENGTHS.shank, tip: LENGTHS.foot * 0.74, bend: 1 },
} as const;

/** A closed hand's share of an open one's length. Estimate. */
const FIST = 0.5;
/** Width of a foot that points at the eye, m. Estimate. */
const FOOT_FROM_FRONT = 0.05;

/** How a limb is turned and how much of its parts is seen, whether it was given so or reaches for something. */
function drawnAs(kind: 'arm' | 'leg', limb: Limb, root: Point, side: 1 | -1) {
  const part = PART[kind];
  if (limb.turned) return { turned: limb.turned, seen: limb.seen ?? WHOLE, short: 0 };
  const at = limb.at ?? root;
  const reached = reach(root, at, part.upper, part.lower, limb.bend ?? part.bend, side);
  if (!limb.ahead) return { ...reached, seen: limb.seen ?? WHOLE };
  const bent = step(root, reached.turned[0], part.upper, side);
  const end = step(bent, reached.turned[1], part.lower, side);
  const joint = along(bent, along(root, end, part.upper / (part.upper + part.lower)), limb.ahead);
  return {
    turned: [direction(root, joint, side), direction(joint, end, side)] as const,
    seen: [distance(root, joint) / part.upper, distance(joint, end) / part.lower] as const,
    short: reached.short,
  };
}
const WHOLE = [1, 1] as const;

function solveLimb(kind: 'arm' | 'leg', limb: Limb, root: Point, view: View, s: LimbSide): SolvedLimb {
  const side = outwards(view, s);
  const part = PART[kind];
  const { turned, short, seen } = drawnAs(kind, limb, root, side);
  const [upper, lower] = seen;
  const joint = step(root, turned[0], part.upper * upper, side);
  const end = step(joint, turned[1], part.lower * lower, side);
  if (kind === 'arm') {
    const tip = step(end, limb.end ?? turned[1], part.tip * (limb.fist ? FIST : 1), side);
    return { root, joint, end, tip, heel: end, short };
  }
  if (view === 'front' || limb.atEye) {
    // Seen from the front a foot points at the eye: little of it is to be seen.
    const away = limb.end ?? turned[1];
    const sole = step(end, away, LENGTHS.ankle, side);
    // Lying on the side, it is the lower edge of the foot, at whichever end the head is.
    const across = view === 'side' && wrapped(away) > 0 ? away - 90 : away + 90;
    return { root, joint, end, tip: step(sole, across, FOOT_FROM_FRONT, side), heel: sole, short };
  }
  // A foot goes on at a right angle to the shank unless it says otherwise; flat is 90.
  const foot = limb.end ?? turned[1] + 90;
  const sole = step(end, foot - 90, LENGTHS.ankle, side);
  return {
    root,
    joint,
    end,
    tip: step(sole, foot, part.tip, side),
    heel: step(sole, foot + 180, LENGTHS.foot - part.tip, side),
    short,
  };
}

/** Lean and curl of a trunk between hips and shoulders, bowed to one side: its two parts as a limb reaches. */
export function trunkBetween(hip: Point, neck: Point, bows: 1 | -1): Pick<KeyPose, 'lean' | 'curl'> {
  const [loin, chest] = reach(hip, neck, LENGTHS.loin, LENGTHS.chest, bows, 1).turned;
  return { lean: wrapped(180 - loin), curl: wrapped(loin - chest) };
}

/** Everything's place in a pose: trunk from the hip up, limbs by their joints or to what they touch. */
export function solve(pose: KeyPose, view: View): Solved {
  const { hip } = pose;
  const seen = pose.seen ?? 1;
  const waist = step(hip, 180 - pose.lean, LENGTHS.loin * seen);
  const up = 180 - pose.lean - pose.curl;
  const neck = step(waist, up, LENGTHS.chest * seen);
  const headUp = up - pose.nod;
  const shrug = pose.shrug ?? 0;
  const headBase = step(neck, up - pose.nod / 2, LENGTHS.neck - shrug / 2);
  const crown = step(headBase, headUp, LENGTHS.head);
  const broad = view === 'front' || pose.onSide === true;
  const across = (at: Point, degrees: number, half: number, side: LimbSide): Point =>
    !broad ? at : step(at, degrees - 90, (side === 0 ? -1 : 1) * half);
  const limb = (kind: 'arm' | 'leg', side: LimbSide): SolvedLimb => {
    const root =
      kind === 'arm'
        ? across(step(neck, up, shrug), up, LENGTHS.shoulderHalf, side)
        : across(hip, 180 - pose.lean, LENGTHS.hipHalf, side);
    return solveLimb(kind, (kind === 'arm' ? pose.arms : pose.legs)[side], root, view, side);
  };
  const arms = [limb('arm', 0), limb('arm', 1)] as const;
  const legs = [limb('leg', 0), limb('leg', 1)] as const;
  const solved = { view, broad, looks: pose.looks ?? null, hip, waist, neck, headBase, crown, arms, legs };
  return { ...solved, centre: centreOf(solved) };
}

/** Centre of mass of the drawn body, m. */
export function centreOf(s: Omit<Solved, 'centre'>): Point {
  let x = 0;
  let y = 0;
  const add = (a: Point, b: Point, { share, at }: { share: number; at: number }) => {
    const [px, py] = along(a, b, at);
    x += share * px;
    y += share * py;
  };
  add(s.neck, s.crown, MASSES.head);
  add(s.waist, s.neck, MASSES.chest);
  add(s.hip, s.waist, MASSES.loin);
  for (const arm of s.arms) {
    add(arm.root, arm.joint, MASSES.upperArm);
    add(arm.joint, arm.end, MASSES.forearm);
    add(arm.end, arm.tip, MASSES.hand);
  }
  for (const leg of s.legs) {
    add(leg.root, leg.joint, MASSES.thigh);
    add(leg.joint, leg.end, MASSES.shank);
    add(leg.heel, leg.tip, MASSES.foot);
  }
  return [x, y];
}

/** The shorter way round between two directions. */
const betweenTurns = (a: number, b: number, t: number): number => a + wrapped(b - a) * t;

/** A foot's direction when it is flat. */
const FLAT = 90;
/** Where the ball or the heel of a foot is, by its ankle and its direction. */
function underfoot(ankle: Point, foot: number, part: 'ball' | 'heel'): Point {
  const sole = step(ankle, foot - 90, LENGTHS.ankle);
  return part === 'ball'
    ? step(sole, foot, PART.leg.tip)
    : step(sole, foot + 180, LENGTHS.foot - PART.leg.tip);
}

function limbBetween(
  kind: 'arm' | 'leg',
  a: Limb,
  b: Limb,
  rootA: Point,
  rootB: Point,
  view: View,
  s: LimbSide,
  t: number,
): Limb {
  const side = outwards(view, s);
  const bend = (t < 0.5 ? a.bend : b.bend) ?? undefined;
  const eye = {
    ...(a.atEye && b.atEye ? { atEye: true as const } : {}),
    ...(a.fist && b.fist ? { fist: true as const } : {}),
  };
  const ends = a.end === undefined || b.end === undefined ? {} : { end: betweenTurns(a.end, b.end, t) };
  if (
    kind === 'leg' &&
    !eye.atEye &&
    a.at &&
    b.at &&
    a.end !== undefined &&
    b.end !== undefined &&
    view === 'side'
  ) {
    // A foot that tips stays where it is on its ball, or on its heel, and the ankle goes round that.
    const end = betweenTurns(a.end, b.end, t);
    const part = a.end + b.end > 2 * FLAT ? 'heel' : 'ball';
    const stays = along(underfoot(a.at, a.end, part), underfoot(b.at, b.end, part), t);
    const from = underfoot([0, 0], end, part);
    return { at: [stays[0] - from[0], stays[1] - from[1]], ...(bend ? { bend } : {}), end };
  }
  if (a.at && b.at && (a.bend ?? 0) === (b.bend ?? 0))
    return {
      at: along(a.at, b.at, t),
      ...(bend ? { bend } : {}),
      ...(a.ahead || b.ahead ? { ahead: between(a.ahead ?? 0, b.ahead ?? 0, t) } : {}),
      ...ends,
      ...eye,
    };
  const { turned: from, seen: seenA } = drawnAs(kind, a, rootA, side);
  const { turned: to, seen: seenB } = drawnAs(kind, b, rootB, side);
  // A foot that says its direction at one end only goes there from where it is.
  const foot = (limb: Limb, lower: number) =>
    limb.end ?? (kind === 'leg' && view === 'side' ? lower + FLAT : lower);
  return {
    turned: [betweenTurns(from[0], to[0], t), betweenTurns(from[1], to[1], t)],
    seen: [between(seenA[0], seenB[0], t), between(seenA[1], seenB[1], t)],
    ...(a.fist && b.fist ? { fist: true as const } : {}),
    ...(a.atEye && b.atEye ? eye : { end: betweenTurns(foot(a, from[1]), foot(b, to[1]), t) }),
  };
}

const solvedKeys = new WeakMap<KeyPose, Solved>();
/** A key pose solved once: it is asked for at every frame. */
function solvedKey(pose: KeyPose, view: View): Solved {
  const known = solvedKeys.get(pose);
  if (known?.view === view) return known;
  const made = solve(pose, view);
  solvedKeys.set(pose, made);
  return made;
}

/** By so much a foot on its way is turned at once to keep its toes above the floor, degrees. */
const FOOT_TURN = 5;
/** A foot that would go through the floor on its way tips until it doesn't. */
function aboveFloor(pose: KeyPose): KeyPose {
  const under = (leg: SolvedLimb) => Math.min(leg.tip[1], leg.heel[1]) < -0.01;
  const solved = solve(pose, 'side');
  if (!LIMB_SIDES.some((s) => under(solved.legs[s]))) return pose;
  const legs = LIMB_SIDES.map((s) => {
    const limb = pose.legs[s];
    if (limb.atEye || !under(solved.legs[s])) return limb;
    const { root, joint, end } = solved.legs[s];
    const usual = limb.end ?? direction(joint, end) + FLAT;
    for (let by = FOOT_TURN; by <= 2 * FLAT; by += FOOT_TURN)
      for (const way of [1, -1]) {
        const tipped = { ...limb, end: usual + way * by };
        if (!under(solveLimb('leg', tipped, root, 'side', s))) return tipped;
      }
    return limb;
  });
  return { ...pose, legs: legs as unknown as readonly [Limb, Limb] };
}

/** A pose between two: what touches at both ends touches all the way. Feet keep above a floor, where there is one. */
export function poseBetween(a: KeyPose, b: KeyPose, t: number, view: View, floor = true): KeyPose {
  if (t <= 0) return a;
  if (t >= 1) return b;
  const [sa, sb] = [solvedKey(a, view), solvedKey(b, view)];
  const limbs = (kind: 'arm' | 'leg') => {
    const [la, lb] = kind === 'arm' ? [a.arms, b.arms] : [a.legs, b.legs];
    const [ra, rb] = kind === 'arm' ? [sa.arms, sb.arms] : [sa.legs, sb.legs];
    return LIMB_SIDES.map((s) =>
      limbBetween(kind, la[s], lb[s], ra[s].root, rb[s].root, view, s, t),
    ) as unknown as readonly [Limb, Limb];
  };
  const pose: KeyPose = {
    hip: along(a.hip, b.hip, t),
    lean: between(a.lean, b.lean, t),
    curl: between(a.curl, b.curl, t),
    nod: between(a.nod, b.nod, t),
    ...(a.seen || b.seen ? { seen: between(a.seen ?? 1, b.seen ?? 1, t) } : {}),
    ...(a.onSide && b.onSide ? { onSide: true as const } : {}),
    ...((t < 0.5 ? a : b).looks ? { looks: 'at you' as const } : {}),
    arms: limbs('arm'),
    legs: limbs('leg'),
  };
  // Feet that stand at both ends stay above the floor by themselves.
  const swings = pose.legs.some((leg) => leg.turned && !leg.atEye);
  return floor && swings && view === 'side' ? aboveFloor(pose) : pose;
}

/**
 * A pose done with the other side: near and far limbs change places; from the front, and on the side, everything goes
 * over to the other side. Twice is the pose itself.
 */
export function mirrored(pose: KeyPose, view: View): KeyPose {
  const swap = <T>([a, b]: readonly [T, T]): readonly [T, T] => [b, a];
  if (view === 'side' && !pose.onSide) return { ...pose, arms: swap(pose.arms), legs: swap(pose.legs) };
  const minus = (v: number): number => -v || 0;
  // From the front a limb's directions are outwards already; on the side they go to and fro with the body.
  const over = (limb: Limb): Limb => ({
    ...limb,
    ...(limb.at ? { at: [minus(limb.at[0]), limb.at[1]] as const } : {}),
    ...(pose.onSide && limb.turned
      ? { turned: [minus(limb.turned[0]), minus(limb.turned[1])] as const }
      : {}),
    ...(pose.onSide && limb.end !== undefined ? { end: minus(limb.end) } : {}),
    ...(pose.onSide && limb.bend ? { bend: limb.bend === 1 ? (-1 as const) : (1 as const) } : {}),
  });
  const both = ([a, b]: readonly [Limb, Limb]) => swap([over(a), over(b)]);
  return {
    ...pose,
    hip: [minus(pose.hip[0]), pose.hip[1]],
    lean: minus(pose.lean),
    curl: minus(pose.curl),
    nod: minus(pose.nod),
    arms: both(pose.arms),
    legs: both(pose.legs),
  };
}
