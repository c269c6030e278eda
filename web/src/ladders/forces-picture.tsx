import { SCALE } from '@inner-rung/core/figure';
import {
  type Frame,
  GRAVITY,
  JOINT_ROWS,
  jointAt,
  MOMENT_JOINTS,
  type Rep,
  USUAL_BODY,
} from '@inner-rung/core/mechanics';
import type { DrawnFigure, Point } from '@inner-rung/core/pose';
import { useMemo } from 'react';
import { FigureShapes, THEME } from '../ui/figure-shapes.tsx';

/** Length of an arrow as long as the body's weight is great, in the units of the drawing. */
const WEIGHT_LONG = 90;
/** A ring round a joint at its limit. */
const FULL_RING = 17;
const MARGIN = 34;

/** A figure in a moment of its rep with the forces that bear it, and a ring round each joint as great as its share. */
export function ForcesPicture(props: { figure: DrawnFigure; frame: Frame; rep: Rep }) {
  const { figure, frame, rep } = props;
  const place = ([x, y]: Point): Point => [x * SCALE, -y * SCALE];
  const box = useMemo(() => boxOf(rep), [rep]);
  const { standing, solved } = frame;
  const unit = USUAL_BODY.massKg * GRAVITY;
  const rings = MOMENT_JOINTS.flatMap((joint) =>
    ([0, 1] as const).map((side) => ({
      key: `${joint} ${side}`,
      at: place(jointAt(solved, joint, side)),
      share: Math.abs(frame.moments[joint][side]) / (JOINT_ROWS[joint].most * USUAL_BODY.massKg),
    })),
  );
  const [cx, cy] = place(standing.centre);
  const says = standing.reactions
    .filter(({ force }) => Math.hypot(...force) > unit * 0.02)
    .map(({ part, force }) => `${part} ${Math.round((Math.hypot(...force) / unit) * 100)} %`)
    .join(', ');
  return (
    <svg
      viewBox={box.join(' ')}
      className="mx-auto h-80 max-w-full"
      role="img"
      aria-label={`Forces: ${says}`}
    >
      <FigureShapes figure={figure} t={frame.t} colours={THEME} floor={[box[0], box[2]]} />
      {rings.map(({ key, at: [x, y], share }) => (
        <circle
          key={key}
          cx={x}
          cy={y}
          r={Math.min(1.3, share) * FULL_RING}
          fill="var(--color-primary)"
          fillOpacity={0.55}
          stroke="var(--color-base-100)"
          strokeWidth={1.5}
        />
      ))}
      {standing.reactions.map(({ part, side, at, force }, k) => {
        const [x, y] = place(at);
        const [dx, dy] = [(force[0] / unit) * WEIGHT_LONG, (-force[1] / unit) * WEIGHT_LONG];
        const long = Math.hypot(dx, dy);
        if (long < 2) return null;
        const [ux, uy] = [dx / long, dy / long];
        return (
          <path
            // biome-ignore lint/suspicious/noArrayIndexKey: a foot bears in two places
            key={`${part}${side}${k}`}
            d={`M${x} ${y}l${dx} ${dy}m${-ux * 7 - uy * 5} ${-uy * 7 + ux * 5}L${x + dx} ${y + dy}l${-ux * 7 + uy * 5} ${-uy * 7 - ux * 5}`}
            fill="none"
            stroke="var(--color-primary)"
            strokeWidth={3}
          />
        );
      })}
      <path
        d={`M${cx - 6} ${cy}h12M${cx} ${cy - 6}v12`}
        stroke="var(--figure-edge)"
        strokeWidth={5}
        strokeLinecap="round"
      />
      <path d={`M${cx - 6} ${cy}h12M${cx} ${cy - 6}v12`} stroke="var(--figure-near)" strokeWidth={2} />
    </svg>
  );
}

/** The frame round all of a rep, in the units of its drawing. */
function boxOf(rep: Rep): readonly [number, number, number, number] {
  const points = rep.frames.flatMap(({ solved, standing }) => [
    solved.crown,
    solved.hip,
    ...solved.arms.flatMap((arm) => [arm.joint, arm.tip]),
    ...solved.legs.flatMap((leg) => [leg.joint, leg.tip, leg.heel]),
    ...standing.reactions.map(({ at }) => at),
  ]);
  const xs = points.map(([x]) => x * SCALE);
  const ys = points.map(([, y]) => -y * SCALE);
  const [left, top] = [Math.min(...xs) - MARGIN, Math.min(...ys) - MARGIN];
  return [left, top, Math.max(...xs) + MARGIN - left, Math.max(0, ...ys) + 12 - top];
}
