import {
  type ClassPlan,
  type ClassRequest,
  needsInIndex,
  planClass,
  type StationProblem,
  share,
  solveStation,
} from '@inner-rung/core/class';
import { createScaler } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { rungDemand } from '@inner-rung/core/ladder';
import { laneSubject } from '@inner-rung/core/limits';
import { compileCondition } from '@inner-rung/core/person';
import { sumUp } from '@inner-rung/core/review';
import { READY_ROOMS, ROOM_EXAMPLE } from '@inner-rung/core/room';
import { AS_WRITTEN } from '@inner-rung/core/session';
import fc from 'fast-check';
import loadHighs from 'highs';
import { PLANS } from '../../demo/src/index.ts';
import { anySubject } from './cases.ts';
import { circuit, session } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const highs = await loadHighs();
const library = shippedLibrary();
const index = compileLibrary(library);
const hall = { ...ROOM_EXAMPLE, ...READY_ROOMS.find((r) => r.id === 'ready-school-hall')! };
const scaler = createScaler(index, hall);

const anyProblem: fc.Arbitrary<StationProblem> = fc
  .record({
    people: fc.integer({ min: 1, max: 6 }),
    forms: fc.integer({ min: 1, max: 8 }),
    most: fc.integer({ min: 1, max: 4 }),
  })
  .chain(({ people, forms, most }) =>
    fc.record({
      costs: fc.array(
        fc
          .array(
            fc.oneof(
              { weight: 4, arbitrary: fc.integer({ min: 0, max: 9000 }) },
              { weight: 1, arbitrary: fc.constant(Number.POSITIVE_INFINITY) },
            ),
            { minLength: forms, maxLength: forms },
          )
          .map((row) => Float64Array.from(row)),
        { minLength: people, maxLength: people },
      ),
      weights: fc.array(fc.integer({ min: 1, max: 5 }), { minLength: people, maxLength: people }),
      show: fc
        .array(fc.integer({ min: 0, max: 3000 }), { minLength: forms, maxLength: forms })
        .map((list) => Float64Array.from(list)),
      rest: fc.constant(100_000),
      most: fc.constant(most),
    }),
  );

/** The same as an integer program: forms opened, people served by an open form or resting. */
function byProgram(p: StationProblem): number {
  const forms = Array.from(p.show, (_, f) => f);
  const terms: string[] = [];
  const rows: string[] = [];
  const binaries = forms.map((f) => `y${f}`);
  for (const f of forms) if (p.show[f]! > 0) terms.push(`${p.show[f]} y${f}`);
  p.costs.forEach((row, g) => {
    const serves = [`r${g}`];
    binaries.push(`r${g}`);
    terms.push(`${p.weights[g]! * p.rest} r${g}`);
    for (const f of forms) {
      if (!Number.isFinite(row[f]!)) continue;
      const x = `x${g}_${f}`;
      binaries.push(x);
      serves.push(x);
      if (row[f]! > 0) terms.push(`${p.weights[g]! * row[f]!} ${x}`);
      rows.push(` o${g}_${f}: ${x} - y${f} <= 0`);
    }
    rows.push(` s${g}: ${serves.join(' + ')} = 1`);
  });
  rows.push(` k: ${forms.map((f) => `y${f}`).join(' + ')} <= ${p.most}`);
  const solved = highs.solve(
    `Minimize\n obj: ${terms.join(' + ')}\nSubject To\n${rows.join('\n')}\nBinary\n ${binaries.join(' ')}\nEnd`,
  );
  return Math.round(solved.ObjectiveValue);
}

