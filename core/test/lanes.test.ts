import {
  lanePinsOf,
  lanePositions,
  makeLanes,
  subjectAt,
  USEFUL_SHARE,
  walkOutwards,
} from '@inner-rung/core/class';
import { createScaler, type Use } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { difficultyOf, REGIONS, rungDemand } from '@inner-rung/core/ladder';
import { laneSubject } from '@inner-rung/core/limits';
import { LEVELS } from '@inner-rung/core/person';
import { EVERYWHERE } from '@inner-rung/core/room';
import { AS_WRITTEN, entriesOf, READY_SESSIONS } from '@inner-rung/core/session';

import fc from 'fast-check';
import { PLANS } from '../../demo/src/index.ts';
import { anyRoom } from './cases.ts';
import { circuit, moveIds, planOf, session } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const index = compileLibrary(library);
const everywhere = createScaler(index, EVERYWHERE);
const points = (use: Use) => difficultyOf(rungDemand(library, use)!).points;
const impact = (use: Use) => rungDemand(library, use)!['impact.class'].hi!;
const met = (use: Use) => (use.metLo + use.metHi) / 2;

test('lanes are spread over the levels, innermost first', () => {
  expect(lanePositions(2)).toEqual([0, 3]);
  expect(lanePositions(4)).toEqual([0, 1, 2, 3]);
  expect(lanePositions(5)).toEqual([0, 0.75, 1.5, 2.25, 3]);
  expect(subjectAt(2).ability).toEqual(laneSubject(2).ability);
  expect(subjectAt(3).ability).toEqual(LEVELS[3].ability);
});

test('never harder inwards, nothing above its lane, and a useful step apart or said: 100 random circuits and rooms', () => {
  const scalers = fc.sample(anyRoom, { numRuns: 8, seed: 7 }).map((room) => createScaler(index, room));
  fc.assert(
    fc.property(
      fc.nat({ max: scalers.length - 1 }),
      fc.array(fc.constantFrom(...moveIds), { minLength: 1, maxLength: 8 }),
      fc.integer({ min: 2, max: 5 }),
      fc.constantFrom(0 as const, 1 as const, 2 as const, 3 as const),
      (room, moves, count, writtenFor) => {
        const made = makeLanes(scalers[room]!, {
          session: session(circuit(moves)),
          writtenFor,
          dials: AS_WRITTEN,
          count,
        });
        expect(made.lanes).toHaveLength(count);
        expect(made.faults.filter((f) => f.kind !== 'alike')).toEqual([]);
        made.useful.forEach((share, lane) => {
          const said = made.faults.some((f) => f.kind === 'alike' && f.lane === lane);
          expect(said).toBe(share < USEFUL_SHARE);
        });
        made.lanes.forEach(({ uses, position }, lane) => {
          uses.forEach((use, entry) => {
            if (!use) return;
            const { ability, limits } = subjectAt(position);
            const demand = rungDemand(library, use)!;
            REGIONS.forEach((region, r) => {
              expect(demand[region].hi!).toBeLessThanOrEqual(ability[r]! + 1e-9);
            });
            expect(impact(use)).toBeLessThanOrEqual((limits[0] as { max: number }).max);
            const outer = made.lanes[lane + 1]?.uses[entry];
            if (outer === undefined) return;
            expect(outer).not.toBeNull();
            expect(points(use)).toBeLessThanOrEqual(points(outer!) + 1e-9);
            expect(impact(use)).toBeLessThanOrEqual(impact(outer!));
            expect(met(use)).toBeLessThanOrEqual(met(outer!) * 1.05 + 1e-9);
          });
        });
      },
    ),
    { numRuns: 100, seed: 20261125 },
  );
});

test.each(PLANS.filter((p) => p.blocks.length === 1).map((p) => [p.title, p] as const))(
  '%s: every count of lanes is a useful step apart at two thirds of the stations',
  (_title, plan) => {
    for (const count of [2, 3, 4, 5]) {
      const made = makeLanes(everywhere, {
        session: plan,
        writtenFor: plan.writtenFor,
        dials: AS_WRITTEN,
        count,
      });
      expect(made.faults).toEqual([]);
      for (const share of made.useful) expect(share).toBeGreaterThanOrEqual(USEFUL_SHARE);
    }
  },
);

