import { longUnheardBefore, SESSION_RECORD, type SessionRecord, unheardSince } from '@inner-rung/core/log';
import { keptOf, lastInFile, PERSON_EXAMPLE, type Person, personSchema } from '@inner-rung/core/person';
import * as z from 'zod';
import { PEOPLE } from '../../demo/src/index.ts';
import { result } from './results.ts';

/** What is of the document itself, and what everybody’s file has. */
const OF_ALL = new Set([
  'version',
  'id',
  'name',
  'born',
  'kind',
  'sex',
  'assumedLevel',
  'effortMax',
  'consent',
]);
/** Something in each field that may be there or not. */
const SOME: Readonly<Partial<Record<keyof Person, unknown>>> = {
  activity: 'some',
  massKg: 70,
  heightCm: 170,
  restingRate: 60,
  capacityMet: { lo: 5, hi: 6, from: 'a clinic' },
  goals: 'stairs',
  notes: 'shy',
  emergency: { name: 'Rhys', phone: '01632' },
  equipment: ['mat'],
  dislikes: ['burpee'],
  never: ['burpee'],
  likes: ['squat'],
  screening: { of: 'adult', on: '2026-10-01', regular: true, disease: false, symptoms: [] },
  pregnancyScreen: { on: '2026-10-01', yes: [] },
  clearance: { on: '2026-10-01', by: 'Dr Wren', says: '' },
  override: { on: '2026-10-01', by: 'Ines', reason: 'known her for years' },
  healthChangedOn: '2026-10-01',
  stops: [{ run: 'r', on: '2026-10-01', sign: 'faint or dizzy', note: '' }],
  conditions: [{ id: 'sore-knees', side: 'both' }],
  limits: [PEOPLE.flatMap(({ limits }) => limits)[0] ?? {}],
  loosened: [{ limit: 'a/b', by: 'Ines', why: 'the clinic', on: '2026-10-01' }],
  placements: [{ ladder: 'squat', rung: { move: 'squat' }, evidence: 'observed', on: '2026-10-01' }],
  assessments: [{ id: 'a', test: 'chair-stand', on: '2026-10-01', value: 9 }],
  today: { on: '2026-10-01', marks: [], pain: [], readings: {} },
  log: [{ at: '2026-10-01T10:00:00Z', what: 'limit', says: 'x', why: '' }],
  home: { sessions: [], weeks: 4, room: 'x' },
};

test('nothing is kept of anybody that isn’t told, with what it is for', () => {
  const fields = Object.keys(
    (z.toJSONSchema(personSchema, { io: 'input', unrepresentable: 'any' }) as { properties: object })
      .properties,
  );
  const told = fields.filter((field) => {
    if (OF_ALL.has(field)) return true;
    const with_ = { ...PERSON_EXAMPLE, [field]: SOME[field as keyof Person] } as Person;
    return SOME[field as keyof Person] !== undefined && keptOf(with_).length > keptOf(PERSON_EXAMPLE).length;
  });
  // A change of health is told by what it ends.
  expect(fields.filter((field) => !told.includes(field))).toEqual(['healthChangedOn']);
  for (const { what, why } of keptOf({ ...PERSON_EXAMPLE, ...SOME } as Person))
    expect([what, why.length > 10]).toEqual([what, true]);
});

test('the last day a file tells of is the newest of all its days', () => {
  expect(lastInFile(PERSON_EXAMPLE)).toBeNull();
  for (const [field, value] of Object.entries(SOME)) {
    const says = JSON.stringify(value).includes('2026-10-01');
    if (field === 'pregnancyScreen') continue;
    expect([field, lastInFile({ ...PERSON_EXAMPLE, [field]: value } as Person)]).toEqual([
      field,
      says ? '2026-10-01' : null,
    ]);
  }
  const newer = { ...PERSON_EXAMPLE, ...SOME, consent: { on: '2026-11-01', how: 'on paper' } } as Person;
  expect(lastInFile(newer)).toBe('2026-11-01');
});

describe('who hasn’t been heard of', () => {
  const person = (id: string, on?: string): Person => ({
    ...PERSON_EXAMPLE,
    id,
    ...(on && { consent: { on, how: 'on paper' } }),
  });
  const session = (on: string, id: string, present: boolean): SessionRecord => ({
    ...SESSION_RECORD.example,
    on,
    results: [result({ person: id, present, effort: null })],
  });
  const names = (people: Person[], records: SessionRecord[]) =>
    unheardSince(people, records, longUnheardBefore('2026-11-30')).map(
      ({ person: { id }, last }) => `${id} ${last}`,
    );
  test('by the later of file and sessions, the longest away first, at the edge', () => {
    const people = [
      person('ana', '2024-11-29'),
      person('bo', '2024-11-30'),
      person('cy', '2020-01-01'),
      person('di'),
    ];
    expect(names(people, [])).toEqual(['cy 2020-01-01', 'ana 2024-11-29']);
    expect(names(people, [session('2026-01-01', 'cy', true)])).toEqual(['ana 2024-11-29']);
  });
  test('a session they were missed in tells of nobody; who has no day at all is nobody’s to say', () => {
    expect(names([person('cy', '2020-01-01')], [session('2026-01-01', 'cy', false)])).toEqual([
      'cy 2020-01-01',
    ]);
    expect(names([person('di')], [session('2023-05-01', 'di', true)])).toEqual(['di 2023-05-01']);
    expect(names([person('di')], [])).toEqual([]);
  });
});
