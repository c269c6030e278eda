import * as z from 'zod';
import { AVOID_IDS, type Avoid } from '../ladder/index.ts';
import { subjectOf } from '../limits/index.ts';
import { CAPABILITY_IDS, type Capability } from '../move/index.ts';
import { lazily } from '../record/index.ts';
import { EVERYWHERE } from '../room/index.ts';
import type { Found } from '../ways/index.ts';
import { day, form, personDocument, roomDocument } from './parts.ts';
import { defineQuestion } from './question.ts';

/** Forms near others without what must go, one list for each that was asked about; within somebody's limits, or nobody's. */
export const find = defineQuestion({
  says: 'The nearest forms without what must go',
  asks: lazily(() =>
    z.strictObject({
      room: roomDocument.nullable(),
      person: personDocument.nullable(),
      on: day,
      requests: z
        .array(
          z.strictObject({
            from: form,
            without: z.array(z.enum(AVOID_IDS as [Avoid, ...Avoid[]])),
            withoutItems: z.array(z.enum(CAPABILITY_IDS as [Capability, ...Capability[]])),
            by: z.number().min(-6).max(6),
            most: z.number().int().min(1).max(100),
            itself: z.boolean().optional(),
            everyHeight: z.boolean().optional(),
          }),
        )
        .max(60),
    }),
  ),
  answers: null,
  *run(ground, { room, person, on, requests }): Iterable<readonly (readonly Found[])[]> {
    const finder = ground.finder(room ?? EVERYWHERE);
    const subject = person ? { subject: subjectOf(person, ground.library, on) } : {};
    yield requests.map(({ itself, everyHeight, ...request }) =>
      finder.find({
        ...request,
        ...subject,
        itself: itself ?? false,
        everyHeight: everyHeight ?? false,
      }),
    );
  },
});