describe('one station', () => {
  test('the same optimum as an integer program, on 400 random stations', () => {
    fc.assert(
      fc.property(anyProblem, (p) => {
        const answer = solveStation(p);
        expect(answer.cost).toBe(byProgram(p));
        expect(answer.atLeast).toBe(answer.cost);
        expect(answer.forms.length).toBeLessThanOrEqual(p.most);
      }),
      { numRuns: 400, seed: 20261125 },
    );
  });
  test('everybody does the cheapest of what is shown, and the cost is what that comes to', () => {
    fc.assert(
      fc.property(anyProblem, (p) => {
        const { forms, assigned, cost } = solveStation(p);
        let sum = forms.reduce((all, f) => all + p.show[f]!, 0);
        p.costs.forEach((row, g) => {
          const at = assigned[g]!;
          const best = Math.min(p.rest, ...forms.map((f) => row[f]!));
          expect(at < 0 ? p.rest : row[at]!).toBe(best);
          sum += p.weights[g]! * best;
        });
        expect(sum).toBeLessThanOrEqual(cost);
      }),
      { numRuns: 400, seed: 7 },
    );
  });
  test('one form more never costs more', () => {
    fc.assert(
      fc.property(anyProblem, (p) => {
        expect(solveStation({ ...p, most: p.most + 1 }).cost).toBeLessThanOrEqual(solveStation(p).cost);
      }),
      { numRuns: 200 },
    );
  });
});

const ten = { blocks: PLANS[0]!.blocks, forWhom: 'adults' as const };
const subjects = {
  fit: laneSubject(3),
  ordinary: laneSubject(2),
  new: laneSubject(1),
  knees: { ...laneSubject(1), limits: [...laneSubject(1).limits, ...compileCondition('sore-knees')] },
  floor: { ...laneSubject(1), limits: [...laneSubject(1).limits, ...compileCondition('no-floor')] },
  wrists: { ...laneSubject(2), limits: [...laneSubject(2).limits, ...compileCondition('wrist-no-load')] },
};
type Kind = keyof typeof subjects;
const classOf = (counts: Partial<Record<Kind, number>>, more: Partial<ClassRequest> = {}): ClassRequest => ({
  most: 3,
  people: (Object.keys(counts) as Kind[]).flatMap((kind) =>
    Array.from({ length: counts[kind]! }, (_, i) => ({
      id: `${kind}-${i + 1}`,
      request: {
        session: ten,
        writtenFor: 2 as const,
        dials: { ...AS_WRITTEN, ability: 'own rungs' as const },
        subject: subjects[kind],
      },
    })),
  ),
  ...more,
});
const fourteen = { knees: 2, floor: 1, wrists: 1, fit: 1, new: 7, ordinary: 2 };

/** Nobody does what one of their limits forbids: on the plain records, apart from the engine. */
function breaks(plan: ClassPlan, request: ClassRequest): string[] {
  return request.people.flatMap(({ id, request: { subject } }) =>
    plan.uses[id]!.flatMap((use) => {
      if (!use) return [];
      const demand = rungDemand(library, use)!;
      return subject.limits.flatMap((limit) =>
        limit.kind === 'cap' &&
        limit.on !== 'strain.holdSeconds' &&
        !((demand[limit.on].hi ?? Number.POSITIVE_INFINITY) <= limit.max)
          ? [`${id}: ${use.move} against ${limit.id}`]
          : [],
      );
    }),
  );
}

