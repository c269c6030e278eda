import { type Demand, type DemandKey, type Move, unsafeEnd } from '../move/index.ts';
import type { DrawnFigure } from '../pose/index.ts';
import { GRAVITY, USUAL_BODY } from './body.ts';
import { JOINT_ROWS, type MomentJoint } from './joints.ts';
import { couldStop, type Frame, heldAs, momentAt, onHands, repOf } from './rep.ts';
import { type Held, NOTHING_HELD } from './statics.ts';

/** A figure that a move's drawing says is more than the library has. */
interface LoadFinding {
  readonly key: DemandKey;
  /** The least that it is, in the unit of its row. */
  readonly least: number;
  readonly says: string;
}

/** Findings that stand, by move and figure, each with why. */
export const LET_STAND: Readonly<Record<string, string>> = {
  'hip-thrust-load wrist.load': 'the weight lies on the hips, the hands only keep it there',
  'hip-thrust-load shoulder.load': 'the weight lies on the hips, the hands only keep it there',
  'clam elbow.load': 'the head lies on the arm, the body on its side',
  'side-lying-leg elbow.load': 'the head lies on the arm, the body on its side',
  'press-out-split knee.load': 'a short split stance: the back leg only steadies',
  'split-band-press knee.load': 'a short split stance: the back leg only steadies',
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
 * Least levels by the most of a joint's moment, N·m for a kilogram of body. The cuts lie between moves whose level
 * nobody doubts: a chair (1.0) is 2 and a lunge (1.16) is 3 for the knee; a light curl is 1 and an overhead press 2 for
 * the shoulder. Estimates, on the low side: an author may well say more.
 */
const LEAST: Readonly<
  Partial<Record<DemandKey, { joint: MomentJoint; cuts: readonly (readonly [number, number])[] }>>
> = {
  'knee.load': {
    joint: 'knee',
    cuts: [
      [1.5, 3],
      [1.12, 2],
      [0.5, 1],
    ],
  },
  'shoulder.load': {
    joint: 'shoulder',
    cuts: [
      [0.6, 2],
      [0.15, 1],
    ],
  },
};
/** Per cent of weight by which hands may bear more than the library has. The published figures lie within. */
const HANDS_APART = 10;

/** What of a move's load its drawing shows to be more than its figures say; empty where they are at least as careful. */
export function loadFindings(
  move: Pick<Move, 'needs' | 'surface'>,
  demand: Demand,
  figure: DrawnFigure,
): LoadFinding[] {
  if (figure.above) return [];
  const load = handLoad(move);
  const held = heldAs(figure, load?.middling ?? 0);
  const rep = keysOf(figure, held);
  // A weight in a hand that bears stands on the floor, and isn't borne by the wrist.
  const empty = held[0] === 0 && held[1] === 0 ? rep : keysOf(figure, NOTHING_HELD);
  if (rep.length === 0) return [];
  const found: LoadFinding[] = [];
  const needed = (key: DemandKey, floor: number, why: string) => {
    if (floor > unsafeEnd(demand[key]))
      found.push({
        key,
        least: floor,
        says: `${floor} at the least, ${why}; the library has ${unsafeEnd(demand[key])}`,
      });
  };
  const hands =
    Math.max(0, ...empty.map((frame) => onHands(frame, USUAL_BODY).reduce((a, b) => a + b, 0))) * 100;
  const props = empty.some(({ standing }) =>
    standing.reactions.some(
      ({ part, kind, force }) =>
        (part === 'hand' || part === 'elbow') && kind !== 'grip' && force[1] > PROPPED,
    ),
  );
  const onElbow = Math.max(
    0,
    ...empty.flatMap(({ standing }) =>
      standing.reactions.flatMap(({ part, force }) => (part === 'elbow' ? [force[1]] : [])),
    ),
  );
  if (onElbow > PROPPED)
    needed(
      'elbow.load',
      onElbow > ELBOW_SHARE * USUAL_BODY.massKg * GRAVITY ? 2 : 1,
      `drawn with ${Math.round((onElbow / (USUAL_BODY.massKg * GRAVITY)) * 100)} % of the weight on an elbow`,
    );
  const stated = unsafeEnd(demand['wrist.load']);
  if (stated > 0 && hands > stated + HANDS_APART)
    needed('wrist.load', Math.round(hands), `drawn with ${Math.round(hands)} % of the weight on the hands`);
  if (load && figure.props.some((prop) => 'in' in prop)) {
    const share = Math.round(((load.least * load.count) / USUAL_BODY.massKg) * 100);
    needed('wrist.load', share, `the lightest weight that it is done with is ${share} % of the body’s`);
    needed('strength.grip', GRIP_LEAST, 'a weight is held');
    needed('hands.busy', 1, 'a weight is held');
  }
  for (const [key, row] of Object.entries(LEAST) as [DemandKey, NonNullable<(typeof LEAST)[DemandKey]>][]) {
    // Arms that prop or hold on take what they like of a weight; one that they hold is theirs.
    if (row.joint === 'shoulder' && !load) continue;
    const most = Math.max(0, ...rep.map((frame) => momentAt(frame, row.joint, USUAL_BODY)));
    const cut = row.cuts.find(([from]) => most >= from);
    // Where hands bear as well, how much a foot takes is the body's choice.
    const level = cut && (row.joint === 'knee' && props ? 1 : cut[1]);
    if (level)
      needed(
        key,
        level,
        `drawn with ${most.toFixed(2)} N·m/kg there, ${Math.round((most / JOINT_ROWS[row.joint].most) * 100)} % of a usual adult’s strength`,
      );
  }
  return found;
}

/** What an arm bears from which somebody is propped on it, N. */
const PROPPED = 40;
/** More of the body's weight than this on one elbow is a load as of a forearm plank from the knees. Estimate. */
const ELBOW_SHARE = 0.12;
/** What holding any weight asks of the grip, of a hundred. Estimate. */
const GRIP_LEAST = 10;

/** A rep's key poses that somebody could stop in. */
function keysOf(figure: DrawnFigure, held: Held): Frame[] {
  return figure.poses.flatMap((pose) => {
    const made = repOf({ ...figure, poses: [pose], back: false }, { steps: 1, held });
    return typeof made === 'string' ? [] : made.frames.slice(0, 1).filter(couldStop);
  });
}
