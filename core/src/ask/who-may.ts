import * as z from 'zod';
import { limitsLeave, personMay, subjectOf, type WhoMay } from '../limits/index.ts';
import { CONDITION_IDS, type ConditionId, compileCondition, sideSchema } from '../person/index.ts';
import { lazily } from '../record/index.ts';
import { day, personDocument } from './parts.ts';
import { defineQuestion, QuestionFault } from './question.ts';

/** Moves by ladder that a condition alone, or one person with all they have, leaves open. */
export const whoMay = defineQuestion({
  says: 'Which moves a condition or a person leaves open, held or barred, by ladder, and what decides',
  asks: lazily(() =>
    z.strictObject({
      condition: z.enum(CONDITION_IDS as [ConditionId, ...ConditionId[]]).nullable(),
      side: sideSchema.default('both'),
      person: personDocument.nullable(),
      on: day,
    }),
  ),
  answers: null,
  *run({ library }, { condition, side, person, on }): Iterable<WhoMay> {
    if (person) yield personMay(library, subjectOf(person, library, on));
    else if (condition) yield limitsLeave(library, compileCondition(condition, side));
    else throw new QuestionFault('condition', 'a condition or a person');
  },
});
