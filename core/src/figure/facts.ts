import { type Demand, type Move, unsafeEnd } from '../move/index.ts';
import {
  along,
  armRaised,
  type DrawnFigure,
  direction,
  distance,
  hipBend,
  type KeyPose,
  kneeBend,
  LENGTHS,
  LIMB_SIDES,
  type Point,
  poseAt,
  type Solved,
  solve,
  type Touch,
  touchesOf,
  turn,
  type View,
} from '../pose/index.ts';

/** What a drawn rep says of itself. */
export interface FigureFacts {
  readonly onFloor: boolean;
  readonly kneels: boolean;
  /** Nothing touches anything at some moment. */
  readonly leaves: boolean;
  readonly handsBear: boolean;
  readonly onBack: boolean;
  readonly onFront: boolean;
  readonly headLow: boolean;
  readonly onSide: boolean;
  /** A hand bears on the floor, a surface or a wall, and not by a grip or a forearm. */
  readonly handsOn: boolean;
  /** Feet that bear in a key pose where nothing else does but a hold; null where there is none. */
  readonly fewestFeet: 1 | 2 | null;
  /** How far a wrist that bears is bent back, degrees; 0 where none bears with a flat hand. */
  readonly wristBack: number;
  /** Degrees, the most of any moment. */
  readonly armsRaised: number;
  readonly kneeBend: number;
  readonly hipBend: number;
  /** The most that any knee, hip and arm is bent or raised, whatever bears; null where one view doesn't show it. */
  readonly kneeMost: number | null;
  readonly hipMost: number | null;
  readonly armsMost: number | null;
  readonly uses: readonly ('wall' | 'seat' | 'step' | 'firm surface' | 'hand hold')[];
  /** Centimetres by which the centre of mass lies outside what bears, in the worst key pose; 0 inside. */
  readonly offBase: number;
}

const STEPS = 24;
/** Degrees of leaning sideways, seen from the front, from which somebody lies on their side. */
const LYING = 60;
/** Heights below which something is on the floor, with or without a cushion under it, m. */
const FLOOR = 0.02;
const PADDED = 0.1;
/** Share of a forearm that must be seen for what its hand does to be read. Estimate. */
const SEEN_WELL = 0.6;
/** Height of the shoulders below which somebody on their side lies, m. */
const LIES_BELOW = 0.8;

const frames = (figure: DrawnFigure): Solved[] =>
  Array.from({ length: STEPS + 1 }, (_, k) => solve(poseAt(figure, k / STEPS), figure.view));

/** The most of something at either side in any frame, degrees. */
const mostIn = (all: readonly Solved[]) => (of: (s: Solved, side: 0 | 1) => number) =>
  Math.round(Math.max(...all.flatMap((s) => LIMB_SIDES.map((side) => of(s, side)))));

/** Whether somebody is drawn lying on their side, their front to the eye. */
export const liesOnSide = (pose: KeyPose, view: View): boolean =>
  pose.onSide === true ||
  pose.legs.some((leg) => leg.atEye) ||
  (view === 'front' && Math.abs(pose.lean) > LYING);

/** Where what bears lies, left and right. */
function baseOf(figure: DrawnFigure, s: Solved): readonly [number, number] | null {
  const xs: number[] = [];
  for (const touch of touchesOf(figure, s)) {
    const add = (...points: Point[]) => xs.push(...points.map(([x]) => x));
    if (touch.part === 'foot') add(s.legs[touch.side!].tip, s.legs[touch.side!].heel);
    else if (touch.part === 'knee') add(s.legs[touch.side!].joint, s.legs[touch.side!].end);
    else if (touch.part === 'hand') add(s.arms[touch.side!].end);
    else if (touch.part === 'elbow') add(s.arms[touch.side!].joint);
    else if (touch.part === 'hip') xs.push(s.hip[0] - 0.14, s.hip[0] + 0.16);
    else add(s.neck);
  }
  return xs.length === 0 ? null : [Math.min(...xs), Math.max(...xs)];
}

