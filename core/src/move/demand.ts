import * as z from 'zod';
import { lazily } from '../record/index.ts';

/**
 * Everything a move can ask of a body, as one flat table. Adding a demand is adding a row here and
 * a value in the library's base postures; limits, dials, checks and plots all read the same rows.
 * The levels are explained, one by one, in docs/demand-rubric.md.
 */
export const DEMANDS = {
  'impact.class': { unit: 'class 0–3', says: 'how the feet leave the floor' },
  'impact.landings': { unit: 'per rep', says: 'light landings' },
  'impact.highLandings': { unit: 'per rep', says: 'hard landings' },
  'impact.turnDeg': { unit: '°', says: 'turning in the air' },
  'impact.dropCm': { unit: 'cm', says: 'height dropped from' },
  'effort.metSlow': { unit: 'MET', says: 'effort at its slowest pace' },
  'effort.met': { unit: 'MET', says: 'effort at its usual pace' },
  'effort.metFast': { unit: 'MET', says: 'effort at its fastest pace' },
  'strength.legs': { unit: '% body mass', says: 'leg strength' },
  'strength.push': { unit: '% body mass', says: 'pushing strength' },
  'strength.pull': { unit: '% body mass', says: 'pulling strength' },
  'strength.front': { unit: '0–100', says: 'strength along the front of the trunk' },
  'strength.side': { unit: '0–100', says: 'strength along the side of the trunk' },
  'strength.back': { unit: '0–100', says: 'strength along the back and hips' },
  'strength.grip': { unit: '0–100', says: 'grip' },
  'balance.level': { unit: 'level 0–6', says: 'balance' },
  'balance.singleLeg': { unit: 'level 0–2', says: 'standing on one leg' },
  'balance.headTurn': { unit: 'level 0–2', says: 'turning the head' },
  'balance.fall': { unit: 'level 0–3', says: 'how far there is to fall' },
  'hands.bearing': { unit: 'hands', says: 'body weight on the hands' },
  'hands.leave': { unit: '0 or 1', says: 'one hand bearing while the other leaves' },
  'hands.hang': { unit: '0 or 1', says: 'hanging by the hands' },
  'hands.clench': { unit: 'level 0–3', says: 'hands that stay closed hard' },
  'hands.busy': { unit: 'hands', says: 'hands that hold something' },
  'coordination.level': { unit: 'level 0–6', says: 'coordination' },
  'posture.floor': { unit: '0 or 1', says: 'being down on the floor' },
  'posture.standing': { unit: '0 or 1', says: 'standing' },
  'posture.lying': { unit: '0 or 1', says: 'lying down' },
  'posture.supine': { unit: 'share of time', says: 'lying on the back' },
  'posture.prone': { unit: 'share of time', says: 'lying on the front' },
  'posture.changes': { unit: 'per rep', says: 'getting down and up' },
  'wrist.bentBackDeg': { unit: '°', says: 'a wrist bent back' },
  'wrist.load': { unit: '% body mass', says: 'load through the wrists' },
  'wrist.turn': { unit: 'level 0–3', says: 'twisting at the wrist' },
  'elbow.load': { unit: 'level 0–4', says: 'load through the elbows' },
  'shoulder.raisedDeg': { unit: '°', says: 'arms raised' },
  'shoulder.overheadLoad': { unit: 'level 0–4', says: 'load overhead' },
  'shoulder.behind': { unit: 'level 0–4', says: 'load behind the body' },
  'shoulder.load': { unit: 'level 0–4', says: 'load through the shoulders' },
  'knee.bendDeg': { unit: '°', says: 'knee bend under load' },
  'knee.load': { unit: 'level 0–4', says: 'load through the knees' },
  'knee.kneel': { unit: 'level 0–3', says: 'pressure on the kneecap' },
  'knee.forward': { unit: 'level 0–3', says: 'the knee travelling forward' },
  'knee.pivot': { unit: 'level 0–3', says: 'turning on a planted knee' },
  'hip.bendDeg': { unit: '°', says: 'hip bend' },
  'hip.cross': { unit: 'level 0–2', says: 'a leg crossing the middle' },
  'hip.turnIn': { unit: 'level 0–2', says: 'a thigh turning in' },
  'hip.turnOut': { unit: 'level 0–2', says: 'a thigh turning out' },
  'hip.extensionDeg': { unit: '°', says: 'a thigh behind the body' },
  'ankle.load': { unit: 'level 0–4', says: 'load through the ankles' },
  'feet.edge': { unit: '0 or 1', says: 'standing on an edge' },
  'head.under': { unit: '0 or 1', says: 'a weight over the face' },
  'toes.curl': { unit: 'level 0–2', says: 'toes bent under' },
  'spine.bend': { unit: 'level 0–4', says: 'bending the spine forward' },
  'spine.arch': { unit: 'level 0–4', says: 'arching the spine' },
  'spine.turn': { unit: 'level 0–4', says: 'twisting the spine' },
  'spine.sideBend': { unit: 'level 0–4', says: 'bending the spine sideways' },
  'spine.load': { unit: 'level 0–4', says: 'load on the low back' },
  'chest.open': { unit: 'level 0–2', says: 'arms drawn apart behind the chest' },
  'neck.load': { unit: 'level 0–3', says: 'load on the neck' },
  'joint.endRange': { unit: 'level 0–3', says: 'a joint held at the end of its range' },
  'strain.breath': { unit: 'level 0–3', says: 'the urge to hold the breath' },
  'strain.belly': { unit: 'level 0–3', says: 'pressure on belly and pelvic floor' },
  'strain.headLow': { unit: '0 or 1', says: 'head lower than the heart' },
  'strain.holdSeconds': { unit: 's', says: 'one unbroken hold' },
  'teach.skill': { unit: 'level 0–4', says: 'how much there is to learn' },
  'teach.showSeconds': { unit: 's', says: 'time to show it' },
  'space.noise': { unit: 'level 0–3', says: 'noise through the floor' },
  'space.metres': { unit: 'm', says: 'clear floor' },
} as const;

