import type { ClassPerson } from '@inner-rung/core/class';
import type { Library } from '@inner-rung/core/ladder';
import { subjectOf } from '@inner-rung/core/limits';
import type { LevelIndex, Person } from '@inner-rung/core/person';
import { AS_WRITTEN, type Plan } from '@inner-rung/core/session';
import { today } from '../app/day.ts';

/** The level somebody has for this session, where the trainer gave them another than their own. */
export const levelFor = (plan: Pick<Plan, 'levels'>, id: string): LevelIndex | null =>
  plan.levels?.find((one) => one.person === id)?.level ?? null;

/** Level a session is taken to be written for, where nobody said. Common practice. */
const USUAL_WRITTEN_FOR = 2;

/** Somebody as a class is planned for them, today. `dials` are the session's as it is kept; as written without it. */
export const classPerson = (
  library: Library,
  session: Pick<Plan, 'blocks' | 'forWhom'>,
  dials: Pick<Plan, 'writtenFor' | 'dials'> | null,
  id: string,
  person: Person,
  ability: LevelIndex | 'own rungs',
): ClassPerson => ({
  id,
  request: {
    session: { blocks: session.blocks, forWhom: session.forWhom },
    writtenFor: dials?.writtenFor ?? USUAL_WRITTEN_FOR,
    dials: { ...(dials?.dials ?? AS_WRITTEN), ability },
    subject: subjectOf(person, library, today()),
  },
});