/** Seen from above somebody lies: on their back where they face the eye, else on their side. */
function seenFromAbove(figure: DrawnFigure): FigureFacts {
  const most = mostIn(frames(figure));
  return {
    onFloor: true,
    kneels: false,
    leaves: false,
    handsBear: false,
    onBack: figure.view === 'front',
    onFront: false,
    headLow: false,
    onSide: figure.view === 'side',
    handsOn: false,
    fewestFeet: null,
    wristBack: 0,
    armsRaised: most(armRaised),
    kneeBend: 0,
    hipBend: most(hipBend),
    kneeMost: null,
    hipMost: null,
    armsMost: null,
    uses: [],
    offBase: 0,
  };
}

/** Reads the facts off the drawing, frame by frame. */
export function factsOfFigure(figure: DrawnFigure): FigureFacts {
  if (figure.above) return seenFromAbove(figure);
  const all = frames(figure);
  const touches = all.map((s) => touchesOf(figure, s));
  const has = (of: (touch: Touch) => boolean) => touches.some((list) => list.some(of));
  // Somebody drawn lying on their side shows their front to the eye: knees and chest are beside, not beneath.
  const lies = figure.poses.map((pose) => liesOnSide(pose, figure.view));
  const keys = figure.poses.map((pose) => solve(pose, figure.view));
  const keyTouches = keys.map((s) => touchesOf(figure, s));
  let [armsRaised, knees, hips] = [0, 0, 0];
  for (const s of all)
    for (const side of LIMB_SIDES) {
      armsRaised = Math.max(armsRaised, armRaised(s, side));
      // On the side a hip bends towards the eye, or is lifted outwards: nothing is bent that is seen.
      if (!lies.some((lying) => lying)) hips = Math.max(hips, hipBend(s, side));
    }
  const most = mostIn(all);
  // The knee that carries: the one under the centre of mass, where only feet bear.
  keys.forEach((s, i) => {
    if (keyTouches[i]!.length === 0 || keyTouches[i]!.some((t) => t.part !== 'foot')) return;
    const feet = LIMB_SIDES.filter((side) => keyTouches[i]!.some((t) => t.side === side));
    const [under] = feet.sort(
      (a, b) => Math.abs(s.legs[a].end[0] - s.centre[0]) - Math.abs(s.legs[b].end[0] - s.centre[0]),
    );
    knees = Math.max(knees, kneeBend(s, under ?? 0));
  });
  const gripped = figure.props.some((p) => p.is === 'hold' || p.is === 'bar');
  // Somebody who sits has the hands beside them; only what carries them counts, and a forearm carries in place of a hand.
  const bearing = keyTouches.map((list, i) =>
    figure.view === 'front' || lies[i] || gripped
      ? []
      : LIMB_SIDES.filter(
          (side) =>
            list.some((t) => t.part === 'hand' && t.side === side) &&
            !list.some((t) => t.part === 'elbow' && t.side === side) &&
            !list.some((t) => (t.part === 'hip' || t.part === 'chest') && t.height > PADDED) &&
            // Seen end on it says nothing of what the hand does.
            distance(keys[i]!.arms[side].joint, keys[i]!.arms[side].end) > LENGTHS.forearm * SEEN_WELL,
        ),
  );
  const wrists = keys.flatMap((s, i) =>
    bearing[i]!.map((side) => {
      const { joint, end, tip } = s.arms[side];
      // Nobody bends a wrist back over a fist.
      return distance(end, tip) < LENGTHS.hand * SEEN_WELL
        ? 0
        : turn(direction(joint, end), direction(end, tip));
    }),
  );
  const feetAlone = keyTouches.flatMap((list) => {
    const others = list.filter((t) => t.part !== 'foot' && !(gripped && t.part === 'hand'));
    return list.length === 0 || others.length > 0
      ? []
      : [new Set(list.flatMap((t) => (t.part === 'foot' ? [t.side] : []))).size];
  });
  const uses = new Set<FigureFacts['uses'][number]>();
  for (const prop of figure.props) {
    if (prop.is === 'wall' || prop.is === 'seat' || prop.is === 'step') uses.add(prop.is);
    if (prop.is === 'surface') uses.add('firm surface');
    if (prop.is === 'hold') uses.add('hand hold');
  }
  // Who leans on a wall, holds on, pulls on a band or hangs has more to stand on than what is beneath them.
  const leans = figure.props.some((p) => ['wall', 'hold', 'band', 'bar'].includes(p.is));
  const off = keys.map((s, i) => {
    if (leans || lies[i]) return 0;
    // Lying there is nothing to fall from, and on the hands alone nobody stays.
    const list = touchesOf(figure, s);
    if (list.some((t) => t.part === 'back') || list.every((t) => t.part === 'hand')) return 0;
    const base = baseOf(figure, s);
    return base ? Math.max(0, base[0] - s.centre[0], s.centre[0] - base[1]) : 0;
  });
  return {
    onFloor: has((t) => t.part !== 'foot' && t.height < FLOOR),
    kneels: keyTouches.some(
      (list, i) =>
        !lies[i] &&
        list.some((t) => t.part === 'knee' && t.height < PADDED) &&
        !list.some((t) => t.part === 'chest'),
    ),
    leaves:
      !figure.props.some((p) => p.is === 'bar') &&
      touches.some((list) => list.every((t) => t.part === 'hand' || t.part === 'elbow')),
    handsBear: has((t) => t.part === 'hand' || t.part === 'elbow'),
    onBack: keyTouches.some((list, i) => !lies[i] && list.some((t) => t.part === 'back')),
    onFront: keyTouches.some(
      (list, i) => !lies[i] && list.some((t) => t.part === 'chest') && list.some((t) => t.part === 'hip'),
    ),
    headLow: all.some((s) => along(s.headBase, s.crown, 0.5)[1] < along(s.waist, s.neck, 0.6)[1] - 0.12),
    onSide: lies.some((lying, i) => lying && keys[i]!.neck[1] < LIES_BELOW),
    fewestFeet: feetAlone.length === 0 ? null : (Math.min(...feetAlone) as 1 | 2),
    handsOn: bearing.some((sides) => sides.length > 0),
    wristBack: Math.round(Math.max(0, ...wrists)),
    armsRaised: Math.round(armsRaised),
    kneeBend: Math.round(knees),
    hipBend: Math.round(hips),
    // A knee that kneels is bent by how the shank lies: along the floor or up, either is right.
    kneeMost: touches.some((list) => list.some((t) => t.part === 'knee')) ? null : most(kneeBend),
    hipMost: figure.view === 'side' && !lies.includes(true) ? Math.round(hips) : null,
    // Nor does a trunk that points to the eye, or an arm that props somebody on their side, say how far it is raised.
    armsMost: lies.includes(true) || figure.poses.some((pose) => pose.seen) ? null : Math.round(armsRaised),
    uses: [...uses],
    offBase: Math.round(Math.max(...off) * 100),
  };
}

