import * as z from 'zod';
import { subjectOf } from '../limits/index.ts';
import { lazily } from '../record/index.ts';
import { EVERYWHERE } from '../room/index.ts';
import { AS_WRITTEN } from '../session/index.ts';
import { day, form, personDocument, roomDocument } from './parts.ts';
import { defineQuestion } from './question.ts';

/** What bars each form for each person, in words, by their limits; null where it is open to them. */
export const openTo = defineQuestion({
  says: 'Which forms are open to which people',
  asks: lazily(() =>
    z.strictObject({
      room: roomDocument.nullable(),
      on: day,
      people: z.array(z.strictObject({ person: personDocument, forms: z.array(form).max(2000) })).max(200),
    }),
  ),
  answers: null,
  *run(ground, { room, on, people }): Iterable<readonly (readonly (string | null)[])[]> {
    const scaler = ground.scaler(room ?? EVERYWHERE);
    yield people.map(({ person, forms }) =>
      scaler
        .bars(forms, { subject: subjectOf(person, ground.library, on), dials: AS_WRITTEN })
        .map((rulers) => rulers[0]?.says ?? null),
    );
  },
});
