import { ROW_SIZE } from '../forms/index.ts';
import { at } from '../move/index.ts';
import type { Room } from '../room/index.ts';
import { LOADED_JOINTS } from '../session/index.ts';
import { boundWithPieces } from './bound.ts';
import { DAMPED, priceStep, stepped } from './prices.ts';
import { capacityOf, Store, type Want } from './sharing.ts';
import { type StationProblem, solveStation } from './station.ts';

/** What a form takes of the room's pieces; null where the room can't host it at all. */
export type WantsOf = (column: number) => readonly Want[] | null;

/** Somebody at a station at a moment, with what they may do there, in columns of that station. */
export interface SeatAt {
  /** Milli-points by option; Infinity where it isn't open. */
  readonly costs: readonly number[];
  readonly wants: readonly (readonly Want[] | null)[];
}

/** What everybody at one moment does: an option each, −1 is rest. */
interface Seated {
  readonly options: readonly number[];
  readonly cost: number;
}

/** Times those who went without are served first, to see whether that is better. */
const TURNS = 4;

/**
 * Gives out the room's pieces among those who are at it at one moment: who has most to lose is served first, each
 * with the best that still can be served; then those who went without are put before the others as long as that
 * helps. Same input, same answer.
 */
export function seatAll(room: Room, seats: readonly SeatAt[], rest: number): Seated {
  const ranked = seats.map(({ costs }) =>
    costs
      .map((cost, option) => ({ cost, option }))
      .filter((one) => one.cost < rest)
      .sort((a, b) => a.cost - b.cost || a.option - b.option),
  );
  const regret = ranked.map((list) => (list[1]?.cost ?? rest) - (list[0]?.cost ?? 0));
  const run = (order: readonly number[]): Seated => {
    const store = new Store(room);
    const options = seats.map(() => -1);
    let cost = 0;
    for (const i of order) {
      const got = ranked[i]!.find(({ option }) => {
        const wants = seats[i]!.wants[option];
        return wants !== null && wants !== undefined && store.take(i, wants);
      });
      options[i] = got?.option ?? -1;
      cost += got?.cost ?? rest;
    }
    return { options, cost };
  };
  let order = seats.map((_, i) => i).sort((a, b) => regret[b]! - regret[a]! || a - b);
  let best = run(order);
  for (let turn = 0; turn < TURNS; turn++) {
    const lost = (i: number) => {
      const option = best.options[i]!;
      return (option < 0 ? rest : seats[i]!.costs[option]!) - (ranked[i]![0]?.cost ?? rest);
    };
    order = [...order].sort((a, b) => lost(b) - lost(a) || regret[b]! - regret[a]! || a - b);
    const next = run(order);
    if (next.cost >= best.cost) break;
    best = next;
  }
  return best;
}

/** Pieces of which more may be wanted at once than there are, and what each column takes of them. */
interface Scarce {
  readonly pools: ReadonlySet<number>;
  readonly capacity: number;
}

export interface WithPieces {
  /** Columns shown, and for each person the column they do; −1 is rest. */
  readonly forms: readonly number[];
  readonly columnOf: readonly number[];
  readonly cost: number;
  readonly atLeast: number;
}

/** Steps of the prices; each is a station solved anew. */
const STEPS = 16;
/** Of the prices met on the way those that said most: they cut off most of the sets. */
const PRICES_KEPT = 3;
/** Forms tried in the place of one that is shown, for each kind of person: the cheapest that take nothing, and of all. */
const TRIED = 4;
const CHEAPEST = 5;

/**
 * One station with the room's pieces counted. Prices on what is scarce are raised step by step, which gives a
 * bound and leads to other forms; what the pieces then allow is worked out person by person over the forms of
 * every step, and over those with one form changed for another. `rowOf` says which row of the problem somebody
 * is. Where nothing is scarce the answer is that of the station alone, proven best.
 */
