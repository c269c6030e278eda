import {
  AVOID_IDS,
  AVOIDS,
  type Avoid,
  breaksPromise,
  difficultyOf,
  explainStep,
  hardnessOn,
  type Ladder,
  type Library,
  leverShows,
  libraryWith,
  muscleOverlap,
  type PartKey,
  TRUNK_PATTERNS,
  unexplained,
} from '../ladder/index.ts';
import type { Demand, FormRef, LeverId, Move, Pattern } from '../move/index.ts';
import { slugOf } from '../record/index.ts';
import type { Draft } from './bench.ts';
import { type Proposal, proposeAbove, proposeBelow } from './propose.ts';
import { draftOf, pull, pullsFor, strangeness } from './pulls.ts';

/** A whole ladder drafted from one move, and the moves it needs that the library doesn't have. */
export interface LadderDraft {
  readonly ladders: readonly Ladder[];
  readonly moves: readonly { readonly move: Move; readonly demand: Demand }[];
}

const DOWN = 3;
const UP = 2;
/** Where the bottom of a drafted ladder should lie, in points. */
const BOTTOM = 14;
/** Rungs closer than this in points are one rung. */
const APART = 4;

/** An id that nothing in the library has yet. */
export function freshId(library: Library, name: string): string {
  const base = slugOf(name, 60, 'move');
  let id = base;
  for (let n = 2; library.move(id) || library.ladder(id); n++) id = `${base}-${n}`;
  return id;
}

/** What a ladder of such a move climbs in: effort where it goes to a beat, balance where that is the point, else the strength it asks most of. */
function measuresFor({ move, demand }: Draft): PartKey[] {
  if (move.pattern === 'balance') return ['balance.level'];
  const beat = move.unit === 'reps' && !move.tempo;
  if (
    (beat && ['locomotion', 'jump', 'get up'].includes(move.pattern)) ||
    (demand['impact.class'].hi ?? 0) >= 2
  )
    return ['effort.met'];
  const part = difficultyOf(demand).parts.find(
    (p) => p.key.startsWith('strength.') && p.key !== 'strength.grip',
  );
  return [part?.key ?? 'strength.legs'];
}

const choose = (proposals: readonly Proposal[], far: (p: Proposal) => number): Proposal | undefined =>
  proposals.find((p) => far(p) >= APART) ?? undefined;

/**
 * Drafts a ladder around one move, which may be the trainer's own: three rungs down and two up as far as
 * there are any, each step named by its lever, with a branch for every thing its rungs ask that such a
 * ladder should have a way round.
 */
export function draftLadder(library: Library, from: Draft): LadderDraft {
  const made = new Map<string, { move: Move; demand: Demand }>();
  if (!library.move(from.move.id)) made.set(from.move.id, from);
  let all = libraryWith(library, [...made.values()]);
  const measures = measuresFor(from);
  const id = freshId(all, `${from.move.name} ladder`);
  let ladder: Ladder = {
    id,
    name: from.move.name,
    intent: `Towards and beyond: ${from.move.name}.`,
    measures,
    branchOf: [],
    rungs: [{ move: from.move.id, ...(from.settings ? { settings: from.settings } : {}), levers: [] }],
  };
  const take = (proposal: Proposal): FormRef => {
    if (proposal.known)
      return { move: proposal.move.id, ...(proposal.settings ? { settings: proposal.settings } : {}) };
    const move = { ...proposal.move, id: freshId(all, proposal.move.name) };
    made.set(move.id, { move, demand: proposal.demand });
    all = libraryWith(all, [{ move, demand: proposal.demand }]);
    return { move: move.id };
  };
  const at = (form: FormRef): Draft => draftOf(all, form)!;
  const hard = (form: FormRef) => hardnessOn(measures, at(form).demand);

  for (let k = 0; k < DOWN; k++) {
    const [bottom, ...rest] = ladder.rungs;
    const here = hard(bottom!);
    // Steps as tall as they need be for the bottom one to suit somebody new.
    const step = Math.max(APART + 2, (here - BOTTOM) / (DOWN - k));
    const next = choose(proposeBelow(all, ladder, 8, step), (p) => here - p.hardness);
    if (!next) break;
    // What made the new rung easier is what makes the old bottom harder than it.
    ladder = {
      ...ladder,
      rungs: [{ ...take(next), levers: [] }, { ...bottom!, levers: [...next.levers] }, ...rest],
    };
  }
  for (let k = 0; k < UP; k++) {
    const top = hard(ladder.rungs.at(-1)!);
    const next = choose(proposeAbove(all, ladder, 8), (p) => p.hardness - top);
    if (!next) break;
    ladder = { ...ladder, rungs: [...ladder.rungs, { ...take(next), levers: [...next.levers] }] };
  }
  ladder = { ...ladder, rungs: nameSteps(at, ladder.rungs) };

  const branches = wantedBranches(
    from.move.pattern,
    ladder.rungs.map((rung) => at(rung).demand),
  ).flatMap((avoids) => {
    const branch = branchFor(all, ladder, avoids, take, () => all);
    return branch && branch.rungs.length > 1 ? [branch] : [];
  });
  return { ladders: [ladder, ...branches], moves: [...made.values()] };
}

