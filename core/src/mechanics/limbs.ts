import {
  type DemandKey,
  LIMB_KEYS,
  type LimbFigures,
  type Move,
  readFigure,
  type WorkingLimb,
} from '../move/index.ts';
import { armRaised, type DrawnFigure, hipBend, type Solved } from '../pose/index.ts';
import { GRAVITY, USUAL_BODY } from './body.ts';
import { contactsOf } from './contacts.ts';
import { BESIDE, heightsOf, leastsOf, seenFromTheSide } from './least.ts';
import { type Frame, heldAs, onHands, repOf } from './rep.ts';

/** Moments of a rep that are looked at. */
const MOMENTS = 12;
/** Degrees are said in steps of so many, the more careful way. */
const EVERY = 5;
/** Less of the weight than this on a hand only steadies, a share. Estimate. */
const STEADIES = 0.02;

type Angle = readonly [DemandKey, (s: Solved, side: 0 | 1) => number];
const ANGLES: Readonly<Record<WorkingLimb, Angle>> = {
  leg: ['hip.bendDeg', hipBend],
  arm: ['shoulder.raisedDeg', armRaised],
};
/** What the front of a thigh makes from which a knee is bent under load, N·m for a kilogram of body. Estimate. */
const THIGH_CARRIES = 0.1;
/** What no drawing shows of a limb that bears or holds: it counts as much as of the one that works. */
const HIDDEN: Readonly<Record<WorkingLimb, readonly DemandKey[]>> = {
  leg: ['knee.pivot', 'hip.cross'],
  arm: ['wrist.turn'],
};
/** What a hand has that holds on or holds something. */
const CLOSED: readonly DemandKey[] = ['strength.grip', 'hands.clench'];

/** What of a limb bears, and from what share of the weight on it that is more than resting there. Estimates. */
const BEARS: Readonly<Record<WorkingLimb, { readonly parts: readonly string[]; readonly from: number }>> = {
  leg: { parts: ['foot', 'knee'], from: 0.15 },
  arm: { parts: ['hand', 'elbow'], from: 0.05 },
};

/** The moments of a rep that are looked at, with nothing held; none of a drawing seen from above. */
function framesOf(figure: DrawnFigure): readonly Frame[] {
  const rep = repOf(figure, { steps: MOMENTS });
  return typeof rep === 'string' ? [] : rep.frames;
}

/** The most of the weight that a limb bears in a rep, a share. */
function shareOn(figure: DrawnFigure, limb: WorkingLimb, side: 0 | 1): number {
  const weight = USUAL_BODY.massKg * GRAVITY;
  return Math.max(
    0,
    ...framesOf(figure).map(
      ({ standing }) =>
        standing.reactions
          .filter((one) => one.side === side && BEARS[limb].parts.includes(one.part))
          .reduce((sum, { force }) => sum + Math.hypot(...force), 0) / weight,
    ),
  );
}

/** What an author says of a figure; Infinity where it isn't known, nothing where it isn't said. */
function statedOf(move: Pick<Move, 'demand'>, key: DemandKey): number {
  const written = move.demand[key];
  return written === undefined ? 0 : (readFigure(written, 'estimate').hi ?? Number.POSITIVE_INFINITY);
}

/**
 * What a drawing shows to be asked of the arm or leg of one side: its angles through the rep, what it bears and carries;
 * null for a figure that can't be told from it, and for all of them where nothing bears in it that could be reckoned.
 */