export function solveWithPieces(
  problem: StationProblem,
  rowOf: readonly number[],
  room: Room,
  wantsOf: WantsOf,
  /** Whether it is to be proven how far from best it may be, which takes most of the time. */
  prove = true,
): WithPieces {
  const people = rowOf.length;
  const { free: anyway } = problem;
  const seat = (some: readonly number[]): WithPieces => {
    const columns =
      anyway === undefined || some.includes(anyway) ? some : [...some, anyway].sort((a, b) => a - b);
    const wants = columns.map(wantsOf);
    const { options, cost } = seatAll(
      room,
      rowOf.map((row) => ({ costs: columns.map((column) => problem.costs[row]![column]!), wants })),
      problem.rest,
    );
    const columnOf = options.map((option) => (option < 0 ? -1 : columns[option]!));
    const forms = columns.filter((column) => columnOf.includes(column));
    const shown = forms.reduce((sum, column) => sum + problem.show[column]!, 0);
    return { forms, columnOf, cost: cost + shown, atLeast: 0 };
  };
  const free = solveStation(problem);
  let best = seat(free.forms);
  let bound = free.atLeast;
  if (best.cost <= bound) return { ...best, atLeast: bound };

  const columns = problem.show.length;
  const wantsAt = Array.from({ length: columns }, (_, column) =>
    problem.costs.some((row) => row[column]! < problem.rest) ? wantsOf(column) : [],
  );
  const sets: Scarce[] = [];
  for (const wants of wantsAt)
    for (const want of wants ?? []) {
      const pools = new Set(want.pools);
      if (sets.some((s) => s.pools.size === pools.size && want.pools.every((p) => s.pools.has(p)))) continue;
      const capacity = capacityOf(room, want);
      if (capacity < people * want.count) sets.push({ pools, capacity });
    }
  // What each form takes of what is scarce, columns down.
  const takes = sets.map(({ pools }) =>
    Float64Array.from(wantsAt, (wants) =>
      (wants ?? []).reduce(
        (sum, want) => sum + (want.pools.every((pool) => pools.has(pool)) ? want.count : 0),
        0,
      ),
    ),
  );
  // First what takes nothing that is short: whoever has such a form needn't rest, whatever a search finds.
  const short = Array.from({ length: columns }, (_, column) => takes.some((of) => of[column]! > 0));
  const spared = solveStation({
    ...problem,
    costs: problem.costs.map((row) => row.map((cost, c) => (short[c] ? Number.POSITIVE_INFINITY : cost))),
  });
  const plain = seat(spared.forms);
  if (plain.cost < best.cost) best = plain;
  const prices: number[] = [];
  const kept: { prices: readonly number[]; says: number }[] = [];
  let current = bound;
  let damp = 1;
  const tried = new Set<number>([...free.forms, ...spared.forms]);
  let forms = free.forms;
  let assigned = free.assigned;
  for (let step = 0; step < STEPS && best.cost > bound; step++) {
    const wanted = sets.map((set, s) => {
      let used = 0;
      assigned.forEach((column, row) => {
        if (column >= 0) used += problem.weights[row]! * takes[s]![column]!;
      });
      return { over: used - set.capacity, price: prices[s] ?? 0 };
    });
    const size = priceStep(wanted, {
      cost: best.cost,
      says: current,
      near: bound,
      people,
      damp,
      late: step >= STEPS / 2,
    });
    if (size === 0) break;
    wanted.forEach((one, s) => {
      prices[s] = stepped(one, size);
    });
    const priced = { ...problem, costs: problem.costs.map((row) => row.slice()) };
    for (let column = 0; column < columns; column++) {
      const price = sets.reduce((sum, _, s) => sum + prices[s]! * takes[s]![column]!, 0);
      if (price > 0) for (const row of priced.costs) row[column]! += price;
    }
    const answer = solveStation(priced);
    const owed = sets.reduce((sum, set, s) => sum + prices[s]! * set.capacity, 0);
    current = Math.floor(answer.atLeast - owed);
    kept.push({ prices: [...prices], says: current });
    if (current > bound) bound = current;
    else damp *= DAMPED;
    ({ forms, assigned } = answer);
    for (const form of forms) tried.add(form);
    const found = seat(forms);
    if (found.cost < best.cost) best = found;
  }
  // One form for another: those met on the way, and some for each kind of person.
  for (const row of problem.costs) {
    const order = [...row.keys()]
      .filter((c) => row[c]! < problem.rest)
      .sort((a, b) => row[a]! - row[b]! || a - b);
    let spare = 0;
    order.slice(0, 60).forEach((column, k) => {
      if (sets.some((_, s) => takes[s]![column]! > 0) ? k >= CHEAPEST : spare++ >= TRIED) return;
      tried.add(column);
    });
  }
  const others = [...tried].sort((a, b) => a - b);
  for (let pass = 0; pass < 3 && best.cost > bound; pass++) {
    const before = best.cost;
    const shown = best.forms;
    const lists = [
      ...(shown.filter((form) => form !== anyway).length < problem.most
        ? others.filter((o) => !shown.includes(o)).map((o) => [...shown, o])
        : []),
      ...shown.flatMap((out) =>
        out === anyway
          ? []
          : others.filter((o) => !shown.includes(o)).map((o) => shown.map((f) => (f === out ? o : f))),
      ),
    ];
    for (const columns of lists) {
      const found = seat([...columns].sort((a, b) => a - b));
      if (found.cost < best.cost) best = found;
    }
    if (best.cost === before) break;
  }
  // What is left open is settled by going through the sets of forms, each at its own prices.
  if (prove && best.cost > bound) {
    const ahead = [...kept].sort((a, b) => b.says - a.says).slice(0, PRICES_KEPT);
    const proven = boundWithPieces(
      problem,
      sets.map(({ capacity }, s) => ({ capacity, takes: takes[s]! })),
      ahead.map((one) => one.prices),
      best.cost,
      (forms) => {
        const found = seat([...forms].sort((a, b) => a - b));
        if (found.cost < best.cost) best = found;
        return found.cost;
      },
    );
    bound = Math.max(bound, Math.floor(proven));
  }
  return { ...best, atLeast: Math.min(best.cost, bound) };
}

