import { FORMATS, formatSchema } from '@inner-rung/core/clock';
import {
  namesOf,
  nextStationId,
  parseCircuit,
  pastedFormat,
  pastedStations,
  plainName,
  stationSchema,
} from '@inner-rung/core/session';
import fc from 'fast-check';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const names = namesOf(library);
const read = (text: string) => parseCircuit(text, names);
const linesOf = (text: string) => read(text).blocks.flatMap((block) => block.lines);
const clockOf = (text: string) => read(text).blocks[0]!.clock;
const moves = (text: string) => linesOf(text).map((line) => line.moves);

describe('a circuit pasted as plain lines', () => {
  test('bullets, numbers, counts and plurals are passed over', () => {
    expect(
      moves(
        '1. Push-ups\n- 10 x squats\n• 20 Burpees\n3) Plank 40s\nStation 5: Lunges\nside plank 30s each side',
      ),
    ).toEqual([['push-up'], ['squat'], ['burpee'], ['plank'], ['lunge'], ['side-plank']]);
  });
  test('everyday twins are known', () => {
    expect(
      moves('Press-ups\nJumping jacks\nstar jacks\nfront support\nhip bridge\nglute bridge\nsit-ups'),
    ).toEqual([
      ['push-up'],
      ['jumping-jack'],
      ['jumping-jack'],
      ['plank'],
      ['bridge'],
      ['bridge'],
      ['sit-up'],
    ]);
  });
  test.each([
    ['40/20', { workSeconds: 40, restSeconds: 20 }],
    ['40 on 20 off x 3', { workSeconds: 40, restSeconds: 20, rounds: 3 }],
    ['45s work, 15s rest, 3 rounds', { workSeconds: 45, restSeconds: 15, rounds: 3 }],
    [
      '30/15 x 4, 1 min between rounds',
      { workSeconds: 30, restSeconds: 15, rounds: 4, roundRestSeconds: 60 },
    ],
    [
      '30 / 10 × 2, 90 s between rounds',
      { workSeconds: 30, restSeconds: 10, rounds: 2, roundRestSeconds: 90 },
    ],
    ['3 rounds', { rounds: 3 }],
  ])('the clock line "%s"', (line, format) => {
    expect(clockOf(`${line}\nsquat`)).toEqual(format);
  });
  test('a heading is the title', () => {
    expect(read('Thursday eight\n40/20\nsquat').title).toBe('Thursday eight');
    expect(read('Tuesday circuit:\nsquat').title).toBe('Tuesday circuit');
  });
  test('an unknown line is kept, named and numbered', () => {
    const lines = linesOf('squat\n\nbanana hops\nplank');
    expect(lines[1]).toEqual({ line: 3, text: 'banana hops', moves: [], dose: null });
    expect(lines).toHaveLength(3);
  });
});

