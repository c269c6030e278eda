import { rungDemand } from '@inner-rung/core/ladder';
import { middle } from '@inner-rung/core/move';
import { rateTargets } from '@inner-rung/core/person';
import {
  bandState,
  bandsOf,
  clockOf,
  heartBand,
  heartsFrom,
  type Present,
  peopleOf,
  rateNow,
  readRate,
  STANDS_SECONDS,
  simulatedStraps,
  wearersOf,
} from '@inner-rung/core/run';
import fc from 'fast-check';
import { PEOPLE } from '../../demo/src/index.ts';
import { runOf } from './runs.ts';
import { circuit } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const age = (years: number) => ({ lo: years, hi: years }) as Parameters<typeof rateTargets>[0];

describe('what a strap sends', () => {
  test('0, 255, nothing and nonsense are no heart', () => {
    for (const raw of [0, 255, null, Number.NaN, Number.POSITIVE_INFINITY, -4, 29, 241])
      expect(readRate(raw)).toBeNull();
    expect([30, 88.4, 240].map(readRate)).toEqual([30, 88, 240]);
  });
  test('a last good reading stands for ten seconds and no longer', () => {
    const source = { name: 'one beat', read: (_: string, s: number) => (s === 5 ? 120 : 0) };
    expect(rateNow(source, 'x', 5 + STANDS_SECONDS)).toEqual({ bpm: 120, ageSeconds: STANDS_SECONDS });
    expect(rateNow(source, 'x', 6 + STANDS_SECONDS)).toBeNull();
    expect(rateNow(source, 'x', 4)).toBeNull();
  });
});

describe('a band', () => {
  // 208 − 0.7 × 40 = 180; 64 % is 115, 77 % is 139 (Tanaka 2001; Garber et al. 2011, both from memory).
  const targets = rateTargets(age(40), undefined, undefined, false);
  test('runs from moderate to the end of the most they may', () => {
    expect(heartBand(targets, 6)).toEqual({ from: 115, to: 139 });
    expect(heartBand(targets, 4)!.to).toBe(115);
    expect(bandState(114, heartBand(targets, 6)!)).toBe('under');
    expect(bandState(115, heartBand(targets, 6)!)).toBe('in');
    expect(bandState(139, heartBand(targets, 6)!)).toBe('in');
    expect(bandState(140, heartBand(targets, 6)!)).toBe('over');
  });
  test('nobody who must not have one has one: under 18, or by words', () => {
    expect(heartBand(rateTargets(age(17), undefined, undefined, false), 8)).toBeNull();
    expect(heartBand(rateTargets(age(60), undefined, 62, true), 6)).toBeNull();
  });
});

describe('a strap that nobody wears', () => {
  const wearer = (metAt: (s: number) => number) => ({
    id: 'ada',
    restBpm: 65,
    maxBpm: 180,
    capacityMet: 9,
    metAt,
  });
  const good = (met: number, from: number, to: number) => {
    const source = simulatedStraps([wearer(() => met)], 'seed');
    const read = Array.from({ length: to - from }, (_, i) => readRate(source.read('ada', from + i)));
    return read.filter((bpm) => bpm !== null);
  };
  test('stands near rest at rest and near its share of the reserve in work', () => {
    for (const bpm of good(1, 0, 300)) expect(Math.abs(bpm - 65)).toBeLessThanOrEqual(4);
    // 5 MET of 9: half of the reserve, 65 + 57.5.
    for (const bpm of good(5, 300, 600)) expect(Math.abs(bpm - 122.5)).toBeLessThanOrEqual(4);
  });
  test('harder work never has a slower heart once it has settled; never past its own most', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 14, noNaN: true }),
        fc.double({ min: 0, max: 5, noNaN: true }),
        (met, more) => {
          const mean = (list: number[]) => list.reduce((a, b) => a + b, 0) / list.length;
          const a = mean(good(met, 280, 340));
          const b = mean(good(met + more, 280, 340));
          expect(b).toBeGreaterThanOrEqual(a - 0.6);
          expect(b).toBeLessThanOrEqual(184);
        },
      ),
      { numRuns: 60 },
    );
  });
  test('drops out now and then, in all three ways; the same seed gives the same heart', () => {
    const source = simulatedStraps([wearer(() => 5)], 'seed');
    const raw = Array.from({ length: 6000 }, (_, s) => source.read('ada', s));
    for (const lost of [null, 0, 255]) expect(raw.filter((r) => r === lost).length).toBeGreaterThan(0);
    expect(raw.filter((r) => readRate(r) === null).length).toBeLessThan(6000 * 0.2);
    const again = simulatedStraps([wearer(() => 5)], 'seed');
    expect(Array.from({ length: 100 }, (_, s) => again.read('ada', 99 - s))).toEqual(
      raw.slice(0, 100).reverse(),
    );
    expect(source.read('nobody', 5)).toBeNull();
  });
});

