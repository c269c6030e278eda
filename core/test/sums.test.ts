import { FORMATS } from '@inner-rung/core/clock';
import { createScaler } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { laneSubject } from '@inner-rung/core/limits';
import type { LevelIndex } from '@inner-rung/core/person';
import { sumUp } from '@inner-rung/core/review';
import { ROOM_EXAMPLE } from '@inner-rung/core/room';
import { AS_WRITTEN, type Block, type Timed } from '@inner-rung/core/session';
import { doseHere, tempoWords, writtenDose } from '@inner-rung/core/words';
import fc from 'fast-check';
import { anySession, circuit, session } from './sessions.ts';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const index = compileLibrary(library);
const scaler = createScaler(index, { ...ROOM_EXAMPLE, lengthMetres: 12, widthMetres: 8 });
const sumsOf = (timed: Timed, person = {}, level: LevelIndex = 3) => {
  const { uses } = scaler.scale({
    session: timed,
    writtenFor: 3,
    dials: AS_WRITTEN,
    subject: laneSubject(level),
  });
  return { sums: sumUp(index, timed, uses, person), uses };
};

test('by hand: a block of two moves, MET weighted by time, energy by body mass', () => {
  // 30 s squats, 10 s rest, 30 s plank: work at each move's own MET, the rest at 1.8 to 2.5.
  const { sums, uses } = sumsOf(
    session(
      circuit(['squat', 'plank'], { workSeconds: 30, restSeconds: 10, rounds: 1, roundRestSeconds: 0 }),
    ),
    { massKg: 80 },
  );
  const [squat, plank] = uses;
  expect(sums.metLo).toBeCloseTo((30 * squat!.metLo + 10 * 1.8 + 30 * plank!.metLo) / 70, 9);
  expect(sums.metHi).toBeCloseTo((30 * squat!.metHi + 10 * 2.5 + 30 * plank!.metHi) / 70, 9);
  expect(sums.kcal!.hi).toBeCloseTo((sums.metHi * 3.5 * 80 * 70) / (200 * 60), 9);
});

test('a circuit of jumps and push-ups lies about the Compendium’s circuit training, 02035 at 4.3 and 02040 at 8.0 MET (from memory)', () => {
  const { sums } = sumsOf(
    session(
      circuit(['jumping-jack', 'squat', 'push-up', 'high-knees', 'lunge', 'burpee', 'sit-up', 'step-jack'], {
        workSeconds: 40,
        restSeconds: 15,
        rounds: 3,
      }),
    ),
  );
  expect(sums.metLo).toBeGreaterThan(3.5);
  expect(sums.metHi).toBeLessThan(8);
});

test('reps that are counted are counted, not timed', () => {
  const block: Block = {
    ...circuit([
      { move: 'squat', dose: { reps: 12 } },
      { move: 'split-squat', dose: { reps: 8, each: true } },
    ]),
    format: { ...FORMATS.rounds.usual, rounds: 3 } as Block['format'],
  };
  const { sums } = sumsOf(session(block));
  expect(sums.moves.find((m) => m.move === 'squat')).toMatchObject({ reps: 36, most: 36 });
  const split = sums.moves.find((m) => m.move === 'split-squat')!;
  expect(split.reps).toBe(48);
  expect(split.left).toBe(split.right);
});

test('rounds that are only estimated give a range of reps; landings count the most', () => {
  const block: Block = {
    ...circuit([{ move: 'squat-jump', dose: { reps: 10 } }]),
    format: { kind: 'amrap', capSeconds: 300, led: false },
  };
  const { sums } = sumsOf(session(block));
  const [move] = sums.moves;
  expect(move!.most).toBeGreaterThan(move!.reps!);
  expect(sums.lightLandings + sums.hardLandings).toBeGreaterThanOrEqual(move!.most!);
});

test('on a clock that lanes leave one by one everybody stops with their level, whatever the form: innermost first', () => {
  // Forms that beginners can do as well; nobody is sent home early by what was written.
  const block: Block = { ...circuit(['side-tap', 'half-squat-held']), format: FORMATS.staggered.usual };
  const plain: Block = { ...block, format: { ...circuit([]).format } };
  const [inner, , middle, outer] = ([0, 1, 2, 3] as const).map((level) => sumsOf(session(block), {}, level));
  expect(inner!.uses.map((use) => use!.move)).toEqual(outer!.uses.map((use) => use!.move));
  expect(inner!.sums.lengthSeconds).toBe(outer!.sums.lengthSeconds);
  expect(inner!.sums.workSeconds).toBeLessThan(middle!.sums.workSeconds);
  expect(middle!.sums.workSeconds).toBeLessThan(outer!.sums.workSeconds);
  expect(outer!.sums.workSeconds).toBe(sumsOf(session(plain)).sums.workSeconds);
});