test('every ready circuit can be put into three lanes with nobody harder inwards', () => {
  for (const plan of READY_SESSIONS) {
    const made = makeLanes(everywhere, {
      session: plan,
      writtenFor: 2,
      dials: AS_WRITTEN,
      count: 3,
    });
    expect(made.faults.filter((f) => f.kind === 'harder inwards')).toEqual([]);
  }
});

describe('by hand', () => {
  const plan = planOf([circuit(['squat', 'push-up', 'jumping-jack'])]);
  const ask = (pins: Parameters<typeof makeLanes>[1]['pins']) =>
    makeLanes(everywhere, { session: plan, writtenFor: 2, dials: AS_WRITTEN, count: 3, pins: pins ?? [] });

  test('a pinned form stays, and the others give way to it', () => {
    const made = ask([{ entry: 1, lane: 2, form: { move: 'push-up', settings: { surfaceCm: 40 } } }]);
    expect(made.lanes[2]!.uses[1]).toMatchObject({ move: 'push-up' });
    const inner = made.lanes[1]!.uses[1]!;
    expect(points(inner)).toBeLessThanOrEqual(points(made.lanes[2]!.uses[1]!) + 1e-9);
  });
  test('two pins that are harder inwards stand, and that is said', () => {
    const made = ask([
      { entry: 0, lane: 1, form: { move: 'squat' } },
      { entry: 0, lane: 2, form: { move: 'sit-to-stand', settings: { surfaceCm: 50 } } },
    ]);
    expect(made.faults.map((f) => [f.kind, f.lane, f.entry])).toContainEqual(['harder inwards', 1, 0]);
  });
  test('what isn’t open to a lane isn’t put there, and what bars it is said', () => {
    const made = ask([{ entry: 2, lane: 0, form: { move: 'jumping-jack' } }]);
    expect(made.lanes[0]!.uses[2]?.move).not.toBe('jumping-jack');
    const fault = made.faults.find((f) => f.kind === 'not open')!;
    expect(fault).toMatchObject({ lane: 0, entry: 2 });
    expect(fault.says.length).toBeGreaterThan(5);
  });
  test('pins go by block and station; those of stations that are gone are passed over', () => {
    const form = { move: 'squat' };
    const pins = lanePinsOf({
      ...plan,
      lanes: {
        count: 3,
        pins: [
          { block: 'main', station: 's2', lane: 1, form },
          { block: 'main', station: 'gone', lane: 1, form },
          { block: 'main', station: 's1', lane: 4, form },
        ],
      },
    });
    expect(pins).toEqual([{ entry: 1, lane: 1, form }]);
  });
});

describe('rounds that walk outwards', () => {
  const plan = planOf([circuit(['squat', 'push-up', 'jumping-jack'])]);
  const made = makeLanes(everywhere, { session: plan, writtenFor: 2, dials: AS_WRITTEN, count: 3 });
  const walked = walkOutwards(plan.blocks[0]!, 0, plan, made)!;

  test('round k is the form of lane k', () => {
    expect(walked.format).toMatchObject({ kind: 'progressive', rounds: 3, workSeconds: 40 });
    const entries = entriesOf([walked]);
    for (const entry of entries) expect(entry.move).toBe(made.lanes[entry.round!]!.uses[entry.inBlock]!.move);
  });
  test('each goes as far as they can: nothing in any round is above them', () => {
    const request = {
      session: session(walked),
      writtenFor: 2 as const,
      dials: { ...AS_WRITTEN, ability: 'own rungs' as const },
      subject: laneSubject(1),
    };
    for (const use of everywhere.scale(request).uses) {
      const demand = rungDemand(library, use!)!;
      REGIONS.forEach((region, r) => {
        expect(demand[region].hi!).toBeLessThanOrEqual(request.subject.ability[r]! + 1e-9);
      });
    }
  });
  test('a format that counts has no rounds by the clock to walk', () => {
    const amrap = { ...plan.blocks[0]!, format: { kind: 'amrap' as const, capSeconds: 600, led: false } };
    expect(walkOutwards(amrap, 0, { blocks: [amrap] }, made)).toBeNull();
  });
});
