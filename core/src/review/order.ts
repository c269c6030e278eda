import { formatEntry } from '../clock/index.ts';
import { type Library, rungDemand } from '../ladder/index.ts';
import { type Capability, type DemandKey, MUSCLES } from '../move/index.ts';
import type { Block, Station } from '../session/index.ts';

/** What makes two stations poor neighbours, in the same milli-points as everything else. Common practice. */
const NEIGHBOUR = {
  /** Getting down or up between them. */
  floorChange: 3000,
  /** The same joint loaded twice running: wrists, knees, shoulders, a braced front. */
  sameJoint: 3000,
  /** And a third time: the mistake that is made most. */
  thirdRunning: 9000,
  /** All the same muscles; in proportion below. */
  sameMuscles: 4000,
  /** Two of the hard ones together. */
  bothHard: 2000,
  /** Two easy ones together: the pulse is let down. */
  bothEasy: 1500,
  /** A thing fetched or left behind between them, each. */
  things: 500,
  /** A hard one to open with, or something down on the floor. */
  hardOpener: 2500,
} as const;

/** Work from here on is hard: vigorous begins at 6 MET (2024 Adult Compendium of Physical Activities). */
export const HARD_MET = 6;
/** Work this light lets the pulse down. Estimate. */
const EASY_MET = 3.5;
/** Things one walks to; walls and mats are everywhere. */
const FETCHED: ReadonlySet<Capability> = new Set([
  'firm surface',
  'seat',
  'step',
  'hand load',
  'pull anchor',
  'high anchor',
  'low bar',
  'high bar',
  'back edge',
  'band',
  'ball',
  'rope',
  'slider',
  'couch',
]);

const isRing = (block: Block) => formatEntry(block.format.kind).ring(block.format);

interface Traits {
  readonly floor: boolean;
  readonly joints: readonly boolean[];
  readonly muscles: readonly number[];
  readonly hard: boolean;
  readonly easy: boolean;
  readonly things: ReadonlySet<Capability>;
}

function traitsOf(library: Library, station: Station): Traits {
  const demand = rungDemand(library, {
    move: station.move,
    ...(station.settings ? { settings: station.settings } : {}),
  });
  const move = library.move(station.move);
  const atLeast = (key: DemandKey, most: number) =>
    demand ? (demand[key].hi ?? Number.POSITIVE_INFINITY) >= most : false;
  return {
    floor: atLeast('posture.floor', 1),
    joints: [
      atLeast('wrist.load', 30),
      atLeast('knee.load', 3),
      atLeast('shoulder.load', 3),
      atLeast('strain.belly', 3),
    ],
    muscles: MUSCLES.map((muscle) => move?.muscles[muscle] ?? 0),
    hard: atLeast('effort.met', HARD_MET),
    easy: demand ? (demand['effort.met'].hi ?? 0) < EASY_MET : false,
    things: new Set((move?.needs ?? []).map((need) => need.what).filter((what) => FETCHED.has(what))),
  };
}

/** Things one of two stations needs and the other doesn't. */
const fetched = (a: Traits, b: Traits): number =>
  [...a.things].filter((what) => !b.things.has(what)).length +
  [...b.things].filter((what) => !a.things.has(what)).length;

const overlap = (a: readonly number[], b: readonly number[]) =>
  a.reduce((sum, share, i) => sum + Math.min(share, b[i]!), 0);

/** What it costs to go from each station to each other, and to open with each. */
export interface OrderCosts {
  readonly pair: readonly (readonly number[])[];
  readonly first: readonly number[];
  /** More than one round: the last is followed by the first. */
  readonly ring: boolean;
  /** Joints each station loads; three running of one joint cost more than their pairs. */
  readonly loads?: readonly (readonly boolean[])[];
}

export function orderCosts(library: Library, block: Block): OrderCosts {
  const traits = block.stations.map((station) => traitsOf(library, station));
  return {
    pair: traits.map((a, i) =>
      traits.map((b, k) => {
        if (i === k) return 0;
        const joints = a.joints.filter((loaded, j) => loaded && b.joints[j]).length;
        return (
          (a.floor === b.floor ? 0 : NEIGHBOUR.floorChange) +
          joints * NEIGHBOUR.sameJoint +
          Math.round(overlap(a.muscles, b.muscles) * NEIGHBOUR.sameMuscles) +
          (a.hard && b.hard ? NEIGHBOUR.bothHard : 0) +
          (a.easy && b.easy ? NEIGHBOUR.bothEasy : 0) +
          fetched(a, b) * NEIGHBOUR.things
        );
      }),
    ),
    first: traits.map((t) => (t.hard || t.floor ? NEIGHBOUR.hardOpener : 0)),
    ring: isRing(block),
    loads: traits.map((t) => t.joints),
  };
}

