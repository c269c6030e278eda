import { type Demand, type DemandKey, type Move, unsafeEnd } from '../move/index.ts';
import type { DrawnFigure } from '../pose/index.ts';
import { leastsOf, mostOnHands } from './least.ts';

/** A figure that a move's drawing says is more than the library has. */
interface LoadFinding {
  readonly key: DemandKey;
  /** The least that it is, in the unit of its row. */
  readonly least: number;
  readonly says: string;
}

/** Per cent of weight by which hands may bear more than the library has. The published figures lie within. */
const HANDS_APART = 10;

/** What a move's drawing shows to be more than its figures say; empty where they are at least as careful. */
export function loadFindings(
  move: Pick<Move, 'needs' | 'unit'>,
  demand: Demand,
  figure: DrawnFigure,
): LoadFinding[] {
  const stated = unsafeEnd(demand['wrist.load']);
  const hands = stated > 0 && !figure.above ? mostOnHands(figure) : 0;
  const bearing =
    hands > stated + HANDS_APART
      ? [
          {
            key: 'wrist.load' as const,
            least: hands,
            why: `drawn with ${hands} % of the weight on the hands`,
          },
        ]
      : [];
  return [...bearing, ...leastsOf(move, figure)]
    .filter(({ key, least }) => least > unsafeEnd(demand[key]))
    .map(({ key, least, why }) => ({
      key,
      least,
      says: `${least} at the least, ${why}; the library has ${unsafeEnd(demand[key])}`,
    }));
}
