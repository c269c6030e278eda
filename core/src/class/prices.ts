/** What going without a form costs one person at the most, in milli-points: an estimate to step by. */
const FAR = 8000;
/** How much of a step is left after one that led nowhere. Estimate. */
export const DAMPED = 0.7;

/** Some kind of piece: by how much more is wanted than there is (below 0 some is left), and its price now. */
interface Wanted {
  readonly over: number;
  readonly price: number;
}

/**
 * How far prices go for each piece too many, in milli-points: Polyak's step from what the prices say towards what a plan
 * costs. Rests are no measure of what a piece is worth until small steps have led nowhere; `late` somebody has to rest,
 * and what is short is worth as much. 0 where nothing is short and nothing that is left has a price.
 */
export function priceStep(
  wanted: readonly Wanted[],
  {
    cost,
    says,
    near,
    people,
    damp,
    late,
  }: Readonly<Record<'cost' | 'says' | 'near' | 'people' | 'damp', number>> & {
    readonly late: boolean;
  },
): number {
  const norm = wanted.reduce((sum, { over, price }) => sum + (over > 0 || price > 0 ? over * over : 0), 0);
  const goal = late ? cost : Math.min(cost, near + FAR * people);
  return norm === 0 ? 0 : (damp * Math.max(1, goal - says)) / norm;
}

/** A price after a step: never below nothing, in whole milli-points. */
export const stepped = ({ over, price }: Wanted, step: number): number =>
  Math.max(0, Math.round(price + step * over));
