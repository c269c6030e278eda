import {
  pathOver,
  RUN_COST,
  type StationProblem,
  seatAll,
  solveStation,
  solveWithPieces,
  type Want,
} from '@inner-rung/core/class';
import { type EquipmentId, ROOM_EXAMPLE, type Room } from '@inner-rung/core/room';
import fc from 'fast-check';
import loadHighs from 'highs';

const highs = await loadHighs();
const THINGS: readonly EquipmentId[] = ['chair', 'mat', 'cushion'];

interface Instance {
  readonly problem: StationProblem;
  readonly rowOf: readonly number[];
  readonly room: Room;
  readonly wants: readonly (readonly Want[])[];
}

/** A station of up to 6 people and 8 forms in a room with up to three kinds of thing, some of them short. */
const anyInstance: fc.Arbitrary<Instance> = fc
  .record({
    people: fc.integer({ min: 1, max: 6 }),
    forms: fc.integer({ min: 1, max: 8 }),
    most: fc.integer({ min: 1, max: 3 }),
    counts: fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 3, maxLength: 3 }),
  })
  .chain(({ people, forms, most, counts }) =>
    fc
      .record({
        costs: fc.array(
          fc.array(
            fc.oneof(
              { weight: 5, arbitrary: fc.integer({ min: 0, max: 9000 }) },
              { weight: 1, arbitrary: fc.constant(Number.POSITIVE_INFINITY) },
            ),
            { minLength: forms, maxLength: forms },
          ),
          { minLength: people, maxLength: people },
        ),
        show: fc.array(fc.integer({ min: 0, max: 3000 }), { minLength: forms, maxLength: forms }),
        // Nothing, one kind of thing, or either of two.
        wants: fc.array(fc.subarray([0, 1, 2], { maxLength: 2 }), { minLength: forms, maxLength: forms }),
      })
      .map(
        ({ costs, show, wants }): Instance => ({
          problem: {
            costs: costs.map((row) => Float64Array.from(row)),
            weights: costs.map(() => 1),
            show: Float64Array.from(show),
            rest: 100_000,
            most,
          },
          rowOf: costs.map((_, i) => i),
          room: { ...ROOM_EXAMPLE, items: THINGS.map((what, i) => ({ what, count: counts[i]! })) },
          wants: wants.map((pools) => (pools.length === 0 ? [] : [{ pools, count: 1 }])),
        }),
      ),
  );

/** The same as an integer program: forms opened, people served by one of them from one pool, pools no emptier than empty. */
function byProgram({ problem: p, room, wants }: Instance): number {
  const terms: string[] = [];
  const rows: string[] = [];
  const binaries: string[] = [];
  const pools: string[][] = room.items.map(() => []);
  for (let f = 0; f < p.show.length; f++) {
    binaries.push(`y${f}`);
    terms.push(`${p.show[f]} y${f}`);
  }
  p.costs.forEach((row, g) => {
    const serves = [`r${g}`];
    binaries.push(`r${g}`);
    terms.push(`${p.rest} r${g}`);
    row.forEach((cost, f) => {
      if (!Number.isFinite(cost)) return;
      const from = wants[f]![0]?.pools ?? [-1];
      const parts = from.map((pool) => {
        const x = `x${g}_${f}_${pool + 1}`;
        binaries.push(x);
        serves.push(x);
        terms.push(`${cost} ${x}`);
        if (pool >= 0) pools[pool]!.push(x);
        return x;
      });
      rows.push(` o${g}_${f}: ${parts.join(' + ')} - y${f} <= 0`);
    });
    rows.push(` s${g}: ${serves.join(' + ')} = 1`);
  });
  rows.push(` k: ${[...p.show.keys()].map((f) => `y${f}`).join(' + ')} <= ${p.most}`);
  pools.forEach((xs, pool) => {
    if (xs.length > 0) rows.push(` c${pool}: ${xs.join(' + ')} <= ${room.items[pool]!.count}`);
  });
  const solved = highs.solve(
    `Minimize\n obj: ${terms.join(' + ')}\nSubject To\n${rows.join('\n')}\nBinary\n ${binaries.join(' ')}\nEnd`,
  );
  return Math.round(solved.ObjectiveValue);
}

const solve = ({ problem, rowOf, room, wants }: Instance) =>
  solveWithPieces(problem, rowOf, room, (column) => wants[column]!);

