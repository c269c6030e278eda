import type { DemandKey, LeastKey, Move } from '../move/index.ts';
import {
  along,
  armRaised,
  type DrawnFigure,
  direction,
  distance,
  FLESH,
  groundsAt,
  hipBend,
  kneeBend,
  LIMB_SIDES,
  poseAt,
  type Solved,
  solve,
} from '../pose/index.ts';
import { GRAVITY, USUAL_BODY } from './body.ts';
import { contactsOf } from './contacts.ts';
import { hiddenLeasts } from './hidden.ts';
import { BACK_MOST, JOINT_ROWS, type MomentJoint } from './joints.ts';
import { type Cuts, type Least, levelAt } from './levels.ts';
import { type Frame, frameOf, heldAs, momentAt, onHands, stillFrames } from './rep.ts';
import { NOTHING_HELD } from './statics.ts';

/** What stands though its drawing shows more, by move and figure, each with why. */
export const LET_STAND: Readonly<Record<string, string>> = {
  'hip-thrust-load wrist.load': 'the weight lies on the hips, the hands only keep it there',
  'hip-thrust-load shoulder.load': 'the weight lies on the hips, the hands only keep it there',
  'hip-thrust-load elbow.load': 'the weight lies on the hips, the hands only keep it there',
  'clam elbow.load': 'the head lies on the arm, the body on its side',
  'side-lying-leg elbow.load': 'the head lies on the arm, the body on its side',
  'press-out-split knee.load': 'a short split stance: the back leg only steadies',
  'split-band-press knee.load': 'a short split stance: the back leg only steadies',
  'press-out-split strain.holdSeconds': 'a short split stance: the back leg only steadies',
  'split-band-press strain.holdSeconds': 'a short split stance: the back leg only steadies',
};

/** The lightest, a middling and the heaviest weight that a move is done with in the hands, kg; null where it asks for none. */
export function handLoad({
  needs,
}: Pick<Move, 'needs'>): { least: number; middling: number; most: number; count: number } | null {
  const need = needs.find(({ what }) => what === 'hand load');
  if (!need) return null;
  const least = need.min ?? 0;
  const most = need.max ?? least;
  return { least, middling: (least + most) / 2, most, count: need.count };
}

/**
 * Levels by the most of a joint's moment, N·m for a kilogram of body. The cuts lie between moves whose level
 * nobody doubts: a chair (1.0) is 2 and a lunge (1.16) is 3 for the knee; a light curl is 1 and an overhead press 2 for
 * the shoulder; a heavy bent row is the everyday load of a stair for the ankle. Estimates, on the low side: an author may
 * well say more.
 */
const BY_MOMENT: readonly { key: DemandKey; joint: MomentJoint; cuts: Cuts }[] = [
  {
    key: 'knee.load',
    joint: 'knee',
    cuts: [
      [1.5, 3],
      [1.12, 2],
      [0.5, 1],
    ],
  },
  {
    key: 'shoulder.load',
    joint: 'shoulder',
    cuts: [
      [0.6, 2],
      [0.15, 1],
    ],
  },
  { key: 'elbow.load', joint: 'elbow', cuts: [[0.12, 1]] },
  {
    key: 'ankle.load',
    joint: 'ankle',
    cuts: [
      [1.3, 3],
      [0.75, 2],
    ],
  },
];
/** What an arm bears from which somebody is propped on it, N. */
const PROPPED = 40;
/** More of the body's weight than this on one elbow is a load as of a forearm plank from the knees. Estimate. */
const ELBOW_SHARE = 0.12;
/** What holding any weight asks of the grip, of a hundred. Estimate. */
const GRIP_LEAST = 10;
/** Degrees that a drawn hip may lie beside the truth; what is left is said in steps of five. */
const HIP_APART = 10;
/** A thigh so far behind the body is there, degrees: less is how somebody stands, or how a bridge is drawn. */
const BEHIND_FROM = 20;
/** How far a bearing knee is before its toes, m, and the level it has from there. Estimates. */
const KNEE_BEFORE: Cuts = [
  [0.1, 3],
  [0.04, 2],
  [-0.08, 1],
];
/** What bears more than a touch, and what bears a good part of somebody, shares of weight. Estimates. */
const TOUCHES = 0.08;
const BEARS = 0.2;
/** A leg bent as on a stair, degrees, and what of the weight it bears there. Estimates. */
const STAIR_BENT = 40;
const NEARLY_ALL = 0.7;
/** Degrees that a heel is over its ball with weight on it, and the level toes are bent under from there. */
const HEEL_UP: Cuts = [
  [50, 2],
  [30, 1],
];
/** A heel is down no higher than this above its ball, m. */
const HEEL_DOWN = 0.04;
/** A head held level, sine of how far its neck is from upright, for so much of a rep. Estimates. */
const LEVEL_NECK = 0.85;
const MUCH_OF_IT = 0.4;
/** An upper arm so far behind the trunk, degrees, with so much of the weight on it, and the level from there. Estimates. */
const ARM_BEHIND = 40;
const ON_ARMS_BEHIND: Cuts = [
  [0.5, 3],
  [0.25, 2],
  [0.08, 1],
];
/** Arms along the ears, degrees, with so much of the weight on the hands, and the level from there. Estimates. */
const ARM_OVERHEAD = 145;
const ON_ARMS_OVERHEAD: Cuts = [
  [0.6, 3],
  [0.35, 2],
  [0.15, 1],
];

