/** MET at a pace, piecewise straight through three known points. `met` and `pace` are slow, usual, fast. */
export function metAt(
  pace: number,
  slow: number,
  usual: number,
  fast: number,
  metSlow: number,
  metUsual: number,
  metFast: number,
): number {
  if (pace <= slow) return metSlow;
  if (pace >= fast) return metFast;
  return pace <= usual
    ? metSlow + ((metUsual - metSlow) * (pace - slow)) / (usual - slow)
    : metUsual + ((metFast - metUsual) * (pace - usual)) / (fast - usual);
}

/** The quickest pace that asks for no more than `met`; NaN when even the slowest asks for more. */
export function paceFor(
  met: number,
  slow: number,
  usual: number,
  fast: number,
  metSlow: number,
  metUsual: number,
  metFast: number,
): number {
  if (!(metSlow <= met)) return Number.NaN;
  if (metFast <= met) return fast;
  if (metUsual <= met) return usual + ((fast - usual) * (met - metUsual)) / (metFast - metUsual);
  return slow + ((usual - slow) * (met - metSlow)) / (metUsual - metSlow);
}