test('with pieces that are short: the optimum lies inside the stated bounds on 400 random stations, mostly at the plan', () => {
  let same = 0;
  let all = 0;
  let coupled = 0;
  let proven = 0;
  fc.assert(
    fc.property(anyInstance, (instance) => {
      const best = byProgram(instance);
      const { cost, atLeast } = solve(instance);
      expect(atLeast).toBeLessThanOrEqual(best);
      expect(cost).toBeGreaterThanOrEqual(best);
      all++;
      if (cost === best) same++;
      if (atLeast === cost) proven++;
      // By the forms alone it would be cheaper: the pieces bind.
      if (solveStation(instance.problem).cost < best) coupled++;
    }),
    { numRuns: 400, seed: 20261125 },
  );
  expect(same / all).toBeGreaterThan(0.9);
  expect(proven / all).toBeGreaterThan(0.95);
  // In many of them, or this would say nothing.
  expect(coupled).toBeGreaterThan(40);
});

test('the pieces are enough for what it says they do', () => {
  fc.assert(
    fc.property(anyInstance, (instance) => {
      const { columnOf, forms, cost } = solve(instance);
      const { problem, room, wants } = instance;
      // By hand: everybody’s want to one of its pools, by trying all ways.
      const fits = (i: number, left: readonly number[]): boolean => {
        if (i === columnOf.length) return true;
        const [want] = columnOf[i]! < 0 ? [] : wants[columnOf[i]!]!;
        if (!want) return fits(i + 1, left);
        return want.pools.some(
          (pool) =>
            left[pool]! > 0 &&
            fits(
              i + 1,
              left.map((n, k) => (k === pool ? n - 1 : n)),
            ),
        );
      };
      expect(
        fits(
          0,
          room.items.map((item) => item.count),
        ),
      ).toBe(true);
      expect(forms.length).toBeLessThanOrEqual(problem.most);
      const sum = columnOf.reduce(
        (all, column, i) => all + (column < 0 ? problem.rest : problem.costs[i]![column]!),
        forms.reduce((all, f) => all + problem.show[f]!, 0),
      );
      expect(sum).toBe(cost);
    }),
    { numRuns: 400, seed: 11 },
  );
});

test('who has most to lose is served first', () => {
  const room = { ...ROOM_EXAMPLE, items: [{ what: 'chair' as const, count: 1 }] };
  const chair: Want[] = [{ pools: [0], count: 1 }];
  const { options, cost } = seatAll(
    room,
    [
      { costs: [0, 1000], wants: [chair, []] },
      { costs: [0, 5000], wants: [chair, []] },
    ],
    100_000,
  );
  expect(options).toEqual([1, 0]);
  expect(cost).toBe(1000);
});

describe('a person’s way, no joint three stations running', () => {
  const anyWay = fc.record({
    options: fc.array(
      fc.array(
        fc.record({ cost: fc.integer({ min: 0, max: 8000 }), loads: fc.integer({ min: 0, max: 7 }) }),
        {
          minLength: 1,
          maxLength: 3,
        },
      ),
      { minLength: 3, maxLength: 6 },
    ),
    ring: fc.boolean(),
  });
  const bits = (n: number): number => (n === 0 ? 0 : (n & 1) + bits(n >> 1));
  /** All ways, one by one. */
  const byTrying = (options: { cost: number; loads: number }[][], ring: boolean): number => {
    const n = options.length;
    let best = Number.POSITIVE_INFINITY;
    const go = (i: number, picked: { cost: number; loads: number }[]) => {
      if (i < n) {
        for (const one of options[i]!) go(i + 1, [...picked, one]);
        return;
      }
      let cost = picked.reduce((sum, one) => sum + one.cost, 0);
      for (let k = 0; k < (ring ? n : n - 2); k++)
        cost += RUN_COST * bits(picked[k]!.loads & picked[(k + 1) % n]!.loads & picked[(k + 2) % n]!.loads);
      best = Math.min(best, cost);
    };
    go(0, []);
    return best;
  };
  test('the same as trying all ways, in a ring and in a row: 1,000 random ones', () => {
    fc.assert(
      fc.property(anyWay, ({ options, ring }) => {
        const path = pathOver(options, ring)!;
        expect(path.cost).toBe(byTrying(options, ring));
      }),
      { numRuns: 1000, seed: 20261125 },
    );
  });
  test('three planks running become two and something else that is shown', () => {
    const plank = { cost: 0, loads: 1 };
    const other = { cost: 1000, loads: 0 };
    const path = pathOver(
      [
        [plank, other],
        [plank, other],
        [plank, other],
      ],
      false,
    )!;
    expect(path.picks.filter((p) => p === 0)).toHaveLength(2);
    expect(pathOver([[plank], [plank], [plank]], false)!.cost).toBe(RUN_COST);
  });
});
