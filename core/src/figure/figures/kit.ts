import type { DrawnFigure, KeyPose, Prop } from '../../pose/index.ts';

/** A move's figure at a surface so high (m); moves without one ignore it. */
export type Drawn = (surface: number) => DrawnFigure;
export type Figures = Readonly<Record<string, Drawn>>;

/** A figure seen from the side, there and back, with nothing beside it where nothing else is said. */
export const side = (
  poses: readonly KeyPose[],
  props: readonly Prop[] = [],
  more: Partial<DrawnFigure> = {},
): DrawnFigure => ({ view: 'side', poses, props, back: true, ...more });

export const front = (
  poses: readonly KeyPose[],
  props: readonly Prop[] = [],
  more: Partial<DrawnFigure> = {},
): DrawnFigure => ({ view: 'front', poses, props, back: true, ...more });

/** The neighbour's figure with more beside it: a load in the hands, a mat beneath. */
export const withProps =
  (like: Drawn, ...props: Prop[]): Drawn =>
  (surface) => {
    const figure = like(surface);
    return { ...figure, props: [...figure.props, ...props] };
  };

/** One pose held. */
export const held =
  (like: Drawn, at: number): Drawn =>
  (surface) => {
    const figure = like(surface);
    const { flight: _, ...rest } = figure;
    return { ...rest, poses: [figure.poses[at]!] };
  };

export const MAT: Prop = { is: 'mat', from: -1.1, to: 1.1 };
export const chair = (height: number, x = 0, back = true): Prop => ({ is: 'seat', x, height, back });
export const weights: Prop = { is: 'dumbbell', in: 'both' };
export const weight: Prop = { is: 'dumbbell', in: 'near' };
export const bell: Prop = { is: 'bell', in: 'both' };
