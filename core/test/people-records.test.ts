import { lawIn, oddLimits } from '@inner-rung/core/limits';
import {
  ageOn,
  bornFault,
  cannot,
  cellsOf,
  columnOf,
  conditionsOn,
  everybodyIn,
  GROUP_EXAMPLE,
  headcountOf,
  loosenLimit,
  outlookOf,
  PERSON,
  PERSON_EXAMPLE,
  type Person,
  placesOf,
  readPeople,
  removeCondition,
  STALE_DAYS,
  standsFor,
  tightenAgain,
} from '@inner-rung/core/person';
import { openRecord } from '@inner-rung/core/record';
import { EVERYWHERE } from '@inner-rung/core/room';
import { PEOPLE } from '../../demo/src/index.ts';
import { shippedLibrary } from './shipped.ts';

const DAY = '2026-11-24';
const library = shippedLibrary();

describe('age', () => {
  test('a whole date turns on the birthday', () => {
    expect(ageOn('1955-11-24', DAY)).toEqual({ lo: 71, hi: 71 });
    expect(ageOn('1955-11-25', DAY)).toEqual({ lo: 70, hi: 70 });
  });
  test('a year alone leaves two ages', () => {
    expect(ageOn('1955', DAY)).toEqual({ lo: 70, hi: 71 });
  });
  test.each([
    ['1955-02-30', 'there is no such day in the calendar'],
    ['55', 'a year such as 1951, or a date such as 1951-03-20'],
    ['2027', 'that is in the future'],
    ['2026-12-01', 'that is in the future'],
    ['2023', 'under 5: Inner Rung plans for people from 5 years on'],
    ['1914', 'over 110 years ago: check the year'],
  ])('%s: %s', (born, says) => {
    expect(bornFault(born, DAY)).toBe(says);
  });
  test('what can be right is taken: 5 and 110', () => {
    expect(bornFault('2021-11-24', DAY)).toBeNull();
    expect(bornFault('1916-01-01', DAY)).toBeNull();
  });
  test('being under 18 is a condition by itself, and ends with the birthday', () => {
    const held = (born: string) => conditionsOn({ ...PERSON_EXAMPLE, born }, DAY).map((c) => c.id);
    expect(held('2014-05-11')).toEqual(['child']);
    expect(held('2008-11-25')).toEqual(['teenager']);
    expect(held('2008-11-24')).toEqual([]);
  });
});

describe('the record', () => {
  test('one of the first version opens, nothing lost', () => {
    const opened = openRecord(PERSON, {
      version: 1,
      id: 'old-hand',
      name: 'Old Hand',
      birthYear: 1958,
      kind: 'general',
      assumedLevel: 1,
      limits: [
        { kind: 'floor', id: 'f', changeSeconds: 15, source: 'trainer', reason: 'needs the time' },
        { kind: 'cap', id: 'c', on: 'knee.kneel', max: 0, source: 'person', reason: 'no kneeling' },
      ],
    });
    expect(opened).toMatchObject({
      ok: true,
      value: { born: '1958', limits: [{ what: 'change', seconds: 15 }, { on: 'knee.kneel' }] },
    });
  });
  test.each([
    ['massKg', 5, 'under 15 kg'],
    ['heightCm', 300, 'over 250 cm'],
    ['restingRate', 20, 'under 30 a minute at rest: ask a doctor'],
    ['name', '  ', 'a name or initials'],
  ])('%s of %s: %s', (field, value, says) => {
    const opened = openRecord(PERSON, { ...PERSON_EXAMPLE, [field]: value });
    expect(opened).toMatchObject({ ok: false, where: field, message: expect.stringContaining(says) });
  });
});

describe('changes are kept with when and why', () => {
  const at = { at: '2026-11-24T18:30:00.000Z', day: DAY };
  const knees: Person = { ...PERSON_EXAMPLE, conditions: [{ id: 'sore-knees', side: 'both' }] };
  const kneel = outlookOf(knees, DAY).limits.find((l) => l.id === 'sore-knees/knee.kneel')!;
  test('a limit put aside is off until it holds again, and both are in the log', () => {
    const eased = loosenLimit(knees, kneel, { by: 'their physio', why: 'kneels on a cushion now' }, at);
    expect(outlookOf(eased, DAY).limits.map((l) => l.id)).not.toContain(kneel.id);
    const again = tightenAgain(eased, kneel.id, at);
    expect(outlookOf(again, DAY).limits.map((l) => l.id)).toContain(kneel.id);
    expect(again.log.map((entry) => [entry.what, entry.why])).toEqual([
      ['limit', 'kneels on a cushion now'],
      ['limit', ''],
    ]);
  });
  test('an eased cap is never stricter than the condition’s own', () => {
    const bend = outlookOf(knees, DAY).limits.find((l) => l.id === 'sore-knees/knee.bendDeg')!;
    const eased = loosenLimit(knees, bend, { max: 20, by: 'somebody', why: 'by mistake' }, at);
    expect(outlookOf(eased, DAY).limits.find((l) => l.id === bend.id)).toEqual(bend);
  });
  test('a condition taken away takes its loosening with it', () => {
    const eased = loosenLimit(knees, kneel, { by: 'their physio', why: 'kneels on a cushion now' }, at);
    const gone = removeCondition(eased, 'sore-knees', 'both', at, 'well again');
    expect(gone).toMatchObject({ conditions: [], loosened: [] });
  });
});

