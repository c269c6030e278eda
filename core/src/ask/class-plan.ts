import * as z from 'zod';
import { planClass } from '../class/index.ts';
import { compileConstraints, lawIn, openForAll, subjectOf } from '../limits/index.ts';
import { formRefSchema, sameForm } from '../move/index.ts';
import { outlookOf } from '../person/index.ts';
import { lazily } from '../record/index.ts';
import { unsaidRoom } from '../room/index.ts';
import { formName } from '../words/index.ts';
import { day, how, personDocument, roomDocument, sessionDocument } from './parts.ts';
import { defineQuestion } from './question.ts';

const answers = lazily(() =>
  z.object({
    entries: z.array(
      z.object({
        entry: z.number().int(),
        forms: z.array(
          z.object({
            move: z.string(),
            name: z.string(),
            settings: z.record(z.string(), z.unknown()).optional(),
            asWritten: z.boolean(),
            people: z.array(z.string()),
          }),
        ),
        resting: z.array(z.string()),
      }),
    ),
    changes: z
      .array(
        z.object({
          person: z.string(),
          entry: z.number().int(),
          was: formRefSchema.nullable(),
          is: formRefSchema.nullable(),
          why: z.enum(['no longer open', 'worth the change', 'for the others']),
        }),
      )
      .describe('who does otherwise than in the plan that was given'),
    notToday: z.array(z.string()).describe('who may not train: not planned for'),
    cost: z.number().int().describe('milli-points'),
    atLeast: z.number().int().describe('no plan costs less'),
  }),
);

/** What a class does, all by value; who may not train is left out and named. */
export const classPlan = defineQuestion({
  says: 'What a class does: forms at every station, who does which',
  asks: lazily(() =>
    z.strictObject({
      session: sessionDocument,
      people: z.array(personDocument).min(1).max(60),
      room: roomDocument.optional(),
      on: day,
      how: how.default('together'),
      most: z.number().int().min(1).max(6).default(3).describe('forms at a station, at most'),
      besides: z
        .boolean()
        .default(false)
        .describe('so many besides the one as written, which then takes the place of no other'),
      before: z
        .record(z.string(), z.array(formRefSchema.nullable()).max(400))
        .optional()
        .describe('the plan that stands: by person, entry by entry; who isn’t in it is new'),
      change: z
        .number()
        .int()
        .min(0)
        .max(100_000)
        .optional()
        .describe('milli-points a change must be worth; without it nobody moves who may stay'),
    }),
  ),
  answers,
  *run(ground, question): Iterable<z.infer<typeof answers>> {
    const { library } = ground;
    const { session, people, on, most } = question;
    const { writtenFor, dials } = session;
    const room = question.room ?? unsaidRoom(people.length);
    const law = lawIn(library, room);
    const here = people.filter((person) => outlookOf(person, on).mayTrain);
    const plan = planClass(ground.scaler(room), room, {
      most,
      besides: question.besides,
      ...(question.before ? { before: question.before } : {}),
      ...(question.change === undefined ? {} : { change: question.change }),
      how: question.how,
      people: here.map((person) => ({
        id: person.id,
        request: { session, writtenFor, dials, subject: subjectOf(person, library, on) },
      })),
    });
    yield answers.parse({
      entries: plan.entries.map((entry) => ({
        ...entry,
        forms: entry.forms.map(({ form, people: who, asWritten }) => ({
          move: form.move,
          name: formName(library, form.move, form.settings),
          ...(form.settings ? { settings: form.settings } : {}),
          asWritten,
          people: who,
        })),
      })),
      changes: here.flatMap((person) => {
        const was = question.before?.[person.id];
        if (!was) return [];
        const c = compileConstraints(subjectOf(person, library, on), dials);
        return (plan.uses[person.id] ?? []).flatMap((use, entry) => {
          const then = was[entry] ?? null;
          const { trim: _, ...settings } = use?.settings ?? {};
          const is = use && {
            move: use.move,
            ...(Object.keys(settings).length > 0 ? { settings } : {}),
          };
          if (then === null || (is !== null && sameForm(then, is))) return [];
          const stays = openForAll(law, [c], then) !== null;
          const why = !stays
            ? 'no longer open'
            : question.change === undefined
              ? 'for the others'
              : 'worth the change';
          return [{ person: person.id, entry, was: then, is, why }];
        });
      }),
      notToday: people.filter((person) => !here.includes(person)).map((person) => person.id),
      cost: plan.cost,
      atLeast: plan.atLeast,
    });
  },
});