describe('a mixed class of fourteen', () => {
  const request = classOf(fourteen);
  const plan = planClass(scaler, hall, request);
  test('at most three forms a station, everybody has one, nobody’s limit is broken', () => {
    expect(plan.entries).toHaveLength(10);
    for (const { forms, resting } of plan.entries) {
      expect(forms.length).toBeLessThanOrEqual(3);
      expect(resting).toEqual([]);
      expect(forms.flatMap((f) => f.people).sort()).toEqual(request.people.map((p) => p.id).sort());
    }
    expect(breaks(plan, request)).toEqual([]);
  });
  test('what most do comes first', () => {
    for (const { forms } of plan.entries)
      for (let i = 1; i < forms.length; i++)
        expect(forms[i]!.people.length).toBeLessThanOrEqual(forms[i - 1]!.people.length);
  });
  test('the bound holds, and where there is enough of everything it is met', () => {
    expect(plan.atLeast).toBeLessThanOrEqual(plan.cost);
    const ample = { ...hall, items: hall.items.map((item) => ({ ...item, count: 40 })) };
    const free = planClass(createScaler(index, ample), ample, request);
    expect(free.shortOf).toEqual([]);
    expect(free.cost).toBe(free.atLeast);
  });
  test('the order of people changes nothing', () => {
    const shuffled = { ...request, people: [...request.people].reverse() };
    expect(planClass(scaler, hall, shuffled)).toEqual(plan);
  });
  test('fewer forms cost more, one form leaves nobody out that could be in', () => {
    const one = planClass(scaler, hall, { ...request, most: 1 });
    expect(one.cost).toBeGreaterThanOrEqual(plan.cost);
    for (const { forms } of one.entries) expect(forms.length).toBeLessThanOrEqual(1);
    expect(breaks(one, request)).toEqual([]);
  });
  test('somebody more: at most two changes for the others, and usually none', () => {
    const before = Object.fromEntries(
      Object.entries(plan.uses).map(([id, uses]) => [
        id,
        plan.entries.map(({ forms }, entry) =>
          uses[entry] ? (forms.find((f) => f.people.includes(id))?.form ?? null) : null,
        ),
      ]),
    );
    const later = planClass(scaler, hall, { ...classOf({ ...fourteen, knees: 3 }), before });
    let changes = 0;
    for (const { id } of request.people)
      later.entries.forEach(({ forms }, entry) => {
        const now = forms.find((f) => f.people.includes(id))?.form ?? null;
        if (JSON.stringify(now) !== JSON.stringify(before[id]![entry])) changes++;
      });
    expect(changes).toBeLessThanOrEqual(2);
  });
  test('what somebody would rather not do isn’t kept to, though it stood', () => {
    const before = Object.fromEntries(
      request.people.map(({ id }) => [
        id,
        plan.entries.map(({ forms }) => forms.find((f) => f.people.includes(id))?.form ?? null),
      ]),
    );
    const had = before['knees-1']![0]!;
    const people = request.people.map((person) =>
      person.id === 'knees-1'
        ? {
            ...person,
            request: { ...person.request, subject: { ...person.request.subject, dislikes: [had.move] } },
          }
        : person,
    );
    const later = planClass(scaler, hall, { ...request, people, before });
    expect(later.uses['knees-1']![0]!.move).not.toBe(had.move);
    expect(later.uses['knees-2']![0]!.move).toBe(had.move);
  });
  test('a form barred isn’t shown; one given is done by whom it was given to', () => {
    const [first] = plan.entries[0]!.forms;
    const without = planClass(scaler, hall, {
      ...request,
      wishes: [{ entry: 0, kind: 'bar', form: first!.form }],
    });
    expect(without.entries[0]!.forms.map((f) => f.form)).not.toContainEqual(first!.form);
    expect(breaks(without, request)).toEqual([]);
    const given = planClass(scaler, hall, {
      ...request,
      wishes: [{ entry: 0, kind: 'give', form: { move: 'side-tap' }, person: 'new-1' }],
    });
    expect(given.uses['new-1']![0]!.move).toBe('side-tap');
    const seated = planClass(scaler, hall, {
      ...request,
      wishes: [{ entry: 1, kind: 'give', form: { move: 'sit-to-stand' }, person: 'fit-1' }],
    });
    expect(seated.uses['fit-1']![1]!.move).toBe('sit-to-stand');
  });
  test('what isn’t open to somebody can’t be given to them', () => {
    const forced = planClass(scaler, hall, {
      ...request,
      wishes: [{ entry: 9, kind: 'give', form: { move: 'burpee' }, person: 'knees-1' }],
    });
    expect(forced.uses['knees-1']![9]?.move).not.toBe('burpee');
    expect(breaks(forced, request)).toEqual([]);
  });
});

test('landings over the session stay inside each person’s budget', () => {
  const jumps = session(circuit(['star-jump', 'squat-jump', 'tuck-jump', 'burpee'], { rounds: 4 }));
  const dials = { ...AS_WRITTEN, impact: 3 as const };
  const plan = planClass(scaler, hall, {
    most: 3,
    people: [{ id: 'a', request: { session: jumps, writtenFor: 3, dials, subject: laneSubject(3) } }],
  });
  const sums = sumUp(index, jumps, plan.uses['a']!);
  expect(sums.hardLandings).toBeLessThanOrEqual(140);
});

