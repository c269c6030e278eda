import { ALONG_REACH, type Shape, seenAlong, shapesOf, type Tone } from '@inner-rung/core/figure';
import type { DrawnFigure } from '@inner-rung/core/pose';

/** Colours of a figure's parts, and of the thin edge that keeps a limb apart from what it lies over. */
export type FigureColours = Readonly<Record<Exclude<Tone, 'line'> | 'edge', string>>;

/** By the theme's own colours; black and white when it is printed. */
export const THEME: FigureColours = {
  near: 'var(--figure-near)',
  far: 'var(--figure-far)',
  thing: 'var(--figure-thing)',
  edge: 'var(--figure-edge)',
};
/** On white paper. */
export const PAPER: FigureColours = { near: '#000', far: '#999', thing: '#c2c2c2', edge: '#fff' };

/** A figure at a moment of its rep, standing on its floor from x on for so far, in the units of its drawing. */
export function FigureShapes(props: {
  figure: DrawnFigure;
  t: number;
  colours: FigureColours;
  floor?: readonly [x: number, length: number];
}) {
  const { colours, floor } = props;
  return (
    <>
      {floor && !props.figure.above && (
        <path d={`M${floor[0]} 0h${floor[1]}`} stroke={colours.near} strokeWidth={2} />
      )}
      <PaintedShapes shapes={shapesOf(props.figure, props.t)} colours={colours} />
    </>
  );
}

/** Shapes in the order in which they are painted. */
export function PaintedShapes({ shapes, colours }: { shapes: readonly Shape[]; colours: FigureColours }) {
  return shapes.map(({ d, tone, edged }, i) => (
    <path
      // biome-ignore lint/suspicious/noArrayIndexKey: shapes are painted in one order
      key={i}
      d={d}
      fill={tone === 'line' ? 'none' : colours[tone]}
      {...(tone === 'line'
        ? { stroke: colours.near, strokeWidth: 2.5 }
        : edged
          ? { stroke: colours.edge, strokeWidth: 3, paintOrder: 'stroke' }
          : {})}
    />
  ));
}

/** A figure that turns at a moment of its rep as it is seen from the head, about a place: shoulders over hips. */
export function SeenAlong(props: { figure: DrawnFigure; t: number; x: number; y: number }) {
  return (
    <g transform={`translate(${props.x} ${props.y})`} data-seen="along">
      <circle
        r={ALONG_REACH}
        fill="none"
        stroke="var(--figure-far)"
        strokeWidth={1.5}
        strokeDasharray="3 5"
      />
      <PaintedShapes shapes={seenAlong(props.figure, props.t)} colours={THEME} />
    </g>
  );
}
