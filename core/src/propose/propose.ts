import {
  difficultyOf,
  familyOf,
  harderOf,
  hardnessOn,
  heightsToSet,
  KINDRED,
  type Ladder,
  type Library,
  muscleOverlap,
  type PartKey,
  risesIn,
  rungDemand,
  stepHeight,
  TALLEST_STEP,
} from '../ladder/index.ts';
import type { Demand, FormRef, LeverId, Move, Pattern, Settings } from '../move/index.ts';
import type { Draft } from './bench.ts';
import type { Pull } from './pull.ts';
import { draftOf, pull, pullsFor, strangeness } from './pulls.ts';

/** A rung that isn't on the ladder yet: a move of the library, one at another height, or one made by a lever. */
export interface Proposal {
  readonly move: Move;
  readonly demand: Demand;
  readonly settings?: Settings | undefined;
  /** False where a lever made it: accepting adds a move of the trainer's own. */
  readonly known: boolean;
  readonly levers: readonly LeverId[];
  /** The rung it was pulled from, whose step the levers name; null where it wasn't pulled. */
  readonly pulledFrom: 'below' | 'above' | null;
  /** As a coach would say it. */
  readonly reason: string;
  /** Points on the ladder's own measures. */
  readonly hardness: number;
}

/** Where a proposal has to lie, in points on the ladder's measures, and what it may not exceed. */
interface Gap {
  readonly measures: readonly PartKey[];
  readonly from: number;
  readonly to: number;
  /** Nothing may ask for more than this but for what two authors would differ in; none for a new top. */
  readonly ceiling: Demand | null;
  /** The end it is proposed at, from which it may be no more than a step away; none between two rungs. */
  readonly end: Demand | null;
  readonly aim: number;
  readonly ladder: Ladder;
}

/**
 * A beginner's step is about this many points; an end is proposed this far out where nothing is nearer, and the
 * check then asks for what lies between. Estimates.
 */
const STEP_POINTS = 12;
const FARTHEST_POINTS = 30;
/** Closer than this to either end is no rung between. */
const CLEAR_POINTS = 1;

function inside(gap: Gap, demand: Demand): number | null {
  const hardness = hardnessOn(gap.measures, demand);
  if (!(hardness > gap.from + CLEAR_POINTS && hardness < gap.to - CLEAR_POINTS)) return null;
  if (gap.ceiling && risesIn(gap.ceiling, demand).length > 0) return null;
  if (gap.end) {
    const [below, above] = gap.ceiling === null ? [gap.end, demand] : [demand, gap.end];
    if (stepHeight(gap.measures, below, above) > TALLEST_STEP) return null;
    if (difficultyOf(above).points - difficultyOf(below).points > FARTHEST_POINTS) return null;
  }
  return hardness;
}

interface Candidate {
  readonly draft: Draft;
  readonly known: boolean;
  readonly levers: readonly LeverId[];
  readonly pulledFrom: Proposal['pulledFrom'];
  readonly reason: string;
  /** Dearer the farther from what stands on the ladder. */
  readonly cost: number;
}

const low = (name: string) => name.charAt(0).toLowerCase() + name.slice(1);

function heights(library: Library, form: FormRef): Candidate[] {
  const move = library.move(form.move);
  if (!move) return [];
  return heightsToSet(move).map((cm) => ({
    draft: draftOf(library, { move: move.id, settings: { surfaceCm: cm } })!,
    known: true,
    levers: ['surface'],
    pulledFrom: null,
    reason: `${move.name} with the ${move.surface!.for} at ${cm} cm`,
    cost: 0,
  }));
}

