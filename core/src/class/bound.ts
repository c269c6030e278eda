import { type StationProblem, undominated } from './station.ts';

/** Pieces of which more may be wanted at once than there are. */
export interface Short {
  readonly capacity: number;
  /** How many of them each form takes. */
  readonly takes: Float64Array;
}

/** Sets of forms looked at before the search stops with what it has. */
const NODES = 600;
/** Of those that may be cheaper, so many are tried with the pieces given out person by person. */
const TRIED = 60;
/** Rounds over what is short in which its price for one set of forms is found. */
const ROUNDS = 3;

/**
 * No choice of forms at a station costs less than this once its pieces are counted, in milli-points; at most `cost`,
 * what a plan in hand comes to. Any price on what is short gives a bound for any set of forms (who does one pays for
 * the pieces, and all there are are paid back), so each set gets the price that suits it best, and only the
 * cheapest set counts: tighter than one price for all sets. `ahead` are prices that cut off many at once.
 *
 * Exact but for that: sets are gone through by branching on which form serves whoever has most to gain, as
 * `solveStation` does. `met` is told of every set that may still be cheaper than the plan in hand.
 */
export function boundWithPieces(
  p: StationProblem,
  short: readonly Short[],
  ahead: readonly (readonly number[])[],
  cost: number,
  met: (forms: readonly number[]) => number,
): number {
  const people = p.costs.length;
  const first = p.free === undefined ? [] : [p.free];
  const places = p.most + first.length;
  const takesNoMore = (k: number, f: number) => short.every(({ takes }) => takes[k]! <= takes[f]!);
  const forms = undominated(p, takesNoMore).filter((f) => f !== p.free);
  // One row a price: what everybody pays for each form, and what is paid back.
  const prices = [short.map(() => 0), ...ahead];
  const priced = prices.map((price) => {
    const extra = Float64Array.from(p.show, (_, f) =>
      short.reduce((sum, s, i) => sum + price[i]! * s.takes[f]!, 0),
    );
    return {
      rows: p.costs.map((row) => row.map((c, f) => c + extra[f]!)),
      back: short.reduce((sum, s, i) => sum + price[i]! * s.capacity, 0),
    };
  });
  const shownBy = (chosen: readonly number[]) => chosen.reduce((sum, f) => sum + p.show[f]!, 0);

  /** The most that any price found says of just these forms. */
  const least = (chosen: readonly number[]): number => {
    const price = short.map(() => 0);
    const costOf = (g: number, skip: number): readonly [number, number] => {
      // The cheapest that takes of `skip`, without its price, and the cheapest that doesn't.
      let takes = Number.POSITIVE_INFINITY;
      let free = p.rest;
      for (const f of chosen) {
        let c = p.costs[g]![f]!;
        for (let i = 0; i < short.length; i++) if (i !== skip) c += price[i]! * short[i]!.takes[f]!;
        if (skip >= 0 && short[skip]!.takes[f]! > 0) takes = Math.min(takes, c);
        else free = Math.min(free, c);
      }
      return [takes, free];
    };
    const value = () => {
      let sum = shownBy(chosen) - short.reduce((all, s, i) => all + price[i]! * s.capacity, 0);
      for (let g = 0; g < people; g++) sum += p.weights[g]! * costOf(g, -1)[1];
      return sum;
    };
    let best = value();
    for (let round = 0; round < ROUNDS; round++) {
      const before = best;
      for (let i = 0; i < short.length; i++) {
        const each = Math.max(0, ...chosen.map((f) => short[i]!.takes[f]!));
        if (each === 0) continue;
        // Who gains most by them keeps them; the price is what the first without them would have gained.
        const gains: (readonly [number, number])[] = [];
        for (let g = 0; g < people; g++) {
          const [takes, free] = costOf(g, i);
          if (takes < free) gains.push([(free - takes) / each, p.weights[g]! * each]);
        }
        gains.sort((a, b) => b[0] - a[0]);
        let left = short[i]!.capacity;
        let fits = 0;
        for (const [gain, takes] of gains) {
          left -= takes;
          if (left >= 0) continue;
          fits = gain;
          break;
        }
        const was = price[i]!;
        price[i] = fits;
        const now = value();
        if (now > best) best = now;
        else price[i] = was;
      }
      if (best <= before) break;
    }
    return best;
  };

  let bound = cost;
  let inHand = cost;
  let nodes = 0;
  let tried = 0;
  const branch = (chosen: readonly number[], allowed: readonly number[], isNew: boolean): void => {
    if (nodes++ > NODES) {
      // It has gone on for long: what may still lie here is worth no less than the best price says.
      const { most } = reach(chosen, allowed);
      bound = Math.min(bound, isNew ? Math.min(least(chosen), most) : most);
      return;
    }
    if (isNew) {
      const here = least(chosen);
      if (here < inHand) {
        if (tried++ < TRIED) inHand = Math.min(inHand, met(chosen));
        bound = Math.min(bound, here);
      }
    }
    if (chosen.length >= places || allowed.length === 0) return;
    const { most, row, now } = reach(chosen, allowed);
    if (most >= inHand) return;
    // Nobody gains: what may still lie here is worth no less than the best price says.
    if (row === null) {
      bound = Math.min(bound, most);
      return;
    }
    const better = allowed.filter((f) => row[f]! < now).sort((a, b) => row[a]! - row[b]! || a - b);
    let left = allowed;
    // Either this is the best form they get, and none better is shown; or none of these is.
    for (const f of better) {
      left = left.filter((other) => other !== f);
      branch([...chosen, f], left, true);
    }
    branch(chosen, left, false);
  };
  /** No set with these and one more of those comes to less, by the price that says most; and who gains most by one. */
  function reach(chosen: readonly number[], allowed: readonly number[]) {
    let leastShow = Number.POSITIVE_INFINITY;
    for (const f of allowed) leastShow = Math.min(leastShow, p.show[f]!);
    const shown = shownBy(chosen) + leastShow;
    let most = Number.NEGATIVE_INFINITY;
    let lead: Float64Array | null = null;
    let now = 0;
    let gain = 0;
    for (const { rows, back } of priced) {
      let sum = shown - back;
      for (let g = 0; g < people; g++) {
        const row = rows[g]!;
        let has = p.rest;
        for (const f of chosen) has = Math.min(has, row[f]!);
        let best = has;
        for (const f of allowed) best = Math.min(best, row[f]!);
        sum += p.weights[g]! * best;
        const worth = p.weights[g]! * (has - best);
        if (worth > gain) {
          gain = worth;
          lead = row;
          now = has;
        }
      }
      most = Math.max(most, sum);
    }
    return { most, row: lead, now };
  }
  branch(first, forms, true);
  return Math.min(bound, inHand);
}