/** Cost of the openers, the neighbours and, in a ring, the seam. */
function costOfPairs(costs: OrderCosts, order: readonly number[]): number {
  if (order.length === 0) return 0;
  let cost = costs.first[order[0]!]!;
  for (let i = 1; i < order.length; i++) cost += costs.pair[order[i - 1]!]![order[i]!]!;
  return cost + (costs.ring && order.length > 1 ? costs.pair[order.at(-1)!]![order[0]!]! : 0);
}

/** How often a joint is loaded three times running. */
function thirds(costs: OrderCosts, order: readonly number[]): number {
  const { loads, ring } = costs;
  const n = order.length;
  if (!loads || n < 3) return 0;
  let count = 0;
  for (let i = 0; i < (ring && n > 3 ? n : n - 2); i++) {
    const [a, b, c] = [loads[order[i]!]!, loads[order[(i + 1) % n]!]!, loads[order[(i + 2) % n]!]!];
    for (let j = 0; j < a.length; j++) if (a[j] && b[j] && c[j]) count++;
  }
  return count;
}

/** Cost of one order: openers, neighbours, the seam of a ring, and joints three times running. */
export function costOfOrder(costs: OrderCosts, order: readonly number[]): number {
  return costOfPairs(costs, order) + thirds(costs, order) * NEIGHBOUR.thirdRunning;
}

export interface BestOrder {
  readonly order: readonly number[];
  readonly cost: number;
  readonly before: number;
  /** No order costs less than this; equal to the cost where it is proven. */
  readonly atLeast: number;
}

/** Above this the exact search gives way to improvement by moves. */
export const EXACT_STATIONS = 12;

/**
 * The order of least cost with pinned stations left where they are. Up to {@link EXACT_STATIONS} neighbours are
 * settled exactly by dynamic programming (Held and Karp 1962); where that order loads no joint three times
 * running it is proven best, otherwise it is moved and swapped until nothing helps and its pairs alone are the
 * bound. Beyond, moved and swapped with a bound. The given order stands unless another is better.
 */
export function bestOrder(costs: OrderCosts, pinned: readonly boolean[]): BestOrder {
  const n = costs.first.length;
  const given = Array.from({ length: n }, (_, i) => i);
  const before = costOfOrder(costs, given);
  if (n < 3) return { order: given, cost: before, before, atLeast: before };
  const byPairs = n <= EXACT_STATIONS ? (exact(costs, pinned) ?? given) : null;
  const bound = byPairs ? costOfPairs(costs, byPairs) : leastOf(costs);
  let order = given;
  let cost = before;
  const consider = (candidate: readonly number[]) => {
    const c = costOfOrder(costs, candidate);
    if (c < cost) {
      cost = c;
      order = [...candidate];
    }
  };
  if (byPairs) consider(byPairs);
  if (cost > bound) {
    if (byPairs) consider(improved(costs, pinned, byPairs));
    consider(improved(costs, pinned, given));
  }
  return { order, cost, before, atLeast: Math.min(cost, bound) };
}

