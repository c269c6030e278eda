import { DRAWN_KEYS, type DrawnKey, type Move, type WrittenFigure } from '../move/index.ts';
import {
  type DrawnFigure,
  distance,
  FLESH,
  groundsAt,
  LIMB_SIDES,
  poseAt,
  type Solved,
  solve,
  touchesOf,
} from '../pose/index.ts';
import { contactsOf } from './contacts.ts';
import { handLoad } from './findings.ts';
import { couldStop, type Frame, heldAs, LOW_BACK_ACTION_N, repOf } from './rep.ts';
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
function stillsOf(figure: DrawnFigure, kg: number): Frame[] {
  const held = kg > 0 ? heldAs(figure, kg) : NOTHING_HELD;
  return figure.poses.flatMap((pose) => {
    const rep = repOf({ ...figure, poses: [pose], back: false }, { steps: 1, held });
    return typeof rep === 'string' ? [] : rep.frames.slice(0, 1).filter(couldStop);
  });
}

/** The level of load on the low back: what its muscles and all above it press together. */
function lowBackLevel(move: Pick<Move, 'needs' | 'pace'>, figure: DrawnFigure): number {
  const load = handLoad(move);
  const still = stillsOf(figure, load?.middling ?? 0);
  // Only what the back's own muscles make: bracing is the belly's row.
  const pressed = Math.max(0, ...still.map(({ lowBack }) => (lowBack.moment > 0 ? lowBack.compression : 0)));
  const swung =
    load !== null && (move.pace?.[1] ?? 0) >= SWUNG_FROM && pressed > LOW_BACK_CUTS[1] ? SWUNG : 1;
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

/**
 * Figures that a drawing knows and that nobody types: what a move asks in the rows of {@link DRAWN_KEYS}, at its usual
 * height and the middling of its weights. Null where the drawing can't say: not known, and barred where it is asked.
 */
export function drawnRows(
  move: Pick<Move, 'needs' | 'pace' | 'muscles' | 'pattern' | 'unit' | 'posture'>,
  figure: DrawnFigure | null,
): Record<DrawnKey, WrittenFigure> {
  const chest = opensChest(move) ? 2 : 0;
  const unknown = Object.fromEntries(DRAWN_KEYS.map((key) => [key, null])) as Record<DrawnKey, WrittenFigure>;
  if (!figure) return { ...unknown, 'chest.open': chest };
  const said = (n: number): WrittenFigure => ({ lo: n, hi: n, from: 'drawing' });
  const load = handLoad(move);
  // Seen from above somebody lies and nothing bears but the floor; with a weight nobody can tell.
  if (figure.above)
    return {
      'spine.load': load ? null : said(0),
      'hands.leave': said(0),
      'hands.hang': said(0),
      'feet.edge': said(0),
      'head.under': load ? null : said(0),
      'chest.open': chest,
    };
  const moments = solvedOf(figure, MOMENTS);
  const stills = solvedOf(figure, null);
  return {
    'spine.load': said(lowBackLevel(move, figure)),
    'hands.leave': said(leaves(figure, moments) ? 1 : 0),
    'hands.hang': said(hangs(figure, stills) ? 1 : 0),
    'feet.edge': said(onEdge(figure, stills) ? 1 : 0),
    'head.under': said(load && overFace(moments) ? 1 : 0),
    'chest.open': chest,
  };
}
