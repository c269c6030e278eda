import {
  type Clearance,
  decideScreening,
  outlookOf,
  PERSON_EXAMPLE,
  type Person,
  personSchema,
  type Screening,
  standingOf,
  stopClosed,
  stoppedIn,
  yearAfter,
} from '@inner-rung/core/person';

const adult = (
  regular: boolean,
  disease: boolean,
  symptoms: Extract<Screening, { of: 'adult' }>['symptoms'] = [],
  on = '2026-06-01',
): Screening => ({ of: 'adult', on, regular, disease, symptoms });
const clearance = (on: string, maxRpe?: number): Clearance => ({
  on,
  by: 'Dr Okonedo',
  says: '',
  ...(maxRpe === undefined ? {} : { maxRpe }),
});
const DAY = '2026-11-24';
const stand = (it: Parameters<typeof standingOf>[0], on = DAY) => standingOf(it, on, false, false);

describe('the decision table for adults, all six rows (Riebe et al. 2015, from memory)', () => {
  test.each([
    // regular, disease, signs: result, effort it goes on to allow
    [false, false, false, 'go', 6],
    [false, true, false, 'clearance recommended', 6],
    [false, false, true, 'clearance recommended', 6],
    [false, true, true, 'clearance recommended', 6],
    [true, false, false, 'go', 10],
    [true, true, false, 'moderate without clearance', 6],
    [true, false, true, 'stop', 1],
    [true, true, true, 'stop', 1],
  ] as const)('regular %s, disease %s, signs %s: %s, up to %s', (regular, disease, signs, result, rpe) => {
    expect(decideScreening(regular, disease, signs)).toMatchObject({ result, rpe });
  });
  test.each([
    [adult(false, false), 'go', true, 6],
    [adult(false, true), 'clearance recommended', false, 6],
    [adult(false, false, ['chest']), 'clearance recommended', false, 6],
    [adult(true, false), 'go', true, 10],
    [adult(true, true), 'moderate without clearance', true, 6],
    [adult(true, false, ['dizzy']), 'stop', false, 1],
  ] as const)('what follows from it: %j', (screening, state, mayTrain, maxRpe) => {
    expect(stand({ screening })).toMatchObject({ state, mayTrain, maxRpe });
  });
});

describe('answers hold twelve months, or until health changes', () => {
  test('the last day is the one before the year is out; a leap day too', () => {
    expect(yearAfter('2025-11-25')).toBe('2026-11-24');
    expect(yearAfter('2024-02-29')).toBe('2025-02-28');
    expect(stand({ screening: adult(true, false, [], '2025-11-25') }).askAgain).toBeNull();
    expect(stand({ screening: adult(true, false, [], '2025-11-24') })).toMatchObject({
      askAgain: 'The answers are more than 12 months old.',
      maxRpe: 6,
      mayTrain: true,
    });
  });
  test('a change of health asks again, and holds effort at moderate meanwhile', () => {
    const it = { screening: adult(true, false), healthChangedOn: '2026-09-01' };
    expect(stand(it)).toMatchObject({ askAgain: 'Their health has changed since.', maxRpe: 6 });
  });
});

describe('clearance', () => {
  test('lets somebody with a known disease begin, light to moderate', () => {
    expect(stand({ screening: adult(false, true), clearance: clearance('2026-05-20') })).toMatchObject({
      state: 'cleared',
      mayTrain: true,
      maxRpe: 6,
    });
  });
  test('counts for twelve months', () => {
    const it = { screening: adult(true, true), clearance: clearance('2025-11-25') };
    expect(stand(it).state).toBe('cleared');
    expect(stand(it, '2026-11-25').state).toBe('moderate without clearance');
  });
  test('says nothing of signs that came after it', () => {
    const screening = adult(true, false, ['chest']);
    expect(stand({ screening, clearance: clearance('2026-05-31') }).state).toBe('stop');
    expect(stand({ screening, clearance: clearance('2026-06-02') }).state).toBe('cleared');
  });
  test('its own ceiling holds where it is lower', () => {
    expect(stand({ screening: adult(true, true), clearance: clearance('2026-06-02', 7) }).maxRpe).toBe(7);
    expect(stand({ screening: adult(false, true), clearance: clearance('2026-06-02', 9) }).maxRpe).toBe(6);
  });
  test('a clearance from the future clears nothing', () => {
    expect(stand({ screening: adult(false, true), clearance: clearance('2026-11-25') }).mayTrain).toBe(false);
  });
});

describe('the trainer’s own word', () => {
  const override = { on: '2026-06-03', by: 'R. Moss', reason: 'Walks daily, stable for years.' };
  test('may stand where only a disease asks for clearance', () => {
    expect(stand({ screening: adult(false, true) }).mayOverride).toBe(true);
    expect(stand({ screening: adult(false, true), override })).toMatchObject({
      state: 'overridden',
      mayTrain: true,
      maxRpe: 6,
    });
  });
  test('never where there are signs or symptoms', () => {
    for (const regular of [true, false]) {
      const standing = stand({ screening: adult(regular, false, ['night']), override });
      expect(standing).toMatchObject({ mayTrain: false, mayOverride: false });
    }
  });
  test('given before the questions were asked again, it has lapsed', () => {
    expect(stand({ screening: adult(false, true, [], '2026-07-01'), override }).mayTrain).toBe(false);
  });
});

