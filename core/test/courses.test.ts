import {
  type ConditionId,
  outlookOf,
  PERSON_EXAMPLE,
  type Person,
  personSchema,
} from '@inner-rung/core/person';
import fc from 'fast-check';
import { asksOf, courseOn, thirdOf, weekOfPregnancy } from '../src/person/courses.ts';

const DAY = '2026-11-02';
const plus = (days: number, from = DAY) =>
  new Date(Date.parse(`${from}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);
const held = (id: ConditionId, more: Partial<Person['conditions'][number]> = {}) => ({
  id,
  side: 'both' as const,
  ...more,
});
const someone = (conditions: Person['conditions'], more: Partial<Person> = {}): Person =>
  personSchema.parse({
    ...PERSON_EXAMPLE,
    born: '1990',
    kind: 'general',
    screening: { of: 'adult', on: DAY, regular: true, disease: false, symptoms: [] },
    pregnancyScreen: { on: DAY, yes: [] },
    conditions,
    ...more,
  });
const ids = (person: Person, day = DAY) => outlookOf(person, day).conditions.map(({ id }) => id);

describe('a pregnancy by its due date', () => {
  // 280 days from the last period to the due date (Naegele's rule), in whole weeks; thirds begin at 13 and 28 (NHS, from memory).
  test.each([
    [280 - 7 * 8, 8, 1],
    [190, 12, 1],
    [189, 13, 2],
    [85, 27, 2],
    [84, 28, 3],
    [0, 40, 3],
    [-7, 41, 3],
  ])('%i days before it: week %i, third %i', (days, week, third) => {
    const due = plus(days);
    expect([weekOfPregnancy(due, DAY), thirdOf(due, DAY)]).toEqual([week, third]);
  });
  test('it moves on by itself where it becomes more careful, at the edge', () => {
    const person = someone([held('pregnancy-early', { due: plus(190) })], { sex: 'female' });
    expect(ids(person)).toEqual(['pregnancy-early']);
    expect(ids(person, plus(1))).toEqual(['pregnancy-later']);
  });
  test('a due date that can’t be is asked about, and the later limits hold', () => {
    for (const due of [plus(400), plus(-40)]) {
      const person = someone([held('pregnancy-early', { due })]);
      expect(ids(person)).toEqual(['pregnancy-later']);
      expect(outlookOf(person, DAY).asks.map(({ says }) => says)).toEqual([
        expect.stringMatching(/is the day right/),
      ]);
    }
  });
  test('a due date that has passed asks whether the child is born', () => {
    const person = someone([held('pregnancy-later', { due: plus(-3) })]);
    expect(outlookOf(person, DAY).asks).toEqual([expect.objectContaining({ to: 'after-birth-early' })]);
    expect(ids(person)).toEqual(['pregnancy-later']);
  });
  test('the pregnancy questions are asked anew in each third, and after thirteen weeks without a date', () => {
    const due = plus(94);
    const person = someone([held('pregnancy-later', { due })]);
    expect(outlookOf(person, DAY).standing.askAgain).toBeNull();
    expect(outlookOf(person, plus(9)).standing.askAgain).toBeNull();
    expect(outlookOf(person, plus(10)).standing.askAgain).toMatch(/another third/i);
    const undated = someone([held('pregnancy-later')]);
    expect(outlookOf(undated, plus(91)).standing.askAgain).toBeNull();
    expect(outlookOf(undated, plus(92)).standing.askAgain).toMatch(/another third/i);
  });
});

describe('phases by the day they began', () => {
  test.each([
    [41, 'after-birth-early', null],
    [42, 'after-birth-early', 'after-birth-middle'],
    [83, 'after-birth-early', 'after-birth-middle'],
    [84, 'after-birth-early', 'after-birth-later'],
  ] as const)('%i days after a birth: %s holds, and %s is offered', (days, id, to) => {
    const one = held('after-birth-early', { since: plus(-days) });
    expect(courseOn(one, DAY).id).toBe(id);
    expect(asksOf(one, DAY).map((ask) => ask.to)).toEqual(to === null ? [] : [to]);
  });
  test('a later phase than the days allow is taken back', () => {
    expect(courseOn(held('after-birth-later', { since: plus(-20) }), DAY).id).toBe('after-birth-early');
  });
  test.each(['recent-surgery', 'breastbone', 'heart-event-recent', 'clot'] as const)(
    '%s is asked about after twelve weeks and holds',
    (id) => {
      const one = (days: number) => held(id, { since: plus(-days) });
      expect(asksOf(one(83), DAY)).toEqual([]);
      expect(asksOf(one(84), DAY)).toHaveLength(1);
      expect(courseOn(one(400), DAY).id).toBe(id);
    },
  );
  test('no date alone ever eases what is recorded', () => {
    const careful: readonly ConditionId[] = [
      'pregnancy-later',
      'pregnancy-early',
      'after-birth-early',
      'after-birth-middle',
      'after-birth-later',
    ];
    fc.assert(
      fc.property(
        fc.constantFrom(...careful),
        fc.integer({ min: -400, max: 400 }),
        fc.boolean(),
        (id, days, asDue) => {
          const dated = held(id, asDue ? { due: plus(days) } : { since: plus(days) });
          expect(careful.indexOf(courseOn(dated, DAY).id)).toBeLessThanOrEqual(careful.indexOf(id));
        },
      ),
    );
  });
});

describe('what doesn’t go together is asked about, and nothing is opened meanwhile', () => {
  test('a condition that begins on a day to come is minded already', () => {
    const person = someone([held('sore-knees', { since: plus(30) })]);
    expect(ids(person)).toEqual(['sore-knees']);
    expect(outlookOf(person, DAY).asks).toHaveLength(1);
  });
  test('a side where there is none counts for both', () => {
    const person = someone([held('heart-disease', { side: 'left' })]);
    const both = someone([held('heart-disease')]);
    expect(outlookOf(person, DAY).limits).toEqual(outlookOf(both, DAY).limits);
    expect(outlookOf(person, DAY).asks).toHaveLength(1);
  });
  test('no known disease, and one in the file: the disease counts', () => {
    const person = someone([held('diabetes')]);
    const { standing } = outlookOf(person, DAY);
    expect(standing.askAgain).toMatch(/no known disease, and diabetes/);
    expect(standing.maxRpe).toBeLessThanOrEqual(6);
    const resting = someone([held('diabetes')], {
      screening: { of: 'adult', on: DAY, regular: false, disease: false, symptoms: [] },
    });
    expect(outlookOf(resting, DAY).mayTrain).toBe(false);
  });
  test('a known disease and nothing asked is no freer than asked', () => {
    const { screening: _, ...unasked } = someone([held('heart-failure')]);
    expect(outlookOf(unasked, DAY).mayTrain).toBe(false);
    expect(outlookOf({ ...unasked, clearance: { on: DAY, by: 'the clinic', says: '' } }, DAY).mayTrain).toBe(
      true,
    );
    const word = { on: DAY, by: 'Jo', reason: 'active every day' };
    expect(outlookOf({ ...unasked, override: word }, DAY).standing.state).toBe('overridden');
  });
  // What guidance lets nobody begin with unseen, from memory (ACSM preparticipation screening; AHA, ESC on valves and
  // devices; ACOG's relative contraindications): whoever was active before isn't who answered the questions.
  test.each([
    'heart-event-recent',
    'implanted-defibrillator',
    'valve-or-aneurysm',
    'clot',
    'breastbone',
    'recent-surgery',
    'pregnancy-watched',
    'bone-secondaries',
    'low-platelets-or-line',
  ] as const)('%s waits for a doctor’s word from after it began, however active they were', (id) => {
    const since = plus(-20);
    const person = (more: Partial<Person> = {}) => outlookOf(someone([held(id, { since })], more), DAY);
    const asked = {
      of: 'adult',
      on: plus(-40),
      regular: true,
      disease: false,
      symptoms: [],
    } as Person['screening'];
    expect(person({ screening: asked }).mayTrain).toBe(false);
    expect(person().mayTrain).toBe(false);
    expect(person({ screening: asked, clearance: { on: plus(-21), by: 'Dr Lund', says: '' } }).mayTrain).toBe(
      false,
    );
    expect(person({ screening: asked, clearance: { on: plus(-20), by: 'Dr Lund', says: '' } }).mayTrain).toBe(
      true,
    );
    // Nobody but a doctor takes it on themselves.
    const word = { on: plus(-1), by: 'Ines', reason: 'she insists' };
    expect(person({ screening: asked, override: word } as Partial<Person>).mayTrain).toBe(false);
    expect(person({ screening: asked }).standing.mayOverride).toBe(false);
    const byNumber = { ...someone([held(id, { since })]), standsFor: 2 } as Person;
    expect(outlookOf(byNumber, DAY).mayTrain).toBe(true);
  });
  test('a clearance from before what it should clear says nothing of it', () => {
    const screening = { of: 'adult' as const, on: plus(-100), regular: false, disease: true, symptoms: [] };
    const cleared = (on: string) =>
      outlookOf(
        someone([held('heart-event-recent', { since: plus(-20) })], {
          screening,
          clearance: { on, by: 'the clinic', says: '' },
        }),
        DAY,
      ).mayTrain;
    expect([cleared(plus(-21)), cleared(plus(-20)), cleared(plus(-1))]).toEqual([false, true, true]);
  });
  test('pregnant and just after a birth, or recorded as male', () => {
    const both = someone([held('pregnancy-early'), held('after-birth-early')]);
    expect(outlookOf(both, DAY).asks).toHaveLength(1);
    expect(ids(both)).toEqual(['pregnancy-early', 'after-birth-early']);
    expect(outlookOf(someone([held('pregnancy-early')], { sex: 'male' }), DAY).asks).toHaveLength(1);
  });
  // Each edge, its year only, and nobody's age where none was said.
  test.each([
    ['pregnancy-early', '1961', 'Aged 64–65, and “'],
    ['caesarean-early', '2016', 'Aged 9–10, and “'],
    ['pregnancy-later', '1970', null],
    ['pregnancy-later', '2015', null],
    ['older-beginner', '1995', 'Aged 30–31, and “'],
    ['older-beginner', '1981', null],
    ['growth-pain', '2003', 'Aged 22–23, and “'],
    ['growth-pain', '2013', null],
  ] as const)('%s of somebody born in %s', (id, born, says) => {
    const { asks } = outlookOf(someone([held(id)], { born }), DAY);
    const aged = asks.filter((one) => one.says.startsWith('Aged'));
    if (says === null) expect(aged).toEqual([]);
    else
      expect(aged.map((one) => [one.says.startsWith(says), (one as { id?: string }).id])).toEqual([
        [true, id],
      ]);
    const ageless = { ...someone([held(id)], { born }), ageless: true } as Person;
    expect(outlookOf(ageless, DAY).asks.filter((one) => one.says.startsWith('Aged'))).toEqual([]);
  });
});
