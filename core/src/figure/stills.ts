import { type DrawnFigure, distance, LIMB_SIDES, momentOf, type Point, solve } from '../pose/index.ts';

/** Flights lower than this show less than where they land, m. */
const SEEN_FLIGHT = 0.12;

/** From so many key poses on, a move that goes somewhere is drawn with one of those between. */
const NEEDS_MIDDLE = 3;
/** Jumps there and back lower than this show more where they land, m. */
const SEEN_LEAP = 0.2;

/** Moments of a rep to be drawn still: the first, the one furthest from it, and one between where the way is long. */
export const stillsOf = (figure: DrawnFigure): readonly number[] => {
  const n = figure.poses.length - 1;
  if (figure.parts) return eachPart(figure);
  if (figure.travels && figure.flight?.from !== 'each' && n + 1 >= NEEDS_MIDDLE) {
    // Half way, the pose that is lowest of those between: what the move goes through.
    const lows = figure.poses.map((pose) => solve(pose, figure.view).neck[1]);
    let middle = figure.back ? Math.round(n / 2) : 1;
    if (!figure.back) for (let i = 1; i < n - 1; i++) if (lows[i]! < lows[middle]!) middle = i;
    const aloft = figure.flight ? Number(figure.flight.from) + 0.5 : n;
    const end = aloft > middle ? aloft : n;
    return [0, middle, end].map((i) => momentOf(figure, i));
  }
  return twoStills(figure);
};
/** A key pose no further than this from one that is shown shows the same, m at any joint. Estimate. */
const SAME = 0.12;

/** Every key pose but those that show what one before them did: there and back is seen once. */
function eachPart(figure: DrawnFigure): readonly number[] {
  const shown: (readonly Point[])[] = [];
  const kept: number[] = [];
  figure.poses.forEach((pose, i) => {
    const s = solve(pose, figure.view);
    const joints = [
      s.hip,
      s.neck,
      ...LIMB_SIDES.flatMap((k) => [s.arms[k], s.legs[k]].flatMap((l) => [l.joint, l.end])),
    ];
    const alike = shown.some((other) => other.every((at, k) => distance(at, joints[k]!) < SAME));
    if (alike) return;
    shown.push(joints);
    kept.push(momentOf(figure, i));
  });
  return kept;
}

const twoStills = (figure: DrawnFigure): readonly number[] =>
  figure.poses.length === 1
    ? [0]
    : figure.back
      ? [0, 0.5]
      : [
          0,
          figure.flight?.from === 'each' && figure.flight.height < SEEN_LEAP
            ? 1 / (figure.poses.length - 1)
            : figure.flight &&
                (figure.flight.height >= SEEN_FLIGHT || figure.props.some((p) => p.is === 'rope'))
              ? ((figure.flight.from === 'each' ? 0 : figure.flight.from) + 0.5) / (figure.poses.length - 1)
              : 0.5,
        ];
