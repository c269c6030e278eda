import {
  ARM,
  type DrawnFigure,
  direction,
  distance,
  FLESH,
  faultsOf,
  groundsAt,
  type KeyPose,
  LENGTHS,
  LIMB_SIDES,
  type Limb,
  type LimbSide,
  MOST_POSES,
  outwards,
  type Point,
  type Solved,
  solve,
  step,
  TRUNK,
  trunkBetween,
  type View,
  wrapped,
} from '../pose/index.ts';

type LimbHandle = 'hand' | 'elbow' | 'foot' | 'knee' | 'toes';
const SIDE_NAMES = ['near', 'far'] as const;
export type HandleId =
  | 'hips'
  | 'shoulders'
  | 'head'
  | 'back'
  | `${(typeof SIDE_NAMES)[number]} ${LimbHandle}`;

export interface Handle {
  readonly id: HandleId;
  readonly at: Point;
}

/** Within so many metres a hand, a foot or the hips come to lie on what is beneath them. Estimate. */
const SNAPS = 0.035;
/** A trunk is never drawn shorter than this share of itself: nobody folds further. */
const SHORTEST = 0.8;
/** A hand or a foot may slip so far from where it touches while the body is moved, m. */
const SLIPS = 0.002;
/** A head goes so far beyond the chest either way, degrees. Common range, rounded outwards. */
const MOST_NOD = 60;
/** Halvings in looking for how far a handle can go. */
const HALVINGS = 7;

/** Which way a limb's joint stands off the line from its root to its end. */
function bendOfLimb(root: Point, joint: Point, end: Point, side: 1 | -1): 1 | -1 {
  return wrapped(direction(root, joint, side) - direction(root, end, side)) >= 0 ? 1 : -1;
}

/**
 * A pose whose limbs all reach to where they are, so that they stay there when the body is moved; limbs that point to
 * the eye are left as they are, since where they end says nothing of how they are bent.
 */
export function pinned(pose: KeyPose, view: View): KeyPose {
  const s = solve(pose, view);
  const pin = (kind: 'arms' | 'legs') =>
    LIMB_SIDES.map((side) => {
      const limb = pose[kind][side];
      if (limb.at || limb.seen || limb.atEye) return limb;
      const { root, joint, end } = s[kind][side];
      const facing = outwards(view, side);
      const own = limb.end ?? (kind === 'legs' && view === 'side' ? limb.turned![1] + 90 : limb.turned![1]);
      return { at: end, end: own, bend: bendOfLimb(root, joint, end, facing) };
    }) as unknown as readonly [Limb, Limb];
  return { ...pose, arms: pin('arms'), legs: pin('legs') };
}

/** Where a pose can be taken hold of. */
export function handlesOf(figure: DrawnFigure, index: number): Handle[] {
  const s = solve(figure.poses[index]!, figure.view);
  const side = (i: LimbSide): Handle[] => [
    { id: `${SIDE_NAMES[i]} elbow`, at: s.arms[i].joint },
    { id: `${SIDE_NAMES[i]} knee`, at: s.legs[i].joint },
    { id: `${SIDE_NAMES[i]} hand`, at: s.arms[i].end },
    { id: `${SIDE_NAMES[i]} foot`, at: s.legs[i].end },
    ...(figure.view === 'side' ? [{ id: `${SIDE_NAMES[i]} toes` as const, at: s.legs[i].tip }] : []),
  ];
  return [
    ...side(1),
    { id: 'back', at: s.waist },
    { id: 'head', at: s.crown },
    { id: 'shoulders', at: s.neck },
    { id: 'hips', at: s.hip },
    ...side(0),
  ];
}

/** A height above something to lie on, where the place is near it; null where nothing is beneath. */
function onto(figure: DrawnFigure, at: Point, flesh: number): number | null {
  const fits = groundsAt(figure, at[0]).filter((h) => Math.abs(at[1] - flesh - h) < SNAPS);
  return fits.length > 0 ? Math.max(...fits) + flesh : null;
}

/** The trunk between hips and a place for the shoulders, its bow to the side it bowed before. */
function trunkTo(pose: KeyPose, s: Solved, to: Point, flip: boolean): KeyPose {
  const far = Math.min(TRUNK * 0.998, Math.max(TRUNK * SHORTEST, distance(s.hip, to)));
  const target = step(s.hip, direction(s.hip, to), far);
  const bows = (pose.curl > 0 ? 1 : -1) * (flip ? -1 : 1) > 0 ? 1 : -1;
  return { ...pose, ...trunkBetween(s.hip, target, bows) };
}

