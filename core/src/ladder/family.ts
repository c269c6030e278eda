import {
  type Demand,
  type DemandKey,
  demandOf,
  type FormRef,
  type Move,
  PATTERNS,
  type Pattern,
} from '../move/index.ts';
import type { Ladder } from './ladder.ts';
import type { Library } from './library.ts';

const known = new WeakMap<Library, Map<string, Demand>>();

/** A form's demand at its own settings; undefined when the library has no such move. */
export function rungDemand(library: Library, form: FormRef): Demand | undefined {
  const cache = known.get(library) ?? new Map<string, Demand>();
  known.set(library, cache);
  const s = form.settings;
  const key = s ? `${form.move} ${s.surfaceCm ?? ''} ${s.support ?? ''} ${s.trim ?? ''}` : form.move;
  const found = cache.get(key);
  if (found) return found;
  const move = library.move(form.move);
  const base = library.demand.get(form.move);
  if (!move || !base) return undefined;
  const demand = demandOf(move, base, s);
  cache.set(key, demand);
  return demand;
}

/** A trunk with its branches, trunk first; for a branch, the family of each trunk it belongs to. */
export function familyOf(library: Library, ladder: Ladder): Ladder[] {
  const trunks = ladder.branchOf.length > 0 ? ladder.branchOf : [ladder.id];
  return library.ladders
    .filter((l) => trunks.includes(l.id) || l.branchOf.some((id) => trunks.includes(id)))
    .sort((a, b) => a.branchOf.length - b.branchOf.length || (a.id < b.id ? -1 : 1));
}

/** The pattern most of a ladder's rungs are filed under; the earlier in PATTERNS wins a tie. */
export function patternOf(library: Library, ladder: Ladder): Pattern {
  const count = new Map<Pattern, number>();
  for (const rung of ladder.rungs) {
    const pattern = library.move(rung.move)?.pattern;
    if (pattern) count.set(pattern, (count.get(pattern) ?? 0) + 1);
  }
  let best: Pattern = 'stretch';
  for (const pattern of PATTERNS) if ((count.get(pattern) ?? 0) > (count.get(best) ?? 0)) best = pattern;
  return best;
}

/** Share of the muscles that two moves have in common, 0–1. */
export function muscleOverlap(a: Move, b: Move): number {
  let sum = 0;
  for (const muscle in a.muscles) {
    const key = muscle as keyof Move['muscles'];
    sum += Math.min(a.muscles[key] ?? 0, b.muscles[key] ?? 0);
  }
  return sum;
}

/** A form has to share this much of its muscles with a rung to be one of its kind. Estimate. */
export const KINDRED = 0.5;

/**
 * What is asked of the limb that doesn't work, of a move that the other does alone: what the base posture asks of both,
 * or more as its drawing shows; null for as much as of the working one, where an author says so or nothing says otherwise.
 */
export function otherFigure(library: Pick<Library, 'bases'>, move: Move, key: DemandKey): number | null {
  const standing = library.bases.get(move.base)?.demand[key]?.hi;
  const drawn = move.other?.[key];
  const asAll = !move.other || move.shares.includes(key) || drawn === null;
  return asAll || standing === undefined || standing === null ? null : Math.max(standing, drawn ?? 0);
}
