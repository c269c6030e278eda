import { subjectOf } from '@inner-rung/core/limits';
import { GROUP_EXAMPLE, PERSON_EXAMPLE, type Person } from '@inner-rung/core/person';
import { RECORDS, recordOf } from '@inner-rung/core/records';
import {
  ACTION_IDS,
  deedSaid,
  fieldsChanged,
  groupsByMember,
  may,
  seenBy,
  TEAM_ROLES,
  type TrailLine,
  type Viewer,
} from '@inner-rung/core/team';
import fc from 'fast-check';
import { PEOPLE } from '../../demo/src/index.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const DAY = '2026-11-30';
const viewer: fc.Arbitrary<Viewer> = fc.record({
  role: fc.constantFrom(...TEAM_ROLES),
  groups: fc.option(fc.subarray(['monday', 'friday', 'sunday']), { nil: null }),
});
const groups = fc.array(
  fc.record({
    id: fc.constantFrom('monday', 'friday', 'sunday'),
    members: fc.subarray(PEOPLE.map(({ id }) => id)),
  }),
  { maxLength: 4 },
);

describe('roles', () => {
  test('a trainer may all that an assistant may; an owner all that anybody may', () => {
    for (const id of ACTION_IDS) {
      if (may('assistant', id)) expect([id, may('trainer', id)]).toEqual([id, true]);
      expect([id, may('owner', id)]).toEqual([id, true]);
    }
  });
  test('what can’t be had back, or lets somebody in, is the owner’s alone', () => {
    for (const id of ['erase', 'keep-copies', 'open-network', 'manage-team', 'see-trail'] as const)
      expect(TEAM_ROLES.filter((role) => may(role, id))).toEqual(['owner']);
  });
});

describe('what each sees', () => {
  test('whoever looks at somebody, the limits they are planned by are the same', () => {
    fc.assert(
      fc.property(fc.constantFrom(...PEOPLE), viewer, groups, (person, who, all) => {
        const seen = seenBy(who, 'person', person, groupsByMember(all)) as Person | null;
        if (seen !== null) expect(subjectOf(seen, library, DAY)).toEqual(subjectOf(person, library, DAY));
      }),
      { numRuns: 400 },
    );
  });
  test('fewer groups never show more', () => {
    fc.assert(
      fc.property(fc.constantFrom(...PEOPLE), viewer, groups, (person, who, all) => {
        const by = groupsByMember(all);
        if (seenBy({ ...who, groups: [] }, 'person', person, by) !== null)
          expect(seenBy(who, 'person', person, by)).not.toBeNull();
        if (seenBy(who, 'person', person, by) !== null)
          expect(seenBy({ ...who, groups: null }, 'person', person, by)).not.toBeNull();
      }),
      { numRuns: 400 },
    );
  });
  test('an assistant is shown no note of anybody; an owner everything as it stands', () => {
    const by = groupsByMember([]);
    const noted = { ...PERSON_EXAMPLE, notes: 'shy', goals: 'stairs' };
    expect(seenBy({ role: 'assistant', groups: null }, 'person', noted, by)).toMatchObject({
      notes: '',
      goals: '',
      log: [],
    });
    const attended = { ...GROUP_EXAMPLE, attendance: [{ on: DAY, present: ['rosa'], others: 0 }] };
    expect(seenBy({ role: 'assistant', groups: null }, 'group', attended, by)).toMatchObject({
      attendance: [],
    });
    for (const { kind, example } of RECORDS)
      expect(seenBy({ role: 'owner', groups: null }, kind, example, by)).toBe(example);
  });
  test('a reader sees neither people nor groups nor what was done, and everything that is signed', () => {
    const by = groupsByMember([]);
    const seen = RECORDS.filter(
      ({ kind }) => seenBy({ role: 'reader', groups: null }, kind, recordOf(kind).example, by) !== null,
    ).map(({ kind }) => kind);
    expect(seen).toEqual(['room', 'plan', 'change', 'review']);
  });
});

describe('the trail in words', () => {
  const line = (more: Partial<TrailLine>): TrailLine => ({
    number: 1,
    at: 0,
    who: 'Ines',
    from: 'this machine',
    deed: 'changed',
    kind: 'person',
    of: 'rosa',
    what: [],
    gone: false,
    ...more,
  });
  const said = (more: Partial<TrailLine>) => deedSaid(line(more), (_, id) => (id === 'rosa' ? 'Rosa' : null));
  test('says what of whom, by the name they have now', () => {
    expect(said({ what: ['birthYear'] })).toBe('changed birth year of Rosa');
    expect(said({ what: ['notes', 'limits', 'today'] })).toBe('changed notes, limits and today of Rosa');
    expect(said({ deed: 'saw' })).toBe('saw Rosa');
    expect(said({ of: 'theo' })).toBe('changed what is no longer here');
    expect(said({ of: null, gone: true })).toBe('changed somebody since erased');
    expect(
      said({ deed: 'changed the team', kind: null, of: null, what: ['Dana Obi added as trainer'] }),
    ).toBe('changed the team: Dana Obi added as trainer');
    expect(said({ deed: 'signed in', kind: null, of: null })).toBe('signed in');
    expect(said({ deed: 'refused', kind: null, of: null, what: ['erase for good'] })).toBe(
      'was refused: erase for good',
    );
  });
  test('names the fields that differ, added and taken away too', () => {
    expect(fieldsChanged({ a: 1, b: [1, 2], c: 3 }, { a: 1, b: [2, 1], d: 4 })).toEqual(['b', 'c', 'd']);
    expect(fieldsChanged({ a: { b: 1 } }, { a: { b: 1 } })).toEqual([]);
  });
});
