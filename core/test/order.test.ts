import {
  bestOrder,
  costOfOrder,
  countOrder,
  EXACT_STATIONS,
  type OrderCosts,
  orderCosts,
} from '@inner-rung/core/review';
import fc from 'fast-check';
import { PLANS } from '../../demo/src/index.ts';
import { circuit } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
function* permutations(list: readonly number[]): Generator<number[]> {
  if (list.length === 0) yield [];
  for (const [i, one] of list.entries())
    for (const rest of permutations(list.filter((_, k) => k !== i))) yield [one, ...rest];
}

const anyCosts = (n: fc.Arbitrary<number>): fc.Arbitrary<OrderCosts> =>
  n.chain((size) =>
    fc.record({
      pair: fc.array(fc.array(fc.integer({ min: 0, max: 9000 }), { minLength: size, maxLength: size }), {
        minLength: size,
        maxLength: size,
      }),
      first: fc.array(fc.integer({ min: 0, max: 3000 }), { minLength: size, maxLength: size }),
      ring: fc.boolean(),
    }),
  );

describe('the best order of stations', () => {
  test('is the best of all orders, as plain enumeration finds it, pins kept', () => {
    fc.assert(
      fc.property(
        anyCosts(fc.integer({ min: 3, max: 6 })),
        fc.array(fc.boolean(), { minLength: 6, maxLength: 6 }),
        (costs, pins) => {
          const n = costs.first.length;
          const pinned = pins.slice(0, n);
          let least = Number.POSITIVE_INFINITY;
          for (const order of permutations(Array.from({ length: n }, (_, i) => i)))
            if (pinned.every((pin, i) => !pin || order[i] === i))
              least = Math.min(least, costOfOrder(costs, order));
          const best = bestOrder(costs, pinned);
          expect(best.cost).toBe(least);
          expect(best.atLeast).toBe(best.cost);
          expect(best.order.every((station, at) => !pinned[station] || station === at)).toBe(true);
        },
      ),
      { numRuns: 150 },
    );
  });
  test('never loses a station, never gets worse, and keeps its bound beyond the exact ones', () => {
    fc.assert(
      fc.property(
        anyCosts(fc.integer({ min: EXACT_STATIONS + 1, max: 18 })),
        fc.array(fc.boolean(), { minLength: 18, maxLength: 18 }),
        (costs, pins) => {
          const n = costs.first.length;
          const pinned = pins.slice(0, n);
          const best = bestOrder(costs, pinned);
          expect([...best.order].sort((a, b) => a - b)).toEqual(Array.from({ length: n }, (_, i) => i));
          expect(best.cost).toBeLessThanOrEqual(best.before);
          expect(best.atLeast).toBeLessThanOrEqual(best.cost);
          expect(best.order.every((station, at) => !pinned[station] || station === at)).toBe(true);
        },
      ),
      { numRuns: 40 },
    );
  });
  test('two stations, one, or none stay as they are', () => {
    for (const n of [0, 1, 2])
      expect(
        bestOrder({ pair: Array(n).fill(Array(n).fill(5)), first: Array(n).fill(1), ring: true }, []).order,
      ).toEqual(Array.from({ length: n }, (_, i) => i));
  });
  test('a circuit that goes up and down at every station goes down once', () => {
    const upAndDown = circuit(['jumping-jack', 'push-up', 'squat', 'sit-up', 'lunge', 'bridge']);
    const costs = orderCosts(library, upAndDown);
    const best = bestOrder(costs, []);
    const given = [0, 1, 2, 3, 4, 5];
    expect(countOrder(library, upAndDown, given).floorChanges).toBe(6);
    expect(countOrder(library, upAndDown, best.order).floorChanges).toBe(2);
    // It doesn't open on the floor.
    expect(library.demand.get(upAndDown.stations[best.order[0]!]!.move)!['posture.floor'].hi).toBe(0);
  });
  test('the demo’s ten get better in what a trainer counts, or stay', () => {
    const ten = PLANS[0]!.blocks[0]!;
    const costs = orderCosts(library, ten);
    const best = bestOrder(costs, []);
    const total = (order: readonly number[]) =>
      Object.values(countOrder(library, ten, order)).reduce((a, b) => a + b, 0);
    expect(best.cost).toBeLessThan(best.before);
    expect(total(best.order)).toBeLessThan(total(ten.stations.map((_, i) => i)));
  });
});
