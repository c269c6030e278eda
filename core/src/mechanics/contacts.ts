import {
  along,
  type DrawnFigure,
  FLESH,
  groundsAt,
  LENGTHS,
  LIMB_SIDES,
  type Point,
  type Solved,
  type Touch,
  touchesOf,
} from '../pose/index.ts';

/** Where something of the body bears, and which way it can be pushed there. */
export interface Contact {
  readonly part: Touch['part'] | 'head';
  readonly side: 0 | 1 | null;
  readonly at: Point;
  /** `ground` pushes up, `wall` away from itself; a `grip` pushes and pulls any way. */
  readonly kind: 'ground' | 'wall' | 'grip';
}

const NEAR = 0.045;
/** An elbow that bears is no further beside its shoulder, as a share of the upper arm; hips rest no higher, m. */
const STANDS_UNDER = 0.85;
const HIP_RESTS = 0.015;
/** An ankle behind a knee on the floor lies where it is no higher, m. */
const SHANK_LIES = 0.16;
/** Half of the breadth on which hips rest, m. Estimate. */
const SITS_BROAD = 0.08;
/** Hips that rest higher than this sit, m. */
const SEAT_FROM = 0.1;
/** Of a palm its middle bears, as a share of the hand from the wrist. Estimate. */
const PALM = 0.35;
/** Of somebody who sits the thighs bear as well, as a share of their length. Estimate. */
const THIGH_BEARS = 0.35;
/** A head that lies is no higher than this above its rest, m. */
const HEAD_LIES = 0.14;

/** Every place where a pose bears on something; a foot by its heel and its ball. */
export function contactsOf(figure: DrawnFigure, s: Solved): Contact[] {
  const found: Contact[] = [];
  const stands = ([x, y]: Point) => groundsAt(figure, x).some((h) => Math.abs(y - h) < NEAR);
  const walls = figure.props.flatMap((p) => (p.is === 'wall' && !p.behind ? [p.x] : []));
  const grips = figure.props.some((p) => p.is === 'hold' || p.is === 'bar');
  const touches = touchesOf(figure, s);
  for (const { part, side, height } of touches) {
    const put = (at: Point, kind: Contact['kind'] = 'ground') => found.push({ part, side, at, kind });
    if (part === 'foot') {
      const { tip, heel } = s.legs[side!];
      for (const at of [tip, heel]) if (stands(at)) put(at);
    } else if (part === 'knee') {
      const { joint, end } = s.legs[side!];
      put(joint);
      // A shank that lies behind its knee bears all along.
      if (end[1] - height < SHANK_LIES && Math.abs(end[0] - joint[0]) > LENGTHS.shank / 2)
        found.push({ part: 'foot', side, at: end, kind: 'ground' });
    } else if (part === 'hand') {
      const { end, tip } = s.arms[side!];
      const palm = along(end, tip, PALM);
      const wall = walls.some((x) => Math.abs(end[0] - x) < 0.06 || Math.abs(tip[0] - x) < 0.05);
      // Hands beside somebody who sits hang there, or rest: what sits is borne by the seat.
      if (touches.some((one) => one.part === 'hip' && one.height > SEAT_FROM)) continue;
      const grip = grips && !groundsAt(figure, end[0]).some((h) => Math.abs(height - h) < NEAR);
      put(grip ? end : palm, wall ? 'wall' : grip ? 'grip' : 'ground');
    } else if (part === 'elbow') {
      const { root, joint, end } = s.arms[side!];
      // An elbow that comes low beside a hand that bears only passes there, unless it stands under its shoulder.
      const under = Math.abs(joint[0] - root[0]) < LENGTHS.upperArm * STANDS_UNDER;
      if (!under && touches.some((one) => one.part === 'hand' && one.side === side)) continue;
      const wall = walls.some((x) => Math.abs(joint[0] - x) < 0.15);
      put(along(joint, end, 0.2), wall ? 'wall' : 'ground');
    } else if (part === 'hip') {
      const low = Math.min(s.hip[1], ...s.legs.map((leg) => leg.root[1]));
      // Hips that come low on their way don't rest.
      if (low - FLESH.hip - height > HIP_RESTS) continue;
      // A seat bears as broad as one sits.
      for (const beside of [-SITS_BROAD, SITS_BROAD]) put([s.hip[0] + beside, s.hip[1]]);
      for (const k of LIMB_SIDES) {
        const thigh = along(s.legs[k].root, s.legs[k].joint, THIGH_BEARS);
        if (Math.abs(thigh[1] - s.hip[1]) < NEAR * 1.5)
          found.push({ part, side: k, at: thigh, kind: 'ground' });
      }
    } else {
      // Shoulders that are lifted don't bear; the waist does where it lies.
      const lies = ([, y]: Point, flesh: number) => Math.abs(y - flesh - height) < NEAR;
      if (lies(s.neck, FLESH.shoulder)) put(s.neck);
      if (lies(s.waist, FLESH.hip)) put(s.waist);
      if (along(s.headBase, s.crown, 0.5)[1] - height < HEAD_LIES)
        found.push({ part: 'head', side: null, at: along(s.headBase, s.crown, 0.5), kind: 'ground' });
    }
  }
  // A back against a wall.
  for (const x of walls) {
    const near = [s.waist, s.neck].filter((at) => Math.abs(at[0] - x) < LENGTHS.loin);
    if (near.length === 2 && found.every((one) => one.kind !== 'wall'))
      for (const at of near) found.push({ part: 'back', side: null, at, kind: 'wall' });
  }
  return found;
}