function kindred(library: Library, ladder: Ladder, near: readonly Draft[]): Candidate[] {
  const here = new Set(ladder.rungs.map((rung) => rung.move));
  // The families that a rung of this ladder stands in, since a drafted ladder has none of its own; a
  // branch that several families share says nothing of kinship.
  const family = new Set(
    library.ladders
      .filter((l) => l.branchOf.length === 0 && l.rungs.some((rung) => here.has(rung.move)))
      .flatMap((l) => familyOf(library, l))
      .filter((l) => l.branchOf.length <= 1)
      .flatMap((l) => l.rungs.map((rung) => rung.move)),
  );
  return library.moves.flatMap((move): Candidate[] => {
    if (here.has(move.id) || move.serves) return [];
    const alike = Math.max(
      ...near.map((d) => muscleOverlap(d.move, move) * (d.move.pattern === move.pattern ? 1 : 0.75)),
    );
    if (alike < KINDRED && !family.has(move.id)) return [];
    // The same muscles in another pattern and another posture are another thing: a bridge above waves with a rope.
    const stranger = near.every(
      ({ move: { pattern, posture } }) => pattern !== move.pattern && posture.work !== move.posture.work,
    );
    if (stranger && !family.has(move.id)) return [];
    // What loosens or stretches is no step towards what loads, nor the other way round.
    const calm = (pattern: Pattern) => pattern === 'mobility' || pattern === 'stretch';
    if (near.every(({ move: { pattern } }) => calm(pattern) !== calm(move.pattern))) return [];
    const draft = draftOf(library, { move: move.id })!;
    return [
      {
        draft,
        known: true,
        levers: [],
        pulledFrom: null,
        reason: `${move.name}, which stands in the library`,
        cost:
          (family.has(move.id) ? 0.5 : 2) +
          5 * (1 - alike) +
          Math.min(...near.map((d) => strangeness(d, draft))),
      },
    ];
  });
}

const PULLED_FROM = { harder: 'below', easier: 'above', sideways: null } as const;

function pulled(from: readonly Draft[], to: Pull['to'], twice: boolean): Candidate[] {
  return from.flatMap((draft) =>
    pullsFor(draft)
      .filter((by) => by.to === to)
      .flatMap((by): Candidate[] => {
        const once = pull(draft, by);
        const first: Candidate = {
          draft: once,
          known: false,
          levers: [by.lever],
          pulledFrom: PULLED_FROM[to],
          reason: `${draft.move.name}, ${by.says}`,
          cost: 2,
        };
        if (!twice) return [first];
        return [
          first,
          ...pullsFor(once)
            .filter((second) => second.to === to && second.lever !== by.lever)
            .map(
              (second): Candidate => ({
                draft: pull(once, second),
                known: false,
                levers: [by.lever, second.lever],
                pulledFrom: PULLED_FROM[to],
                reason: `${draft.move.name}, ${by.says} and ${second.says}`,
                cost: 5,
              }),
            ),
        ];
      }),
  );
}

function rank(library: Library, gap: Gap, candidates: readonly Candidate[], most: number): Proposal[] {
  const names = new Set(library.moves.map((m) => low(m.name)));
  const span = Math.max(1, gap.to - gap.from);
  const typical = gap.ladder.rungs.map((rung) => rungDemand(library, rung)).filter((d) => d !== undefined);
  const floors = typical.filter((d) => d['posture.floor'].hi! > 0).length / Math.max(1, typical.length);
  const scored = candidates.flatMap((candidate) => {
    const hardness = inside(gap, candidate.draft.demand);
    if (hardness === null) return [];
    if (!candidate.known && names.has(low(candidate.draft.move.name))) return [];
    const off = (10 * Math.abs(hardness - gap.aim)) / span;
    // A rung that sends people to the floor where no other does, or the reverse, is a stranger here.
    const strange = Math.abs((candidate.draft.demand['posture.floor'].hi! > 0 ? 1 : 0) - floors) * 2;
    return [{ candidate, hardness, score: off + candidate.cost + strange }];
  });
  scored.sort(
    (a, b) => a.score - b.score || (a.candidate.draft.move.name < b.candidate.draft.move.name ? -1 : 1),
  );
  const seen = new Set<string>();
  const out: Proposal[] = [];
  for (const { candidate, hardness } of scored) {
    const { draft } = candidate;
    const key = candidate.known ? draft.move.id : low(draft.move.name);
    if (seen.has(key)) continue;
    seen.add(key);
    out.push({
      move: draft.move,
      demand: draft.demand,
      ...(draft.settings ? { settings: draft.settings } : {}),
      known: candidate.known,
      levers: candidate.levers,
      pulledFrom: candidate.pulledFrom,
      reason: candidate.reason,
      hardness,
    });
    if (out.length === most) break;
  }
  return out;
}