function moved(figure: DrawnFigure, pose: KeyPose, id: HandleId, to: Point): KeyPose {
  const s = solve(pose, figure.view);
  if (id === 'hips') return { ...pose, hip: [to[0], onto(figure, to, FLESH.hip) ?? to[1]] };
  if (id === 'shoulders') return trunkTo(pose, s, to, false);
  if (id === 'back') {
    // Taken to the other side of the line from hips to shoulders, the back bows the other way.
    const across = (p: Point) =>
      (s.neck[0] - s.hip[0]) * (p[1] - s.hip[1]) - (s.neck[1] - s.hip[1]) * (p[0] - s.hip[0]);
    return trunkTo(pose, s, s.neck, across(to) * across(s.waist) < 0);
  }
  if (id === 'head') {
    const up = 180 - pose.lean - pose.curl;
    const nod = up - direction(s.neck, to);
    return { ...pose, nod: Math.max(-MOST_NOD, Math.min(MOST_NOD, wrapped(nod))) };
  }
  const [which, part] = id.split(' ') as [(typeof SIDE_NAMES)[number], LimbHandle];
  const side = SIDE_NAMES.indexOf(which) as LimbSide;
  const kind = part === 'hand' || part === 'elbow' ? 'arms' : 'legs';
  const solved = s[kind][side];
  const facing = outwards(figure.view, side);
  const limb = pose[kind][side];
  const { seen: _, atEye: __, turned: ___, ahead: ____, ...rest } = limb;
  const at = limb.at ?? solved.end;
  const now: Limb = {
    ...rest,
    at,
    bend: limb.bend ?? bendOfLimb(solved.root, solved.joint, solved.end, facing),
  };
  const put = (next: Limb): KeyPose => ({
    ...pose,
    [kind]: LIMB_SIDES.map((i) => (i === side ? next : pose[kind][i])),
  });
  if (part === 'elbow' || part === 'knee')
    return put({ ...now, bend: bendOfLimb(solved.root, to, solved.end, facing) });
  if (part === 'toes') {
    const sole =
      solved.heel[0] === solved.tip[0] && solved.heel[1] === solved.tip[1] ? solved.end : solved.heel;
    return put({ ...now, end: direction(sole, to) });
  }
  // No limb is longer than it is: it stops where it is straight.
  const longest = 0.999 * (kind === 'arms' ? ARM : LENGTHS.thigh + LENGTHS.shank);
  const far = distance(solved.root, to);
  const reached = far > longest ? step(solved.root, direction(solved.root, to), longest) : to;
  const flesh = kind === 'arms' ? FLESH.wrist : LENGTHS.ankle;
  const lies = onto(figure, reached, flesh);
  const flatEnd = figure.view === 'side' ? 90 : kind === 'legs' ? 0 : undefined;
  return put({
    ...now,
    at: [reached[0], lies ?? reached[1]],
    ...(lies !== null && flatEnd !== undefined ? { end: flatEnd } : {}),
  });
}

/** What dragging came to: the figure as far as it can go, and why it went no further. */
export interface Dragged {
  readonly figure: DrawnFigure;
  readonly says: string | null;
}

/** A key pose with one handle taken to a place: everything else stays where it touches, and no joint goes past its range. */
export function dragged(figure: DrawnFigure, index: number, id: HandleId, to: Point): Dragged {
  const pose = pinned(figure.poses[index]!, figure.view);
  const from = handlesOf(figure, index).find((h) => h.id === id)?.at ?? to;
  const shortOf = (one: KeyPose) => {
    const s = solve(one, figure.view);
    return Math.max(...LIMB_SIDES.flatMap((side) => [s.arms[side].short, s.legs[side].short]));
  };
  const allowed = Math.max(SLIPS, shortOf(pose));
  const tried = (place: Point) => {
    const next = moved(figure, pose, id, place);
    const faults = faultsOf({ ...figure, poses: [next] }, 1).map((f) => f.replace('pose 1: ', ''));
    if (faults.length === 0 && shortOf(next) > allowed + 1e-9)
      faults.push('a hand or a foot would leave its place');
    return { next, faults };
  };
  const whole = (next: KeyPose): DrawnFigure => ({
    ...figure,
    poses: figure.poses.map((p, i) => (i === index ? next : p)),
  });
  const straight = tried(to);
  if (straight.faults.length === 0) return { figure: whole(straight.next), says: null };
  let [good, bad] = [0, 1];
  let best: KeyPose | null = tried(from).faults.length === 0 ? moved(figure, pose, id, from) : null;
  if (!best) return { figure, says: straight.faults[0]! };
  for (let i = 0; i < HALVINGS; i++) {
    const k = (good + bad) / 2;
    const at = tried([from[0] + (to[0] - from[0]) * k, from[1] + (to[1] - from[1]) * k]);
    if (at.faults.length === 0) {
      good = k;
      best = at.next;
    } else bad = k;
  }
  return { figure: whole(best), says: straight.faults[0]! };
}

/** Another key pose after one, the same to begin with; null where there are as many as there may be. */
export function addedPose(figure: DrawnFigure, after: number): DrawnFigure | null {
  if (figure.poses.length >= MOST_POSES) return null;
  const twice = <T>(list: readonly T[]): T[] => [
    ...list.slice(0, after + 1),
    list[after]!,
    ...list.slice(after + 1),
  ];
  return {
    ...figure,
    poses: twice(figure.poses),
    ...(figure.hidden ? { hidden: twice(figure.hidden) } : {}),
  };
}

/** A drawing without one of its key poses, and without a flight, which goes by their order. */
export function withoutPose(figure: DrawnFigure, at: number): DrawnFigure {
  const { flight: _, ...rest } = figure;
  const others = <T>(list: readonly T[]): T[] => list.filter((_, i) => i !== at);
  return {
    ...rest,
    poses: others(figure.poses),
    ...(figure.hidden ? { hidden: others(figure.hidden) } : {}),
  };
}
