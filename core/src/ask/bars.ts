import * as z from 'zod';
import { laneSubject, type Ruler, subjectOf } from '../limits/index.ts';
import { lazily } from '../record/index.ts';
import { EVERYWHERE, ROOM_EXAMPLE } from '../room/index.ts';
import { AS_WRITTEN } from '../session/index.ts';
import { day, form, personDocument, roomDocument } from './parts.ts';
import { defineQuestion } from './question.ts';

/**
 * What bars each form for somebody somewhere, in the order asked; empty where it is open. By their limits alone,
 * wherever they are, when what they own is still to be found.
 */
export const bars = defineQuestion({
  says: 'What bars each of some forms for somebody in a room',
  asks: lazily(() =>
    z.strictObject({
      person: personDocument.nullable(),
      room: roomDocument.nullable(),
      on: day,
      by: z.enum(['limits', 'own rungs']).default('own rungs'),
      forms: z.array(form).max(4000),
    }),
  ),
  answers: null,
  *run(ground, { person, room, on, by, forms }): Iterable<readonly (readonly Ruler[])[]> {
    const own = by === 'own rungs';
    const subject = person
      ? {
          ...subjectOf(person, ground.library, on),
          // A few reps to find a rung aren't a bout: the work's own effort counts, not its share of a capacity.
          ...(own ? {} : { capacityMet: null }),
        }
      : { ...laneSubject(3), limits: [] };
    const dials = person && own ? { ...AS_WRITTEN, ability: 'own rungs' as const } : AS_WRITTEN;
    yield ground.scaler(room ?? (own ? ROOM_EXAMPLE : EVERYWHERE)).bars(forms, { subject, dials });
  },
});