/** Positions of what counts as loading a joint, with from where on it does. */
const LOADS = LOADED_JOINTS.map(([, on, least]) => [at(on), least] as const);

/** Which joints a form loads, a bit each; what isn't known loads. */
export function loadsOf(hi: Float64Array, form: number): number {
  return LOADS.reduce(
    (bits, [key, least], j) => (!(hi[form * ROW_SIZE + key]! < least) ? bits | (1 << j) : bits),
    0,
  );
}

/** A joint loaded three stations running is worth so much to avoid: three rungs. Estimate. */
export const RUN_COST = 3000;
/** Bits that are set. */
export const bitsOf = (n: number): number => (n === 0 ? 0 : (n & 1) + bitsOf(n >> 1));
const ALL = 1 << LOADS.length;

// Filled anew by every path, of which a class asks for hundreds.
const STATES: readonly [Float64Array, Float64Array] = [
  new Float64Array(ALL * ALL),
  new Float64Array(ALL * ALL),
];
const LED_FROM: Int32Array[] = [];

/**
 * The way of one person through a block's stations over the forms shown: the cheapest, three stations running on
 * one joint counted in. Exact: the loads of the last two stations are all that what follows has to know; where
 * rounds follow each other, every pair to begin with is tried. `options` by station: cost and loads.
 */
export function pathOver(
  options: readonly (readonly { readonly cost: number; readonly loads: number }[])[],
  ring: boolean,
): { readonly picks: readonly number[]; readonly cost: number } | null {
  const n = options.length;
  if (n < 3 || options.some((list) => list.length === 0)) return null;
  const penalty = (a: number, b: number, c: number) => RUN_COST * bitsOf(a & b & c);
  let best: { picks: readonly number[]; cost: number } | null = null;
  const firsts = new Set(options[0]!.map((o) => o.loads));
  const seconds = new Set(options[1]!.map((o) => o.loads));
  const starts = ring
    ? [...firsts].flatMap((a) => [...seconds].map((b) => [a, b] as const))
    : [[-1, -1] as const];
  // State: loads of the last two stations. What led to a state is read only where the state was reached, so that it
  // needn't be cleared between one start and the next.
  let [costs, next] = STATES;
  while (LED_FROM.length < n) LED_FROM.push(new Int32Array(ALL * ALL));
  const back = LED_FROM;
  for (const [first, second] of starts) {
    costs.fill(Number.POSITIVE_INFINITY);
    options[0]!.forEach((a, i) => {
      if (first >= 0 && a.loads !== first) return;
      options[1]!.forEach((b, k) => {
        if (second >= 0 && b.loads !== second) return;
        const state = a.loads * ALL + b.loads;
        const cost = a.cost + b.cost;
        if (cost < costs[state]!) {
          costs[state] = cost;
          back[1]![state] = i * 64 + k;
        }
      });
    });
    for (let s = 2; s < n; s++) {
      next.fill(Number.POSITIVE_INFINITY);
      const from = back[s]!;
      const here = options[s]!;
      for (let state = 0; state < ALL * ALL; state++) {
        if (costs[state] === Number.POSITIVE_INFINITY) continue;
        const a = Math.floor(state / ALL);
        const b = state % ALL;
        for (let k = 0; k < here.length; k++) {
          const c = here[k]!;
          const cost = costs[state]! + c.cost + penalty(a, b, c.loads);
          const to = b * ALL + c.loads;
          if (cost < next[to]!) {
            next[to] = cost;
            from[to] = state * 64 + k;
          }
        }
      }
      [costs, next] = [next, costs];
    }
    for (let state = 0; state < ALL * ALL; state++) {
      let cost = costs[state]!;
      if (cost === Number.POSITIVE_INFINITY) continue;
      if (ring) {
        const a = Math.floor(state / ALL);
        const b = state % ALL;
        cost += penalty(a, b, first) + penalty(b, first, second);
      }
      if (best && cost >= best.cost) continue;
      const picks = new Array<number>(n);
      let at = state;
      for (let s = n - 1; s >= 2; s--) {
        const code = back[s]![at]!;
        picks[s] = code % 64;
        at = Math.floor(code / 64);
      }
      const code = back[1]![at]!;
      picks[0] = Math.floor(code / 64);
      picks[1] = code % 64;
      best = { picks, cost };
    }
  }
  return best;
}
