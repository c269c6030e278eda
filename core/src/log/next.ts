import { type Avoid, difficultyOf, type Ladder, type Library, rungDemand } from '../ladder/index.ts';
import type { FormRef } from '../move/index.ts';
import { effortOn, outlookOf, type Person, type Placement, shortName } from '../person/index.ts';
import {
  type Bars,
  type Decision,
  decide,
  type Evidence,
  evidenceOf,
  formOfRung,
  preview,
  type SchoolId,
} from './decide.ts';
import { isEnough, type SessionRecord } from './record.ts';

/** A way round for what hurt: a branch of their ladder, at its rung that is open to them. */
interface Around {
  readonly ladder: string;
  readonly form: FormRef;
  readonly placement: Placement;
}

/** What hurt, by the words it is said in, and what a branch then keeps away from. Common practice. */
const SPARES: readonly (readonly [RegExp, readonly Avoid[]])[] = [
  [/wrist|hand|finger|elbow/i, ['weight through the wrists', 'a bent-back wrist under load', 'gripping']],
  [/knee/i, ['leaving the floor', 'a deep knee bend', 'kneeling']],
  [/ankle|foot|shin|calf|heel|hip/i, ['leaving the floor', 'standing on one leg']],
  [/back|spine/i, ['bending the back', 'twisting', 'getting down to the floor', 'lying on the back']],
  [/shoulder|neck/i, ['arms overhead', 'arms behind the body', 'weight through the wrists']],
];

/** The first branch of a ladder that keeps away from what hurt, at its highest open rung no harder than theirs. */
function aroundFor(
  library: Library,
  ladder: Ladder,
  where: string,
  rung: number,
  day: string,
  barOf: (form: FormRef) => string | null,
): Around | null {
  const pointsOf = (form: FormRef | null): number => {
    const demand = form && rungDemand(library, form);
    return demand ? difficultyOf(demand).points : Number.NaN;
  };
  // Never harder after pain.
  const most = pointsOf(formOfRung(library, ladder, rung));
  const spares = SPARES.flatMap(([words, avoids]) => (words.test(where) ? avoids : []));
  for (const avoid of spares) {
    for (const branch of library.ladders) {
      if (branch.avoids !== avoid || !branch.branchOf.includes(ladder.id)) continue;
      for (let at = branch.rungs.length - 1; at >= 0; at--) {
        const form = formOfRung(library, branch, at);
        if (!form || !(pointsOf(form) <= most) || barOf(form) !== null) continue;
        return {
          ladder: branch.id,
          form,
          placement: { ladder: branch.id, rung: form, evidence: 'observed', on: day },
        };
      }
    }
  }
  return null;
}

/** What one person does next on one ladder they worked on. */
export interface NextRungOf {
  readonly person: Person;
  readonly ladder: string;
  readonly decision: Decision;
  /** What taking it puts in their file; null when they stay, or stand there already. */
  readonly placement: Placement | null;
  /** After pain: where it can be gone round. */
  readonly around: Around | null;
  /** What is known of them on the ladder, oldest first, and what keeps a rung from them: for {@link outcomesNext}. */
  readonly evidence: readonly Evidence[];
  readonly bars: Bars;
}

/** What is known of somebody that a decision takes into account. */
export function whoIs(person: Person, day: string) {
  const outlook = outlookOf(person, day);
  return {
    child: outlook.age.hi < 18,
    careful: person.kind === 'older adult' || person.kind === 'clinical',
    steady: outlook.steady,
    effortMax: effortOn(outlook),
  };
}

/** The ladder a move counts for: the one they have a place on says most; else the trunk; else whichever there is. */
function ladderFor(library: Library, person: Person, move: string) {
  const on = library.ladders.filter((ladder) => ladder.rungs.some((rung) => rung.move === move));
  return (
    on.find((ladder) => person.placements.some((p) => p.ladder === ladder.id)) ??
    on.find((ladder) => ladder.branchOf.length === 0) ??
    on[0]
  );
}

/**
 * A decision for everybody with a file who was there, on every ladder they worked on in this session.
 * `barOf` says why a form isn't for somebody, or null when it is; `all` are the records to learn from, this one
 * among them; `day` is today.
 */
export function nextRungs(
  library: Library,
  people: readonly Person[],
  record: SessionRecord,
  all: readonly SessionRecord[],
  school: SchoolId,
  day: string,
  barOf: (person: Person, form: FormRef) => string | null,
): NextRungOf[] {
  return record.results.flatMap((result) => {
    const person = people.find((p) => p.id === result.person);
    // What was hardly begun decides nothing, unless something hurt.
    if (!person || !result.present) return [];
    if (!isEnough(result) && result.pain === null && result.sign === null) return [];
    const ladders = new Set(result.pieces.flatMap((piece) => ladderFor(library, person, piece.move) ?? []));
    return [...ladders].flatMap((ladder): NextRungOf[] => {
      const evidence = evidenceOf(library, ladder, person.id, all);
      const bars: Bars = (rung) => {
        const form = formOfRung(library, ladder, rung);
        return form ? barOf(person, form) : 'the library has no such form';
      };
      const decision = decide(ladder, evidence, school, whoIs(person, day), day, bars);
      if (!decision) return [];
      const rung = formOfRung(library, ladder, decision.to);
      const now = person.placements.find((p) => p.ladder === ladder.id)?.rung;
      const there = now?.move === rung?.move && now?.settings?.surfaceCm === rung?.settings?.surfaceCm;
      const moves = decision.is === 'up' || decision.is === 'down';
      const placement: Placement | null =
        moves && rung && !there ? { ladder: ladder.id, rung, evidence: 'observed', on: day } : null;
      const around =
        decision.is === 'ask' && result.pain
          ? aroundFor(library, ladder, result.pain.where, decision.to, day, (to) => barOf(person, to))
          : null;
      return [{ person, ladder: ladder.id, decision, placement, around, evidence, bars }];
    });
  });
}

