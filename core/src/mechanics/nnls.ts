/** Stops long before this; a bound so that nothing runs for ever. */
const MOST_STEPS = 200;
const TINY = 1e-10;
/** Times that what comes out below nought is let go, before it is gone about one by one. */
const GUESSES = 4;

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
  // Solved at every pose of every form: loops rather than lists, and most of the rows have one entry.
  const gram = Array.from({ length: n }, () => new Array<number>(n).fill(0));
  const aim = new Array<number>(n).fill(0);
  for (let k = 0; k < matrix.length; k++) {
    const row = matrix[k]!;
    for (let i = 0; i < n; i++) {
      const one = row[i]!;
      if (one === 0) continue;
      aim[i]! += one * right[k]!;
      for (let j = i; j < n; j++) gram[i]![j]! += one * row[j]!;
    }
  }
  for (let i = 0; i < n; i++) for (let j = 0; j < i; j++) gram[i]![j] = gram[j]![i]!;
  const x = Array<number>(n).fill(0);
  const free = new Set<number>();
  // What was tried and let go at once isn't tried again before something else has moved.
  const idle = new Set<number>();
  const enough = TINY * (1 + Math.max(...aim.map(Math.abs), 0));
  const slope = (i: number) => {
    let sum = aim[i]!;
    for (let j = 0; j < n; j++) sum -= gram[i]![j]! * x[j]!;
    return sum;
  };
  // Mostly nearly all of them are above nought: those that come out below are let go, and if none of them is then
  // missed this is the answer, of which there is one.
  let ids = Array.from({ length: n }, (_, i) => i);
  for (let turn = 0; turn < GUESSES && ids.length > 0; turn++) {
    const tried = solveSquare(
      ids.map((i) => ids.map((j) => gram[i]![j]!)),
      ids.map((i) => aim[i]!),
    );
    if (!tried) break;
    if (tried.every((value) => value > 0)) {
      ids.forEach((i, k) => {
        x[i] = tried[k]!;
      });
      if (x.every((value, i) => value > 0 || slope(i) <= enough)) return x;
      x.fill(0);
      break;
    }
    ids = ids.filter((_, k) => tried[k]! > 0);
  }
  for (let turn = 0; turn < MOST_STEPS; turn++) {
    let next = -1;
    let most = enough;
    for (let i = 0; i < n; i++) {
      if (free.has(i) || idle.has(i)) continue;
      const gain = slope(i);
      if (gain > most) {
        most = gain;
        next = i;
      }
    }
    if (next < 0) break;
    free.add(next);
    let moved = 0;
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
      // As far along as nothing goes below nought; what stops it is let go.
      let step = 1;
      ids.forEach((i, k) => {
        if (tried[k]! <= 0) step = Math.min(step, x[i]! / (x[i]! - tried[k]! || 1));
      });
      const whole = tried.every((value) => value > 0);
      ids.forEach((i, k) => {
        const to = whole ? tried[k]! : x[i]! + step * (tried[k]! - x[i]!);
        moved = Math.max(moved, Math.abs(to - x[i]!));
        x[i] = to;
        if (!whole && to <= TINY) {
          x[i] = 0;
          free.delete(i);
        }
      });
      if (whole || free.size === 0) break;
    }
    if (moved > TINY) idle.clear();
    else idle.add(next);
  }
  return x;
}
