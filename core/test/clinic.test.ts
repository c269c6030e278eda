import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { formsOf } from '@inner-rung/core/forms';
import { compileConstraints, lawIn, NOBODY, subjectOf } from '@inner-rung/core/limits';
import {
  CONDITION_IDS,
  type ConditionId,
  compileCondition,
  type EffortAge,
  effortOn,
  type Limit,
  levelAbility,
  limitSchema,
  outlookOf,
  PERSON_EXAMPLE,
  type Person,
  rpeCeilingMet,
} from '@inner-rung/core/person';
import { EVERYWHERE } from '@inner-rung/core/room';
import { AS_WRITTEN, type Dials } from '@inner-rung/core/session';
import fc from 'fast-check';
import { cases } from './cases.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const law = lawIn(library, EVERYWHERE);

interface Case {
  readonly id: ConditionId;
  readonly bars: readonly string[];
  readonly opens: readonly string[];
}
/** What somebody with a condition must not be given and what must stay theirs, written before the table was revised. */
const judged = readFileSync(join(process.cwd(), 'core/test/clinic/cases.tsv'), 'utf8')
  .split('\n')
  .filter((line) => line && !line.startsWith('#'))
  .map((line): Case => {
    const [id, bars, opens] = line.split('\t');
    return { id: id as ConditionId, bars: bars!.split(' '), opens: opens!.split(' ') };
  });

/** Somebody of whom nothing is known but the condition, on the second level. */
const heldBack = (id: ConditionId) =>
  compileConstraints({ ...NOBODY, ability: levelAbility(1), limits: compileCondition(id) }, AS_WRITTEN);

describe('read as a clinician would (common practice)', () => {
  test('every condition that limits anything has its cases', () => {
    const said = new Set(judged.map(({ id }) => id));
    const missing = CONDITION_IDS.filter((id) => !said.has(id) && compileCondition(id).length > 0);
    expect(missing).toEqual(['wrist-no-turn', 'asthma', 'no-jumping', 'no-kneeling']);
  });
  test.each(judged.map((one) => [one.id, one] as const))('%s', (id, { bars, opens }) => {
    const c = heldBack(id);
    const forms = (move: string) => {
      if (!library.move(move)) throw new Error(`there is no ${move}`);
      return formsOf(law.table, move);
    };
    // As it is written, without a trim, a hold or one side alone.
    const plain = (f: number) =>
      law.table.trim[f]! < 0 && law.table.support[f] === 0 && law.table.side[f] === 0;
    expect(bars.filter((move) => forms(move).some((f) => plain(f) && law.isOpen(f, c)))).toEqual([]);
    expect(opens.filter((move) => !forms(move).some((f) => law.isOpen(f, c)))).toEqual([]);
  });
});

describe('effort caps mean what they say', () => {
  const ages: readonly EffortAge[] = ['adult', 'older'];
  test('every step of the scale ends at another MET, and the bands’ ends are where they were', () => {
    for (const age of ages)
      for (const capacity of [null, 5, 9, 14])
        for (let rpe = 1; rpe < 8; rpe++)
          expect(rpeCeilingMet(rpe, capacity, age)).toBeLessThan(rpeCeilingMet(rpe + 1, capacity, age));
    // Garber et al. 2011, from memory: 40, 60 and 90 % of the reserve; 3, 6 and 8.8 MET; from 65 on 4.8 and 6.8.
    expect([4, 6, 8].map((rpe) => rpeCeilingMet(rpe, 11, 'adult'))).toEqual([5, 7, 10]);
    expect([4, 6, 8].map((rpe) => rpeCeilingMet(rpe, null, 'adult'))).toEqual([3, 6, 8.8]);
    expect([4, 6, 8].map((rpe) => rpeCeilingMet(rpe, null, 'older'))).toEqual([3, 4.8, 6.8]);
  });
  test('nobody of unknown age is allowed more than an older person', () => {
    for (let rpe = 1; rpe <= 10; rpe++)
      expect(rpeCeilingMet(rpe, null, 'older')).toBeLessThanOrEqual(rpeCeilingMet(rpe, null, 'adult'));
  });
  test('at most 3, 4, 5 and 6 each leave fewer strength moves than the next', () => {
    const open = (maxRpe: number) => {
      const c = compileConstraints(
        {
          ...NOBODY,
          ability: levelAbility(2),
          limits: [
            {
              kind: 'effort',
              id: 'x',
              source: 'clinician',
              side: 'both',
              acute: false,
              reason: 'as the clinic says',
              maxRpe,
            },
          ],
        },
        AS_WRITTEN,
      );
      return library.moves.filter(({ id }) => formsOf(law.table, id).some((f) => law.isOpen(f, c))).length;
    };
    const counts = [3, 4, 5, 6, 7].map(open);
    expect([...counts].sort((a, b) => a - b)).toEqual(counts);
    expect(new Set(counts).size).toBe(counts.length);
  });
});

