import { createScaler } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { subjectOf } from '@inner-rung/core/limits';
import { outlookOf, standIn, WALK_INS } from '@inner-rung/core/person';
import { EVERYWHERE } from '@inner-rung/core/room';
import { castSchema, whoInRun } from '@inner-rung/core/run';
import { AS_WRITTEN } from '@inner-rung/core/session';

import { PEOPLE } from '../../demo/src/index.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const scaler = createScaler(compileLibrary(library), EVERYWHERE);
const DAY = '2026-11-24';
const saskia = PEOPLE.find((p) => p.id === 'saskia-dorn')!;
const both = (id: 'sore-knees' | 'no-floor') => ({ id, side: 'both' as const });
const none = { conditions: [], level: null };
const barred = (who: ReturnType<typeof whoInRun>, move: string) =>
  scaler.bars([{ move }], { subject: subjectOf(who.person, library, DAY), dials: AS_WRITTEN })[0]!.length > 0;

describe('who somebody of a run is to whatever is planned in it', () => {
  test('their file, as it is, where nothing holds today', () => {
    expect(whoInRun({ id: saskia.id, today: none }, PEOPLE)).toEqual({
      person: saskia,
      ability: 'own rungs',
    });
  });
  test('what is sore today keeps from them what their file alone wouldn’t', () => {
    const fresh = whoInRun({ id: saskia.id, today: none }, PEOPLE);
    const sore = whoInRun({ id: saskia.id, today: { ...none, conditions: [both('no-floor')] } }, PEOPLE);
    expect(barred(fresh, 'plank')).toBe(false);
    expect(barred(sore, 'plank')).toBe(true);
    expect(outlookOf(sore.person, DAY).limits.length).toBeGreaterThan(
      outlookOf(fresh.person, DAY).limits.length,
    );
  });
  test('a walk-in keeps what was said of them, and the level they are taken to be', () => {
    const today = { conditions: [both('no-floor')], level: 0 as const };
    const who = whoInRun({ id: 'walked-in-a1b2', today }, PEOPLE);
    expect(who.person).toMatchObject({ assumedLevel: 0, conditions: today.conditions });
    expect(who.ability).toBe('own rungs');
    expect(barred(who, 'plank')).toBe(true);
  });
  test('a level for the day holds for somebody with a file', () => {
    expect(whoInRun({ id: saskia.id, today: { conditions: [], level: 1 } }, PEOPLE).ability).toBe(1);
  });
  test('one of several known by number is found by what stands before theirs', () => {
    const part = standIn(WALK_INS, {
      id: 'knees',
      count: 3,
      conditions: [{ id: 'sore-knees', side: 'both' }],
      level: 1,
    });
    expect(whoInRun({ id: `${part.id}#2`, today: none }, [...PEOPLE, part]).person).toBe(part);
  });
  test('what is held already isn’t held twice', () => {
    const maud = PEOPLE.find((p) => p.id === 'maud-ellery')!;
    const [held] = maud.conditions;
    const who = whoInRun({ id: maud.id, today: { conditions: [held!], level: null } }, PEOPLE);
    expect(who.person).toBe(maud);
  });
  test('a run made before there was such a thing still opens', () => {
    const old = { id: 'a', name: 'A', byNumber: false, does: [], switches: [], cautions: [] };
    expect(castSchema.parse(old).today).toEqual(none);
  });
});
