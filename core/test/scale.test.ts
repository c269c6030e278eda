import { createScaler } from '@inner-rung/core/engine';
import { compileLibrary, metAt, paceFor, rowOf } from '@inner-rung/core/forms';
import { laneSubject, type Subject, subjectOf } from '@inner-rung/core/limits';
import { type ConditionId, compileCondition, limitSchema } from '@inner-rung/core/person';
import { sumUp } from '@inner-rung/core/review';
import { EVERYWHERE, ROOM_EXAMPLE, type Room } from '@inner-rung/core/room';
import { AS_WRITTEN, type Dials } from '@inner-rung/core/session';

import { formName, sayReason } from '@inner-rung/core/words';
import fc from 'fast-check';
import { PEOPLE, PLANS, ROOMS } from '../../demo/src/index.ts';
import { circuit, session } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const index = compileLibrary(library);
const hall = createScaler(index, ROOMS[0]!);
const bare: Room = {
  ...ROOM_EXAMPLE,
  id: 'bare',
  name: 'Bare',
};
const bareRoom = createScaler(index, bare);

const block = (...moves: string[]) => session(circuit(moves));
const who = (conditions: readonly ConditionId[], rest: Partial<Subject> = {}): Subject => ({
  ...laneSubject(3),
  limits: conditions.flatMap((id) => compileCondition(id)),
  ...rest,
});
const firstUse = (move: string, subject: Subject, dials: Partial<Dials> = {}, scaler = hall) =>
  scaler.scale({ session: block(move), writtenFor: 2, dials: { ...AS_WRITTEN, ...dials }, subject }).uses[0];

describe('what a coach would do (common practice)', () => {
  test('jumping jack with one foot down is a step jack', () => {
    expect(firstUse('jumping-jack', who([]), { impact: 1 })?.move).toBe('step-jack');
  });
  test('its effort is given back by pace, not by landings', () => {
    const use = firstUse('jumping-jack', who([]), { impact: 1 })!;
    expect(use.pace).toBeGreaterThan(library.move('step-jack')!.pace![1]);
    expect(use.lightPerMinute).toBe(0);
  });
  test('high knees with one foot down are quick high steps', () => {
    expect(firstUse('high-knees', who([]), { impact: 1 })?.move).toBe('quick-high-step');
  });
  test('burpee without the floor is a raised step-back', () => {
    expect(firstUse('burpee', who(['no-floor']))?.move).toBe('chair-step-back');
  });
  test('burpee without the floor and with nothing to lean on but a wall is a wall step-back or a rise', () => {
    expect(['wall-step-back', 'chair-sit-reach', 'squat-rise']).toContain(
      firstUse('burpee', who(['no-floor']), {}, bareRoom)?.move,
    );
  });
  test.each<[string, ConditionId, string[]]>([
    ['a wrist sore when bent back keeps the weight, on fists', 'wrist-bent-back', ['fist-push-up']],
    [
      'wrists that bear no weight press something else',
      'wrist-no-load',
      ['band-press', 'one-arm-band-press', 'floor-press', 'forearm-wall-press'],
    ],
  ])('push-up: %s', (_name, condition, moves) => {
    expect(moves).toContain(firstUse('push-up', who([condition]))?.move);
  });
  test('plank with sore wrists is on the forearms', () => {
    expect(firstUse('plank', who(['wrist-no-load']))?.move).toBe('forearm-plank');
  });
  test('sore knees never kneel: the push-up goes to a surface, not to the knees', () => {
    const use = firstUse('push-up', who(['sore-knees'], laneAbility(0)), { ability: 'own rungs' })!;
    expect(use.move).toBe('raised-push-up');
  });
  test('a squat jump with one foot down keeps the drive', () => {
    expect(['squat-rise', 'quick-squat-rise']).toContain(
      firstUse('squat-jump', who([]), { impact: 1 })?.move,
    );
  });
  test('box jump without box or flight is a sit to stand, a rise or a step', () => {
    expect([
      'sit-to-stand',
      'squat-rise',
      'quick-squat-rise',
      'step-up',
      'squat',
      'quarter-pulse-squat',
      'pause-squat',
      'lunge',
      'lunge-knee-lift',
    ]).toContain(firstUse('box-jump', who([]), { impact: 1 }, bareRoom)?.move);
  });
  test('seated throughout: every station is seated or rest', () => {
    const version = hall.scale({
      session: PLANS[0]!,
      writtenFor: 2,
      dials: AS_WRITTEN,
      subject: who(['seated-only']),
    });
    for (const use of version.uses)
      if (use) expect([use.move, library.move(use.move)!.posture.work]).toEqual([use.move, 'seated']);
  });
  test('who wants more gets a harder sit-up, and no more than they own', () => {
    const saskia = PEOPLE.find((p) => p.id === 'saskia-dorn')!;
    const use = firstUse('sit-up', subjectOf(saskia, library, '2026-11-24'), { ability: 'own rungs' });
    expect(use?.move).toBe('fold-up');
  });
  test('a disliked move is left where something close stands by', () => {
    expect(firstUse('jumping-jack', who([], { dislikes: ['jumping-jack'] }), { ability: 3 })?.move).not.toBe(
      'jumping-jack',
    );
    expect(firstUse('jumping-jack', who([], { dislikes: ['jumping-jack'] }))?.move).toBe('jumping-jack');
  });
});

