import {
  type DemandKey,
  DRAWN_KEYS,
  type Drawn,
  type DrawnKey,
  LEAST_KEYS,
  type LeastKey,
  type Move,
} from '../move/index.ts';
import {
  type DrawnFigure,
  distance,
  FLESH,
  groundsAt,
  kneeBend,
  LIMB_SIDES,
  MASSES,
  poseAt,
  type Solved,
  solve,
  touchesOf,
} from '../pose/index.ts';
import { GRAVITY, USUAL_BODY } from './body.ts';
import { contactsOf } from './contacts.ts';
import { L5_S1 } from './joints.ts';
import { BESIDE, handLoad, heightsOf, LET_STAND, leastsOf, ofSides, seenFromTheSide } from './least.ts';
import { type Cuts, levelAt } from './levels.ts';
import { BACK_ARM } from './moments.ts';
import { BAND_N, type Frame, heldAs, LOW_BACK_ACTION_N, stillFrames } from './rep.ts';
import { NOTHING_HELD } from './statics.ts';

/**
 * Compression at the lowest joint of the spine, N, from which a level begins: standing is 500, rising from a chair some
 * 1,900, a free squat 2,400 by this reckoning; the highest is the action limit for lifting at work (NIOSH 1981, from
 * memory). Estimates but for that one.
 */
const LOW_BACK_CUTS = [1300, 1800, 2600, LOW_BACK_ACTION_N] as const;
/** A swung weight is turned round at the bottom with more than its weight. Estimate, of quick lifts 1.3 to 1.8. */
const SWUNG = 1.4;
/** Reps a minute from which a weight is swung rather than lifted. Estimate. */
const SWUNG_FROM = 20;
/** How far a swung hand rises in a rep, m: one that carries stays where it is. Estimate. */
const SWUNG_BY = 0.2;
/** Moments of a rep that are looked at. */
const MOMENTS = 12;
/** What is stood on is an edge from this height, m: lower it is a cushion. */
const EDGE_FROM = 0.04;
/** How far beside the head a weight still hangs over the face, m; how far a lying trunk rises. */
const OVER_FACE = 0.1;
const LIES_FLAT = 25;

/** Poses of a drawing: its key poses, or every moment of its rep. */
const solvedOf = (figure: DrawnFigure, steps: number | null): Solved[] =>
  steps === null
    ? figure.poses.map((pose) => solve(pose, figure.view))
    : Array.from({ length: steps + 1 }, (_, i) => solve(poseAt(figure, i / steps), figure.view));

/** Key poses that somebody could stop in, with what bears in them. */
const stillsOf = (figure: DrawnFigure, kg: number): Frame[] =>
  stillFrames(figure, kg > 0 ? heldAs(figure, kg) : NOTHING_HELD);

/** How far a trunk leans ahead for each degree that the knees beneath it bend: a free squat of 110° leans by 44. Estimate. */
const LEANS = 0.4;

/**
 * Compression at the lowest joint of the spine of somebody who stands and is seen from the front, N, where the lean of
 * the trunk points at the eye: by what of the trunk is seen, or as a squat leans at the bend of its knees. What is held
 * hangs from the shoulders.
 */
function pressedFromFront(figure: DrawnFigure, kg: number): number {
  const { hip, waist, neck } = solve(figure.poses[0]!, figure.view);
  const trunk = (1 - L5_S1) * distance(hip, waist) + distance(waist, neck);
  const above =
    (MASSES.head.share + MASSES.chest.share + MASSES.loin.share * (1 - L5_S1)) * USUAL_BODY.massKg;
  const arms = 2 * (MASSES.upperArm.share + MASSES.forearm.share + MASSES.hand.share) * USUAL_BODY.massKg;
  const poses = figure.poses.map((pose) => ({ pose, s: solve(pose, figure.view) }));
  const sits = poses.every(({ s }) => touchesOf(figure, s).some(({ part }) => part === 'hip'));
  return Math.max(
    0,
    ...poses.map(({ pose, s }) => {
      const touches = touchesOf(figure, s);
      const bearing = LIMB_SIDES.filter((side) => touches.some((t) => t.part === 'foot' && t.side === side));
      // Who sits, lies or props leans where they like.
      const others = touches.some(({ part }) => part !== 'foot' && part !== 'hand' && part !== 'hip');
      if (sits || bearing.length === 0 || others) return 0;
      const knees = Math.max(...bearing.map((side) => kneeBend(s, side)));
      const folded = (Math.acos(Math.min(1, pose.seen ?? 1)) * 180) / Math.PI;
      const lean = (Math.max(folded, LEANS * knees) * Math.PI) / 180;
      const ahead = Math.sin(lean) * trunk;
      const moment = GRAVITY * (above * 0.5 * ahead + (arms + kg) * ahead);
      return moment / BACK_ARM + GRAVITY * (above + arms + kg) * Math.cos(lean);
    }),
  );
}