describe('limits that make no sense together', () => {
  test('a limit under a stricter one changes nothing, and is told', () => {
    const person: Person = {
      ...PERSON_EXAMPLE,
      conditions: [{ id: 'sore-knees', side: 'both' }],
      limits: [
        {
          kind: 'cap',
          id: 'own-1',
          on: 'knee.bendDeg',
          max: 120,
          source: 'trainer',
          reason: 'not too deep',
          side: 'both',
          acute: false,
        },
      ],
    };
    expect(oddLimits(lawIn(library, EVERYWHERE), outlookOf(person, DAY).limits)).toContainEqual(
      expect.objectContaining({ id: 'own-1', severity: 'note' }),
    );
  });
  test('limits that leave no move at all contradict each other', () => {
    const cap = (id: string, on: 'posture.standing' | 'posture.floor' | 'effort.met', max: number) =>
      ({
        kind: 'cap',
        id,
        on,
        max,
        source: 'trainer',
        reason: 'for now',
        side: 'both',
        acute: false,
      }) as const;
    const odd = oddLimits(lawIn(library, EVERYWHERE), [
      cap('a', 'posture.standing', 0),
      cap('b', 'posture.floor', 0),
      cap('c', 'effort.met', 0.5),
    ]);
    expect(odd).toContainEqual(expect.objectContaining({ id: null, severity: 'wrong' }));
  });
});

describe('places on ladders', () => {
  const maud = PEOPLE.find((p) => p.id === 'maud-ellery')!;
  const place = (ladder: string, day = DAY) => placesOf(library, maud, day).find((p) => p.ladder === ladder)!;
  test('every ladder has one; what was tested or seen stands, the rest is marked as assumed', () => {
    const places = placesOf(library, maud, DAY);
    expect(places).toHaveLength(library.ladders.length);
    expect(place('squat')).toMatchObject({ evidence: 'assessed', sure: 'sure', stale: false });
    expect(place('push')).toMatchObject({ evidence: 'observed', sure: 'fairly' });
    expect(place('bridge')).toMatchObject({ evidence: 'assumed', sure: 'a guess', on: null });
  });
  test('evidence goes stale a day after its time', () => {
    const on = (days: number) =>
      new Date(Date.parse('2026-10-06T00:00:00Z') + days * 86_400_000).toISOString().slice(0, 10);
    expect(place('squat', on(STALE_DAYS.assessed)).stale).toBe(false);
    expect(place('squat', on(STALE_DAYS.assessed + 1))).toMatchObject({ stale: true, sure: 'fairly' });
  });
  test('a rung found on one ladder moves what is assumed on its neighbours', () => {
    const strong: Person = {
      ...maud,
      placements: [{ ladder: 'push', rung: { move: 'push-up' }, evidence: 'assessed', on: DAY }],
    };
    const before = new Map(placesOf(library, maud, DAY).map((p) => [p.ladder, p.rung]));
    const lifted = placesOf(library, strong, DAY).filter(
      (p) => p.on === null && p.rung > before.get(p.ladder)!,
    );
    expect(lifted.length).toBeGreaterThan(3);
    expect(lifted.every((p) => p.evidence === 'assumed')).toBe(true);
  });
});

describe('a class by number', () => {
  test('stands for its people in a plan, and counts with those by name', () => {
    const group = {
      ...GROUP_EXAMPLE,
      members: ['maud-ellery'],
      parts: [
        {
          id: 'knees',
          count: 2,
          conditions: [{ id: 'sore-knees' as const, side: 'both' as const }],
          level: 1 as const,
        },
      ],
    };
    expect(headcountOf(group)).toBe(3);
    const [maud, knees] = everybodyIn(group, PEOPLE);
    expect([maud!.name, knees!.name]).toEqual(['Maud Ellery', '2: sore knees']);
    expect([standsFor(maud!), standsFor(knees!)]).toEqual([null, 2]);
    // A digit in somebody's own name makes them no crowd.
    expect(standsFor({ ...PERSON_EXAMPLE, name: '3 Rivers' })).toBeNull();
    expect(cannot(outlookOf(knees!, DAY).limits)).toEqual(new Set(['flight', 'kneel', 'knees']));
  });
});

describe('a table of people', () => {
  const id = (row: number) => `p-${row}`;
  test('what goes out comes back in', () => {
    for (const person of PEOPLE) {
      const [fate] = readPeople([cellsOf(person)], [], DAY, () => person.id);
      expect(fate).toMatchObject({ is: 'new', line: 2 });
      for (const key of [
        'name',
        'born',
        'kind',
        'sex',
        'massKg',
        'restingRate',
        'conditions',
        'emergency',
      ] as const)
        expect(fate!.person![key]).toEqual(person[key]);
    }
  });
  test('every row has a fate, and what is wrong is said by column', () => {
    const fates = readPeople(
      [
        { name: 'Wren Abery', born: '1960' },
        { name: 'Wren Abery', born: '1960' },
        { name: 'Maud Ellery', born: '1955-03-20' },
        { name: '', born: '1960' },
        { name: 'Too Young', born: '2024' },
        { name: 'Odd', born: '1960', conditions: 'Sore knees (left); flat nose', 'mass kg': 'heavy' },
        {},
      ],
      PEOPLE,
      DAY,
      id,
    );
    expect(fates.map((f) => f.is)).toEqual([
      'new',
      'twice in the file',
      'here already',
      'refused',
      'refused',
      'refused',
      'empty',
    ]);
    expect(fates[5]!.problems.map((p) => p.column).sort()).toEqual(['conditions', 'mass kg']);
    expect(fates[5]!.problems.map((p) => p.says).join()).toContain('“flat nose”');
    expect(fates.map((f) => f.line)).toEqual([2, 3, 4, 5, 6, 7, 8]);
  });
  test('headings are known by what they mean', () => {
    expect(['Date of Birth', 'NAME', '\uFEFFname', 'Weight (kg)', 'Shoe size'].map(columnOf)).toEqual([
      'born',
      'name',
      'name',
      'mass kg',
      null,
    ]);
  });
});
