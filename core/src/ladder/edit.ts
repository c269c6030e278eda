import type { FormRef, LeverId } from '../move/index.ts';
import type { LadderFix } from './check.ts';
import { difficultyOf } from './difficulty.ts';
import { rungDemand } from './family.ts';
import type { Ladder, Rung } from './ladder.ts';
import type { Library } from './library.ts';
import { explainStep, type StepEnd } from './step.ts';

const key = (form: FormRef) =>
  `${form.move}/${form.settings?.surfaceCm ?? ''}/${form.settings?.support ?? ''}/${form.settings?.trim ?? ''}`;

function end(library: Library, form: FormRef): StepEnd | null {
  const move = library.move(form.move);
  const demand = rungDemand(library, form);
  return move && demand ? { move, demand, settings: form.settings } : null;
}

/**
 * A ladder with its rungs in a new order. A step between two rungs that were neighbours before keeps
 * what its author said of it; a new step is named by the lever that accounts for it best.
 */
function withRungs(library: Library, ladder: Ladder, rungs: readonly (FormRef & Partial<Rung>)[]): Ladder {
  const said = new Map<string, Pick<Rung, 'levers' | 'step'>>();
  ladder.rungs.forEach((rung, i) => {
    if (i > 0)
      said.set(`${key(ladder.rungs[i - 1]!)} > ${key(rung)}`, {
        levers: rung.levers,
        ...(rung.step ? { step: rung.step } : {}),
      });
  });
  return {
    ...ladder,
    rungs: rungs.map((rung, i): Rung => {
      const { levers: offered, step: _step, ...form } = rung;
      if (i === 0) return { ...form, levers: [] };
      const below = rungs[i - 1]!;
      const standing = said.get(`${key(below)} > ${key(form)}`);
      if (standing) return { ...form, ...standing };
      if (offered && offered.length > 0) return { ...form, levers: offered };
      const [a, b] = [end(library, below), end(library, form)];
      return { ...form, levers: a && b ? explainStep(a, b) : ['range'] };
    }),
  };
}

/** Puts a form in at a place, 0 at the bottom; levers name its own step where they are given. */
export function insertRung(
  library: Library,
  ladder: Ladder,
  at: number,
  form: FormRef & { readonly levers?: LeverId[] },
): Ladder {
  const rungs: (FormRef & Partial<Rung>)[] = [...ladder.rungs];
  rungs.splice(at, 0, form);
  return withRungs(library, ladder, rungs);
}

export function removeRung(library: Library, ladder: Ladder, at: number): Ladder {
  return withRungs(
    library,
    ladder,
    ladder.rungs.filter((_, i) => i !== at),
  );
}

export function shiftRung(library: Library, ladder: Ladder, from: number, to: number): Ladder {
  const rungs = [...ladder.rungs];
  const [moved] = rungs.splice(from, 1);
  if (!moved) return ladder;
  rungs.splice(Math.max(0, Math.min(rungs.length, to)), 0, moved);
  return withRungs(library, ladder, rungs);
}

export function nameStep(ladder: Ladder, rung: number, levers: readonly LeverId[]): Ladder {
  return {
    ...ladder,
    rungs: ladder.rungs.map((r, i) => (i === rung && i > 0 ? { ...r, levers: levers.slice(0, 2) } : r)),
  };
}

/** The same rung at another height. */
export function setHeight(ladder: Ladder, rung: number, surfaceCm: number): Ladder {
  return {
    ...ladder,
    rungs: ladder.rungs.map((r, i) => (i === rung ? { ...r, settings: { ...r.settings, surfaceCm } } : r)),
  };
}

/** The lower part stays; the upper part, from a rung on, becomes a ladder of its own. */
export function splitLadder(library: Library, ladder: Ladder, from: number, id: string): [Ladder, Ladder] {
  return [
    withRungs(library, ladder, ladder.rungs.slice(0, from)),
    withRungs(library, { ...ladder, id, name: `${ladder.name}, upper part` }, ladder.rungs.slice(from)),
  ];
}

/** Applies a fix that needs nothing new; null for one that needs a proposal to be chosen first. */
export function applyFix(library: Library, ladder: Ladder, fix: LadderFix): Ladder | null {
  switch (fix.do) {
    case 'swap':
      return shiftRung(library, ladder, fix.rung, fix.rung - 1);
    case 'drop':
      return removeRung(library, ladder, fix.rung);
    case 'levers':
      return nameStep(ladder, fix.rung, fix.levers);
    default:
      return null;
  }
}

/** Ways that a trainer gave for a move: said to be easier or harder, or only to be other ways. */
export interface OwnWay {
  readonly is: 'easier' | 'harder' | null;
  readonly move: string;
}

/**
 * A ladder of the trainer's own out of the ways they gave for a move: what was said to be easier stands below, what
 * was said to be harder above, and other ways where their figures put them. Null where nothing of it is another move.
 */
export function ladderOfWays(library: Library, move: string, ways: readonly OwnWay[]): Ladder | null {
  const written = library.move(move);
  const pointsOf = (id: string): number => {
    const demand = rungDemand(library, { move: id });
    return demand ? difficultyOf(demand).points : Number.NaN;
  };
  const here = pointsOf(move);
  const known = ways.filter(
    (way, i) =>
      way.move !== move &&
      library.move(way.move) !== undefined &&
      ways.findIndex((other) => other.move === way.move) === i,
  );
  if (!written || known.length === 0) return null;
  const side = (way: OwnWay): number =>
    way.is === 'easier' ? -1 : way.is === 'harder' ? 1 : pointsOf(way.move) < here ? -1 : 1;
  const sorted = (want: -1 | 1): FormRef[] =>
    known
      .filter((way) => side(way) === want)
      .sort((a, b) => pointsOf(a.move) - pointsOf(b.move))
      .map((way) => ({ move: way.move }));
  const [hardest] = difficultyOf(rungDemand(library, { move })!).parts;
  const ladder: Ladder = {
    id: `${move}-own-ways`,
    name: `${written.name}, own ways`,
    intent: `${written.name} as its trainer makes it easier and harder.`,
    measures: [hardest?.key ?? 'effort.met'],
    branchOf: [],
    rungs: [],
  };
  return withRungs(library, ladder, [...sorted(-1), { move }, ...sorted(1)]);
}