/** By how much of its weight a load is swung rather than lifted or carried along: 1 where it isn't. */
function swingOf(move: Pick<Move, 'needs' | 'pace'>, figure: DrawnFigure): number {
  if (handLoad(move) === null || (move.pace?.[1] ?? 0) < SWUNG_FROM) return 1;
  const heights = solvedOf(figure, MOMENTS).map((s) => s.arms[0].end[1]);
  return Math.max(...heights) - Math.min(...heights) > SWUNG_BY ? SWUNG : 1;
}

/** The level of load on the low back: what its muscles and all above it press together. */
function lowBackLevel(move: Pick<Move, 'needs' | 'pace'>, figure: DrawnFigure): number {
  const load = handLoad(move);
  const held = load?.middling ?? 0;
  // Only what the back's own muscles make: bracing is the belly's row.
  const side = stillsOf(figure, held).map(({ lowBack }) => (lowBack.moment > 0 ? lowBack.compression : 0));
  const hanging = held * (heldAs(figure, held).filter((one) => one === held).length === 2 ? 2 : 1);
  const pressed = Math.max(0, ...side, figure.view === 'front' ? pressedFromFront(figure, hanging) : 0);
  const swung = pressed > LOW_BACK_CUTS[1] ? swingOf(move, figure) : 1;
  return LOW_BACK_CUTS.filter((cut) => pressed * swung >= cut).length;
}

/** Hands that bear by a flat hand or a fist, not by a grip. */
const handsOn = (figure: DrawnFigure, s: Solved): number =>
  new Set(
    contactsOf(figure, s)
      .filter(({ part, kind }) => part === 'hand' && kind !== 'grip')
      .map(({ side }) => side),
  ).size;

/** Both hands bear, and in another moment one alone does, with somebody leaning on it. */
function leaves(figure: DrawnFigure, moments: readonly Solved[]): boolean {
  const bear = moments.map((s) => handsOn(figure, s));
  return bear.includes(2) && bear.includes(1);
}

/** An arm goes overhead where it points along the trunk, by the cosine of the angle between. */
const OVERHEAD = 0.5;

/** How far from the hip to the neck and on a hand reaches, as a cosine. */
function alongTrunk(s: Solved, side: 0 | 1): number {
  const [trunk, arm] = [
    [s.neck[0] - s.hip[0], s.neck[1] - s.hip[1]],
    [s.arms[side].end[0] - s.neck[0], s.arms[side].end[1] - s.neck[1]],
  ] as const;
  return (trunk[0] * arm[0] + trunk[1] * arm[1]) / (Math.hypot(...trunk) * Math.hypot(...arm) || 1);
}

/** What the hands hold bears, above the head, and below it nothing but toes. */
const hangs = (figure: DrawnFigure, stills: readonly Solved[]): boolean =>
  stills.some((s) => {
    const all = contactsOf(figure, s);
    const below = all.filter(({ kind }) => kind !== 'grip');
    if (below.length === all.length) return false;
    if (below.length === 0) return true;
    const overhead = LIMB_SIDES.some((side) => alongTrunk(s, side) > OVERHEAD);
    const flat = LIMB_SIDES.some((side) => below.filter((one) => one.side === side).length > 1);
    return overhead && !flat && below.every(({ part }) => part === 'foot');
  });

/**
 * What a usual adult's grip can make, N: the middle of men's 44 and women's 27 kg over all ages (Massy-Westropp 2011, from
 * memory).
 */
