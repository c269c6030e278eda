import type { Demand, FormRef, Move } from '../move/index.ts';
import { breaksPromise } from './avoids.ts';
import { difficultyOf } from './difficulty.ts';
import { familyOf, KINDRED, muscleOverlap, rungDemand } from './family.ts';
import type { Ladder } from './ladder.ts';
import type { Library } from './library.ts';
import { harderOf, risesIn } from './step.ts';

/** Points that somebody can be asked to rise by in one go. Common practice, put in our points: an estimate. */
export const TALLEST_POINTS = 20;
/** Surfaces are tried this far apart, cm: what a stack of steps or a row of bar holes gives. */
const EVERY_CM = 5;

/** Heights that a move can be set to, cm, lowest first; none where its height changes nothing of it. */
export function heightsToSet({ surface }: Pick<Move, 'surface'>): number[] {
  const heights: number[] = [];
  if (surface && surface.law !== 'place')
    for (let cm = Math.ceil(surface.minCm / EVERY_CM) * EVERY_CM; cm <= surface.maxCm; cm += EVERY_CM)
      heights.push(cm);
  return heights;
}

/** Each way of setting a move, one thing at a time: its heights, its trims, held on to. */
function waysToSet(move: Move): FormRef[] {
  const form = (settings: FormRef['settings']): FormRef => ({ move: move.id, settings });
  return [
    ...heightsToSet(move).map((surfaceCm) => form({ surfaceCm })),
    ...move.trims.map((trim) => form({ trim: trim.id })),
    ...(move.support ? [form({ support: true })] : []),
  ];
}

/** The fewest forms by which no rise is taller than it may be, lowest first; null where they don't reach. */
function reach(
  from: number,
  to: number,
  forms: readonly { form: FormRef; points: number }[],
): FormRef[] | null {
  const out: FormRef[] = [];
  let at = from;
  while (to - at > TALLEST_POINTS) {
    const next = forms.reduce<(typeof forms)[number] | null>(
      (best, one) =>
        one.points > at && one.points <= at + TALLEST_POINTS && one.points > (best?.points ?? 0) ? one : best,
      null,
    );
    if (!next) return null;
    out.push(next.form);
    at = next.points;
  }
  return out;
}

/**
 * What lies between two neighbours of a ladder, lowest first: the two moves at another height, with a trim or a hand
 * hold, and where those don't do, forms of the family in their posture and of their kind. None of it asks for anything
 * that neither neighbour asks for, and on a branch all of it keeps the promise. Empty where the step is no taller than
 * TALLEST_POINTS, or a move of it isn't known; null where somebody new has nothing between.
 */
export function betweenRungs(library: Library, ladder: Ladder, rung: number): FormRef[] | null {
  const [below, above] = [ladder.rungs[rung - 1]!, ladder.rungs[rung]!];
  const [asked, asks] = [rungDemand(library, below), rungDemand(library, above)];
  if (!asked || !asks) return [];
  const [from, to] = [difficultyOf(asked).points, difficultyOf(asks).points];
  if (to - from <= TALLEST_POINTS) return [];
  const most: Demand = harderOf(asked, asks);
  const fit = (forms: readonly FormRef[]) =>
    forms.flatMap((form) => {
      const demand = rungDemand(library, form);
      if (!demand || risesIn(most, demand).length > 0) return [];
      if (ladder.avoids && breaksPromise(ladder.avoids, demand)) return [];
      return [{ form, points: difficultyOf(demand).points }];
    });
  const ends = [below, above].map((form) => library.move(form.move)!);
  const kin = (move: Move | undefined) =>
    move !== undefined &&
    ends.some(
      (end) =>
        end.pattern === move.pattern &&
        end.posture.work === move.posture.work &&
        muscleOverlap(end, move) >= KINDRED,
    );
  const own = fit(ends.flatMap(waysToSet));
  return (
    reach(from, to, own) ??
    reach(from, to, [
      ...own,
      ...fit(
        familyOf(library, ladder)
          .filter((l) => l.id !== ladder.id)
          .flatMap((l) => l.rungs)
          .filter((form) => kin(library.move(form.move))),
      ),
    ])
  );
}