export function limbFigures(
  move: Pick<Move, 'needs' | 'unit'>,
  figure: DrawnFigure,
  limb: WorkingLimb,
  side: 0 | 1,
): LimbFigures {
  const own = LIMB_KEYS[limb];
  if (figure.above) return Object.fromEntries(own.map((key) => [key, null]));
  const found: LimbFigures = {};
  for (const { key, least } of leastsOf(move, figure, [side]))
    if (own.includes(key)) found[key] = Math.max(least, found[key] ?? 0);
  const upTo = (degrees: readonly number[]) =>
    Math.max(0, Math.ceil(Math.max(0, ...degrees) / EVERY) * EVERY);
  const [key, of] = ANGLES[limb];
  const frames = framesOf(figure);
  const moments = frames.map(({ solved }) => solved);
  found[key] = upTo(moments.map((s) => of(s, side)));
  const bears = (...parts: readonly string[]) =>
    moments.some((s) => contactsOf(figure, s).some((one) => parts.includes(one.part) && one.side === side));
  const unsure = (...keys: readonly DemandKey[]) => {
    for (const key of keys) if (own.includes(key)) found[key] = null;
  };
  // Which side of a thigh it is shows from the side alone.
  const carried = (moment: number) => (seenFromTheSide(figure) ? moment : Math.abs(moment));
  if (limb === 'leg') {
    found['knee.bendDeg'] = upTo(
      frames
        .filter(({ moments: { knee } }) => carried(knee[side]) / USUAL_BODY.massKg > THIGH_CARRIES)
        .map((frame) => frame.knee[side]),
    );
    if (bears('knee')) unsure('knee.kneel');
    if (bears('foot', 'knee')) {
      unsure(...HIDDEN.leg);
      if (!seenFromTheSide(figure)) unsure('knee.bendDeg', ...BESIDE);
    }
    return found;
  }
  const share = Math.max(0, ...frames.map((frame) => onHands(frame, USUAL_BODY)[side]));
  const props = share > STEADIES;
  const holds = heldAs(figure, 1)[side] > 0 || figure.props.some((p) => 'in' in p && p.in === 'both');
  if (props) {
    found['wrist.load'] = Math.max(Math.ceil(share * 100), found['wrist.load'] ?? 0);
    unsure('wrist.bentBackDeg');
  }
  if (bears('elbow')) unsure('elbow.load');
  if (holds) unsure(...CLOSED);
  // It holds on: how hard it leans there can't be told.
  if (bears('hand') && !props) unsure(...CLOSED, 'wrist.load', 'wrist.bentBackDeg');
  if (props || holds || bears('elbow')) {
    unsure(...HIDDEN.arm);
    if (!seenFromTheSide(figure)) unsure(...BESIDE);
  }
  return found;
}

/**
 * What is asked of the limb that doesn't work, of a move that the other one does alone, at every height of what it is
 * done on: the most of each figure, null for as much as the working one has; so is what an author says beyond the drawing
 * of the working one, where the other bears too. `draw` draws it with what is used so many centimetres high.
 */
export function otherLimb(
  move: Pick<Move, 'needs' | 'unit' | 'surface' | 'alone' | 'demand'>,
  draw: ((cm: number) => DrawnFigure) | null,
): LimbFigures | undefined {
  const { alone } = move;
  if (!alone) return undefined;
  if (!draw) return Object.fromEntries(LIMB_KEYS[alone].map((key) => [key, null]));
  const all = heightsOf(move).map((cm) => {
    const figure = draw(cm);
    const [works, other] = figure.works === 'far' ? ([1, 0] as const) : ([0, 1] as const);
    const working = limbFigures(move, figure, alone, works);
    const found = limbFigures(move, figure, alone, other);
    const bears = shareOn(figure, alone, other) > BEARS[alone].from;
    // More than the working one is drawn with may be the other's, if that bears as well; a thigh behind the body is so
    // whether or not it does.
    for (const key of LIMB_KEYS[alone])
      if ((bears || key === 'hip.extensionDeg') && statedOf(move, key) > (working[key] ?? 0))
        found[key] = null;
    return found;
  });
  return Object.fromEntries(
    LIMB_KEYS[alone].flatMap((key): [DemandKey, number | null][] => {
      const said = all.flatMap((one) => (one[key] === undefined ? [] : [one[key]]));
      if (said.length === 0) return [];
      return [[key, said.includes(null) ? null : Math.max(...(said as number[]))]];
    }),
  );
}
