import { clockText, compileFormat, FORMATS, type Format, lengthOf } from '@inner-rung/core/clock';
import { type Block, PLAN_EXAMPLE, timelineOf } from '@inner-rung/core/session';
import fc from 'fast-check';

const block = (n: number, format: Partial<Format>, twoSided: readonly number[] = []): Block => ({
  id: 'b',
  format: {
    kind: 'intervals',
    workSeconds: 40,
    restSeconds: 20,
    rounds: 1,
    roundRestSeconds: 0,
    closingRest: true,
    ...format,
  },
  stations: Array.from({ length: n }, (_, i) => ({
    id: `s${i + 1}`,
    move: 'squat',
    sides: twoSided.includes(i) ? 'two slots' : 'swap at half',
  })),
});
const length = (...args: Parameters<typeof block>) => clockText(lengthOf(timelineOf(block(...args))));

describe('interval sums that trainers can check by hand (common practice)', () => {
  test.each<[string, string, number, Partial<Format>]>([
    ['10 × (20 + 10) × 4 rounds', '20:00', 10, { workSeconds: 20, restSeconds: 10, rounds: 4 }],
    ['11 × (35 + 20)', '10:05', 11, { workSeconds: 35, restSeconds: 20 }],
    ['10 × (50 + 10)', '10:00', 10, { workSeconds: 50, restSeconds: 10 }],
    ['15 × (35 + 25)', '15:00', 15, { workSeconds: 35, restSeconds: 25 }],
    ['5 × (40 + 20) × 4', '20:00', 5, { rounds: 4 }],
    ['8 × (20 + 10)', '4:00', 8, { workSeconds: 20, restSeconds: 10 }],
    ['8 × (40 + 10) × 3 before a 4:00 finisher', '20:00', 8, { restSeconds: 10, rounds: 3 }],
    ['12 × 30 s with 10 s between', '7:50', 12, { workSeconds: 30, restSeconds: 10, closingRest: false }],
    [
      '6 × 30 s, 15 s between, twice, 30 s between rounds',
      '9:00',
      6,
      { workSeconds: 30, restSeconds: 15, rounds: 2, roundRestSeconds: 30, closingRest: false },
    ],
    ['8 × 30/30, one round', '8:00', 8, { workSeconds: 30, restSeconds: 30 }],
    ['8 × 30/15, one round', '6:00', 8, { workSeconds: 30, restSeconds: 15 }],
    ['8 × 30/0, one round', '4:00', 8, { workSeconds: 30, restSeconds: 0 }],
    [
      '8 × 30/0 × 5, a minute between',
      '24:00',
      8,
      { workSeconds: 30, restSeconds: 0, rounds: 5, roundRestSeconds: 60 },
    ],
    [
      '8 × 30/30 × 5, a minute between',
      '44:00',
      8,
      { workSeconds: 30, restSeconds: 30, rounds: 5, roundRestSeconds: 60 },
    ],
    [
      'the same without closing rest',
      '41:30',
      8,
      { workSeconds: 30, restSeconds: 30, rounds: 5, roundRestSeconds: 60, closingRest: false },
    ],
    [
      'five one-minute stations three times, a minute between',
      '17:00',
      5,
      { workSeconds: 60, restSeconds: 0, rounds: 3, roundRestSeconds: 60 },
    ],
  ])('%s is %s', (_name, says, n, format) => {
    expect(length(n, format)).toBe(says);
  });
  test('twelve listed are thirteen slots when the side hold has two sides: 8:30', () => {
    expect(length(12, { workSeconds: 30, restSeconds: 10, closingRest: false }, [11])).toBe('8:30');
  });
});

test('segments lie end to end, whatever the format', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 20 }),
      fc.record({
        workSeconds: fc.integer({ min: 5, max: 120 }),
        restSeconds: fc.integer({ min: 0, max: 90 }),
        rounds: fc.integer({ min: 1, max: 6 }),
        roundRestSeconds: fc.integer({ min: 0, max: 180 }),
        closingRest: fc.boolean(),
      }),
      fc.subarray([0, 1, 2, 3]),
      (n, format, sides) => {
        const b = block(n, format, sides);
        const segments = timelineOf(b);
        let now = 0;
        for (const s of segments) {
          if (s.startSeconds !== now || s.lengthSeconds <= 0) return false;
          now += s.lengthSeconds;
        }
        const slots = n + sides.filter((i) => i < n).length;
        const { workSeconds: w, restSeconds: r, rounds: R, roundRestSeconds: q } = format;
        const formula = R * (slots * w + (slots - 1) * r + (format.closingRest ? r : 0)) + (R - 1) * q;
        return lengthOf(segments) === formula;
      },
    ),
    { numRuns: 2000 },
  );
});

test('every format has words and compiles nothing into nothing', () => {
  for (const entry of Object.values(FORMATS)) expect(entry.words(PLAN_EXAMPLE.block.format)).toMatch(/\d/);
  expect(compileFormat(PLAN_EXAMPLE.block.format, [])).toEqual([
    { startSeconds: 0, lengthSeconds: 60, kind: 'round rest', slot: -1, round: 0, station: 0, side: null },
  ]);
});

test.each([
  [605, '10:05'],
  [59, '0:59'],
  [3605, '1:00:05'],
])('%i s reads %s', (seconds, says) => expect(clockText(seconds)).toBe(says));
