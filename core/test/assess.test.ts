import {
  type Assessment,
  assessmentSchema,
  CHAIR_STAND,
  followUp,
  normsFor,
  readTest,
  TEST_IDS,
  type TestId,
  TWO_MINUTE_STEP,
  testCard,
} from '@inner-rung/core/person';
import { shippedLibrary } from './shipped.ts';

const at = (age: number) => ({ lo: age, hi: age });
const result = (test: TestId, value: number, more: Partial<Assessment> = {}): Assessment => ({
  id: `${test}-${value}`,
  test,
  on: '2026-11-24',
  value,
  ...more,
});

/** Below-average scores of the 30-second chair stand, CDC STEADI (from memory), written out again by hand. */
const STEADI = {
  male: { 60: 14, 65: 12, 70: 12, 75: 11, 80: 10, 85: 8, 90: 7 },
  female: { 60: 12, 65: 11, 70: 10, 75: 10, 80: 9, 85: 8, 90: 4 },
} as const;

describe('chair stand against CDC STEADI, cell by cell', () => {
  for (const sex of ['male', 'female'] as const)
    for (const [from, least] of Object.entries(STEADI[sex]).map(([f, l]) => [Number(f), l] as const))
      test.each([from, from + 4])(`${sex} at %s: ${least} is average, one less is below`, (age) => {
        const read = (value: number) => readTest(result('chair-stand', value), at(age), sex, [])[0]!;
        expect(read(least)).toMatchObject({ is: 'usual', source: 'CDC STEADI' });
        expect(read(least - 1).is).toBe('below');
      });
  test('59 and 95 are outside the table, and it says so', () => {
    for (const age of [59, 95])
      expect(readTest(result('chair-stand', 12), at(age), 'male', [])[0]).toMatchObject({
        is: 'no table',
        source: null,
      });
  });
  test('with the hands it counts as none', () => {
    expect(readTest(result('chair-stand', 15, { help: 1 }), at(70), 'female', [])[0]!.is).toBe('below');
  });
  test('sex not stated: both columns, each named, where they differ', () => {
    // 11 at 72: below for a man (12), average for a woman (10).
    const both = readTest(result('chair-stand', 11), at(72), undefined, []);
    expect(both.map((r) => r.is).sort()).toEqual(['below', 'usual']);
    expect(both.map((r) => r.says).join(' ')).toMatch(/women 70–74 .*men 70–74|men 70–74 .*women 70–74/);
  });
  test('a year alone can leave the band open: both bands are read', () => {
    expect(normsFor(CHAIR_STAND, { lo: 64, hi: 65 }, 'male').map((n) => n.value)).toEqual([14, 12]);
    expect(normsFor(CHAIR_STAND, { lo: 63, hi: 64 }, 'male').map((n) => n.value)).toEqual([14]);
  });
});

describe('the other tables', () => {
  test('two-minute step: both ends of the usual range (Rikli and Jones, from memory)', () => {
    const read = (value: number) => readTest(result('two-minute-step', value), at(72), 'female', [])[0]!.is;
    expect([67, 68, 101, 102].map(read)).toEqual(['below', 'usual', 'usual', 'above']);
  });
  test('its ranges never rise with age and never cross', () => {
    for (const sex of ['male', 'female'] as const)
      TWO_MINUTE_STEP.forEach((band, i) => {
        expect(band[sex][0]).toBeLessThan(band[sex][1]);
        const younger = TWO_MINUTE_STEP[i - 1];
        if (younger) expect(band[sex][0]).toBeLessThanOrEqual(younger[sex][0]);
      });
  });
  test('up and go: 12 seconds and over is a raised risk (CDC STEADI)', () => {
    const read = (value: number) => readTest(result('up-and-go', value), at(72), 'female', [])[0]!.is;
    expect([11.9, 12, 12.1].map(read)).toEqual(['usual', 'raised risk', 'raised risk']);
    expect(followUp(result('up-and-go', 12)).condition).toBe('unsure-balance');
    expect(followUp(result('up-and-go', 11.9))).toEqual({});
  });
  test('four stages: heel to toe under 10 seconds is a raised risk (CDC STEADI)', () => {
    const read = (tandem: number) =>
      readTest(result('balance-four', 20 + tandem, { parts: [10, 10, tandem, 0] }), at(72), 'female', [])[0]!
        .is;
    expect([9.9, 10].map(read)).toEqual(['raised risk', 'usual']);
  });
});

describe('without a table: against their own', () => {
  const hold = (value: number, on: string, help = 0) => result('plank-hold', value, { on, help });
  test('the first is the baseline; later ones say how far they are from the last', () => {
    const first = hold(20, '2026-09-01');
    expect(readTest(first, at(40), 'male', [first])[0]!.is).toBe('baseline');
    expect(readTest(hold(31.5, '2026-10-01'), at(40), 'male', [first])[0]!.says).toBe(
      '11.5 more than on 1 Sept 2026: better.',
    );
  });
  test('less is better for getting up from the floor', () => {
    const first = result('floor-rise', 9, { on: '2026-09-01', help: 1 });
    const next = result('floor-rise', 7, { on: '2026-10-01', help: 1 });
    expect(readTest(next, at(70), 'male', [first])[0]!.says).toContain('better');
  });
  test('only like is compared with like: another kind of help begins anew', () => {
    const first = hold(60, '2026-09-01', 1);
    expect(readTest(hold(20, '2026-10-01', 0), at(40), 'male', [first])[0]!.says).toContain('first result');
  });
});

describe('what a result leads to', () => {
  const library = shippedLibrary();
  test('every rung it can place somebody on is on its ladder', () => {
    const tried: Assessment[] = [
      ...[0, 1].flatMap((help) => [0, 8].map((v) => result('chair-stand', v, { help }))),
      ...[1, 2, 3, 4].map((n) =>
        result('balance-four', n * 10, { parts: [0, 1, 2, 3].map((i) => (i < n ? 10 : 0)) }),
      ),
      ...[0, 1, 2, 3, 4].map((help) => result('floor-rise', 8, { help })),
    ];
    const placed = tried.flatMap((a) => followUp(a).placement ?? []);
    expect(placed.length).toBeGreaterThan(10);
    for (const { ladder, rung } of placed)
      expect(library.ladder(ladder)?.rungs.map((r) => r.move)).toContain(rung.move);
  });
  test('children get checklists of how they move, nothing that is a maximum', () => {
    const child = TEST_IDS.filter((id) => testCard(id).for === 'child');
    expect(child.length).toBeGreaterThanOrEqual(3);
    for (const id of child) expect(testCard(id).takes.by).toBe('ticks');
  });
  test('a result outside what a person can do names the test and the range', () => {
    const read = assessmentSchema.safeParse(result('six-minute-walk', 4000));
    expect(read.error!.issues[0]!.message).toBe('Six-minute walk: 4000 lies outside 20 to 1000');
  });
});