test('session load is effort times minutes', () => {
  const { sums } = sumsOf(session(circuit(['squat'], { rounds: 4 })));
  const [light, moderate, hard, most] = sums.bands;
  expect(light! + moderate! + hard! + most!).toBe(sums.workSeconds);
  const band = sums.bands.findIndex((s) => s > 0);
  const rpe = [4, 6, 8, 10][band]!;
  expect(sums.load.hi).toBe(Math.round((rpe * sums.lengthSeconds) / 60));
  expect(sums.load.lo).toBe(Math.round(((rpe - 1) * sums.lengthSeconds) / 60));
});

test('whatever the session: blocks add up, work and rest fill the time, no landings a minute above the rate', () => {
  fc.assert(
    fc.property(anySession, (timed) => {
      const { sums, uses } = sumsOf(timed);
      const inBlocks = (key: 'workSeconds' | 'lightLandings' | 'hardLandings' | 'floorChanges') =>
        sums.blocks.reduce((sum, b) => sum + b[key], 0);
      expect(Math.abs(inBlocks('workSeconds') - sums.workSeconds)).toBeLessThanOrEqual(timed.blocks.length);
      expect(inBlocks('lightLandings')).toBe(sums.lightLandings);
      expect(inBlocks('hardLandings')).toBe(sums.hardLandings);
      expect(inBlocks('floorChanges')).toBe(sums.floorChanges);
      expect(
        Math.abs(sums.workSeconds + sums.restSeconds + sums.changeSeconds - sums.lengthSeconds),
      ).toBeLessThanOrEqual(sums.blocks.length * 6 + 6);
      const quickest = Math.max(0, ...uses.map((u) => (u ? u.lightPerMinute + u.highPerMinute : 0)));
      expect(sums.mostLandingsAMinute).toBeLessThanOrEqual(Math.ceil(quickest) + 1);
      const all = sums.muscles.reduce((sum, m) => sum + m.seconds, 0);
      expect(Math.abs(all - sums.workSeconds)).toBeLessThan(sums.workSeconds * 0.05 + 40);
      expect(sums.metLo).toBeLessThanOrEqual(sums.metHi);
    }),
    { numRuns: 250, seed: 20261125 },
  );
});

describe('doses in words', () => {
  test.each([
    [{ reps: 10 }, false, '10 reps'],
    [{ reps: 10 }, true, '10 reps each side'],
    [{ reps: 10, each: false }, true, '10 reps'],
    [{ reps: 10, split: [5, 5], tempo: '3-1-1-0', loadKg: 8 }, false, '5 + 5, 3-1-1-0, 8 kg'],
    [{ seconds: 30, bouts: { times: 3, seconds: 8 } }, false, '30 s, 3 × 8 s'],
    [{ metres: 20 }, false, '20 m'],
    [{ phases: [{ says: 'steady', seconds: 20 }] }, false, '20 s steady'],
    [{ calls: { says: 'freeze', times: 3, random: true } }, false, '“freeze” 3 times'],
  ])('%j', (dose, sided, says) => expect(writtenDose(dose, sided)).toBe(says));
  test('tempo read out', () => {
    expect(tempoWords('4-2-1-0')).toBe('lower 4 s, pause 2 s, lift 1 s');
    expect(tempoWords('3-0-1-2')).toBe('lower 3 s, lift 1 s, pause 2 s');
  });
  test('what somebody does: the count that was written, short bouts, the usual ten', () => {
    const squat = library.move('squat')!;
    const { uses } = sumsOf(session(circuit(['squat', 'plank'])));
    const station = (dose: object) => ({ move: 'squat', sides: 'swap at half' as const, dose });
    expect(doseHere(library, squat, uses[0]!, station({ reps: 8, loadKg: 6 }), 40, true)).toBe(
      '8 reps, 6 kg',
    );
    // The kilograms were written for another move: none stand on what is done with other weight, or with none.
    const other = { ...station({ reps: 8, loadKg: 6 }), move: 'held-load-squat' };
    expect(doseHere(library, squat, uses[0]!, other, 40, true)).toBe('8 reps');
    const held = library.move('held-load-squat')!;
    expect(
      doseHere(
        library,
        held,
        { ...uses[0]!, move: 'held-load-squat' },
        station({ reps: 8, loadKg: 6 }),
        40,
        true,
      ),
    ).toBe('8 reps, a weight you could do two more with');
    expect(doseHere(library, squat, uses[0]!, { move: 'squat', sides: 'swap at half' }, 40, true)).toBe(
      '10 reps',
    );
    expect(doseHere(library, squat, uses[0]!, { move: 'squat', sides: 'swap at half' }, 40, false)).toMatch(
      /^about \d+$/,
    );
    expect(doseHere(library, squat, uses[0]!, station({ seconds: 60 }), 60, false)).toBe('60 s');
    const plank = { ...uses[1]!, holdSeconds: 8 };
    expect(
      doseHere(
        library,
        library.move('plank')!,
        plank,
        station({ bouts: { times: 3, seconds: 8 } }),
        30,
        false,
      ),
    ).toBe('3 × 8 s');
  });
});