/**
 * Rungs that fit between rung `above` − 1 and rung `above` of a ladder, the best first: none is as easy
 * as the lower or as hard as the upper on the ladder's measures, and none asks for more of anything
 * than the harder of the two, but for what two authors would differ in.
 */
export function proposeBetween(library: Library, ladder: Ladder, above: number, most = 6): Proposal[] {
  const lower = ladder.rungs[above - 1];
  const upper = ladder.rungs[above];
  const a = lower && draftOf(library, lower);
  const b = upper && draftOf(library, upper);
  if (!a || !b) return [];
  const from = hardnessOn(ladder.measures, a.demand);
  const to = hardnessOn(ladder.measures, b.demand);
  const gap: Gap = {
    measures: ladder.measures,
    from,
    to,
    aim: (from + to) / 2,
    ceiling: harderOf(a.demand, b.demand),
    end: null,
    ladder,
  };
  return rank(
    library,
    gap,
    [
      ...heights(library, lower),
      ...heights(library, upper),
      ...kindred(library, ladder, [a, b]),
      ...pulled([a], 'harder', true),
      ...pulled([b], 'easier', true),
    ],
    most,
  );
}

/** Rungs above the top of a ladder, the best first: a step of so many points harder, not a wall. */
export function proposeAbove(library: Library, ladder: Ladder, most = 6, step = STEP_POINTS): Proposal[] {
  const top = ladder.rungs.at(-1);
  const draft = top && draftOf(library, top);
  if (!draft) return [];
  const from = hardnessOn(ladder.measures, draft.demand);
  return rank(
    library,
    {
      measures: ladder.measures,
      from,
      to: from + FARTHEST_POINTS,
      aim: from + step,
      ceiling: null,
      end: draft.demand,
      ladder,
    },
    [...heights(library, top), ...kindred(library, ladder, [draft]), ...pulled([draft], 'harder', true)],
    most,
  );
}

/** Rungs below the bottom of a ladder, the best first; none asks for more of anything than the bottom does. */
export function proposeBelow(library: Library, ladder: Ladder, most = 6, step = STEP_POINTS): Proposal[] {
  const bottom = ladder.rungs[0];
  const draft = bottom && draftOf(library, bottom);
  if (!draft) return [];
  const to = hardnessOn(ladder.measures, draft.demand);
  return rank(
    library,
    {
      measures: ladder.measures,
      from: Math.max(-2, to - FARTHEST_POINTS),
      to,
      aim: Math.max(to / 2, to - step),
      ceiling: draft.demand,
      end: draft.demand,
      ladder,
    },
    [...heights(library, bottom), ...kindred(library, ladder, [draft]), ...pulled([draft], 'easier', true)],
    most,
  );
}

/** Sideways forms of a rung: as hard within a step, but kinder to the wrist, the kneecap or the back. */
export function proposeSideways(library: Library, ladder: Ladder, rung: number, most = 6): Proposal[] {
  const form = ladder.rungs[rung];
  const draft = form && draftOf(library, form);
  if (!draft) return [];
  const here = hardnessOn(ladder.measures, draft.demand);
  return rank(
    library,
    {
      measures: ladder.measures,
      from: here - STEP_POINTS,
      to: here + STEP_POINTS,
      aim: here,
      ceiling: null,
      end: null,
      ladder,
    },
    pulled([draft], 'sideways', false),
    most,
  );
}
