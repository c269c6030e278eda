import { compileLibrary } from '@inner-rung/core/forms';
import { rungDemand } from '@inner-rung/core/ladder';
import { subjectOf } from '@inner-rung/core/limits';
import { EQUIPMENT_IDS, placesFor, READY_ROOMS, ROOM_EXAMPLE, type Room } from '@inner-rung/core/room';
import {
  createFinder,
  epleyMax,
  equalEffortReps,
  lacksHere,
  loadWords,
  poundsNear,
  startingLoad,
  thingsHere,
  WAYS_TO_LOOK_FOR,
  type Way,
  waysHere,
} from '@inner-rung/core/ways';
import fc from 'fast-check';
import { PEOPLE } from '../../demo/src/index.ts';
import { anyRoom } from './cases.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const index = compileLibrary(library);
const room = (...items: Room['items']): Room => ({ ...ROOM_EXAMPLE, lengthMetres: 8, items });
const one = (what: Room['items'][number]['what'], count = 1, size?: number): Room['items'][number] => ({
  what,
  count,
  ...(size === undefined ? {} : { size }),
});
function ways(move: string, where: Room, subject?: ReturnType<typeof subjectOf>): Way[] {
  const found = createFinder(index, where).find({
    from: { move },
    without: [],
    withoutItems: [],
    by: 0,
    most: WAYS_TO_LOOK_FOR,
    itself: true,
    ...(subject ? { subject } : {}),
  });
  return waysHere(library, where, { move }, found);
}
const names = (list: readonly Way[]) => list.map((way) => way.move);

describe('Epley 1985 (from memory)', () => {
  test('worked: 100 kg five times is 116.7 once; 60 kg ten times is 80', () => {
    expect(epleyMax(100, 5)).toBeCloseTo(116.667, 2);
    expect(epleyMax(60, 10)).toBeCloseTo(80, 9);
    expect(epleyMax(70, 1)).toBe(70);
  });
  test('equal effort: 10 with 60 kg is 4 with 70 (80 / 70), and nothing where it isn’t fair', () => {
    expect(equalEffortReps(60, 10, 70)).toBe(4);
    expect(equalEffortReps(60, 10, 60)).toBe(10);
    expect(equalEffortReps(60, 10, 30)).toBeNull();
    expect(equalEffortReps(60, 10, 85)).toBeNull();
  });
});

describe('what a coach would turn to, by common practice', () => {
  test('a weight: the bell, hand weights, then bottles or a bag, each with what it needs', () => {
    const loaded = library.moves.find(
      (m) =>
        m.needs.length === 1 &&
        m.needs[0]!.what === 'hand load' &&
        m.needs[0]!.count === 1 &&
        (m.needs[0]!.max ?? 0) >= 8,
    )!;
    expect(loaded).toBeDefined();
    const pick = (...items: Room['items']) =>
      thingsHere(library, room(...items), { move: loaded.id })?.[0]?.from ?? null;
    expect(pick(one('kettlebell', 1, 8))).toBe('kettlebell');
    expect(pick(one('dumbbells', 1, 4), one('loaded-bag', 1, 6))).toBe('dumbbells');
    expect(pick(one('loaded-bag', 1, 6))).toBe('loaded-bag');
    expect(ways(loaded.id, room(one('loaded-bag', 1, 6)))[0]).toMatchObject({
      kind: 'stand-in',
      cautions: [expect.stringContaining('nothing shifts')],
    });
  });
  test('an anchor: the hinge side of a shut door, else a standing form without one', () => {
    const door = ways('standing-row', room(one('wall'), one('towel-door')))[0]!;
    expect(door).toMatchObject({ move: 'standing-row', kind: 'stand-in' });
    expect(door.cautions[0]).toContain('hinge side');
    const without = ways('standing-row', room(one('wall')))[0]!;
    expect(without.things.map((t) => t.need)).not.toContain('pull anchor');
    expect(rungDemand(library, { move: without.move })!['posture.standing'].hi).toBe(1);
  });
  test('a step: the lowest stair, else marching', () => {
    expect(ways('step-up', room(one('lowest-stair')))[0]).toMatchObject({
      move: 'step-up',
      kind: 'stand-in',
    });
    const first = ways('step-up', room()).slice(0, 2);
    for (const way of first) expect(library.move(way.move)!.pattern).toBe('locomotion');
  });
  test('a box jump: a step-up of the height or a jump without a box; with one foot down, no jump', () => {
    const low = { ...ROOM_EXAMPLE, lengthMetres: 8, items: [one('low-wall')] };
    expect(names(ways('box-jump', low)).slice(0, 4)).toEqual(
      expect.arrayContaining([expect.stringMatching(/step-up|jump/)]),
    );
    const knees = subjectOf(PEOPLE.find((p) => p.id === 'maud-ellery')!, library, '2026-11-24');
    for (const way of ways('box-jump', low, knees))
      expect(rungDemand(library, way)!['impact.class'].hi).toBeLessThanOrEqual(1);
  });
  test('a chair for a bench, and the height that changes with it is said', () => {
    const [first] = ways('chair-dip-bent', room(one('box')));
    expect(first).toMatchObject({ move: 'chair-dip-bent', kind: 'moved' });
    expect(first!.says).toMatch(/4[05] cm for 43/);
  });
  test('a lumbar pad or a cushion: a folded towel', () => {
    const needsCushion = library.moves.find((m) => m.needs.length === 1 && m.needs[0]!.what === 'cushion')!;
    expect(
      thingsHere(library, room(one('lumbar-pad'), one('towel')), { move: needsCushion.id })![0]!.from,
    ).toBe('lumbar-pad');
    expect(thingsHere(library, room(one('towel')), { move: needsCushion.id })![0]).toMatchObject({
      from: 'towel',
      standIn: true,
    });
  });
});

