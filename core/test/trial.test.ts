import { type Answer, answered, beginTrial, LARGEST_CLIMB, type Trial } from '@inner-rung/core/person';
import fc from 'fast-check';
import { shippedLibrary } from './shipped.ts';

const library = shippedLibrary();
const squat = library.ladder('squat')!;

/** Somebody who owns a rung answers as they would. */
function truthfully(owns: number, rung: number): Answer {
  return rung < owns ? 'too easy' : rung === owns ? 'about right' : 'too hard';
}
function run(trial: Trial, owns: number): Trial {
  let now = trial;
  for (let i = 0; now.next !== null; i++) {
    if (i > 40) throw new Error('it never settles');
    now = answered(now, truthfully(owns, now.next));
  }
  return now;
}

const anyTrial = fc.constantFrom(...library.ladders).chain((ladder) =>
  fc.record({
    ladder: fc.constant(ladder),
    evidence: fc.integer({ min: -1, max: ladder.rungs.length - 1 }),
    open: fc.subarray(
      ladder.rungs.map((_, i) => i),
      { minLength: 1 },
    ),
    answers: fc.array(fc.constantFrom<Answer>('too easy', 'about right', 'too hard', 'hurt'), {
      minLength: 20,
      maxLength: 20,
    }),
  }),
);

test('it starts one rung below the best evidence', () => {
  const all = squat.rungs.map((_, i) => i);
  expect(beginTrial(squat, 3, all).next).toBe(2);
  expect(beginTrial(squat, -1, all).next).toBe(0);
  // The rung below is barred: the nearest open one under it.
  expect(beginTrial(squat, 3, [0, 1, 3, 4]).next).toBe(1);
});

test('near the evidence, three tries settle it, whatever the truth', () => {
  for (const ladder of library.ladders) {
    const all = ladder.rungs.map((_, i) => i);
    for (let evidence = 0; evidence < all.length; evidence++)
      for (const owns of [evidence - 1, evidence, evidence + 1]) {
        if (owns < 0 || owns >= all.length) continue;
        const settled = run(beginTrial(ladder, evidence, all), owns);
        expect(settled.owns).toBe(owns);
        expect(settled.tries.length).toBeLessThanOrEqual(3);
      }
  }
});

test('far from it, it still finds the truth', () => {
  fc.assert(
    fc.property(anyTrial, fc.nat(12), ({ ladder, evidence }, truth) => {
      const all = ladder.rungs.map((_, i) => i);
      const owns = truth % all.length;
      expect(run(beginTrial(ladder, evidence, all), owns).owns).toBe(owns);
    }),
  );
});

test('no answers make it climb more than two, try a barred rung, go on after pain, or never end', () => {
  fc.assert(
    fc.property(anyTrial, ({ ladder, evidence, open, answers }) => {
      let trial = beginTrial(ladder, evidence, open);
      let easiestSoFar = -1;
      for (const answer of answers) {
        if (trial.next === null) break;
        const at = trial.next;
        expect(open).toContain(at);
        trial = answered(trial, answer);
        if (answer === 'too easy') easiestSoFar = Math.max(easiestSoFar, at);
        if (trial.next !== null && trial.next > at)
          expect(trial.next - at).toBeLessThanOrEqual(LARGEST_CLIMB);
        if (answer === 'hurt') {
          expect(trial).toMatchObject({ next: null, owns: null, hurtAt: at });
          break;
        }
      }
      expect(trial.tries.length).toBeLessThanOrEqual(ladder.rungs.length + 1);
      if (trial.owns !== null) expect(open).toContain(trial.owns);
    }),
  );
});

test('too hard at the lowest: nothing is owned', () => {
  let trial = beginTrial(squat, 0, [0, 1]);
  trial = answered(trial, 'too hard');
  expect(trial).toMatchObject({ next: null, owns: null, hurtAt: null });
});