/** A branch of a ladder that avoids something at every rung, with the moves it needs; null where nothing keeps the promise. */
export function draftBranch(library: Library, ladder: Ladder, avoids: Avoid): LadderDraft | null {
  const made: LadderDraft['moves'][number][] = [];
  let all = library;
  const branch = branchFor(
    library,
    ladder,
    avoids,
    (proposal) => {
      const move = { ...proposal.move, id: freshId(all, proposal.move.name) };
      made.push({ move, demand: proposal.demand });
      all = libraryWith(all, [{ move, demand: proposal.demand }]);
      return { move: move.id };
    },
    () => all,
  );
  return branch ? { ladders: [branch], moves: made } : null;
}

function branchFor(
  library: Library,
  ladder: Ladder,
  avoids: Avoid,
  take: (proposal: Proposal) => FormRef,
  now: () => Library,
): Ladder | null {
  const rungs = branchRungs(library, ladder, avoids, take);
  if (rungs.length === 0) return null;
  return {
    id: freshId(library, `${ladder.id} ${avoids}`),
    name: `${ladder.name}, without ${avoids}`,
    intent: `The same work without ${avoids}.`,
    measures: ladder.measures,
    branchOf: [ladder.id],
    avoids,
    rungs: nameSteps((form) => draftOf(now(), form)!, rungs),
  };
}

/** Every step by its levers: those that made it, where the numbers show them and need no other. */
function nameSteps(
  at: (form: FormRef) => Draft,
  rungs: readonly (FormRef & { readonly levers?: readonly LeverId[] })[],
): Ladder['rungs'] {
  return rungs.map((rung, i) => {
    if (i === 0) return { ...rung, levers: [] };
    const end = (form: FormRef) => {
      const { move, demand, settings } = at(form);
      return { move, demand, settings };
    };
    const [below, above] = [end(rungs[i - 1]!), end(rung)];
    const levers = (rung.levers ?? []).filter((lever) => leverShows(below.demand, above.demand, lever));
    const told = levers.length > 0 && unexplained(below.demand, above.demand, levers).length === 0;
    return { ...rung, levers: told ? levers : explainStep(below, above) };
  });
}

/** What a ladder of these rungs should have a way round. */
function wantedBranches(pattern: Pattern, demands: readonly Demand[]): Avoid[] {
  const breaks = (avoids: Avoid) => demands.some((demand) => breaksPromise(avoids, demand));
  const wanted = AVOID_IDS.filter(
    (avoids) => breaks(avoids) && (AVOIDS[avoids].expectedOf as readonly Pattern[]).includes(pattern),
  );
  if ((TRUNK_PATTERNS as readonly Pattern[]).includes(pattern) && breaks('getting down to the floor'))
    wanted.push('standing and the floor');
  if (demands.some((demand) => demand['knee.kneel'].hi !== 0)) wanted.push('kneeling');
  return wanted;
}

/** For each rung its nearest form that keeps the promise, in order and without repeats. */
function branchRungs(
  library: Library,
  ladder: Ladder,
  avoids: Avoid,
  take: (proposal: Proposal) => FormRef,
): FormRef[] {
  const at = (form: FormRef): Draft => draftOf(library, form)!;
  const keeps = (demand: Demand) => !breaksPromise(avoids, demand);
  const chosen: { form: FormRef; hardness: number }[] = [];
  for (const rung of ladder.rungs) {
    const here = at(rung);
    const aim = hardnessOn(ladder.measures, here.demand);
    const put = (form: FormRef, hardness: number) => {
      if (!chosen.some((c) => c.form.move === form.move || Math.abs(c.hardness - hardness) < APART))
        chosen.push({ form, hardness });
    };
    if (keeps(here.demand)) {
      put(rung, aim);
      continue;
    }
    const others: { proposal: Proposal; score: number }[] = [];
    const offer = (move: Move, demand: Demand, known: boolean, cost: number, reason: string) => {
      const hardness = hardnessOn(ladder.measures, demand);
      others.push({
        proposal: { move, demand, known, levers: [], pulledFrom: null, reason, hardness },
        score: Math.abs(hardness - aim) / 5 + cost,
      });
    };
    for (const move of library.moves) {
      if (move.serves) continue;
      const { demand } = draftOf(library, { move: move.id })!;
      if (!keeps(demand)) continue;
      const alike = muscleOverlap(here.move, move);
      if (alike >= 0.45)
        offer(
          move,
          demand,
          true,
          6 * (1 - alike) +
            (move.pattern === here.move.pattern ? 0 : 1.5) +
            strangeness(here, { move, demand }),
          move.name,
        );
    }
    for (const by of pullsFor(here)) {
      const pulled = pull(here, by);
      if (by.to !== 'harder' && keeps(pulled.demand)) offer(pulled.move, pulled.demand, false, 2.5, by.says);
    }
    others.sort((a, b) => a.score - b.score || (a.proposal.move.name < b.proposal.move.name ? -1 : 1));
    const best = others[0]?.proposal;
    if (best) put(best.known ? { move: best.move.id } : take(best), best.hardness);
  }
  return chosen.sort((a, b) => a.hardness - b.hardness).map((c) => c.form);
}