describe('promises', () => {
  const anyMove = fc.constantFrom(...library.moves.map((m) => m.id));
  test('more equipment never makes the best substitute worse', () => {
    fc.assert(
      fc.property(anyRoom, anyMove, fc.constantFrom(...EQUIPMENT_IDS), (where, move, what) => {
        const best = (r: Room) =>
          createFinder(index, r).find({
            from: { move },
            without: [],
            withoutItems: [],
            by: 0,
            most: 1,
            itself: true,
          })[0]?.cost ?? Number.POSITIVE_INFINITY;
        const more = { ...where, items: [...where.items, { what, count: 12 }] };
        expect(best(more)).toBeLessThanOrEqual(best(where));
      }),
      { numRuns: 60 },
    );
  });
  test('a substitute never breaks a limit', () => {
    fc.assert(
      fc.property(anyRoom, anyMove, fc.constantFrom(...PEOPLE), (where, move, person) => {
        const subject = subjectOf(person, library, '2026-11-24');
        for (const way of ways(move, where, subject)) {
          const demand = rungDemand(library, way)!;
          for (const limit of subject.limits)
            if (limit.kind === 'cap' && limit.on !== 'strain.holdSeconds' && limit.side === 'both')
              expect(demand[limit.on].hi).toBeLessThanOrEqual(limit.max);
        }
      }),
      { numRuns: 40 },
    );
  });
  test('sizes are kept at both ends, and two are two', () => {
    fc.assert(
      fc.property(anyRoom, anyMove, (where, move) => {
        for (const thing of thingsHere(library, where, { move }) ?? []) {
          const need = library.move(move)!.needs.find((n) => n.what === thing.need)!;
          if (thing.size !== null) {
            expect(thing.size).toBeGreaterThanOrEqual(need.min ?? 0);
            expect(thing.size).toBeLessThanOrEqual(need.max ?? Number.POSITIVE_INFINITY);
          }
          const row = where.items
            .filter((i) => i.what === thing.from)
            .reduce((n, i) => Math.max(n, placesFor(i.what, i.count)), 0);
          expect(row).toBeGreaterThanOrEqual(need.count);
        }
      }),
      { numRuns: 300 },
    );
  });
  test('every move in every ready room has a way, or says what is missing', () => {
    for (const ready of READY_ROOMS)
      for (const move of ['squat', 'push-up', 'step-up', 'bent-row', 'plank', 'jumping-jack', 'burpee'])
        expect(ways(move, ready).length + lacksHere(library, ready, move).length).toBeGreaterThan(0);
  });
});

describe('what to begin with', () => {
  const studio = READY_ROOMS.find((r) => r.id === 'ready-studio')!;
  const row = library.moves.find((m) => m.id === 'bent-row')!;
  test('heavier for those further on, from what is there, a pair where it takes two', () => {
    const kg = ([0, 1, 2, 3] as const).map((level) => startingLoad(library, studio, row.id, level)!.kg);
    expect([...kg].sort((a, b) => a - b)).toEqual(kg);
    expect(startingLoad(library, studio, row.id, 0)!.pair).toBe(
      row.needs.some((n) => n.what === 'hand load' && n.count === 2),
    );
  });
  test('no weight, no load; a spared grip keeps to the lightest', () => {
    expect(startingLoad(library, ROOM_EXAMPLE, row.id, 1)).toBeNull();
    expect(startingLoad(library, studio, 'squat', 1)).toBeNull();
    const spared = startingLoad(library, studio, row.id, 3, [
      {
        kind: 'cap',
        id: 'g',
        on: 'strength.grip',
        max: 20,
        source: 'trainer',
        reason: 'a light grip',
        side: 'both',
        acute: false,
      },
    ]);
    expect(spared!.previous).toBeNull();
  });
  test('says how to find it, in kg or in the pounds that are sold', () => {
    const load = startingLoad(library, studio, row.id, 1)!;
    expect(loadWords(load)).toMatch(/^Begin with \d+ kg.*the last two reps are hard and clean\./);
    expect([2, 4, 8, 10, 16].map(poundsNear)).toEqual([5, 8, 18, 20, 35]);
  });
});
