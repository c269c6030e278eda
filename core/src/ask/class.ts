import * as z from 'zod';
import { type ClassPlan, planClass } from '../class/index.ts';
import { type Switches, switchesOf } from '../engine/index.ts';
import { lazily } from '../record/index.ts';
import { blockSchema, dialsSchema, KIND_IDS } from '../session/index.ts';
import { classPerson, day, form, how, level, personDocument, roomDocument } from './parts.ts';
import { defineQuestion } from './question.ts';

export interface ClassPlanned {
  readonly plan: ClassPlan;
  /** Where each can go mid-set, entry by entry; null until that is worked out. */
  readonly switches: Readonly<Record<string, readonly Switches[]>> | null;
}

/** What a class does at every station: the forms shown, who does which, and where each can go from there. */
export const planned = defineQuestion({
  says: 'A class planned: forms at every station, who does which',
  asks: lazily(() =>
    z.strictObject({
      session: z.object({ blocks: z.array(blockSchema).max(20), forWhom: z.enum(KIND_IDS) }),
      /** The session's as it is kept; as written without. */
      dials: z.object({ writtenFor: level, dials: dialsSchema }).nullable(),
      people: z
        .array(
          z.strictObject({
            id: z.string().min(1).max(80),
            person: personDocument,
            ability: z.union([level, z.literal('own rungs')]),
          }),
        )
        .max(200),
      room: roomDocument,
      on: day,
      most: z.number().int().min(1).max(6),
      how,
      wishes: z
        .array(
          z.strictObject({
            entry: z.number().int().min(0),
            kind: z.enum(['bar', 'give']),
            form,
            person: z.string().max(80).optional(),
          }),
        )
        .default([]),
      /** What everybody does now, by person and entry. */
      before: z.record(z.string(), z.array(form.nullable())).nullable().default(null),
    }),
  ),
  answers: null,
  *run(ground, question): Iterable<ClassPlanned> {
    const { session, dials, room, on, most, wishes, before } = question;
    const scaler = ground.scaler(room);
    const people = question.people.map((one) => classPerson(ground.library, session, dials, one, on));
    const plan = planClass(scaler, room, {
      most,
      besides: true,
      how: question.how,
      wishes: wishes.map(({ person, ...wish }) => ({ ...wish, ...(person === undefined ? {} : { person }) })),
      ...(before ? { before } : {}),
      people,
    });
    yield { plan, switches: null };
    // People alike who do the same go the same ways.
    const alike = new Map<string, readonly Switches[]>();
    const switches = Object.fromEntries(
      people.map(({ id, request }) => {
        const uses = plan.uses[id]!;
        const key = JSON.stringify([request.subject, request.dials, uses]);
        const known =
          alike.get(key) ?? switchesOf(scaler, request, { original: [], uses, reasons: [], cost: 0 });
        alike.set(key, known);
        return [id, known];
      }),
    );
    yield { plan, switches };
  },
});