function exact(costs: OrderCosts, pinned: readonly boolean[]): number[] | null {
  const n = costs.first.length;
  const full = (1 << n) - 1;
  const allowed = (station: number, position: number) =>
    pinned[station] ? station === position : !pinned[position];
  let best = Number.POSITIVE_INFINITY;
  let bestOrder: number[] | null = null;
  const cost = new Float64Array((full + 1) * n);
  const from = new Int8Array((full + 1) * n);
  const bits = new Uint8Array(full + 1);
  for (let mask = 1; mask <= full; mask++) bits[mask] = bits[mask >> 1]! + (mask & 1);
  // A ring's seam depends on where it began, so that every opener has a search of its own.
  const openers = costs.ring
    ? Array.from({ length: n }, (_, i) => [i])
    : [Array.from({ length: n }, (_, i) => i)];
  for (const starts of openers) {
    cost.fill(Number.POSITIVE_INFINITY);
    for (const s of starts) if (allowed(s, 0)) cost[(1 << s) * n + s] = costs.first[s]!;
    for (let mask = 1; mask < full; mask++) {
      const position = bits[mask]!;
      for (let last = 0; last < n; last++) {
        const here = cost[mask * n + last]!;
        if (here >= best) continue;
        for (let next = 0; next < n; next++) {
          if (mask & (1 << next) || !allowed(next, position)) continue;
          const then = (mask | (1 << next)) * n + next;
          const total = here + costs.pair[last]![next]!;
          if (total < cost[then]!) {
            cost[then] = total;
            from[then] = last;
          }
        }
      }
    }
    for (let last = 0; last < n; last++) {
      const total = cost[full * n + last]! + (costs.ring ? costs.pair[last]![starts[0]!]! : 0);
      if (total >= best) continue;
      best = total;
      const order: number[] = [];
      let mask = full;
      let at = last;
      while (mask) {
        order.push(at);
        const previous = from[mask * n + at]!;
        mask &= ~(1 << at);
        at = previous;
      }
      bestOrder = order.reverse();
    }
  }
  return bestOrder;
}

/** Swaps, and stations taken out and put in elsewhere, until neither helps; pinned ones stay. */
function improved(costs: OrderCosts, pinned: readonly boolean[], given: readonly number[]): number[] {
  let order = [...given];
  let cost = costOfOrder(costs, order);
  const free = given.filter((i) => !pinned[i]);
  for (let better = true; better; ) {
    better = false;
    for (const i of free)
      for (const k of free) {
        if (i === k) continue;
        const swapped = [...order];
        [swapped[i], swapped[k]] = [swapped[k]!, swapped[i]!];
        // Taken out of the free places and put in again among them, so that pins keep theirs.
        const among = free.map((place) => order[place]!);
        const [moved] = among.splice(free.indexOf(i), 1);
        among.splice(free.indexOf(k), 0, moved!);
        const shifted = [...order];
        free.forEach((place, at) => {
          shifted[place] = among[at]!;
        });
        for (const candidate of [swapped, shifted]) {
          const c = costOfOrder(costs, candidate);
          if (c < cost) {
            cost = c;
            order = candidate;
            better = true;
          }
        }
      }
  }
  return order;
}

/** Every station is entered once, save the first of a path: the cheapest way in to each is never beaten. */
function leastOf(costs: OrderCosts): number {
  const n = costs.first.length;
  const into = Array.from({ length: n }, (_, k) =>
    Math.min(
      ...Array.from({ length: n }, (_, i) => (i === k ? Number.POSITIVE_INFINITY : costs.pair[i]![k]!)),
    ),
  );
  const all = into.reduce((sum, c) => sum + c, 0);
  return Math.min(...costs.first) + (costs.ring ? all : all - Math.max(...into));
}

/** What a trainer would count, before and after: times down and up, joints and muscles twice running. */
export interface OrderCount {
  readonly floorChanges: number;
  readonly sameJoint: number;
  readonly sameMuscles: number;
  readonly bothHard: number;
  readonly bothEasy: number;
  readonly things: number;
}

export function countOrder(library: Library, block: Block, order: readonly number[]): OrderCount {
  const traits = order.map((i) => traitsOf(library, block.stations[i]!));
  const count = { floorChanges: 0, sameJoint: 0, sameMuscles: 0, bothHard: 0, bothEasy: 0, things: 0 };
  const pairs = isRing(block) && order.length > 1 ? order.length : order.length - 1;
  for (let i = 0; i < pairs; i++) {
    const a = traits[i]!;
    const b = traits[(i + 1) % traits.length]!;
    if (a.floor !== b.floor) count.floorChanges++;
    if (a.joints.some((loaded, j) => loaded && b.joints[j])) count.sameJoint++;
    if (overlap(a.muscles, b.muscles) >= 0.5) count.sameMuscles++;
    if (a.hard && b.hard) count.bothHard++;
    if (a.easy && b.easy) count.bothEasy++;
    count.things += fetched(a, b);
  }
  return count;
}