function laneAbility(level: 0 | 1): Partial<Subject> {
  return { ability: laneSubject(level).ability };
}

test('lanes are never harder inwards on any ladder’s trunk', () => {
  const region = {
    push: 'strength.push',
    squat: 'strength.legs',
    plank: 'strength.front',
    bridge: 'strength.back',
  } as const;
  for (const [id, key] of Object.entries(region)) {
    const top = library.ladder(id)!.rungs.at(-2)!.move;
    const asked = ([0, 1, 2, 3] as const).map((level) => {
      const use = firstUse(top, laneSubject(level), { ability: level })!;
      const d = library.demand.get(use.move)!;
      return { use, hi: d[key].hi! };
    });
    expect([id, asked.map((a) => a.use.lane <= 3)]).toEqual([id, [true, true, true, true]]);
    for (let i = 1; i < 4; i++) expect(asked[i]!.use.lane).toBeGreaterThanOrEqual(asked[i - 1]!.use.lane);
  }
});

describe('the published twelve-station circuit (Klika and Jordan 2013) for each person of the demo', () => {
  const plan = PLANS[1]!;
  test.each(PEOPLE.map((p) => [p.name, p] as const))(
    '%s gets a form or an honest rest at every station',
    (_name, person) => {
      for (const room of [hall, bareRoom]) {
        const version = room.scale({
          session: plan,
          writtenFor: plan.writtenFor,
          dials: plan.dials,
          subject: subjectOf(person, library, '2026-11-24'),
        });
        expect(version.uses).toHaveLength(12);
        for (const reason of version.reasons) {
          const said = sayReason(library, version.original[reason.entry]!, reason);
          expect(said).toMatch(/^[A-Z“].*\.$/);
          expect(said).not.toMatch(/undefined|NaN|[a-z]+\.[a-z]+[A-Z]/);
        }
      }
    },
  );
  test('its sums: 13 slots of 30 s with 10 s between are 8:30', () => {
    const version = hall.scale({
      session: plan,
      writtenFor: 2,
      dials: AS_WRITTEN,
      subject: laneSubject(3),
    });
    expect(sumUp(index, plan, version.uses).lengthSeconds).toBe(510);
  });
});

