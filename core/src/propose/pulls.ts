import { type Library, rungDemand } from '../ladder/index.ts';
import type { FormRef } from '../move/index.ts';
import { Bench, type Draft } from './bench.ts';
import type { Pull } from './pull.ts';
import { FLIGHT_PULLS } from './pulls-flight.ts';
import { LOAD_PULLS } from './pulls-load.ts';
import { RANGE_PULLS } from './pulls-range.ts';
import { SUPPORT_PULLS } from './pulls-support.ts';
import { SURFACE_PULLS } from './pulls-surface.ts';

export const PULLS: readonly Pull[] = [
  ...SURFACE_PULLS,
  ...SUPPORT_PULLS,
  ...RANGE_PULLS,
  ...FLIGHT_PULLS,
  ...LOAD_PULLS,
];

/** A form of the library as a draft at its own settings; undefined when there is no such move. */
export function draftOf(library: Library, form: FormRef): Draft | undefined {
  const move = library.move(form.move);
  const demand = rungDemand(library, form);
  if (!move || !demand) return undefined;
  return form.settings ? { move, demand, settings: form.settings } : { move, demand };
}

/** Pulls a lever that fits; the result is a whole move of its own. */
export function pull(form: Draft, by: Pull): Draft {
  const bench = new Bench(form, by.says);
  const { surface } = form.move;
  if (surface && surface.law !== 'place') bench.fixedAt(form.settings?.surfaceCm ?? surface.usualCm);
  by.apply(bench);
  return bench.done();
}

/** Every way in which a form can be pulled. */
export function pullsFor(form: Draft): readonly Pull[] {
  return PULLS.filter((by) => by.fits(form));
}

const STRANGE: readonly (readonly [keyof Draft['demand'], number, number])[] = [
  ['shoulder.behind', 2, 2],
  ['posture.supine', 0.5, 1],
  ['posture.prone', 0.5, 1],
  ['hands.bearing', 1, 0.7],
  ['shoulder.raisedDeg', 70, 0.5],
  ['impact.class', 2, 1],
];

/** How odd one form looks in the place of another, in points: on the back for standing, hands behind for ahead. */
export function strangeness(a: Draft, b: Draft): number {
  return STRANGE.reduce(
    (sum, [key, least, points]) =>
      sum + (Math.abs((a.demand[key].hi ?? 0) - (b.demand[key].hi ?? 0)) >= least ? points : 0),
    a.move.unit === b.move.unit ? 0 : 0.7,
  );
}