const share = (newtons: number): number => newtons / (USUAL_BODY.massKg * GRAVITY);
const percent = (of: number): number => Math.round(of * 100);

/** Between −180 and 180: how far the first direction is ahead of the second. */
const ahead = (a: number, b: number): number => ((((a - b) % 360) + 540) % 360) - 180;

/** How far a thigh is behind the body, degrees; below 0 before it. Seen from the side. */
const thighBehind = (s: Solved, side: 0 | 1): number =>
  -ahead(direction(s.legs[side].root, s.legs[side].joint), direction(s.waist, s.hip));
/** The same of an upper arm. */
const armBehind = (s: Solved, side: 0 | 1): number =>
  -ahead(direction(s.arms[side].root, s.arms[side].joint), direction(s.neck, s.waist));

/** A foot's share of the weight. */
const onFoot = ({ standing }: Frame, side: 0 | 1): number =>
  share(
    standing.reactions
      .filter((one) => one.part === 'foot' && one.side === side)
      .reduce((sum, { force }) => sum + force[1], 0),
  );

/** How many hands or forearms bear. */
const handsDown = (figure: DrawnFigure, s: Solved): number =>
  new Set(
    contactsOf(figure, s)
      .filter(({ part }) => part === 'hand' || part === 'elbow')
      .map(({ side }) => side),
  ).size;

const kneels = (s: Solved, side: 0 | 1): boolean => s.legs[side].joint[1] < FLESH.knee * 2;

/** How far a knee that bears over a flat foot is before its toes, m; null where it doesn't. */
function kneeBefore(frame: Frame, side: 0 | 1): number | null {
  const { solved: s } = frame;
  const { joint, tip, heel } = s.legs[side];
  const flat = heel[1] - tip[1] < HEEL_DOWN;
  const stands = flat && !kneels(s, side) && onFoot(frame, side) > BEARS && kneeBend(s, side) > KNEE_BENT;
  // A shank that lies is nobody's knee travelling forward.
  return stands && joint[1] > s.legs[side].end[1] + STANDS_UP ? joint[0] - tip[0] : null;
}
/** Less bent than this a knee carries next to nothing, degrees; a shank stands from so high, m. Estimates. */
const KNEE_BENT = 35;
const STANDS_UP = 0.15;

/** How far a heel is over the ball that bears, degrees. */
function heelUp(frame: Frame, side: 0 | 1): number {
  const { heel, tip } = frame.solved.legs[side];
  const up = heel[1] - tip[1];
  if (up < HEEL_DOWN || kneels(frame.solved, side) || onFoot(frame, side) < TOUCHES) return 0;
  return (Math.asin(Math.min(1, up / (distance(heel, tip) || 1))) * 180) / Math.PI;
}

