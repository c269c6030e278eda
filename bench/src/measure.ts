export interface Row {
  readonly name: string;
  readonly unit: 'ms' | 'kB' | '%';
  readonly median: number;
  readonly p95: number;
  readonly target: number | null;
  readonly met: boolean | null;
  readonly reference: { readonly name: string; readonly median: number; readonly ratio: number } | null;
}

export function times(runs: number, run: (i: number) => void, warmUp = Math.min(20, runs)): number[] {
  for (let i = 0; i < warmUp; i++) run(i);
  return Array.from({ length: runs }, (_, i) => {
    const start = performance.now();
    run(i);
    return performance.now() - start;
  });
}

const quantile = (sorted: readonly number[], q: number) =>
  sorted[Math.min(sorted.length - 1, Math.ceil(q * sorted.length) - 1)]!;

export function row(
  name: string,
  samples: readonly number[],
  target: number | null,
  reference?: { name: string; samples: readonly number[] },
  unit: Row['unit'] = 'ms',
): Row {
  const sorted = [...samples].sort((a, b) => a - b);
  const median = quantile(sorted, 0.5);
  const p95 = quantile(sorted, 0.95);
  const ref = reference
    ? quantile(
        [...reference.samples].sort((a, b) => a - b),
        0.5,
      )
    : null;
  return {
    name,
    unit,
    median,
    p95,
    target,
    met: target === null ? null : p95 <= target,
    reference: reference && ref !== null ? { name: reference.name, median: ref, ratio: ref / median } : null,
  };
}
