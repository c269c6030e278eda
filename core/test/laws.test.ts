import { rungDemand } from '@inner-rung/core/ladder';
import {
  demandOf,
  KNEE_PUSH_UP_SHARE,
  middle,
  PUSH_UP_SHARE,
  readCurve,
  steppingMet,
} from '@inner-rung/core/move';
import fc from 'fast-check';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const share = (move: string, surfaceCm?: number) =>
  rungDemand(library, { move, settings: surfaceCm === undefined ? {} : { surfaceCm } })!['strength.push'];

describe('share of body weight on the hands, Ebben et al. 2011 (from memory)', () => {
  test.each([
    ['hands raised 61 cm', 'raised-push-up', 61, 41],
    ['knees', 'knee-push-up', undefined, KNEE_PUSH_UP_SHARE],
    ['hands raised 30 cm', 'raised-push-up', 30, 55],
    ['flat', 'push-up', undefined, 64],
    ['feet raised 30 cm', 'feet-raised-push-up', 30, 70],
    ['feet raised 61 cm', 'feet-raised-push-up', 61, 74],
  ])('%s', (_name, move, cm, percent) => {
    const figure = share(move, cm);
    expect(middle(figure)).toBeCloseTo(percent, 6);
    expect(figure.from).toBe('memory');
  });

  test('between the points it never overshoots them and never turns back', () => {
    let last = readCurve(PUSH_UP_SHARE, -61).y;
    for (let cm = -61; cm <= 61; cm += 0.5) {
      const { y, inside } = readCurve(PUSH_UP_SHARE, cm);
      expect(inside).toBe(true);
      expect(y).toBeLessThanOrEqual(last + 1e-9);
      last = y;
    }
  });

  test('outside the points it is an estimate and says so', () => {
    expect(readCurve(PUSH_UP_SHARE, 75).inside).toBe(false);
    expect(share('raised-push-up', 75).from).toBe('estimate');
  });
});

describe('stepping, ACSM equation (from memory)', () => {
  test('24 a minute on 0.25 m: 22.7 mL/kg/min, 6.5 MET', () => {
    expect(steppingMet(24, 25) * 3.5).toBeCloseTo(22.7, 1);
    expect(steppingMet(24, 25)).toBeCloseTo(6.5, 1);
  });
  test('the step-up follows it at its own paces', () => {
    const figure = rungDemand(library, { move: 'step-up', settings: { surfaceCm: 20 } })!;
    const usual = library.move('step-up')!.pace![1];
    expect(middle(figure['effort.met'])).toBeCloseTo(steppingMet(usual, 20), 6);
    expect(figure['effort.met'].source).toBe('ACSM stepping equation');
  });
});

test('at every height a move allows, every figure keeps its ends in order and above 0', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...library.moves.filter((m) => m.surface)),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (move, share) => {
        const { minCm, maxCm } = move.surface!;
        const base = library.demand.get(move.id)!;
        const at = demandOf(move, base, { surfaceCm: minCm + share * (maxCm - minCm) });
        return (Object.keys(base) as (keyof typeof base)[]).every(
          (key) => at[key].lo! >= 0 && at[key].lo! <= at[key].hi!,
        );
      },
    ),
    { numRuns: 2000 },
  );
});

test('a higher surface under the hands never asks for more push', () => {
  fc.assert(
    fc.property(fc.integer({ min: 15, max: 95 }), fc.integer({ min: 15, max: 95 }), (a, b) => {
      const [low, high] = [Math.min(a, b), Math.max(a, b)];
      expect(middle(share('raised-push-up', high))).toBeLessThanOrEqual(
        middle(share('raised-push-up', low)) + 1e-9,
      );
    }),
    { numRuns: 500 },
  );
});