/** A joint bent so far and no more than so much beside it through all of a rep is held there, degrees. Estimates. */
const HELD_BENT = 35;
const HELD_WITHIN = 14;
/**
 * Shares of what a usual adult can make from which muscles that don't move are holding, and how long they do in a set that
 * is counted, s: a leg or an arm that bends as in a wall sit, a back that is folded over, a belly under hands that leave in
 * turn. Estimates; a third is where a held muscle begins to shut off its own blood (Rohmert 1960, from memory: 15 %
 * goes on for good, 50 % for a minute).
 */
const HOLDS_LIMB = 0.28;
const HOLDS_BACK = 0.4;
const HOLDS_BELLY = 0.45;
const IN_A_SET = 20;

/** What is held without moving through a whole rep, in words; null where nothing is. Most reps move all that bends. */
function heldThrough(
  moments: readonly Solved[],
  handsLeave: () => boolean,
  reckoned: (moment: number) => Frame,
): string | null {
  const still = (of: (s: Solved, side: 0 | 1) => number, side: 0 | 1, least: number): boolean => {
    const all = moments.map((s) => of(s, side));
    return Math.min(...all) > least && Math.max(...all) - Math.min(...all) < HELD_WITHIN;
  };
  const joints = { knee: kneeBend, hip: hipBend } as const;
  const perKg = USUAL_BODY.massKg;
  const frames: Frame[] = [];
  // The least through the rep where it is over so much in all of it: the first moment that isn't ends the search.
  const least = (over: number, of: (frame: Frame) => number): number => {
    let found = Number.POSITIVE_INFINITY;
    for (let i = 0; i < moments.length; i++) {
      frames[i] ??= reckoned(i);
      const frame = frames[i]!;
      found = Math.min(found, frame.standing.reactions.length > 0 ? of(frame) : 0);
      if (found <= over) return 0;
    }
    return found;
  };
  for (const side of LIMB_SIDES) {
    for (const joint of ['knee', 'hip'] as const) {
      if (!still(joints[joint], side, HELD_BENT)) continue;
      const of = least(
        HOLDS_LIMB,
        (frame) => Math.abs(frame.moments[joint][side]) / perKg / JOINT_ROWS[joint].most,
      );
      if (of === 0) continue;
      // A hip that is held folded is so by the back as well.
      if (joint === 'knee' || least(HOLDS_BACK, ({ lowBack }) => lowBack.moment / perKg / BACK_MOST) > 0)
        return `drawn with a ${joint} held bent through all of a rep, at ${percent(of)} % of a usual adult’s strength`;
    }
    if (!still(hipBend, side, -1) || !handsLeave()) continue;
    const belly = least(HOLDS_BELLY, ({ lowBack }) => -lowBack.moment / perKg / (BACK_MOST * BELLY));
    if (belly > 0)
      return `drawn with the belly held through all of a rep, at ${percent(belly)} % of a usual adult’s strength`;
  }
  return null;
}
/** The belly's strength beside the back's. */
const BELLY = 2 / 3;

/** A head lies, or rests on the floor before somebody who folds. */
function headRests(figure: DrawnFigure, s: Solved): boolean {
  const [x, y] = along(s.headBase, s.crown, 0.5);
  return groundsAt(figure, x).some((h) => Math.abs(y - h) < HEAD_RESTS);
}
/** A head's middle over what it rests on, m: its own half and a hand's breadth. */
const HEAD_RESTS = 0.2;

const most = (list: readonly number[]): number => Math.max(0, ...list);
/** What shows from the side alone: a drawing from the front, or of somebody lying on theirs, says nothing of it. */
export const BESIDE: readonly LeastKey[] = [
  'hip.extensionDeg',
  'knee.forward',
  'knee.load',
  'ankle.load',
  'toes.curl',
  'neck.load',
  'shoulder.behind',
  'shoulder.overheadLoad',
];
/** Heights at which a move is looked at, cm apart. */
const EVERY_CM = 5;
/** The heights at which a move's drawing is looked at, cm, lowest first; 0 for one that is done on nothing. */
export function heightsOf({ surface }: Pick<Move, 'surface'>): number[] {
  if (!surface) return [0];
  const cms = new Set([surface.usualCm, surface.maxCm]);
  for (let cm = surface.minCm; cm < surface.maxCm; cm += EVERY_CM) cms.add(cm);
  return [...cms].sort((a, b) => a - b);
}