describe('counts, times and several blocks', () => {
  const doses = (text: string) => linesOf(text).map((line) => line.dose);
  test('a list with commas: moves with what was said of how much', () => {
    expect(moves('10 squats, 8 push-ups, 40s plank')).toEqual([['squat'], ['push-up'], ['plank']]);
    expect(doses('10 squats, 8 push-ups, 40s plank')).toEqual([{ reps: 10 }, { reps: 8 }, { seconds: 40 }]);
  });
  test.each([
    ['12 x squats', { reps: 12 }],
    ['squats x 12', { reps: 12 }],
    ['squats, 12 reps', { reps: 12 }],
    ['side plank 20s each side', { seconds: 20, each: true }],
    ['8 lunges each leg', { reps: 8, each: true }],
    ['1 min plank', { seconds: 60 }],
    ['45 sec wall sit', { seconds: 45 }],
    ['squats', null],
  ])('"%s"', (line, dose) => {
    expect(linesOf(line)[0]).toMatchObject({ dose });
    expect(linesOf(line)[0]!.moves).toHaveLength(1);
  });
  test.each([
    ['AMRAP 12', { kind: 'amrap', capSeconds: 720 }],
    ['12 min AMRAP', { kind: 'amrap', capSeconds: 720 }],
    ['As many rounds as you can in 10 minutes', { kind: 'amrap', capSeconds: 600 }],
    ['EMOM 8', { kind: 'emom', minutes: 8 }],
    ['every minute on the minute, 4 minutes', { kind: 'emom', minutes: 4 }],
    ['3 rounds for time', { kind: 'for time', rounds: 3 }],
    ['4 sets', { kind: 'sets', sets: 4 }],
    ['5-4-3-2-1', { kind: 'descending', from: 5, by: 1, to: 1 }],
    ['2-4-6-8-10', { kind: 'pyramid', from: 2, by: 2, to: 10, way: 'up' }],
  ])('the clock line "%s"', (line, clock) => {
    expect(clockOf(`${line}\nsquat`)).toEqual(clock);
  });
  test('headings begin blocks, a clock may stand beside them', () => {
    const { title, blocks } = read(
      'Thursday hall\n\nWarm-up\nmarch\n\nCircuit 1: 40/20 x 3\nsquats\npush-ups\n\nFinisher: AMRAP 5\n10 squats\n\nCool-down\nmarch',
    );
    expect(title).toBe('Thursday hall');
    expect(blocks.map((b) => b.role)).toEqual(['warm-up', 'circuit', 'finisher', 'cool-down']);
    expect(blocks[1]!.clock).toEqual({ workSeconds: 40, restSeconds: 20, rounds: 3 });
    expect(blocks[2]!.clock).toEqual({ kind: 'amrap', capSeconds: 300 });
    expect(blocks[1]!.lines).toHaveLength(2);
  });
  const intervals = FORMATS.intervals.usual;
  const formatOf = (text: string) => pastedFormat(intervals, read(text).blocks[0]!);
  test('the format that was meant', () => {
    expect(formatOf('40/20 x 3\nsquat')).toMatchObject({ kind: 'intervals', workSeconds: 40, rounds: 3 });
    expect(formatOf('10 squats\n8 push-ups')).toMatchObject({ kind: 'rounds' });
    expect(formatOf('squat\npush-up')).toEqual(intervals);
    expect(formatOf('3 rounds for time, 12 min cap\n10 squats')).toMatchObject({
      kind: 'for time',
      rounds: 3,
      capSeconds: 720,
    });
    expect(formatOf('Warm-up\nmarch')).toMatchObject({ kind: 'flow' });
  });
  test('whatever was pasted, the format is one the schema takes', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.oneof(
            fc.constantFrom(
              'AMRAP 900',
              'EMOM 0',
              '10000 rounds',
              '0/0',
              '9-9-9',
              '3 sets',
              'tabata',
              '5-3-1',
              'x 99',
            ),
            fc.constantFrom('Finisher', '10 squats', '40s plank', 'push-ups', '8 lunges each side'),
            fc.string({ maxLength: 30 }),
          ),
          { minLength: 1, maxLength: 8 },
        ),
        (lines) => {
          const { blocks } = read(lines.join('\n'));
          for (const block of blocks) {
            const fits = formatSchema.safeParse(pastedFormat(intervals, block));
            if (!fits.success) throw new Error(`${lines.join(' | ')}: ${fits.error.issues[0]!.message}`);
            const stations = pastedStations(
              block.lines.filter((l) => l.moves.length > 0).map((l) => ({ ...l, chosen: l.moves[0]! })),
            );
            for (const station of stations) stationSchema.parse(station);
          }
        },
      ),
      { numRuns: 1500, seed: 20261125 },
    );
  });
});

test('every name and twin in the library reads as its own move', () => {
  for (const move of library.moves)
    for (const name of [move.name, ...move.twins])
      expect([name, linesOf(`x\n${name}`).at(-1)?.moves.includes(move.id)]).toEqual([name, true]);
});

test('no line is ever lost: each is a move, an open question, the clock or the title', () => {
  fc.assert(
    fc.property(fc.array(fc.string({ minLength: 1, maxLength: 40 }), { maxLength: 12 }), (lines) => {
      const text = lines.map((line) => line.replace(/[\r\n]/g, ' ')).join('\n');
      const pasted = linesOf(text);
      for (const line of pasted) expect(line.line).toBeLessThanOrEqual(lines.length);
    }),
    { numRuns: 1000 },
  );
});

test('plain names ignore case, accents and plurals', () => {
  expect(plainName('Plié Jacks')).toBe('plie jack');
  expect(plainName('PRESS–UPS')).toBe('press up');
});

test('a new station id is never in use', () => {
  expect(nextStationId([{ id: 's1' }, { id: 's3' }])).toBe('s4');
  expect(nextStationId([{ id: 's2' }])).toBe('s3');
});