describe('under 18: consent and their own questions', () => {
  const young = (consentBy: string, yes: Extract<Screening, { of: 'young' }>['yes'] = []): Screening => ({
    of: 'young',
    on: '2026-06-01',
    regular: true,
    consentBy,
    yes,
  });
  const standing = (screening: Screening, cleared?: Clearance) =>
    standingOf({ screening, ...(cleared ? { clearance: cleared } : {}) }, DAY, false, true);
  test('nothing without consent', () => {
    expect(standing(young(''))).toMatchObject({ state: 'consent missing', mayTrain: false });
    expect(standing(young('A. Penhale, mother'))).toMatchObject({ state: 'go', mayTrain: true });
  });
  test('any yes waits for a doctor', () => {
    const asked = young('A. Penhale, mother', ['fainted']);
    expect(standing(asked).mayTrain).toBe(false);
    expect(standing(asked, clearance('2026-06-10')).mayTrain).toBe(true);
  });
  test('a child asked an adult’s questions is asked again', () => {
    expect(standing(adult(true, false)).askAgain).toBe('They were asked another age’s questions.');
  });
});

describe('pregnant', () => {
  const pregnant: Person = {
    ...PERSON_EXAMPLE,
    born: '1994-02-02',
    screening: adult(true, false),
    conditions: [{ id: 'pregnancy-later', side: 'both' }],
  };
  test('the questions are asked, and each reason to wait stops', () => {
    expect(outlookOf(pregnant, DAY).standing.askAgain).toBe('Pregnant: ask the pregnancy questions.');
    for (const reason of ['bleeding', 'waters', 'pressure', 'placenta', 'cervix', 'other'] as const)
      expect(
        outlookOf({ ...pregnant, pregnancyScreen: { on: '2026-10-01', yes: [reason] } }, DAY).mayTrain,
      ).toBe(false);
  });
  test('none of them, or the care team’s word since, lets her train', () => {
    expect(outlookOf({ ...pregnant, pregnancyScreen: { on: '2026-10-01', yes: [] } }, DAY).mayTrain).toBe(
      true,
    );
    const word = { ...pregnant, pregnancyScreen: { on: '2026-10-01', yes: ['other' as const] } };
    expect(outlookOf({ ...word, clearance: clearance('2026-10-05') }, DAY).mayTrain).toBe(true);
    expect(outlookOf({ ...word, clearance: clearance('2026-09-05') }, DAY).mayTrain).toBe(false);
  });
});

describe('what it does to effort', () => {
  test('the ceiling is one of their limits, with where it comes from', () => {
    const { limits } = outlookOf({ ...PERSON_EXAMPLE, screening: adult(false, false) }, DAY);
    expect(limits).toContainEqual(
      expect.objectContaining({ kind: 'effort', maxRpe: 6, source: 'screening' }),
    );
  });
  test('somebody not asked yet may be planned for', () => {
    expect(outlookOf(PERSON_EXAMPLE, DAY)).toMatchObject({
      mayTrain: true,
      standing: { state: 'not screened' },
    });
  });
});

describe('a stop sign in a session', () => {
  const asked = {
    screening: { of: 'adult' as const, on: '2026-11-01', regular: true, disease: false, symptoms: [] },
  };
  const stop = { run: 'run-1', on: '2026-11-10', sign: 'faint or dizzy', note: 'sat down, water' };
  test('keeps them from training from that day on, whatever else is known, until somebody closes it', () => {
    const cleared = { on: '2026-11-09', by: 'Dr Lund', says: '' };
    expect(stand({ ...asked, stops: [stop] }, '2026-11-09').mayTrain).toBe(true);
    for (const on of ['2026-11-10', '2026-11-11', '2027-06-01'])
      expect(stand({ ...asked, clearance: cleared, stops: [stop] }, on)).toMatchObject({
        state: 'stop',
        mayTrain: false,
        maxRpe: 1,
      });
    const closed = {
      ...stop,
      closed: { on: '2026-11-12', by: 'Dr Lund', says: 'low pressure, drinks more' },
    };
    expect(stand({ ...asked, stops: [closed] }, '2026-11-12').mayTrain).toBe(true);
  });
  test('a doctor is asked where a doctor should be', () => {
    expect(stand({ ...asked, stops: [stop] }, '2026-11-11').says).toMatch(/doctor or nurse/);
    // What the table doesn't have is a doctor's too.
    const odd = { ...stop, sign: 'a sign of another release' };
    expect(stand({ ...asked, stops: [odd] }, '2026-11-11').says).toMatch(/doctor or nurse/);
    const joint = { ...stop, sign: 'sharp joint pain' };
    expect(stand({ ...asked, stops: [joint] }, '2026-11-11').says).not.toMatch(/doctor/);
  });
  test('stands in the file once, and what was done is added when it is written', () => {
    const when = { at: '2026-11-10T10:00:00.000Z', day: '2026-11-10' };
    const once = stoppedIn(PERSON_EXAMPLE, { ...stop, note: '' }, when);
    expect(stoppedIn(once, { ...stop, note: '' }, when)).toBe(once);
    const noted = stoppedIn(once, stop, when);
    expect(noted.stops).toEqual([stop]);
    expect(stoppedIn(noted, { ...stop, note: '' }, when)).toBe(noted);
    const closed = stopClosed(noted, stop, { by: 'Dr Lund', says: 'all well' }, when);
    expect(closed.stops).toEqual([{ ...stop, closed: { on: when.day, by: 'Dr Lund', says: 'all well' } }]);
    expect(personSchema.parse(closed)).toEqual(closed);
  });
});
