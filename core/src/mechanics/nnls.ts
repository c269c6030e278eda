/** Stops long before this; a bound so that nothing runs for ever. */
const MOST_STEPS = 200;
const TINY = 1e-10;

/** Solves the square system by elimination with pivots; null where it has no single answer. */
function solveSquare(matrix: readonly (readonly number[])[], right: readonly number[]): number[] | null {
  const n = right.length;
  const rows = matrix.map((row, i) => [...row, right[i]!]);
  for (let c = 0; c < n; c++) {
    let best = c;
    for (let r = c + 1; r < n; r++) if (Math.abs(rows[r]![c]!) > Math.abs(rows[best]![c]!)) best = r;
    if (Math.abs(rows[best]![c]!) < TINY) return null;
    [rows[c], rows[best]] = [rows[best]!, rows[c]!];
    const pivot = rows[c]!;
    for (let r = c + 1; r < n; r++) {
      const factor = rows[r]![c]! / pivot[c]!;
      if (factor === 0) continue;
      for (let k = c; k <= n; k++) rows[r]![k]! -= factor * pivot[k]!;
    }
  }
  const x = Array<number>(n).fill(0);
  for (let r = n - 1; r >= 0; r--) {
    let sum = rows[r]![n]!;
    for (let k = r + 1; k < n; k++) sum -= rows[r]![k]! * x[k]!;
    x[r] = sum / rows[r]![r]!;
  }
  return x;
}

/**
 * The x, none of it below nought, with the least ‖Ax − b‖: Lawson and Hanson's active set (1974, chapter 23), on the
 * normal equations, for the dozen unknowns that a body's contacts are. `matrix` has a row an equation.
 */
export function nonNegativeLeastSquares(
  matrix: readonly (readonly number[])[],
  right: readonly number[],
): number[] {
  const n = matrix[0]?.length ?? 0;
  const gram = Array.from({ length: n }, (_, i) =>
    Array.from({ length: n }, (_, j) => matrix.reduce((sum, row) => sum + row[i]! * row[j]!, 0)),
  );
  const aim = Array.from({ length: n }, (_, i) =>
    matrix.reduce((sum, row, k) => sum + row[i]! * right[k]!, 0),
  );
  const x = Array<number>(n).fill(0);
  const free = new Set<number>();
  const slope = (i: number) => aim[i]! - gram[i]!.reduce((sum, g, j) => sum + g * x[j]!, 0);
  for (let turn = 0; turn < MOST_STEPS; turn++) {
    let next = -1;
    let most = TINY * (1 + Math.max(...aim.map(Math.abs), 0));
    for (let i = 0; i < n; i++)
      if (!free.has(i) && slope(i) > most) {
        most = slope(i);
        next = i;
      }
    if (next < 0) break;
    free.add(next);
    for (let inner = 0; inner < MOST_STEPS; inner++) {
      const ids = [...free];
      const tried = solveSquare(
        ids.map((i) => ids.map((j) => gram[i]![j]!)),
        ids.map((i) => aim[i]!),
      );
      if (!tried) {
        free.delete(next);
        break;
      }
      if (tried.every((value) => value > 0)) {
        ids.forEach((i, k) => {
          x[i] = tried[k]!;
        });
        break;
      }
      // As far along as nothing goes below nought; what stops it is let go.
      let step = 1;
      ids.forEach((i, k) => {
        if (tried[k]! <= 0) step = Math.min(step, x[i]! / (x[i]! - tried[k]! || 1));
      });
      ids.forEach((i, k) => {
        x[i] = x[i]! + step * (tried[k]! - x[i]!);
        if (x[i]! <= TINY) {
          x[i] = 0;
          free.delete(i);
        }
      });
      if (free.size === 0) break;
    }
  }
  return x;
}