export type DemandKey = keyof typeof DEMANDS;
export const DEMAND_KEYS = Object.keys(DEMANDS) as DemandKey[];
export const DEMAND_COUNT = DEMAND_KEYS.length;
const positions = new Map<string, number>(DEMAND_KEYS.map((key, i) => [key, i]));

/** Position of a demand in every typed demand row. Throws on a name that is not in {@link DEMANDS}. */
export function at(key: DemandKey): number {
  const i = positions.get(key);
  if (i === undefined) throw new Error(`There is no demand called "${key}".`);
  return i;
}

/** The figures that are one limb's own: a move done by the other limb alone spares them. */
export const LIMB_KEYS: Readonly<Record<'arm' | 'leg', readonly DemandKey[]>> = {
  arm: [
    'strength.grip',
    'hands.clench',
    'wrist.bentBackDeg',
    'wrist.load',
    'wrist.turn',
    'elbow.load',
    'shoulder.raisedDeg',
    'shoulder.overheadLoad',
    'shoulder.behind',
    'shoulder.load',
  ],
  leg: [
    'knee.bendDeg',
    'knee.load',
    'knee.kneel',
    'knee.forward',
    'knee.pivot',
    'hip.bendDeg',
    'hip.cross',
    'hip.turnIn',
    'hip.turnOut',
    'hip.extensionDeg',
    'ankle.load',
    'toes.curl',
  ],
};

/** Rows that are reckoned from a move's drawing and typed for none; an author may say more, with a word why. */
export const DRAWN_KEYS = [
  'spine.load',
  'hands.leave',
  'hands.hang',
  'hands.clench',
  'feet.edge',
  'head.under',
  'chest.open',
] as const satisfies readonly DemandKey[];
export type DrawnKey = (typeof DRAWN_KEYS)[number];

/**
 * Rows of which a drawing shows the least: an author may say more, never less. A figure that was left at nothing is what
 * is drawn.
 */
