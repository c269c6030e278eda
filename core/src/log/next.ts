import type { Library } from '../ladder/index.ts';
import type { FormRef } from '../move/index.ts';
import { outlookOf, type Person, type Placement, shortName } from '../person/index.ts';
import { type Decision, decide, evidenceOf, formOfRung, type SchoolId } from './decide.ts';
import type { SessionRecord } from './record.ts';

/** What one person does next on one ladder they worked on. */
export interface NextRungOf {
  readonly person: Person;
  readonly ladder: string;
  readonly decision: Decision;
  /** What taking it puts in their file; null when they stay, or stand there already. */
  readonly placement: Placement | null;
}

/** What is known of somebody that a decision takes into account. */
export function whoIs(person: Person, day: string) {
  const outlook = outlookOf(person, day);
  return {
    child: outlook.age.hi < 18,
    careful: person.kind === 'older adult' || person.kind === 'clinical',
    steady: outlook.steady,
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
    if (!person || !result.present) return [];
    const ladders = new Set(result.pieces.flatMap((piece) => ladderFor(library, person, piece.move) ?? []));
    return [...ladders].flatMap((ladder): NextRungOf[] => {
      const evidence = evidenceOf(library, ladder, person.id, all);
      const decision = decide(ladder, evidence, school, whoIs(person, day), day, (rung) => {
        const form = formOfRung(library, ladder, rung);
        return form ? barOf(person, form) : 'the library has no such form';
      });
      if (!decision) return [];
      const rung = formOfRung(library, ladder, decision.to);
      const now = person.placements.find((p) => p.ladder === ladder.id)?.rung;
      const there = now?.move === rung?.move && now?.settings?.surfaceCm === rung?.settings?.surfaceCm;
      const moves = decision.is === 'up' || decision.is === 'down';
      const placement: Placement | null =
        moves && rung && !there ? { ladder: ladder.id, rung, evidence: 'observed', on: day } : null;
      return [{ person, ladder: ladder.id, decision, placement }];
    });
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
  const waiting = expected
    .filter((person) => !outlookOf(person, day).mayTrain)
    .map((person) => `${shortName(person)} waits for a word from their doctor`);
  return [...hurt, ...waiting];
}

/** A group's newest record. */
export const lastOf = (all: readonly SessionRecord[], group: string): SessionRecord | null =>
  all.filter((record) => record.group === group).sort((a, b) => (a.on < b.on ? 1 : -1))[0] ?? null;
