import type { Library } from '@inner-rung/core/ladder';
import { bestOrder, costOfOrder, EXACT_STATIONS, orderCosts } from '@inner-rung/core/review';
import { PLANS } from '../../demo/src/index.ts';
import { type Row, row, times } from './measure.ts';

/** Plain enumeration is measured at fewer stations: at twelve it would take an hour. */
const ENUMERATED = 8;

function enumerate(costs: ReturnType<typeof orderCosts>, order: number[], at: number): number {
  if (at === order.length) return costOfOrder(costs, order);
  let least = Number.POSITIVE_INFINITY;
  for (let i = at; i < order.length; i++) {
    [order[at], order[i]] = [order[i]!, order[at]!];
    least = Math.min(least, enumerate(costs, order, at + 1));
    [order[at], order[i]] = [order[i]!, order[at]!];
  }
  return least;
}

/** The best order of twelve stations in a ring, proven. */
export function orderRows(library: Library): Row[] {
  const block = PLANS[1]!.blocks[0]!;
  const ring = (n: number) =>
    orderCosts(library, {
      ...block,
      format: { ...block.format, rounds: 3 } as typeof block.format,
      stations: block.stations.slice(0, n),
    });
  const twelve = ring(EXACT_STATIONS);
  const few = ring(ENUMERATED);
  return [
    row(
      `the best order of ${EXACT_STATIONS} stations round a ring, proven`,
      times(20, () => bestOrder(twelve, []), 2),
      300,
      {
        name: `plain enumeration of ${ENUMERATED} stations`,
        samples: times(
          5,
          () =>
            enumerate(
              few,
              Array.from({ length: ENUMERATED }, (_, i) => i),
              0,
            ),
          1,
        ),
      },
    ),
  ];
}
