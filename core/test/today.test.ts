import {
  limitWords,
  outlookOf,
  PERSON_EXAMPLE,
  type Person,
  readingsSchema,
  readReadings,
  TODAY_IDS,
  type Today,
  todayVerdict,
} from '@inner-rung/core/person';

const DAY = '2026-11-24';
const sheet = (patch: Partial<Today>): Today => ({ on: DAY, marks: [], pain: [], readings: {}, ...patch });
const is = (patch: Partial<Today>, lows = false) => todayVerdict(sheet(patch), DAY, { lows }).is;

describe('readings at rest, both sides of every line', () => {
  test.each([
    [179, 99, 'ask first'],
    [180, 99, 'not today'],
    [150, 109, 'ask first'],
    [150, 110, 'not today'],
    [159, 99, 'as usual'],
    [160, 90, 'ask first'],
    [150, 100, 'ask first'],
    [90, 60, 'as usual'],
    [89, 60, 'ask first'],
  ])('blood pressure %s/%s: %s', (systolic, diastolic, expected) => {
    expect(is({ readings: { systolic, diastolic } })).toBe(expected);
  });
  test.each([
    [100, 'as usual'],
    [101, 'ask first'],
    [120, 'ask first'],
    [121, 'not today'],
  ])('pulse %s: %s', (pulse, expected) => {
    expect(is({ readings: { pulse } })).toBe(expected);
  });
  test('a newly irregular pulse: not today', () => {
    expect(is({ readings: { irregular: true } })).toBe('not today');
  });
  test.each([
    [3.8, undefined, true, 'not today'],
    [3.9, undefined, true, 'ask first'],
    [4.9, undefined, true, 'ask first'],
    [5.0, undefined, true, 'as usual'],
    [4.9, undefined, false, 'as usual'],
    [13.9, undefined, true, 'as usual'],
    [14.0, undefined, true, 'ask first'],
    [14.0, 0.5, true, 'easier'],
    [14.0, 0.6, true, 'ask first'],
    [14.0, 1.5, true, 'not today'],
  ])('glucose %s, ketones %s, can go low %s: %s', (glucoseMmol, ketonesMmol, lows, expected) => {
    expect(is({ readings: { glucoseMmol, ketonesMmol } }, lows)).toBe(expected);
  });
  test('glucose is said in both units: 5.0 is 90, 3.9 is 70, 13.9 is 250', () => {
    const said = (mmol: number) => readReadings({ glucoseMmol: mmol }, { lows: true })[0]?.says ?? '';
    expect(said(4.9)).toContain('(88 mg/dL)');
    expect(said(3.8)).toContain('(68 mg/dL)');
    expect(said(14)).toContain('(252 mg/dL)');
  });
  test('what no person can have is said by name', () => {
    const wrong = (r: object) => readingsSchema.safeParse(r).error!.issues[0]!.message;
    expect(wrong({ systolic: 400, diastolic: 80 })).toContain('the upper blood pressure over 300');
    expect(wrong({ pulse: 10 })).toContain('the pulse under 25');
    expect(wrong({ glucoseMmol: 90 })).toContain('the glucose in mmol/L over 40');
    expect(wrong({ systolic: 120 })).toBe('a blood pressure has two numbers');
    expect(wrong({ systolic: 80, diastolic: 90 })).toBe('the lower number can’t be as high as the upper');
  });
});

describe('marks and soreness', () => {
  test.each(TODAY_IDS)('%s says something and leads somewhere', (id) => {
    const verdict = todayVerdict(sheet({ marks: [id] }), DAY);
    expect(verdict.is).not.toBe('as usual');
    expect(verdict.says[0]!.length).toBeGreaterThan(10);
  });
  test('the most pressing comes first', () => {
    const verdict = todayVerdict(sheet({ marks: ['slept-badly', 'fever', 'hot'] }), DAY);
    expect(verdict.is).toBe('not today');
    expect(verdict.says[0]).toContain('well for a day');
  });
  test('a sore left knee spares the left knee, acutely, and this session only', () => {
    const person: Person = { ...PERSON_EXAMPLE, today: sheet({ pain: [{ place: 'knee', side: 'left' }] }) };
    const today = outlookOf(person, DAY).limits.filter((l) => l.source === 'today');
    expect(today.map(limitWords)).toContain('no pressure on the kneecap, left');
    expect(today.every((l) => l.acute)).toBe(true);
    expect(outlookOf(person, '2026-11-25').limits.filter((l) => l.source === 'today')).toEqual([]);
  });
  test('not today means no card and no place', () => {
    const person: Person = { ...PERSON_EXAMPLE, today: sheet({ marks: ['chest'] }) };
    expect(outlookOf(person, DAY).mayTrain).toBe(false);
    expect(outlookOf(person, '2026-11-25').mayTrain).toBe(true);
  });
});

describe('what is known of somebody changes what a reading means (common practice)', () => {
  test.each<[string, Parameters<typeof readReadings>[0], Parameters<typeof readReadings>[1], string]>([
    ['pressure in pregnancy', { systolic: 142, diastolic: 84 }, { pregnant: true }, 'not today'],
    ['the same of anybody else', { systolic: 142, diastolic: 84 }, {}, 'as usual'],
    ['the lower one alone', { systolic: 128, diastolic: 92 }, { pregnant: true }, 'not today'],
    ['a fast pulse', { pulse: 104 }, {}, 'ask first'],
    ['a faster one', { pulse: 121 }, {}, 'not today'],
    ['known fibrillation, fast', { pulse: 112 }, { rateKnown: true }, 'not today'],
    ['a slow pulse', { pulse: 46 }, {}, 'ask first'],
    ['a very slow one', { pulse: 38 }, {}, 'not today'],
    ['irregular and new', { irregular: true }, {}, 'not today'],
    ['irregular as known', { irregular: true }, { rateKnown: true }, 'ask first'],
    ['low oxygen', { oxygenPercent: 89 }, {}, 'not today'],
    ['the same of ailing lungs', { oxygenPercent: 89 }, { lungs: true }, 'as usual'],
    ['theirs under 89', { oxygenPercent: 88 }, { lungs: true }, 'ask first'],
    ['far too low', { oxygenPercent: 85 }, { lungs: true }, 'not today'],
  ])('%s', (_what, readings, reader, expected) => {
    expect(todayVerdict(sheet({ readings }), DAY, reader).is).toBe(expected);
  });
  test('a worse reading never says less', () => {
    const rank = (r: Parameters<typeof readReadings>[0], reader: Parameters<typeof readReadings>[1]) =>
      ['as usual', 'easier', 'ask first', 'not today'].indexOf(
        todayVerdict(sheet({ readings: r }), DAY, reader).is,
      );
    for (const reader of [{}, { pregnant: true }, { rateKnown: true }, { lungs: true }]) {
      for (let n = 100; n < 200; n++)
        expect(rank({ systolic: n + 1, diastolic: 70 }, reader)).toBeGreaterThanOrEqual(
          rank({ systolic: n, diastolic: 70 }, reader),
        );
      for (let n = 60; n < 160; n++)
        expect(rank({ pulse: n + 1 }, reader)).toBeGreaterThanOrEqual(rank({ pulse: n }, reader));
      for (let n = 99; n > 60; n--)
        expect(rank({ oxygenPercent: n - 1 }, reader)).toBeGreaterThanOrEqual(
          rank({ oxygenPercent: n }, reader),
        );
    }
  });
});
