import { frameOf, type Shown, wrongOf } from '@inner-rung/core/figure';
import { useMemo } from 'react';
import { FigureShapes, THEME } from './figure-shapes.tsx';

const GAP = 22;

/** A fault beside the pose as it should be: the good one full, the other faint. Nothing where a drawing can't show it. */
export function FaultFigure(props: { shown: Shown; see: string; say: string; className?: string }) {
  const { figure } = props.shown;
  const pair = useMemo(() => wrongOf(figure, props.see), [figure, props.see]);
  if (!pair) return null;
  const [a, b] = [frameOf(pair.right, 1), frameOf(pair.wrong, 1)];
  const top = Math.min(a[1], b[1]);
  const height = Math.max(a[1] + a[3], b[1] + b[3]) - top;
  const second = a[2] + GAP;
  return (
    <svg
      viewBox={`0 ${top} ${second + b[2]} ${height}`}
      className={props.className}
      role="img"
      aria-label={`As it should be; and faint beside it, as it goes wrong: ${props.see}. ${props.say}`}
      data-figure="fault"
    >
      <g transform={`translate(${-a[0]} 0)`}>
        <FigureShapes figure={pair.right} t={0} colours={THEME} floor={[a[0], a[2]]} />
      </g>
      <g transform={`translate(${second - b[0]} 0)`} opacity={0.42}>
        <FigureShapes figure={pair.wrong} t={0} colours={THEME} floor={[b[0], b[2]]} />
      </g>
    </svg>
  );
}