describe('sums', () => {
  test('a circuit of one move: MET is time-weighted over work and rest', () => {
    const b = session(circuit(['squat'], { rounds: 1, closingRest: true }));
    const version = hall.scale({ session: b, writtenFor: 2, dials: AS_WRITTEN, subject: laneSubject(3) });
    const sums = sumUp(index, b, version.uses, { massKg: 70 });
    const use = version.uses[0]!;
    expect(sums.metHi).toBeCloseTo((40 * use.metHi + 20 * 2.5) / 60, 9);
    expect(sums.kcal!.hi).toBeCloseTo((sums.metHi * 3.5 * 70) / 200, 9);
  });
  test('landings are counted over all rounds: 30 jacks a minute are two landings each', () => {
    const version = hall.scale({
      session: block('jumping-jack'),
      writtenFor: 2,
      dials: AS_WRITTEN,
      subject: laneSubject(3),
    });
    const pace = version.uses[0]!.pace!;
    expect(sumUp(index, block('jumping-jack'), version.uses).lightLandings).toBe(
      2 * Math.ceil((2 * pace * 40) / 60),
    );
  });
  test('getting down is counted when the floor is entered, not while staying there', () => {
    const b = block('plank', 'crunch', 'squat');
    const version = hall.scale({ session: b, writtenFor: 2, dials: AS_WRITTEN, subject: laneSubject(3) });
    expect(sumUp(index, b, version.uses).floorChanges).toBe(2);
  });
  test('a slow changer needs their own seconds for the floor', () => {
    const b = block('plank', 'squat');
    const version = hall.scale({ session: b, writtenFor: 2, dials: AS_WRITTEN, subject: laneSubject(3) });
    const needs = sumUp(index, b, version.uses, { changeSeconds: 12 }).changes.map((c) => c.needs);
    expect(Math.min(...needs)).toBe(12);
  });
});

test('a budget of landings is met at the least cost over the options: checked by trying everything', () => {
  const b = block('squat-jump', 'star-jump', 'burpee', 'switch-jump-lunge');
  const free = hall.scale({ session: b, writtenFor: 2, dials: AS_WRITTEN, subject: laneSubject(3) });
  const all = sumUp(index, b, free.uses).hardLandings;
  expect(all).toBeGreaterThan(60);
  let last = Number.POSITIVE_INFINITY;
  for (const max of [0, 20, 40, 60, all]) {
    const limit = limitSchema.parse({
      kind: 'budget',
      id: 'b',
      on: 'impact.highLandings',
      per: 'session',
      max,
      source: 'trainer',
      reason: 'few landings',
    });
    const version = hall.scale({
      session: b,
      writtenFor: 2,
      dials: AS_WRITTEN,
      subject: { ...laneSubject(3), limits: [limit] },
    });
    expect(sumUp(index, b, version.uses).hardLandings).toBeLessThanOrEqual(max);
    expect(version.cost).toBeLessThanOrEqual(last);
    last = version.cost;
  }
  expect(last).toBe(0);
});

test('pace and MET are inverse of one another', () => {
  fc.assert(
    fc.property(fc.double({ min: 30, max: 90, noNaN: true }), (pace) => {
      const curve = [30, 50, 90, 3, 5, 9] as const;
      return Math.abs(paceFor(metAt(pace, ...curve), ...curve) - pace) < 1e-6;
    }),
  );
  expect(paceFor(2, 30, 50, 90, 3, 5, 9)).toBeNaN();
  expect(paceFor(99, 30, 50, 90, 3, 5, 9)).toBe(90);
});

test('rows are found by id, and nothing is found for a stranger', () => {
  expect(index.ids.map((id) => rowOf(index, id))).toEqual(index.ids.map((_, i) => i));
  expect(rowOf(index, 'zzz')).toBe(-1);
});

test('a station whose move the library has lost becomes rest and says so', () => {
  const version = hall.scale({
    session: block('squat', 'lost-move'),
    writtenFor: 2,
    dials: AS_WRITTEN,
    subject: laneSubject(3),
  });
  expect(version.uses[1]).toBeNull();
  expect(version.reasons[0]!.rulers[0]!.says).toBe(
    'nothing is known here of what it asks: you show it, and judge who does it',
  );
});

test('a height the trainer names is kept to; one they don’t is the room’s nearest', () => {
  const named = session(circuit([{ move: 'step-up', settings: { surfaceCm: 25 } }]));
  const version = hall.scale({ session: named, writtenFor: 2, dials: AS_WRITTEN, subject: laneSubject(3) });
  expect(version.reasons[0]!.rulers[0]!.says).toBe('not at this height here');
  expect(formName(library, 'step-up', firstUse('step-up', laneSubject(3))!.settings)).toBe('Step-up, 20 cm');
});