describe('everybody of a run', () => {
  const run = { ...runOf(circuit(['squat', 'jumping-jack'])), cast: [] };
  const clock = clockOf(run, []);
  const person = (id: string): Present => ({
    ...peopleOf(
      {
        cast: [
          {
            id,
            name: id,
            byNumber: false,
            group: 0,
            does: ['squat', 'jumping-jack'].map((move) => ({
              move,
              name: move,
              dose: '',
              pace: 20,
              lane: 1,
            })),
            switches: [],
            cautions: [],
            today: { conditions: [], level: null },
          },
        ],
      },
      [],
    )[0]!,
  });
  const library = shippedLibrary();
  test('is asked the MET of what they do while it lasts, and little in the rests and after the end', () => {
    const [wearer] = wearersOf(library, run, clock, [person('ada')], [], '2026-11-24');
    const work = clock.stretches.findIndex((s) => s.segment.kind === 'work');
    const before = clock.stretches.slice(0, work).reduce((sum, s) => sum + s.seconds, 0);
    const squat = middle(rungDemand(library, { move: 'squat' })!['effort.met']);
    expect(wearer!.metAt(before + 1)).toBe(squat);
    expect(wearer!.metAt(before + clock.stretches[work]!.seconds + 1)).toBeLessThan(squat);
    expect(wearer!.metAt(100_000)).toBeLessThan(2);
  });
  test('has a band by their file, and none where they must not have one', () => {
    const bands = bandsOf(PEOPLE, '2026-11-24');
    expect(bands.has('saskia-dorn')).toBe(true);
    // Jory is under eighteen.
    expect(bands.has('jory-penhale')).toBe(false);
  });
});

describe('a file to play back', () => {
  test('is read by who and when', () => {
    const { source, problems } = heartsFrom(
      [
        { seconds: '0', person: 'ada', bpm: '70' },
        { seconds: '1', person: 'ada', bpm: '255' },
        { seconds: '2', person: 'bo', bpm: '' },
      ],
      'hearts.csv',
    );
    expect(source!.read('ada', 0.6)).toBe(70);
    expect(rateNow(source!, 'ada', 1)).toEqual({ bpm: 70, ageSeconds: 1 });
    expect(problems).toEqual(['Line 4: “” isn’t a heart rate; read as no signal.']);
  });
  test('a wrong column is named, and nothing is taken', () => {
    const { source, problems } = heartsFrom([{ time: '0', person: 'ada', bpm: '70' }], 'hearts.csv');
    expect(source).toBeNull();
    expect(problems[0]).toContain('“seconds”');
    expect(heartsFrom([], 'empty.csv').problems[0]).toContain('“seconds”, “person”, “bpm”');
  });
  test('a line without who or when is said by its number', () => {
    const { problems } = heartsFrom(
      [
        { seconds: '', person: 'ada', bpm: '70' },
        { seconds: '-1', person: 'ada', bpm: '70' },
        { seconds: '3', person: ' ', bpm: '70' },
      ],
      'hearts.csv',
    );
    expect(problems.map((p) => p.slice(0, 7))).toEqual(['Line 2:', 'Line 3:', 'Line 4:']);
  });
});