const GRIP_N = 345;
/**
 * Shares of it from which a hand that stays closed through a set is at a level: where a held muscle begins to shut off its
 * own blood (Rohmert 1960, from memory), and where a squeeze raises the blood pressure within seconds (estimate).
 */
const CLENCHED: Cuts = [
  [0.45, 3],
  [0.15, 2],
];
/** What a hand pulls on that isn't a weight: as hard as a band, unless more is drawn. */
const PULLED_ON: ReadonlySet<string> = new Set(['band', 'towel', 'pull anchor', 'high anchor']);

/** What a hand that bears is pulled by, along its arm, N: one that leans on what it holds isn't closed hard. */
function pulledBy({ standing, solved }: Frame, side: 0 | 1): number {
  const { root, end } = solved.arms[side];
  const far = distance(root, end) || 1;
  return standing.reactions
    .filter((one) => one.part === 'hand' && one.kind === 'grip' && one.side === side)
    .reduce(
      (sum, { force: [x, y] }) => sum + Math.max(0, (x * (end[0] - root[0]) + y * (end[1] - root[1])) / far),
      0,
    );
}

/** How hard hands stay closed, as the level of the harder one. */
function clenchLevel(move: Pick<Move, 'id' | 'needs' | 'pace'>, figure: DrawnFigure): number {
  const needs = (what: (id: string) => boolean) => move.needs.some((need) => what(need.what));
  const has = (...things: string[]) => figure.props.some(({ is }) => things.includes(is));
  const load = handLoad(move);
  // A weight that lies on somebody is only kept there.
  const kg = LET_STAND[`${move.id} wrist.load`] ? 0 : (load?.middling ?? 0);
  const drawn = heldAs(figure, kg);
  // A weight that isn't drawn, or points at the eye, is taken to be one in each hand.
  const held = Math.max(...drawn) || kg;
  // A loop is round the legs.
  const elastic = needs((id) => PULLED_ON.has(id)) && !has('loop');
  // What is held on to steadies, and is let go and taken again.
  const steadies = needs((id) => id === 'hand hold');
  const frames = figure.above || steadies ? [] : stillsOf(figure, kg);
  const newtons = Math.max(
    held * GRAVITY * swingOf(move, figure),
    elastic ? BAND_N : 0,
    ...ofSides(frames, pulledBy),
  );
  return Math.max(
    load !== null || newtons > 0 || has('rope', 'stick') ? 1 : 0,
    levelAt(CLENCHED, newtons / GRIP_N),
  );
}

/** The ball of a foot stands on something raised, and its heel over nothing. */
const onEdge = (figure: DrawnFigure, stills: readonly Solved[]): boolean =>
  stills.some((solved) =>
    touchesOf(figure, solved).some(({ part, side }) => {
      if (part !== 'foot') return false;
      const { tip, heel } = solved.legs[side!];
      const under = groundsAt(figure, tip[0]).find((h) => h > EDGE_FROM && Math.abs(tip[1] - h) < EDGE_FROM);
      return under !== undefined && !groundsAt(figure, heel[0]).some((h) => Math.abs(h - under) < EDGE_FROM);
    }),
  );

/** Lying on the back, with a held weight where it would fall on the face. */
const overFace = (moments: readonly Solved[]): boolean =>
  moments.some((s) => {
    const rise = Math.abs(Math.asin((s.neck[1] - s.hip[1]) / (distance(s.neck, s.hip) || 1)) * 57.3);
    if (rise > LIES_FLAT || s.hip[1] > 0.6) return false;
    const [from, to] = [Math.min(s.headBase[0], s.crown[0]), Math.max(s.headBase[0], s.crown[0])];
    return LIMB_SIDES.some((side) => {
      const [x, y] = s.arms[side].end;
      return x > from - OVER_FACE && x < to + OVER_FACE && y > s.crown[1] + FLESH.shoulder;
    });
  });

/** How far the upper arms come apart behind the chest can't be seen from one side: what muscles it is for says it. */
const opensChest = (move: Pick<Move, 'muscles' | 'pattern' | 'unit'>): boolean =>
  move.pattern === 'stretch' && (move.muscles.chest ?? 0) >= 0.4;

