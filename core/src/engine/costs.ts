import { MUSCLES, PATTERNS, type Pattern } from '../move/index.ts';
import type { KeepFirst } from '../session/index.ts';

/**
 * What a change costs, in milli-points on one scale anchored at "one rung off = 1 point". Named
 * and in one place so that a trade-off a coach disputes is a number to argue about. Common practice.
 */
export interface Costs {
  /** Per rung away from what was aimed at, easier or harder. */
  readonly rungOff: number;
  /** Per rung below what was aimed at beyond the first, on top. */
  readonly heldDown: number;
  /** Per rung above, inside the reach that was allowed. */
  readonly rungTooHard: number;
  readonly neighbourPattern: number;
  readonly otherPattern: number;
  /** All muscles lost; in proportion below. */
  readonly musclesLost: number;
  /** Another branch of the same ladder: hands to forearms, say. */
  readonly branch: number;
  /** Leaving the family altogether: the class has to be told why. */
  readonly otherLadder: number;
  /** The first of what a coach usually goes to from a move, and each place further down that list. */
  readonly usual: number;
  readonly usualStep: number;
  /** Going easier, something that isn't on the list where there is one. */
  readonly unusual: number;
  /** Per tenth of effort missed, in log MET. */
  readonly tenthOfEffort: number;
  /** Missed effort never costs more than this: a coach would rather say so than swap the exercise. */
  readonly effortAtMost: number;
  /** Sitting or lying down where the trainer's form stands: nobody is seated without need. */
  readonly offTheFeet: number;
  /** Getting down to the floor where the trainer's form is not on it: a chair is nearer to standing than a mat. */
  readonly ontoTheFloor: number;
  /** Only one side is trained, because the other has to be spared. */
  readonly oneSideOnly: number;
  /** The move of another station of the block: nobody does the same thing twice in a round without need. */
  readonly alreadyHere: number;
  /** Harder landings than the trainer's form has, a class: a stand-in for a step is no jump. */
  readonly harderLandings: number;
  /** A form other than the trainer's has to be shown. */
  readonly anotherForm: number;
  readonly trim: number;
  readonly newToPerson: number;
  readonly standIn: number;
  readonly disliked: number;
  /** Taken off what something costs that they are glad to do; nothing ever costs less than nothing. */
  readonly liked: number;
  /** Another move at a station where the trainer has said their own easier and harder ways. */
  readonly notTheirWay: number;
  /** Dearer than any legal form. */
  readonly rest: number;
}

export const COSTS: Costs = {
  rungOff: 1000,
  heldDown: 0,
  rungTooHard: 4000,
  neighbourPattern: 3000,
  otherPattern: 6000,
  musclesLost: 4000,
  branch: 300,
  otherLadder: 3000,
  usual: 200,
  usualStep: 100,
  unusual: 5000,
  tenthOfEffort: 1000,
  effortAtMost: 4000,
  offTheFeet: 2000,
  ontoTheFloor: 500,
  oneSideOnly: 1000,
  alreadyHere: 3000,
  harderLandings: 4000,
  anotherForm: 1000,
  trim: 300,
  newToPerson: 1000,
  standIn: 500,
  disliked: 5000,
  liked: 2000,
  notTheirWay: 20_000,
  rest: 10_000_000,
};

/** What weighs more where a trainer would rather keep one thing than another. Common practice, as estimates. */
const COSTS_KEEPING: Readonly<Record<KeepFirst, Costs>> = {
  muscles: { ...COSTS, musclesLost: 10_000, neighbourPattern: 4000, otherPattern: 9000 },
  effort: { ...COSTS, tenthOfEffort: 2000, effortAtMost: 14_000 },
  familiar: { ...COSTS, newToPerson: 5000, anotherForm: 2500, branch: 1000, otherLadder: 5000 },
};

/** The table in force: balanced where nothing is to be kept first. Always the same object, so that what is worked out by it is kept. */
export const costsFor = (keep: KeepFirst | undefined): Costs => (keep ? COSTS_KEEPING[keep] : COSTS);

/** Patterns that train much the same thing; the relation goes both ways. */
const NEIGHBOURS: readonly (readonly [Pattern, Pattern])[] = [
  ['squat', 'split stance'],
  ['squat', 'step'],
  ['squat', 'jump'],
  ['squat', 'get up'],
  ['split stance', 'step'],
  ['split stance', 'jump'],
  ['step', 'jump'],
  ['step', 'locomotion'],
  ['jump', 'locomotion'],
  ['get up', 'locomotion'],
  ['get up', 'jump'],
  ['get up', 'brace'],
  ['hinge', 'squat'],
  ['push level', 'push overhead'],
  ['push level', 'brace'],
  ['pull level', 'pull overhead'],
  ['brace', 'anti-turn'],
  ['brace', 'side brace'],
  ['brace', 'trunk bend'],
  ['anti-turn', 'side brace'],
  ['anti-turn', 'trunk turn'],
  ['side brace', 'trunk turn'],
  ['trunk bend', 'trunk turn'],
  ['balance', 'split stance'],
  ['mobility', 'stretch'],
];

/** 0 the same, 1 neighbours, 2 unrelated; row-major over PATTERNS. */
export const PATTERN_DISTANCE: Uint8Array = (() => {
  const n = PATTERNS.length;
  const table = new Uint8Array(n * n).fill(2);
  for (let i = 0; i < n; i++) table[i * n + i] = 0;
  for (const [a, b] of NEIGHBOURS) {
    table[PATTERNS.indexOf(a) * n + PATTERNS.indexOf(b)] = 1;
    table[PATTERNS.indexOf(b) * n + PATTERNS.indexOf(a)] = 1;
  }
  return table;
})();
export const PATTERN_COUNT = PATTERNS.length;
export const MUSCLE_COUNT = MUSCLES.length;

/** How much of the intent a pattern keeps, by its distance. Estimates. */
const PATTERN_KEEPS = [1, 0.6, 0.2] as const;

/** Share of the intent kept, 0–1: half the pattern, half the muscles. */
export function intentKept(patternDistance: number, muscleOverlap: number): number {
  return 0.5 * PATTERN_KEEPS[patternDistance as 0 | 1 | 2] + 0.5 * muscleOverlap;
}

export const LEAST_INTENT = 0.35;
