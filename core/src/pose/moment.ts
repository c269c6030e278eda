/** Of a drawing, what a moment of its rep goes by. */
interface Timed {
  readonly poses: readonly unknown[];
  readonly back: boolean;
}

/** Between which key poses a moment of a rep (0 to 1, there and back) lies: from the one at `i`, `k` of the way to the next. */
export function placeAt({ poses, back }: Timed, t: number): { readonly i: number; readonly k: number } {
  const n = poses.length - 1;
  if (n <= 0) return { i: 0, k: 0 };
  const way = back ? (t < 0.5 ? t * 2 : 2 - t * 2) : t;
  const at = Math.min(n, Math.max(0, way * n));
  const i = Math.min(n - 1, Math.floor(at));
  return { i, k: at - i };
}

/** The moment of a rep, 0 to 1, at which a key pose, or a place between two, is first reached. */
export const momentOf = ({ poses, back }: Timed, at: number): number =>
  ((back ? 0.5 : 1) * at) / Math.max(1, poses.length - 1);