test('one chair, four people who need it: one keeps it, the others do another form that is shown', () => {
  const room = {
    ...ROOM_EXAMPLE,
    lengthMetres: 8,
    items: [
      { what: 'wall' as const, count: 4 },
      { what: 'chair' as const, count: 1 },
    ],
  };
  const small = createScaler(index, room);
  const sit = session(circuit(['sit-to-stand']));
  const plan = planClass(small, room, {
    most: 3,
    people: Array.from({ length: 4 }, (_, i) => ({
      id: `p${i}`,
      request: { session: sit, writtenFor: 1 as const, dials: AS_WRITTEN, subject: laneSubject(1) },
    })),
  });
  const onChair = Object.values(plan.uses).filter((uses) => uses[0]?.move === 'sit-to-stand').length;
  expect(onChair).toBeLessThanOrEqual(1);
  expect(plan.shortOf.length).toBe(3);
});

test('what a plan takes of a room’s pieces is there', () => {
  const needs = needsInIndex(index);
  for (const room of READY_ROOMS) {
    const where = { ...ROOM_EXAMPLE, ...room };
    const plan = planClass(createScaler(index, where), where, classOf(fourteen));
    plan.entries.forEach(({ forms }, entry) => {
      const seats = forms.flatMap(({ form, people }) =>
        people.map((person) => ({ person, station: entry, form })),
      );
      expect([room.id, entry, share(needs, where, [seats], () => []).changes]).toEqual([room.id, entry, 0]);
    });
  }
});

test('whoever comes: no limit broken, at most K forms, a bound that holds', () => {
  fc.assert(
    fc.property(
      fc.array(anySubject, { minLength: 1, maxLength: 5 }),
      fc.integer({ min: 1, max: 3 }),
      (list, most) => {
        const request: ClassRequest = {
          most,
          people: list.map((subject, i) => ({
            id: `p${i}`,
            request: {
              session: {
                ...ten,
                blocks: [{ ...ten.blocks[0]!, stations: ten.blocks[0]!.stations.slice(0, 4) }],
              },
              writtenFor: 2 as const,
              dials: { ...AS_WRITTEN, ability: 'own rungs' as const },
              subject: { ...subject, limits: subject.limits.filter((l) => l.side === 'both') },
            },
          })),
        };
        const plan = planClass(scaler, hall, request);
        expect(breaks(plan, request)).toEqual([]);
        for (const { forms } of plan.entries) expect(forms.length).toBeLessThanOrEqual(most);
        expect(plan.atLeast).toBeLessThanOrEqual(plan.cost);
      },
    ),
    { numRuns: 60, seed: 20261125 },
  );
});

describe('rests that needn’t be', () => {
  const studio = { ...ROOM_EXAMPLE, ...READY_ROOMS.find((r) => r.id === 'ready-studio')! };
  const inStudio = createScaler(index, studio);
  const weights = session(
    circuit(['standing-curl', 'standing-press', 'bent-row', 'held-load-squat', 'side-raise', 'loaded-hinge']),
  );
  const alike = Array.from({ length: 25 }, (_, i) => ({
    id: `p${i}`,
    request: {
      session: weights,
      writtenFor: 1 as const,
      dials: AS_WRITTEN,
      subject: laneSubject((i % 4) as 0 | 1 | 2 | 3),
    },
  }));
  test.each([
    ['together', 1],
    ['together', 2],
    ['rotation', 1],
    ['rotation', 2],
  ] as const)(
    '25 people and eight pairs of weights at six stations of weights, %s, %i forms: hardly anybody waits',
    (how, most) => {
      const plan = planClass(inStudio, studio, { people: alike, most, how });
      const rests = plan.entries.reduce((sum, { resting }) => sum + resting.length, 0);
      // Of 150 turns: one form for all of them, from what is there, can't always be had.
      expect(rests).toBeLessThanOrEqual(2);
      expect(plan.atLeast).toBeLessThanOrEqual(plan.cost);
    },
  );
});