/** What a move is looked at for when its drawing is read. */
export type DrawnMove = Pick<Move, 'id' | 'needs' | 'pace' | 'muscles' | 'pattern' | 'unit' | 'posture'>;

/**
 * Figures that only a drawing knows, of {@link DRAWN_KEYS}, at the height that is drawn and the middling of its weights.
 * Null where the drawing can't say: not known, and barred where it is asked.
 */
function drawnRows(move: DrawnMove, figure: DrawnFigure | null): Record<DrawnKey, number | null> {
  const chest = opensChest(move) ? 2 : 0;
  const unknown = Object.fromEntries(DRAWN_KEYS.map((key) => [key, null])) as Record<DrawnKey, null>;
  if (!figure) return { ...unknown, 'chest.open': chest };
  const load = handLoad(move);
  // Seen from above somebody lies and nothing bears but the floor; with a weight nobody can tell.
  if (figure.above)
    return {
      'spine.load': load ? null : 0,
      'hands.leave': 0,
      'hands.hang': 0,
      'hands.clench': clenchLevel(move, figure),
      'feet.edge': 0,
      'head.under': load ? null : 0,
      'chest.open': chest,
    };
  const moments = solvedOf(figure, MOMENTS);
  const stills = solvedOf(figure, null);
  return {
    'spine.load': lowBackLevel(move, figure),
    'hands.leave': leaves(figure, moments) ? 1 : 0,
    'hands.hang': hangs(figure, stills) ? 1 : 0,
    'hands.clench': clenchLevel(move, figure),
    'feet.edge': onEdge(figure, stills) ? 1 : 0,
    'head.under': load && overFace(moments) ? 1 : 0,
    'chest.open': chest,
  };
}

const isLeast = (key: DemandKey): key is LeastKey => (LEAST_KEYS as readonly string[]).includes(key);

/** All that one drawing says: what only it knows, and the least of what an author may say more of. */
function rowsAt(move: DrawnMove, figure: DrawnFigure | null): Map<DrawnKey | LeastKey, number | null> {
  const rows = new Map<DrawnKey | LeastKey, number | null>(
    Object.entries(drawnRows(move, figure)) as [DrawnKey, number | null][],
  );
  if (figure && !figure.above && !seenFromTheSide(figure)) for (const key of BESIDE) rows.set(key, null);
  for (const { key, least } of figure ? leastsOf(move, figure) : []) {
    if (isLeast(key) && !LET_STAND[`${move.id} ${key}`]) rows.set(key, Math.max(least, rows.get(key) ?? 0));
  }
  return rows;
}

/**
 * What a move's drawings say of its figures, at every height of what it is done on: a number, null where they can't say,
 * or one for each height where it isn't the same at all. `draw` draws it with what is used so many centimetres high.
 */
export function readDrawing(
  move: DrawnMove & Pick<Move, 'surface'>,
  draw: ((cm: number) => DrawnFigure) | null,
): Drawn {
  const heights = draw ? heightsOf(move) : [move.surface?.usualCm ?? 0];
  const rows = heights.map((cm) => rowsAt(move, draw ? draw(cm) : null));
  const keys = [...DRAWN_KEYS, ...LEAST_KEYS].filter((key) => rows.some((row) => row.has(key)));
  const said: Drawn = {};
  for (const key of keys) {
    // A row that isn't there at a height is one of those whose least is nothing there.
    const seen = rows.map((row) => (row.has(key) ? (row.get(key) ?? null) : 0));
    // What shows at one height and not at another is nothing there that anybody could see.
    const found = isLeast(key) && seen.some(Boolean) ? seen.map((one) => one ?? 0) : seen;
    const first = found[0] ?? null;
    if (found.includes(null)) said[key] = null;
    else if (found.some((one) => one !== first)) {
      const points = heights.map((cm, i): [number, number] => [cm, found[i] ?? 0]);
      // A height between two of the same says nothing.
      said[key] = points.filter(
        ([, n], i) => i === 0 || i === points.length - 1 || n !== found[i - 1] || n !== found[i + 1],
      );
    } else if (first !== 0 || !isLeast(key)) said[key] = first;
  }
  return said;
}