export const LEAST_KEYS = [
  'strength.grip',
  'hands.busy',
  'wrist.load',
  'elbow.load',
  'shoulder.load',
  'shoulder.behind',
  'shoulder.overheadLoad',
  'neck.load',
  'hip.extensionDeg',
  'knee.load',
  'knee.forward',
  'ankle.load',
  'toes.curl',
  'strain.holdSeconds',
  'spine.turn',
  'spine.sideBend',
  'balance.headTurn',
  'hip.cross',
  'hip.turnIn',
  'hip.turnOut',
] as const satisfies readonly DemandKey[];
export type LeastKey = (typeof LEAST_KEYS)[number];

export const demandKeySchema = lazily(() => z.enum(DEMAND_KEYS as [DemandKey, ...DemandKey[]]));

/**
 * Where a figure comes from. `memory`: a published source, not yet seen in print by an author here; `drawing`: reckoned
 * from the move's own drawing.
 */
const ORIGINS = ['published', 'memory', 'practice', 'drawing', 'estimate'] as const;
export const originSchema = lazily(() => z.enum(ORIGINS));
export type Origin = z.infer<typeof originSchema>;

/**
 * One figure. `lo` and `hi` bound what bodies and rooms make of it, in the unit of its row; limits
 * read `hi`, the unsafe end. `null` for both means "not known", which breaks every limit that asks.
 */
export interface Figure {
  readonly lo: number | null;
  readonly hi: number | null;
  readonly from: Origin;
  readonly source?: string | undefined;
  /** The least at other heights of what is used, as the move is drawn there. */
  readonly heights?: Heights;
}

/** As written in the library: 3, [2, 4], null for not known, or with its own origin. */
export const figureSchema = lazily(() =>
  z.union([
    z.number().nonnegative(),
    z.tuple([z.number().nonnegative(), z.number().nonnegative()]).refine(([lo, hi]) => lo <= hi, {
      message: 'the first number of a range must not be above the second',
    }),
    z.null(),
    z.strictObject({
      lo: z.number().nonnegative(),
      hi: z.number().nonnegative(),
      from: originSchema,
      source: z.string().min(3).optional(),
    }),
  ]),
);
export type WrittenFigure = z.infer<typeof figureSchema>;

/**
 * What a drawing says of one figure: a number, null where it can't say, or where it changes with the height of what is
 * used, a number for each of some heights in cm, lowest first.
 */
export const drawnSchema = lazily(() =>
  z.partialRecord(
    demandKeySchema,
    z.union([
      z.number().nonnegative(),
      z.null(),
      z.array(z.tuple([z.number(), z.number().nonnegative()])).min(2),
    ]),
  ),
);
export type Drawn = z.infer<typeof drawnSchema>;
/** What is asked of one limb: a figure, or null for as much as of the one that works. */
export const limbFiguresSchema = lazily(() =>
  z.partialRecord(demandKeySchema, z.union([z.number().nonnegative(), z.null()])),
);
export type LimbFigures = z.infer<typeof limbFiguresSchema>;
export type Heights = readonly (readonly [cm: number, least: number])[];

/** The least at a height: the more careful of the two heights between which it lies. */
export function leastAt(heights: Heights, cm: number): number {
  const above = heights.findIndex(([at]) => at >= cm);
  if (above < 0) return heights.at(-1)![1];
  const [at, least] = heights[above]!;
  return at === cm || above === 0 ? least : Math.max(least, heights[above - 1]![1]);
}

export type Demand = Readonly<Record<DemandKey, Figure>>;

export function readFigure(written: WrittenFigure, from: Origin): Figure {
  if (written === null) return { lo: null, hi: null, from };
  if (typeof written === 'number') return { lo: written, hi: written, from };
  if (Array.isArray(written)) return { lo: written[0], hi: written[1], from };
  return written;
}

/** The unsafe end, as a number that compares: not known is NaN, so that `hi <= cap` is false. */
export function unsafeEnd(figure: Figure): number {
  return figure.hi ?? Number.NaN;
}

/** The middle of the range, for ordering and for targets; never for limits. */
export function middle(figure: Figure): number {
  return figure.lo === null || figure.hi === null ? Number.NaN : (figure.lo + figure.hi) / 2;
}