/** How next time may go, as a trainer would say it. */
const OUTCOMES = [
  { says: 'clean at 5 of 10', next: { clean: true, effort: 5, range: 'full', pain: false } },
  { says: 'clean at 8 of 10', next: { clean: true, effort: 8, range: 'full', pain: false } },
  { says: 'most of the way', next: { clean: true, effort: 6, range: 'most', pain: false } },
  { says: 'not clean', next: { clean: false, effort: 8, range: 'full', pain: false } },
  { says: 'something hurts', next: { clean: true, effort: 6, range: 'full', pain: true } },
] as const;

/** Where each way next time may go would lead, before it happens; `on` is the day of next time. */
export function outcomesNext(
  library: Library,
  one: NextRungOf,
  school: SchoolId,
  on: string,
): { readonly says: string; readonly decision: Decision }[] {
  const ladder = library.ladder(one.ladder);
  const at = one.decision.to;
  // What is decided now has been taken by then: next time is on the rung it leads to.
  const before = one.evidence.map((e, i) =>
    i === one.evidence.length - 1 && one.decision.is !== 'up' && one.decision.is !== 'down'
      ? { ...e, rung: at }
      : e,
  );
  const stands = one.decision.is === 'up' || one.decision.is === 'down';
  return OUTCOMES.flatMap(({ says, next }) => {
    if (!ladder) return [];
    const decision = stands
      ? decide(
          ladder,
          [...before, { ...next, on, rung: at, reached: at }],
          school,
          whoIs(one.person, on),
          on,
          one.bars,
        )
      : preview(ladder, before, school, whoIs(one.person, on), { ...next, on }, one.bars);
    return decision ? [{ says, decision }] : [];
  });
}

/** What to tell whom before the next session: one line each, who has most to be told first. */
export function toTell(
  library: Library,
  rungs: readonly NextRungOf[],
  nameOf: (form: FormRef) => string,
): { readonly person: Person; readonly says: readonly string[] }[] {
  const told = new Map<string, { person: Person; ups: string[]; downs: string[]; asks: string[] }>();
  for (const one of rungs) {
    const { decision, person } = one;
    if (decision.is === 'hold') continue;
    const known = told.get(person.id) ?? { person, ups: [], downs: [], asks: [] };
    const form = formOfRung(library, library.ladder(one.ladder)!, decision.to);
    const to = form ? nameOf(form).toLowerCase() : '';
    const [list, says] =
      decision.is === 'up'
        ? [known.ups, to]
        : decision.is === 'down'
          ? [known.downs, to]
          : [known.asks, one.around ? nameOf(one.around.form).toLowerCase() : ''];
    if (!list.includes(says)) list.push(says);
    told.set(person.id, known);
  }
  const weight = (t: { downs: string[]; asks: string[] }) =>
    t.asks.length > 0 ? 2 : t.downs.length > 0 ? 1 : 0;
  return [...told.values()]
    .sort((a, b) => weight(b) - weight(a))
    .map(({ person, ups, downs, asks }) => {
      const around = asks.filter(Boolean);
      return {
        person,
        says: [
          ...(asks.length > 0
            ? [
                `what hurt, when and where?${around.length > 0 ? ` If it still does: ${around.join('; ')}.` : ''}`,
              ]
            : []),
          ...(downs.length > 0 ? [`for now ${downs.join('; ')}.`] : []),
          ...(ups.length > 0 ? [`ready for ${ups.join('; ')}.`] : []),
        ],
      };
    });
}

/** What to know of a group before its session: what hurt or showed last time, who waits for their doctor. */
export function toKnowBefore(
  people: readonly Person[],
  expected: readonly Person[],
  last: SessionRecord | null,
  day: string,
): string[] {
  const hurt = (last?.results ?? []).flatMap((result) => {
    const person = people.find((p) => p.id === result.person);
    const what = result.pain ? `pain, ${result.pain.where}` : result.sign?.sign;
    return person && what ? [`${shortName(person)}: ${what} last time`] : [];
  });
  const waiting = expected.flatMap((person) => {
    const { waitsFor } = outlookOf(person, day);
    return waitsFor === null ? [] : [`${shortName(person)}: ${waitsFor.replace(/\.$/, '')}`];
  });
  return [...hurt, ...waiting];
}

/** A group's newest record. */
export const lastOf = (all: readonly SessionRecord[], group: string): SessionRecord | null =>
  all.filter((record) => record.group === group).sort((a, b) => (a.on < b.on ? 1 : -1))[0] ?? null;