describe('less known is never laxer', () => {
  const open = (subject: Parameters<typeof compileConstraints>[0], dials: Dials = AS_WRITTEN) => {
    const c = compileConstraints(subject, dials);
    return new Set(
      library.moves.map(({ id }) => id).filter((id) => formsOf(law.table, id).some((f) => law.isOpen(f, c))),
    );
  };
  const within = (less: ReadonlySet<string>, more: ReadonlySet<string>) =>
    [...less].filter((id) => !more.has(id));
  const { effortAge: _, ...ageless } = NOBODY;
  test.each(CONDITION_IDS)('%s: neither age, capacity nor level opens anything by not being known', (id) => {
    const limits = compileCondition(id);
    const nothing = { ...ageless, ability: levelAbility(0), limits };
    const known = open({ ...NOBODY, ability: levelAbility(2), limits, capacityMet: 9, effortAge: 'adult' });
    // Each of three facts taken away by itself, and all of them.
    for (const less of [
      { ...ageless, ability: levelAbility(2), limits, capacityMet: 9 },
      { ...NOBODY, ability: levelAbility(2), limits, capacityMet: null, effortAge: 'adult' as const },
      { ...NOBODY, ability: levelAbility(0), limits, capacityMet: 9, effortAge: 'adult' as const },
      nothing,
    ])
      expect(within(open(less), known)).toEqual([]);
  });
  test('who has a file and wasn’t asked isn’t freer than who was; nobody under 18 trains without consent', () => {
    const day = '2026-11-24';
    const asked = {
      ...PERSON_EXAMPLE,
      kind: 'general' as const,
      activity: 'regular' as const,
      screening: { of: 'adult' as const, on: day, regular: true, disease: false, symptoms: [] },
    };
    const { screening: __, ...unasked } = asked;
    expect(effortOn(outlookOf(unasked, day))).toBeLessThan(effortOn(outlookOf(asked, day)));
    const young = { ...unasked, born: '2013' };
    expect(outlookOf(young, day).mayTrain).toBe(false);
    expect(
      outlookOf(
        { ...young, screening: { of: 'young', on: day, regular: true, consentBy: 'Her mother', yes: [] } },
        day,
      ).mayTrain,
    ).toBe(true);
  });
  test('no answer taken out of a file raises the effort or lets anybody train, and none before exercise opens a move', () => {
    const day = '2026-11-24';
    const facts = ['activity', 'sex', 'massKg', 'heightCm', 'restingRate', 'screening'] as const;
    fc.assert(
      fc.property(
        fc.record({
          born: fc.constantFrom('1942', '1955', '1968', '1984', '1999'),
          kind: fc.constantFrom('beginner', 'general', 'older adult', 'clinical'),
          assumedLevel: fc.constantFrom(0, 1, 2),
          activity: fc.constantFrom('inactive', 'some', 'regular', 'active', 'athletic'),
          sex: fc.constantFrom('female', 'male'),
          massKg: fc.integer({ min: 48, max: 120 }),
          heightCm: fc.integer({ min: 150, max: 195 }),
          restingRate: fc.integer({ min: 52, max: 88 }),
          conditions: fc.subarray([...CONDITION_IDS], { maxLength: 2 }),
          regular: fc.boolean(),
        }),
        fc.constantFrom(...facts),
        ({ conditions, regular, ...rest }, gone) => {
          const known = {
            ...PERSON_EXAMPLE,
            ...rest,
            conditions: conditions.map((id) => ({ id, side: 'both' as const })),
            screening: {
              of: 'adult' as const,
              on: day,
              regular,
              disease: false,
              symptoms: [],
            },
          } as Person;
          const { [gone]: _gone, ...less } = known;
          const [all, some] = [outlookOf(known, day), outlookOf(less as Person, day)];
          expect([gone, effortOn(some) <= effortOn(all)]).toEqual([gone, true]);
          expect([gone, some.mayTrain && !all.mayTrain]).toEqual([gone, false]);
          // A capacity reckoned from the others may be lower than the published bands that stand in for it: what a
          // weight, a rate or a walk shows of somebody weaker than most can't hold without it.
          if (gone !== 'screening' && gone !== 'sex') return;
          const [now, then] = [less as Person, known].map((one) => open(subjectOf(one, library, day)));
          expect([gone, within(now!, then!)]).toEqual([gone, []]);
        },
      ),
      cases(2500),
    );
  });
  test('without an age whatever is there for somebody’s health is an older person’s; a trainer’s own word is of adults', () => {
    const effort = limitSchema.parse({
      kind: 'effort',
      id: 'e',
      maxRpe: 6,
      source: 'trainer',
      reason: 'steady',
    });
    const dial = { ...AS_WRITTEN, intensity: 1 as const };
    const of = (limits: readonly Limit[], more: object, dials: Dials = AS_WRITTEN) =>
      open({ ...ageless, ability: levelAbility(2), limits, ...more } as typeof NOBODY, dials);
    for (const source of ['person', 'clinician', 'condition', 'screening', 'today'] as const)
      for (const effortAge of ['child', 'adult', 'older'] as const)
        for (const maxRpe of [3, 4, 5, 6, 7, 8]) {
          const limits = [{ ...effort, source, maxRpe } as Limit];
          expect(within(of(limits, {}), of(limits, { effortAge }))).toEqual([]);
        }
    // An older person's dial is an older person's; of those who are known by number their trainer sees what they are.
    expect(within(of([], { effortAge: 'older' }, dial), of([], { effortAge: 'adult' }, dial))).toEqual([]);
    expect(of([], { effortAge: 'older' }, dial).size).toBeLessThan(of([], { effortAge: 'adult' }, dial).size);
    expect(of([], {}, dial)).toEqual(of([], { effortAge: 'adult' }, dial));
    expect(of([effort], {})).toEqual(of([effort], { effortAge: 'adult' }));
  });
  test('a measured capacity of no less than the end that is taken without it opens nothing by being struck out', () => {
    // What nine of ten have where something they have holds them back; what the screening leaves goes by the work's own
    // class, which is as much as this for somebody whose moderate it is.
    const day = '2026-11-24';
    const least = { older: 7.5, adult: 9.7 } as const;
    fc.assert(
      fc.property(
        fc.constantFrom('1942', '1955', '1984', '1999'),
        fc.subarray([...CONDITION_IDS], { maxLength: 2 }),
        fc.constantFrom(0, 1, 2),
        fc.double({ min: 0, max: 6, noNaN: true }),
        (born, conditions, assumedLevel, over) => {
          const { capacityMet: _met, ...rest } = PERSON_EXAMPLE as Person;
          const less = {
            ...rest,
            born,
            kind: 'general',
            assumedLevel,
            conditions: conditions.map((id) => ({ id, side: 'both' as const })),
          } as Person;
          const { effortAge } = subjectOf(less, library, day);
          const from = least[effortAge === 'older' ? 'older' : 'adult'] + over;
          const known = { ...less, capacityMet: { lo: from, hi: from, from: 'a lab' } } as Person;
          const [now, then] = [less, known].map((one) => open(subjectOf(one, library, day)));
          expect(within(now!, then!)).toEqual([]);
        },
      ),
      cases(300),
    );
  });
  test('a clearance and a trainer’s word end after twelve months, and when health changes', () => {
    const screening = { of: 'adult' as const, on: '2026-01-10', regular: false, disease: true, symptoms: [] };
    const stands = (more: object, day: string) =>
      outlookOf({ ...PERSON_EXAMPLE, screening, ...more } as Person, day).standing.state;
    const clearance = { on: '2026-02-01', by: 'Dr Lund', maxRpe: 6 };
    expect(stands({ clearance }, '2026-06-01')).toBe('cleared');
    expect(stands({ clearance, healthChangedOn: '2026-05-01' }, '2026-06-01')).not.toBe('cleared');
    expect(stands({ clearance }, '2027-02-01')).not.toBe('cleared');
    const override = { on: '2026-02-01', by: 'Ines', why: 'walks daily' };
    expect(stands({ override }, '2026-06-01')).toBe('overridden');
    expect(stands({ override, healthChangedOn: '2026-05-01' }, '2026-06-01')).not.toBe('overridden');
    expect(stands({ override }, '2027-03-01')).not.toBe('overridden');
  });
});
