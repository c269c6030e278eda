import { FORMATS } from '@inner-rung/core/clock';
import { type Block, FIT_SCHOOLS, type FitSchool, fitTo, timelineOf } from '@inner-rung/core/session';
import fc from 'fast-check';
import { anySession, circuit, facts, session } from './sessions.ts';

const squats = (n: number) => Array.from({ length: n }, () => 'squat');

test('check value: 10 × (20 + 10) s with closing rest, four rounds, are 20:00', () => {
  const ten = circuit(squats(10), {
    workSeconds: 20,
    restSeconds: 10,
    rounds: 1,
    roundRestSeconds: 0,
    closingRest: true,
  });
  expect(fitTo(session(ten), facts, 1200)[0]).toMatchObject({ says: '4 rounds', spareSeconds: 0 });
});

test('the trainer’s school comes first', () => {
  const timed = session(circuit(squats(10)));
  for (const school of Object.keys(FIT_SCHOOLS) as FitSchool[]) {
    const fits = fitTo(timed, facts, 900, school);
    expect(fits[0]!.by).toBe(school);
    expect(new Set(fits.map((f) => f.by)).size).toBeGreaterThan(2);
  }
});

test('warm-up and cool-down are left as they are; a block is named where there are several', () => {
  const warm: Block = {
    ...circuit(squats(4)),
    id: 'w',
    role: 'warm-up',
    format: FORMATS.flow.usual,
  };
  const fits = fitTo(session(warm, circuit(squats(8))), facts, 900);
  expect(fits.every((f) => f.block === 1)).toBe(true);
  expect(fits[0]!.says).toMatch(/^Circuit: /);
});

test('each alternative is what it says, never over the time, and the fullest of its kind', () => {
  fc.assert(
    fc.property(anySession, fc.integer({ min: 300, max: 3600 }), (timed, seconds) => {
      for (const fit of fitTo(timed, facts, seconds)) {
        const blocks = timed.blocks.map((b, i) => (i === fit.block ? fit.becomes : b));
        const { lengthSeconds } = timelineOf({ ...timed, blocks }, facts);
        expect(lengthSeconds).toBe(fit.lengthSeconds);
        expect(lengthSeconds).toBeLessThanOrEqual(seconds);
        expect(fit.spareSeconds).toBe(seconds - lengthSeconds);
      }
    }),
    { numRuns: 60, seed: 11 },
  );
});

test('a time too short for anything brings nothing', () => {
  expect(fitTo(session(circuit(squats(10))), facts, 10)).toEqual([]);
});
