import { namesOf, nextStationId, parseCircuit, plainName } from '@inner-rung/core/session';
import fc from 'fast-check';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const names = namesOf(library);
const read = (text: string) => parseCircuit(text, names);
const moves = (text: string) => read(text).lines.map((line) => line.moves);

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
    expect(read(`${line}\nsquat`).format).toEqual(format);
  });
  test('a heading is the title', () => {
    expect(read('Thursday eight\n40/20\nsquat').title).toBe('Thursday eight');
    expect(read('Tuesday circuit:\nsquat').title).toBe('Tuesday circuit');
  });
  test('an unknown line is kept, named and numbered', () => {
    const { lines } = read('squat\n\nbanana hops\nplank');
    expect(lines[1]).toEqual({ line: 3, text: 'banana hops', moves: [] });
    expect(lines).toHaveLength(3);
  });
});

test('every name and twin in the library reads as its own move', () => {
  for (const move of library.moves)
    for (const name of [move.name, ...move.twins])
      expect([name, read(`x\n${name}`).lines.at(-1)?.moves.includes(move.id)]).toEqual([name, true]);
});

test('no line is ever lost: each is a move, an open question, the clock or the title', () => {
  fc.assert(
    fc.property(fc.array(fc.string({ minLength: 1, maxLength: 40 }), { maxLength: 12 }), (lines) => {
      const text = lines.map((line) => line.replace(/[\r\n]/g, ' ')).join('\n');
      const pasted = read(text);
      for (const line of pasted.lines) expect(line.line).toBeLessThanOrEqual(lines.length);
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
