import { REGIONS } from '@inner-rung/core/ladder';
import {
  abilityFrom,
  activeLimits,
  BANDS,
  bandCeilingMet,
  bandOfMet,
  bandOfRpe,
  kcalPerMinute,
  LEVELS,
  ownedAlone,
  PERSON,
  PERSON_EXAMPLE,
} from '@inner-rung/core/person';
import { openRecord } from '@inner-rung/core/record';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const region = (name: (typeof REGIONS)[number]) => REGIONS.indexOf(name);

describe('effort bands, Garber et al. 2011 (from memory)', () => {
  test('half open: a band ends where the next begins', () => {
    expect(bandOfMet(2.99, null, 'adult')).toBe(0);
    expect(bandOfMet(3.0, null, 'adult')).toBe(1);
    expect(bandOfMet(5.99, null, 'adult')).toBe(1);
    expect(bandOfMet(6.0, null, 'adult')).toBe(2);
    expect(bandOfMet(8.8, null, 'adult')).toBe(3);
  });
  test('the same work is moderate for a capacity of 12 and vigorous for one of 7', () => {
    expect(bandOfMet(5, 12, 'adult')).toBe(0);
    expect(bandOfMet(5, 9, 'adult')).toBe(1);
    expect(bandOfMet(5, 7, 'adult')).toBe(2);
  });
  test('share of reserve: the moderate band of a 6-MET person ends at 1 + 0.6 × 5 = 4 MET', () => {
    expect(bandCeilingMet(1, 6, 'adult')).toBeCloseTo(4, 9);
  });
  test('the 0–10 scale: 5–6 moderate, 7–8 vigorous', () => {
    expect([4, 5, 6, 7, 8, 9].map(bandOfRpe)).toEqual([0, 1, 1, 2, 2, 3]);
    expect(BANDS[3].belowShare).toBe(Number.POSITIVE_INFINITY);
  });
  test('energy: 8 MET at 70 kg is 9.8 kcal a minute', () => {
    expect(kcalPerMinute(8, 70)).toBeCloseTo(9.8, 9);
  });
});

describe('ability from placements', () => {
  test('without evidence it is the assumed level', () => {
    expect(abilityFrom(library, [], 1)).toEqual(LEVELS[1].ability);
  });
  test('an owned rung sets the strength its ladder measures, below the assumed level too', () => {
    const ability = abilityFrom(
      library,
      [{ ladder: 'push', rung: { move: 'wall-push-up' }, evidence: 'assessed', on: '2026-01-01' }],
      3,
    );
    expect(ability[region('strength.push')]).toBe(18);
    expect(ability[region('strength.legs')]).toBe(LEVELS[3].ability[region('strength.legs')]);
  });
  test('what a rung was seen to ask for elsewhere lifts the assumption, unless only assumed', () => {
    const placement = { ladder: 'push', rung: { move: 'push-up' }, on: '2026-01-01' } as const;
    const seen = abilityFrom(library, [{ ...placement, evidence: 'observed' }], 0);
    const assumed = abilityFrom(library, [{ ...placement, evidence: 'assumed' }], 0);
    expect(seen[region('strength.front')]).toBe(45);
    expect(assumed[region('strength.front')]).toBe(LEVELS[0].ability[region('strength.front')]);
  });
  test('owning small muscles’ work says nothing of anything else, and is open all the same', () => {
    for (const ladder of library.ladders.filter((one) => one.isolates)) {
      const top = ladder.rungs.at(-1)!;
      const placement = {
        ladder: ladder.id,
        rung: { move: top.move, ...(top.settings ? { settings: top.settings } : {}) },
        evidence: 'assessed' as const,
        on: '2026-01-01',
      };
      expect([ladder.id, abilityFrom(library, [placement], 0)]).toEqual([ladder.id, LEVELS[0].ability]);
      expect(ownedAlone(library, [placement])).toEqual(
        [...new Set(ladder.rungs.map((rung) => rung.move))].sort(),
      );
      expect(ownedAlone(library, [{ ...placement, evidence: 'assumed' }])).toEqual([]);
    }
    expect(library.ladders.filter((one) => one.isolates).length).toBeGreaterThan(8);
  });
  test('levels never ask less further out', () => {
    for (let i = 1; i < LEVELS.length; i++)
      expect(LEVELS[i]!.ability.every((value, r) => value >= LEVELS[i - 1]!.ability[r]!)).toBe(true);
  });
});

describe('limits by day', () => {
  test('a limit holds through its last day and not after', () => {
    const person = {
      ...PERSON_EXAMPLE,
      conditions: [{ id: 'no-floor' as const, side: 'both' as const, until: '2026-03-10' }],
    };
    const floor = (day: string) => activeLimits(person, day).some((l) => l.condition === 'no-floor');
    expect([floor('2026-03-10'), floor('2026-03-11')]).toEqual([true, false]);
  });
});

const atHome = (more: object) => ({
  ...PERSON_EXAMPLE,
  home: { sessions: [], weeks: 4, room: 'ready-living-room', words: '', ...more },
});

describe('a stored person', () => {
  test('opens', () =>
    expect(openRecord(PERSON, PERSON_EXAMPLE)).toEqual({ ok: true, value: PERSON_EXAMPLE }));
  test('with what they do at home, as it was kept', () => {
    const home = { sessions: [{ plan: 'tuesday-ten', days: ['Mon', 'Thu'] }], weeks: 6, words: ' Slowly. ' };
    expect(openRecord(PERSON, atHome(home))).toEqual({ ok: true, value: atHome(home) });
  });
  test.each([
    ['a name that is missing', { ...PERSON_EXAMPLE, name: '' }, 'name'],
    ['effort 11', { ...PERSON_EXAMPLE, effortMax: 11 }, 'effortMax'],
    ['a condition nobody knows', { ...PERSON_EXAMPLE, conditions: [{ id: 'joy' }] }, 'conditions.0.id'],
    ['a newer version', { ...PERSON_EXAMPLE, version: 9 }, 'version'],
    [
      'a day nobody has',
      atHome({ sessions: [{ plan: 'tuesday-ten', days: ['Mun'] }] }),
      'home.sessions.0.days.0',
    ],
    ['home for a year', atHome({ weeks: 52 }), 'home.weeks'],
    ['not an object', 'Maud', '(top)'],
  ])('%s is refused and the place named', (_name, raw, where) => {
    expect(openRecord(PERSON, raw)).toMatchObject({ ok: false, where });
  });
});
