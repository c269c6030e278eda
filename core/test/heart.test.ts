import {
  ACTIVITY,
  capacityOf,
  friendMl,
  jurcaMet,
  MAX_RATE,
  rateBands,
  rateTargets,
  reserveRate,
  walkMl,
} from '@inner-rung/core/person';

const at = (age: number) => ({ lo: age, hi: age });

describe('highest heart rate by age', () => {
  test.each([
    ['fox', 20, 200],
    ['fox', 65, 155],
    ['tanaka', 20, 194],
    ['tanaka', 65, 162.5],
    ['gellish', 40, 179],
    ['gellish', 65, 161.5],
    ['gulati', 50, 162],
    ['gulati', 74, 140.88],
  ] as const)('%s at %s: %s', (formula, age, bpm) => {
    expect(MAX_RATE[formula].bpm(age)).toBeCloseTo(bpm, 9);
  });
  test('Tanaka and Fox cross at 40', () => {
    expect(MAX_RATE.tanaka.bpm(40)).toBeCloseTo(MAX_RATE.fox.bpm(40), 9);
  });
});

describe('bands (Garber et al. 2011, from memory)', () => {
  test('reserve by hand: rest 60, highest 180, so that 40 % is 60 + 0.4 × 120 = 108 and 60 % is 132', () => {
    expect(reserveRate(60, 180, 0.4)).toBeCloseTo(108, 9);
    expect(rateBands(180, 60)).toEqual([
      { band: 'light', from: 96, to: 108 },
      { band: 'moderate', from: 108, to: 132 },
      { band: 'vigorous', from: 132, to: 168 },
      { band: 'near-maximal', from: 168, to: 180 },
    ]);
  });
  test('share of the highest: 57, 64, 77 and 96 % of 200', () => {
    expect(rateBands(200, null).map((b) => b.from)).toEqual([114, 128, 154, 192]);
  });
  test('half open: each ends where the next begins, and the last at the highest', () => {
    for (const rest of [null, 48, 75]) {
      const bands = rateBands(172, rest);
      expect(bands.slice(1).map((b) => b.from)).toEqual(bands.slice(0, -1).map((b) => b.to));
      expect(bands.at(-1)!.to).toBe(172);
    }
  });
});

describe('who gets targets', () => {
  test('nobody under 18, nobody whose heart rate is altered', () => {
    expect(rateTargets(at(17), 'female', 60, false)).toEqual([]);
    // A year alone that leaves 17 open counts as 17.
    expect(rateTargets({ lo: 17, hi: 18 }, 'female', 60, false)).toEqual([]);
    expect(rateTargets(at(18), 'female', 60, false)).toHaveLength(4);
    expect(rateTargets(at(50), 'female', 60, true)).toEqual([]);
  });
  test('the women’s formula is for women, and for whoever hasn’t said', () => {
    const names = (sex?: 'female' | 'male') => rateTargets(at(50), sex, 60, false).map((t) => t.formula);
    expect(names('male')).not.toContain('gulati');
    expect(names('female')).toContain('gulati');
    expect(names()).toContain('gulati');
  });
  test('the resting rate makes it the reserve', () => {
    expect(rateTargets(at(50), 'male', 60, false)[0]).toMatchObject({ by: 'reserve', max: 173 });
    expect(rateTargets(at(50), 'male', undefined, false)[0]!.by).toBe('share of the highest');
  });
});

describe('capacity, worked by hand', () => {
  test('Jurca 2005: a man of 50, BMI 25, rest 60, active', () => {
    // 18.07 + 2.77 − 5.0 − 4.25 − 1.8 + 1.76
    expect(jurcaMet(true, 50, 25, 60, 1.76)).toBeCloseTo(11.55, 9);
    // a woman is 2.77 lower
    expect(jurcaMet(false, 50, 25, 60, 1.76)).toBeCloseTo(8.78, 9);
  });
  test('the five activity scores as published', () => {
    expect(ACTIVITY.map((a) => a.score)).toEqual([0, 0.32, 1.06, 1.76, 3.03]);
  });
  test('FRIEND 2017: a woman of 40 at 60 kg, 132.3 lb', () => {
    // 79.9 − 15.6 − 13.7 − 0.127 × 132.277
    expect(friendMl(true, 40, 60)).toBeCloseTo(33.801, 2);
  });
  test('Ross 2010: 400 m is 14.15 mL/kg/min', () => {
    expect(walkMl(400)).toBeCloseTo(14.148, 9);
  });

  const known = { age: at(50), sex: 'male', byWords: false } as const;
  test('as a band, from the best that is known: measured, walked, the equation, weight', () => {
    const measured = { lo: 7, hi: 8, from: 'clinic' };
    const likely = 7.5;
    expect(capacityOf({ ...known, measured, walkMetres: 400 }).capacity).toEqual({ ...measured, likely });
    expect(capacityOf({ ...known, walkMetres: 400, massKg: 80 }).capacity).toEqual({
      lo: 3,
      hi: 5,
      likely: 4,
      from: 'six-minute walk, 400 m',
    });
    const full = { ...known, massKg: 80, heightCm: 180, restingRate: 60, activity: 'active' } as const;
    // 18.07 + 2.77 − 5.0 − 0.17 × 24.69 − 1.8 + 1.76 = 11.60; ± 1.5
    expect(capacityOf(full).capacity).toMatchObject({ lo: 10.1, hi: 13.1 });
    // 79.9 − 19.5 − 0.127 × 176.37 = 38.0; ± 7; over 3.5
    expect(capacityOf({ ...known, massKg: 80 }).capacity).toMatchObject({ lo: 8.9, hi: 12.9 });
  });
  test('sex not stated counts both, and says so', () => {
    const { sex: _, ...unstated } = known;
    const { capacity } = capacityOf({ ...unstated, massKg: 80 });
    expect(capacity!.lo).toBeLessThan(capacityOf({ ...known, massKg: 80 }).capacity!.lo);
    expect(capacity!.from).toContain('sex not stated');
    // Planned by the lower of the two: no freer for not having said.
    expect(capacity!.likely).toBeLessThan(capacityOf({ ...known, massKg: 80 }).capacity!.likely);
  });
  test('what is missing is named', () => {
    expect(capacityOf(known).lacks).toBe('body mass, or a six-minute walk');
    expect(capacityOf({ ...known, age: at(82), massKg: 70 }).lacks).toBe('the equations are for ages 20–79');
    expect(capacityOf({ ...known, byWords: true, massKg: 70 }).capacity).toBeNull();
  });
  test('never under what standing and walking takes', () => {
    expect(capacityOf({ ...known, walkMetres: 30 }).capacity!.lo).toBe(2.5);
  });
});