describe('effort given back, by the bands of the Compendium (moderate from 3, vigorous from 6 MET; from memory)', () => {
  const everywhere = createScaler(index, EVERYWHERE);
  const eased = (move: string, dials: Partial<Dials>, subject = laneSubject(3)) =>
    everywhere.scale({
      session: block(move),
      writtenFor: 2,
      dials: { ...AS_WRITTEN, ...dials },
      subject,
    });
  const middleOf = (use: { metLo: number; metHi: number } | null | undefined) =>
    use ? (use.metLo + use.metHi) / 2 : 0;

  test.each(['jumping-jack', 'high-knees', 'jog-on-spot', 'burpee', 'squat-jump', 'skater-hop', 'line-hop'])(
    '%s stays vigorous with one foot down',
    (move) => {
      const { uses, original } = eased(move, { impact: 1 });
      expect(middleOf(original[0])).toBeGreaterThanOrEqual(6);
      expect(middleOf(uses[0])).toBeGreaterThanOrEqual(6);
      expect(uses[0]!.lightPerMinute + uses[0]!.highPerMinute).toBe(0);
    },
  );
  test('what pace can’t give back the arms do', () => {
    expect(eased('high-knees', { impact: 1 }).uses[0]?.settings.trim).toBe('arms-drive');
    expect(eased('jog-on-spot', { impact: 1 }).uses[0]?.settings.trim).toBeUndefined();
  });
  test('once effort is eased nothing gives it back', () => {
    const { uses } = eased('high-knees', { impact: 1, intensity: 1 });
    expect(uses[0]?.settings.trim).toBeUndefined();
  });
  test('once ability is eased, more of the way gives nothing back: no trim of range for any move at any level', () => {
    for (const move of library.moves)
      for (const ability of [0, 1, 2, 3] as const) {
        const use = eased(move.id, { ability, impact: 1 }, laneSubject(ability)).uses[0];
        const trim = use && library.move(use.move)!.trims.find((t) => t.id === use.settings.trim);
        if (trim?.gives === 'range') throw new Error(`${move.id} at ${ability}: ${use!.move} ${trim.id}`);
      }
  });
  test('never past what was written by more than a tenth, nor past the person’s own ceiling', () => {
    for (const move of library.moves) {
      const { uses, original } = eased(move.id, { impact: 1 });
      const [use] = uses;
      if (!use || use.move === move.id || use.pace === null) continue;
      const slowest = library.move(use.move)!.pace![0];
      if (use.pace > slowest && use.settings.trim === 'arms-drive')
        expect(middleOf(use)).toBeLessThanOrEqual(middleOf(original[0]) * 1.1 + 1e-9);
    }
  });
});

describe('what is kept first (common practice)', () => {
  const everywhere = createScaler(index, EVERYWHERE);
  /** What all moves of the library together keep with one foot down, for somebody a level below. */
  const kept = (keep: Dials['keep']) => {
    let muscles = 0;
    let effort = 0;
    let others = 0;
    for (const move of library.moves) {
      const version = everywhere.scale({
        session: block(move.id),
        writtenFor: 2,
        dials: { ...AS_WRITTEN, impact: 1, ability: 1, ...(keep ? { keep } : {}) },
        subject: laneSubject(1),
      });
      const [reason] = version.reasons;
      if (!reason?.use) continue;
      muscles += reason.kept.muscles;
      effort += Math.min(1, reason.kept.effort);
      if (reason.use.move !== move.id) others++;
    }
    return { muscles, effort, others };
  };
  const balanced = kept(undefined);
  test('the muscles: more of them than in the balance', () => {
    expect(kept('muscles').muscles).toBeGreaterThan(balanced.muscles);
  });
  test('the effort: more of it than in the balance', () => {
    expect(kept('effort').effort).toBeGreaterThan(balanced.effort);
  });
  test('what they know: fewer other moves than in the balance', () => {
    expect(kept('familiar').others).toBeLessThanOrEqual(balanced.others);
  });
});

