import { createScaler, switchesOf } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { difficultyOf, rungDemand } from '@inner-rung/core/ladder';
import { laneSubject, type Subject } from '@inner-rung/core/limits';
import { compileCondition } from '@inner-rung/core/person';
import { EVERYWHERE } from '@inner-rung/core/room';
import { AS_WRITTEN } from '@inner-rung/core/session';

import { circuit, session } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const scaler = createScaler(compileLibrary(library), EVERYWHERE);

const switches = (move: string, subject: Subject = laneSubject(2)) => {
  const request = {
    session: session(circuit([move])),
    writtenFor: 2 as const,
    dials: { ...AS_WRITTEN, ability: 'own rungs' as const },
    subject,
  };
  const version = scaler.scale(request);
  return { use: version.uses[0]!, ...switchesOf(scaler, request, version)[0]! };
};
const points = (use: { move: string; settings: object }) => difficultyOf(rungDemand(library, use)!).points;

describe('mid-set, as a coach would (common practice)', () => {
  test('down from a jumping jack is a step jack, and so it is for a knee', () => {
    const { down, sideways } = switches('jumping-jack');
    expect(down?.move).toBe('step-jack');
    expect(sideways.knee).toMatchObject({ move: 'step-jack' });
  });
  test('a wrist takes the plank to the forearms, and a squat nowhere', () => {
    expect(switches('plank').sideways.wrist).toMatchObject({ move: 'forearm-plank' });
    expect(switches('squat').sideways.wrist).toBe('same');
  });
  test('down from a push-up is one with the hands raised, up from it a harder one', () => {
    const { use, down, up } = switches('push-up');
    expect(library.move(down!.move)!.name).toMatch(/hands raised|knee/i);
    expect(points(up!)).toBeGreaterThan(points(use));
  });
  test('held instead: the middle of a squat, the top of a push-up, and nothing of what is held already', () => {
    expect(switches('squat').hold?.move).toBe('squat-hold');
    expect(switches('push-up').hold?.move).toBe('forearm-plank');
    expect(switches('knee-push-up').hold?.move).toBe('knee-forearm-plank');
    expect(switches('plank').hold).toBeNull();
    // Of a curl nothing is held that anybody would know.
    expect(switches('standing-curl').hold).toBeNull();
  });
  test('a back that is worse bending leaves the crunch', () => {
    const { sideways } = switches('crunch');
    expect(sideways.back).not.toBe('same');
  });
});

test('for every fourth move of the library: down is easier, up is harder and stays in the family of ladders', () => {
  const family = (move: string) =>
    new Set(
      library.ladders
        .filter((l) => l.rungs.some((rung) => rung.move === move))
        .flatMap((l) => [l.id, ...l.branchOf]),
    );
  let both = 0;
  for (const move of library.moves.filter((_, i) => i % 4 === 0)) {
    const { use, down, up } = switches(move.id, laneSubject(3));
    if (!use) continue;
    if (down) expect(points(down)).toBeLessThan(points(use));
    if (up) {
      expect(points(up)).toBeGreaterThan(points(use));
      const own = family(use.move);
      if (up.move !== use.move)
        expect([...family(up.move)].some((l) => own.has(l)) || own.size === 0).toBe(true);
    }
    if (down && up) both++;
  }
  // Most have somewhere to go either way; how many is printed by a failure.
  expect(both).toBeGreaterThan(library.moves.length / 8);
});

test('who may not leave the floor or leave their seat is never offered to', () => {
  const seated: Subject = { ...laneSubject(1), limits: compileCondition('seated-only') };
  for (const move of ['squat', 'push-up', 'jumping-jack', 'crunch', 'lunge']) {
    const { down, up, sideways } = switches(move, seated);
    for (const to of [down, up, ...Object.values(sideways)])
      if (to && to !== 'same') expect(rungDemand(library, to)!['posture.standing'].hi).toBe(0);
  }
});

test('what is held instead is held, in the same posture, and no more than a step harder', () => {
  let some = 0;
  for (const move of library.moves.filter((_, i) => i % 4 === 1)) {
    const { use, hold } = switches(move.id, laneSubject(3));
    if (!use || !hold) continue;
    some++;
    expect([move.id, hold.pace]).toEqual([move.id, null]);
    const posture = (id: string) =>
      (['posture.standing', 'posture.floor', 'posture.lying'] as const).map(
        (key) => library.demand.get(id)![key].hi,
      );
    expect([move.id, posture(hold.move)]).toEqual([move.id, posture(use.move)]);
    expect(points(hold) - points(use)).toBeLessThanOrEqual(10.01);
  }
  expect(some).toBeGreaterThan(20);
});
