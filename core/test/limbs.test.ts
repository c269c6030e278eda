import { FIGURES, shownFor } from '@inner-rung/core/figure';
import { leastsOf, limbFigures, otherLimb } from '@inner-rung/core/mechanics';
import { LIMB_KEYS, LIMBS, type Move } from '@inner-rung/core/move';
import { otherSide, solve, touchesOf } from '@inner-rung/core/pose';
import fc from 'fast-check';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const drawingOf = (move: Move) => {
  const draw = FIGURES[move.id];
  return draw ? draw((move.surface?.usualCm ?? 0) / 100) : null;
};
const drawn = library.moves.flatMap((move) => {
  const figure = drawingOf(move);
  return figure && !figure.above ? [{ move, figure }] : [];
});
const alone = drawn.filter(({ move }) => move.alone);
const withSide = (move: string, side: 'left' | 'right') =>
  shownFor(library, { move, settings: { side } })!.figure;
/** The near side is the right one. */
const RIGHT = 0;
const LEFT = 1;

describe('the limb that works alone, and the other', () => {
  test.each([
    // As a coach says it: the leg that is stood on, or that pushes, is the one that works.
    'one-leg-stand',
    'one-leg-stand-held',
    'one-leg-cushion',
    'one-leg-hinge',
    'one-leg-hop',
    'one-leg-squat',
    'one-leg-heel-raise-held',
    'one-leg-heel-raise-edge',
    'single-leg-bridge',
    'one-leg-hip-thrust',
    'toe-reach',
    'wall-sit-one-leg',
    'one-leg-sit-to-stand',
  ])('%s with the left leg only bears on the left foot and no more on the right', (id) => {
    for (const [side, here, away] of [
      ['left', LEFT, RIGHT],
      ['right', RIGHT, LEFT],
    ] as const) {
      const figure = withSide(id, side);
      // Its last pose is the one that somebody has to get to.
      const feet = touchesOf(figure, solve(figure.poses.at(-1)!, figure.view)).filter(
        (c) => c.part === 'foot',
      );
      expect(feet.some((c) => c.side === here)).toBe(true);
      expect(feet.some((c) => c.side === away)).toBe(false);
    }
  });
  test.each(['one-arm-press', 'one-arm-row', 'standing-curl', 'one-side-carry', 'windmill'])(
    'a weight goes to the hand that works: %s',
    (id) => {
      const hands = (side: 'left' | 'right') =>
        withSide(id, side).props.flatMap((prop) => ('in' in prop ? [prop.in] : []));
      const [right, left] = [hands('right'), hands('left')];
      expect(right.length).toBeGreaterThan(0);
      if (library.move(id)!.alone) {
        expect(right).toEqual(['near']);
        expect(left).toEqual(['far']);
      } else expect(left).toEqual(right);
    },
  );

  test('the other side of the other side is the drawing, and what it asks of a limb goes with it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...drawn.filter(({ figure }) => figure.view === 'side')),
        fc.constantFrom(...LIMBS),
        fc.constantFrom(0 as const, 1 as const),
        ({ move, figure }, limb, side) => {
          const other = otherSide(figure);
          expect(otherSide(other)).toEqual(figure);
          const [here, there] = [
            limbFigures(move, figure, limb, side),
            limbFigures(move, other, limb, side === 0 ? 1 : 0),
          ];
          expect(Object.keys(there).sort()).toEqual(Object.keys(here).sort());
          for (const key of LIMB_KEYS[limb]) {
            // Degrees are said in fives: where they round may differ by one.
            if (typeof here[key] === 'number')
              expect(Math.abs((there[key] as number) - here[key])).toBeLessThanOrEqual(5);
            else expect(there[key]).toBe(here[key]);
          }
        },
      ),
      { numRuns: 150 },
    );
  });
  test('one limb is drawn with no more than both are, and the harder of the two with as much', () => {
    expect(alone.length).toBeGreaterThan(90);
    for (const { move, figure } of alone) {
      const keys = LIMB_KEYS[move.alone!];
      expect(Object.keys(move.other!).filter((key) => !keys.includes(key as never))).toEqual([]);
      const of = (sides?: readonly (0 | 1)[]) =>
        new Map(leastsOf(move, figure, sides).map(({ key, least }) => [key, least]));
      const [both, near, far] = [of(), of([0]), of([1])];
      for (const key of keys)
        expect([move.id, key, Math.max(near.get(key) ?? 0, far.get(key) ?? 0)]).toEqual([
          move.id,
          key,
          both.get(key) ?? 0,
        ]);
    }
  });
  test('a drawing that says which limb works is of a move that one limb does alone', () => {
    for (const [id, draw] of Object.entries(FIGURES))
      if (draw(0.3).works) expect([id, library.move(id)?.alone !== undefined]).toEqual([id, true]);
  });
  test('without a drawing, or seen from above, the other limb may have as much as the working one', () => {
    const curl = library.move('standing-curl')!;
    const one = { ...curl, alone: 'arm' as const };
    expect(Object.values(otherLimb(one, null)!)).toEqual(LIMB_KEYS.arm.map(() => null));
    expect(otherLimb(curl, null)).toBeUndefined();
    const lying = library.move('thigh-side-lying')!;
    expect(drawingOf(lying)!.above).toBe(true);
    expect(new Set(Object.values(lying.other!))).toEqual(new Set([null]));
  });
  test.each<[string, string, number | null | undefined]>([
    // As a physiotherapist sees it, in words: what the idle leg or arm has to do.
    // Both legs bear in a split squat, and which of them has more can't be told.
    ['split-squat', 'toes.curl', null],
    ['split-squat', 'knee.load', null],
    ['split-squat', 'hip.extensionDeg', null],
    ['split-squat', 'hip.bendDeg', 15],
    ['skater-squat', 'knee.load', undefined],
    ['wall-sit-one-leg', 'knee.load', undefined],
    ['one-leg-stand', 'knee.load', undefined],
    ['seated-leg-straighten', 'knee.bendDeg', 0],
    ['seated-leg-straighten', 'hip.bendDeg', 95],
    ['one-leg-squat', 'hip.bendDeg', 120],
    ['one-arm-row', 'hands.clench', null],
    ['one-arm-row', 'wrist.load', null],
    ['side-leg-free', 'knee.load', null],
    ['one-side-carry', 'wrist.load', undefined],
    ['side-plank', 'elbow.load', undefined],
  ])('of %s the other limb’s %s is %p', (id, key, figure) => {
    expect(library.move(id)!.other![key as keyof Move['other']]).toEqual(figure);
  });
});