/** Which of somebody's limbs are looked at: the nearer, the farther, or both. */
export type Sides = readonly (0 | 1)[];
/** Something of some sides of all frames, where there is something. */
export const ofSides = (
  frames: readonly Frame[],
  of: (frame: Frame, side: 0 | 1) => number | null,
  sides: Sides = LIMB_SIDES,
): number[] => frames.flatMap((frame) => sides.flatMap((side) => of(frame, side) ?? []));

/** Neither from the front nor of somebody lying on their side. */
export const seenFromTheSide = (figure: DrawnFigure): boolean =>
  figure.view === 'side' && !figure.poses.some((pose) => pose.onSide);

/**
 * What a drawing says of joints whose angle it shows: the least each is, seen from the side and not lying on one. What
 * passes at speed counts as what is held, but where a joint only matters while it bears.
 */
function byAngle(
  figure: DrawnFigure,
  keys: readonly Frame[],
  moments: readonly Solved[],
  sides: Sides,
): Least[] {
  if (!seenFromTheSide(figure)) return [];
  const found: Least[] = [];
  const say = (key: DemandKey, least: number, why: string) => {
    if (least > 0) found.push({ key, least, why });
  };
  const behind = most(moments.flatMap((s) => sides.map((side) => thighBehind(s, side))));
  if (behind >= BEHIND_FROM)
    say(
      'hip.extensionDeg',
      Math.floor((behind - HIP_APART) / 5) * 5,
      `drawn with a thigh ${Math.round(behind)}° behind the body`,
    );
  const before = ofSides(keys, kneeBefore, sides);
  if (before.length > 0) {
    const far = Math.max(...before);
    const past = Math.round(far * 100);
    say(
      'knee.forward',
      levelAt(KNEE_BEFORE, far),
      past > 0 ? `drawn with a knee ${past} cm past its toes` : 'drawn with a knee over its foot',
    );
  }
  // As on a stair: a bent leg that bears nearly all.
  const onOne = most(
    ofSides(
      keys,
      (frame, side) =>
        kneeBend(frame.solved, side) > STAIR_BENT && !kneels(frame.solved, side) ? onFoot(frame, side) : null,
      sides,
    ),
  );
  if (onOne > NEARLY_ALL)
    say('ankle.load', 2, `drawn with ${percent(onOne)} % of the weight on one bent leg`);
  const heel = most(ofSides(keys, heelUp, sides));
  say('toes.curl', levelAt(HEEL_UP, heel), `drawn with a heel ${Math.round(heel)}° over the ball that bears`);
  const level = moments.filter(
    (s) => Math.abs(s.crown[0] - s.neck[0]) > LEVEL_NECK * distance(s.crown, s.neck) && !headRests(figure, s),
  ).length;
  if (level > MUCH_OF_IT * moments.length) say('neck.load', 1, 'drawn with the head held level');
  // As of both arms: one that leans alone bears for two.
  const leaning = (there: (s: Solved, side: 0 | 1) => boolean): number =>
    2 *
    most(
      ofSides(
        keys,
        (frame, side) => (there(frame.solved, side) ? onHands(frame, USUAL_BODY)[side] : null),
        sides,
      ),
    );
  const onBehind = leaning(
    (s, side) => armBehind(s, side) > ARM_BEHIND && armBehind(s, side) < 180 - ARM_BEHIND,
  );
  say(
    'shoulder.behind',
    levelAt(ON_ARMS_BEHIND, onBehind),
    `drawn leaning on an arm behind the body, as of ${percent(onBehind)} % of the weight on two`,
  );
  const onOverhead = leaning((s, side) => armRaised(s, side) > ARM_OVERHEAD);
  say(
    'shoulder.overheadLoad',
    levelAt(ON_ARMS_OVERHEAD, onOverhead),
    `drawn leaning on an arm along the ear, as of ${percent(onOverhead)} % of the weight on two`,
  );
  return found;
}

