import { placeAt } from './moment.ts';

/**
 * What one view of a key pose doesn't show, in degrees; nothing said is nothing turned. To the left is +, as seen by
 * whoever does it, for all but the thighs.
 */
export interface Hidden {
  /** Shoulders turned against the pelvis. */
  readonly trunk?: number;
  /** Head turned against the shoulders. */
  readonly head?: number;
  /** Trunk bent to a side, where the view is from the side. */
  readonly side?: number;
  /** A leg carried across the middle, where the view is from the side. */
  readonly cross?: number;
  /** Thighs turned out (+) or in (−): of the nearer leg, then of the farther. */
  readonly thighs?: readonly [number, number];
}

/** Of a drawing, what its marks go by. */
interface Marked {
  readonly poses: readonly unknown[];
  readonly back: boolean;
  readonly hidden?: readonly Hidden[];
}

export const HIDDEN_PARTS = ['trunk', 'head', 'side', 'cross'] as const;
export type HiddenPart = (typeof HIDDEN_PARTS)[number];

/** As far as each goes in a usual adult, degrees. AAOS norms, from memory. */
export const RANGE_OF: Readonly<Record<HiddenPart, number>> = { trunk: 45, head: 80, side: 35, cross: 30 };
export const THIGH_TURNS = 45;

/** A drawing with a part of what is hidden at a key pose so many degrees; without a mark where none is left. */
export function withHidden<T extends Marked>(figure: T, at: number, part: HiddenPart, degrees: number): T {
  const marks = figure.poses.map((_, i): Hidden => {
    const { [part]: before, ...rest } = figure.hidden?.[i] ?? {};
    const now = i === at ? degrees : (before ?? 0);
    return now === 0 ? rest : { ...rest, [part]: now };
  });
  const { hidden: _, ...bare } = figure;
  const none = marks.every((mark) => Object.keys(mark).length === 0);
  return (none ? bare : { ...bare, hidden: marks }) as T;
}

const between = (a: number, b: number, k: number): number => a + (b - a) * k;

/** What is hidden at a moment of a rep from 0 to 1, there and back. */
export function hiddenAt(figure: Marked, t: number): Required<Hidden> {
  const { i, k } = placeAt(figure, t);
  const [a = {}, b = a] = [figure.hidden?.[i], figure.hidden?.[i + 1]];
  const part = (of: HiddenPart): number => between(a[of] ?? 0, b[of] ?? 0, k);
  const thigh = (leg: 0 | 1): number => between(a.thighs?.[leg] ?? 0, b.thighs?.[leg] ?? 0, k);
  return {
    trunk: part('trunk'),
    head: part('head'),
    side: part('side'),
    cross: part('cross'),
    thighs: [thigh(0), thigh(1)],
  };
}

/** The same with the other side. */
export const hiddenMirrored = (marks: readonly Hidden[]): Hidden[] =>
  marks.map((mark) => ({
    ...Object.fromEntries(
      HIDDEN_PARTS.flatMap((part) => (mark[part] === undefined ? [] : [[part, -mark[part] || 0]])),
    ),
    ...(mark.thighs ? { thighs: [mark.thighs[1], mark.thighs[0]] as const } : {}),
  }));

/** The most that a part of what is hidden comes to in any key pose, whichever way; 0 where nothing is marked. */
export const mostHidden = (figure: Pick<Marked, 'hidden'>, part: HiddenPart): number =>
  Math.max(0, ...(figure.hidden ?? []).map((mark) => Math.abs(mark[part] ?? 0)));

/** The most that a thigh of some sides is turned out, and in. */
export function mostTurned(
  figure: Pick<Marked, 'hidden'>,
  sides: readonly (0 | 1)[] = [0, 1],
): { readonly out: number; readonly in: number } {
  const all = (figure.hidden ?? []).flatMap(({ thighs }) =>
    thighs ? sides.map((side) => thighs[side]) : [],
  );
  return { out: Math.max(0, ...all), in: Math.max(0, ...all.map((one) => -one)) };
}