test('the trainer’s own ways of a station come before any other move, where they are open', () => {
  const plain = circuit(['push-up', 'jumping-jack', 'lunge']);
  const ways = [['knee-push-up', 'wall-push-up'], ['side-tap'], ['sit-to-stand']];
  const said = { ...plain, stations: plain.stations.map((s, i) => ({ ...s, ways: ways[i]! })) };
  for (const level of [0, 1, 2, 3] as const) {
    const scaled = (block: typeof plain) =>
      createScaler(compileLibrary(library), EVERYWHERE).scale({
        session: session(block),
        writtenFor: 3,
        dials: { ...AS_WRITTEN, impact: 1, ability: level },
        subject: laneSubject(level),
      });
    const [before, after] = [scaled(plain).uses, scaled(said as typeof plain).uses];
    after.forEach((use, i) => {
      const written = plain.stations[i]!.move;
      // As written where that is open; else one of their ways, which are open to all here.
      expect([i, level, [written, ...ways[i]!].includes(use!.move)]).toEqual([i, level, true]);
      if (before[i]!.move === written) expect(use!.move).toBe(written);
    });
  }
});

describe('a form given by hand', () => {
  const given = (move: string, subject: Subject) =>
    hall
      .scale({
        session: block('push-up', 'squat'),
        writtenFor: 2,
        dials: { ...AS_WRITTEN, ability: 'own rungs' },
        subject,
        gives: [{ entry: 0, form: { move } }],
      })
      .uses.map((use) => use?.move);
  test('is theirs where it is open to them, and nobody else’s station', () => {
    expect(given('wall-push-up', laneSubject(1))).toEqual([
      'wall-push-up',
      given('push-up', laneSubject(1))[1],
    ]);
  });
  test('is not where a limit bars it', () => {
    const wrists = who(['wrist-no-load']);
    expect(given('plank', wrists)[0]).toBe(given('push-up', wrists)[0]);
    expect(given('plank', wrists)[0]).not.toBe('plank');
  });
});

describe('what a level means for what was written (common practice)', () => {
  const moves = ['climber-run', 'push-up', 'bicycle'] as const;
  const does = (subject: Subject, writtenFor: 0 | 1 | 2 | 3 = 2) =>
    hall
      .scale({
        session: block(...moves),
        writtenFor,
        dials: { ...AS_WRITTEN, ability: 'own rungs' },
        subject,
      })
      .uses.map((use) => use?.move);
  test('people of the level a session was written for do what was written; those below it don’t', () => {
    expect(does({ ...laneSubject(2), limits: [], assumed: 2 })).toEqual([...moves]);
    expect(does({ ...laneSubject(1), limits: [], assumed: 1 })).not.toEqual([...moves]);
  });
  test('a healthy child keeps it whatever their level; a limit still bars', () => {
    const child: Subject = { ...laneSubject(1), limits: [], assumed: 1, keepsUp: true, effortAge: 'child' };
    expect(does(child)).toEqual([...moves]);
    expect(does({ ...child, limits: compileCondition('wrist-no-load') })[1]).not.toBe('push-up');
  });
  test('written kilograms: as much less as they can less, never more than somebody like them begins with', () => {
    const loaded = { ...block('loaded-hinge') };
    const kgOf = (subject: Subject, loadKg: number) => {
      const blocks = loaded.blocks.map((one) => ({
        ...one,
        stations: one.stations.map((station) => ({ ...station, dose: { loadKg } })),
      }));
      const [use] = hall.scale({
        session: { ...loaded, blocks },
        writtenFor: 2,
        dials: { ...AS_WRITTEN, ability: 'own rungs' },
        subject,
      }).uses;
      return use?.move === 'loaded-hinge' ? (use.own?.loadKg ?? loadKg) : null;
    };
    const plain = { ...laneSubject(2), limits: [], assumed: 2 as const };
    expect(kgOf(plain, 16)).toBe(16);
    expect(kgOf({ ...plain, effortAge: 'older' }, 16)).toBe(6);
    expect(kgOf({ ...plain, effortAge: 'child', keepsUp: true }, 16)).toBe(4);
    // A rung of theirs that was seen says more.
    expect(
      kgOf({ ...plain, effortAge: 'older', clean: [{ move: 'loaded-hinge', surfaceCm: null, reps: 8 }] }, 16),
    ).toBe(16);
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.constantFrom(0, 1, 2, 3), (kg, level) => {
        const own = kgOf({ ...laneSubject(level as 0 | 1 | 2 | 3), limits: [] }, kg);
        if (own !== null) expect(own).toBeLessThanOrEqual(kg);
      }),
      { numRuns: 40 },
    );
  });
});