/** What a drawing says of what bears and of what is held. */
function byLoad(
  move: Pick<Move, 'needs'>,
  figure: DrawnFigure,
  rep: Frame[],
  empty: Frame[],
  sides: Sides,
): Least[] {
  const load = handLoad(move);
  const found: Least[] = [];
  const props = empty.some(({ standing }) =>
    standing.reactions.some(
      ({ part, kind, force }) =>
        (part === 'hand' || part === 'elbow') && kind !== 'grip' && force[1] > PROPPED,
    ),
  );
  const onElbow = most(
    empty.flatMap(({ standing }) =>
      standing.reactions.flatMap(({ part, side, force }) =>
        part === 'elbow' && sides.some((one) => one === side) ? [force[1]] : [],
      ),
    ),
  );
  if (onElbow > PROPPED)
    found.push({
      key: 'elbow.load',
      least: share(onElbow) > ELBOW_SHARE ? 2 : 1,
      why: `drawn with ${percent(share(onElbow))} % of the weight on an elbow`,
    });
  const carries = heldAs(figure, 1);
  if (load && figure.props.some((prop) => 'in' in prop) && sides.some((side) => carries[side] > 0)) {
    const part = percent((load.least * load.count) / USUAL_BODY.massKg);
    found.push({
      key: 'wrist.load',
      least: part,
      why: `the lightest weight that it is done with is ${part} % of the body’s`,
    });
    found.push({ key: 'strength.grip', least: GRIP_LEAST, why: 'a weight is held' });
    // Wherever it is held, all of the arm carries it.
    for (const key of ['hands.busy', 'elbow.load', 'shoulder.load'] as const)
      found.push({ key, least: 1, why: 'a weight is held' });
  }
  for (const { key, joint, cuts } of BY_MOMENT) {
    // Arms that prop or hold on take what they like of a weight; one that they hold is theirs. Elbows that go out to
    // the sides are drawn in the plane: theirs is what they hold.
    if ((joint === 'shoulder' || joint === 'elbow') && (!load || (joint === 'elbow' && props))) continue;
    const moment = most(rep.map((frame) => momentAt(frame, joint, USUAL_BODY, sides)));
    const level = levelAt(cuts, moment);
    // Where hands bear as well, how much a foot takes is the body's choice.
    const least = level > 0 && joint === 'knee' && props ? 1 : level;
    if (least > 0 && !(joint === 'ankle' && props))
      found.push({
        key,
        least,
        why: `drawn with ${moment.toFixed(2)} N·m/kg there, ${percent(moment / JOINT_ROWS[joint].most)} % of a usual adult’s strength`,
      });
  }
  return found;
}

/**
 * The least that a move's drawing shows its figures to be, at the height it is drawn at and the middling of its weights;
 * of a drawing seen from above, whose weight points at the eye, only what is marked. What limbs bear and bend may be
 * asked of one side alone.
 */
export function leastsOf(
  move: Pick<Move, 'needs' | 'unit'>,
  figure: DrawnFigure,
  sides: Sides = LIMB_SIDES,
): Least[] {
  const hidden = hiddenLeasts(figure, sides);
  if (figure.above) return hidden;
  const held = heldAs(figure, handLoad(move)?.middling ?? 0);
  const rep = stillFrames(figure, held);
  if (rep.length === 0) return hidden;
  // A weight in a hand that bears stands on the floor, and isn't borne by the wrist.
  const empty = held[0] === 0 && held[1] === 0 ? rep : stillFrames(figure, NOTHING_HELD);
  const moments = Array.from({ length: MOMENTS + 1 }, (_, i) =>
    solve(poseAt(figure, i / MOMENTS), figure.view),
  );
  const holding =
    move.unit === 'reps'
      ? heldThrough(
          moments,
          () => new Set(moments.map((s) => handsDown(figure, s))).size > 1,
          (i) => frameOf(figure, moments[i]!, i / MOMENTS, USUAL_BODY, held),
        )
      : null;
  return [
    ...hidden,
    ...byLoad(move, figure, rep, empty, sides),
    ...byAngle(figure, empty, moments, sides),
    ...(holding ? [{ key: 'strain.holdSeconds' as const, least: IN_A_SET, why: holding }] : []),
  ];
}
/** Moments of a rep that are looked at. */
const MOMENTS = 12;

/** The most of the weight that a drawing has on flat hands, per cent. */
export function mostOnHands(figure: DrawnFigure): number {
  return percent(
    most(
      stillFrames(figure, NOTHING_HELD).map((frame) => onHands(frame, USUAL_BODY).reduce((a, b) => a + b, 0)),
    ),
  );
}