/** A place where the drawing and what the library says of a move disagree. */
export interface FigureFinding {
  readonly what: string;
  readonly says: string;
}

/** Degrees by which a drawn joint may lie outside what the library says. Estimates. */
const APART = { knee: 30, arm: 40, hip: 35, wrist: 35 } as const;
/** From here on an arm is overhead, degrees. */
const OVERHEAD = 140;
/** Centimetres of leaning out of the base that a drawing may have. Estimate. */
const OFF_BASE = 6;

/** Everything in which the drawing of a move disagrees with its own data; empty where they agree. */
export function figureFindings(
  move: Pick<Move, 'needs' | 'posture'>,
  demand: Demand,
  figure: DrawnFigure,
): FigureFinding[] {
  const facts = factsOfFigure(figure);
  const found: FigureFinding[] = [];
  const yesNo = (what: string, drawn: boolean, stated: boolean) => {
    if (drawn !== stated)
      found.push({
        what,
        says: drawn ? `drawn so, but the library says it isn’t` : `the library says so, but it isn’t drawn`,
      });
  };
  const hi = (key: keyof Demand) => unsafeEnd(demand[key]);
  const least = (key: keyof Demand) => demand[key].lo ?? 0;
  yesNo('down on the floor', facts.onFloor, hi('posture.floor') >= 1);
  yesNo('on the knees', facts.kneels, hi('knee.kneel') > 0);
  yesNo('both feet leave', facts.leaves, hi('impact.class') >= 2);
  yesNo('on the back', facts.onBack, hi('posture.supine') > 0);
  yesNo('on the front', facts.onFront, hi('posture.prone') > 0);
  yesNo('on the side', facts.onSide, move.posture.work === 'lying on the side');
  if (facts.fewestFeet === 1 && hi('balance.singleLeg') === 0)
    found.push({ what: 'one foot down', says: 'drawn so, but the library has both' });
  if (facts.fewestFeet === 2 && hi('balance.singleLeg') >= 2)
    found.push({ what: 'one foot down', says: 'the library says so, but it isn’t drawn' });
  if (facts.handsOn && hi('wrist.load') === 0)
    found.push({ what: 'weight on the hands', says: 'drawn so, but the library says it isn’t' });
  if (!facts.handsBear && hi('hands.bearing') > 0)
    found.push({ what: 'weight on the hands', says: 'the library says so, but it isn’t drawn' });
  const wrist = hi('wrist.bentBackDeg');
  if (facts.wristBack > wrist + APART.wrist)
    found.push({ what: 'a wrist bent back', says: `drawn ${facts.wristBack}°, the library has ${wrist}°` });
  if (!figure.above && facts.hipBend > hi('hip.bendDeg') + APART.hip)
    found.push({
      what: 'hip bend',
      says: `drawn ${facts.hipBend}°, the library has ${hi('hip.bendDeg')}° at the most`,
    });
  if (facts.headLow && hi('strain.headLow') < 1)
    found.push({ what: 'head lower than the heart', says: 'drawn so, but the library says it isn’t' });
  for (const need of ['wall', 'seat', 'step'] as const)
    yesNo(
      `needs a ${need}`,
      facts.uses.includes(need),
      move.needs.some((n) => n.what === need),
    );
  const knee = demand['knee.bendDeg'];
  if (knee.hi !== null && facts.kneeBend > knee.hi + APART.knee)
    found.push({
      what: 'knee bend under load',
      says: `drawn ${facts.kneeBend}°, the library has ${knee.hi}° at the most`,
    });
  if (facts.kneeMost !== null && facts.kneeMost < least('knee.bendDeg') - APART.knee)
    found.push({
      what: 'knee bend under load',
      says: `drawn ${facts.kneeMost}° at the most, the library has ${least('knee.bendDeg')}°`,
    });
  if (facts.hipMost !== null && facts.hipMost < least('hip.bendDeg') - APART.hip)
    found.push({
      what: 'hip bend',
      says: `drawn ${facts.hipMost}° at the most, the library has ${least('hip.bendDeg')}°`,
    });
  if (facts.armsMost !== null && facts.armsMost < least('shoulder.raisedDeg') - APART.arm)
    found.push({
      what: 'arms raised',
      says: `drawn ${facts.armsMost}° at the most, the library has ${least('shoulder.raisedDeg')}°`,
    });
  const arm = demand['shoulder.raisedDeg'];
  if (arm.hi !== null && facts.armsRaised > OVERHEAD && arm.hi < OVERHEAD - APART.arm)
    found.push({
      what: 'arms overhead',
      says: `drawn ${facts.armsRaised}°, the library has ${arm.hi}° at the most`,
    });
  if (facts.offBase > OFF_BASE)
    found.push({ what: 'balance', says: `the centre of mass is ${facts.offBase} cm outside what bears` });
  return found;
}
