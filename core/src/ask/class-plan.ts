import * as z from 'zod';
import { planClass } from '../class/index.ts';
import { subjectOf } from '../limits/index.ts';
import { outlookOf } from '../person/index.ts';
import { lazily } from '../record/index.ts';
import { ROOM_EXAMPLE } from '../room/index.ts';
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
    }),
  ),
  answers,
  *run(ground, question): Iterable<z.infer<typeof answers>> {
    const { library } = ground;
    const { session, people, on, most } = question;
    const { writtenFor, dials } = session;
    const room = question.room ?? ROOM_EXAMPLE;
    const here = people.filter((person) => outlookOf(person, on).mayTrain);
    const plan = planClass(ground.scaler(room), room, {
      most,
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
      notToday: people.filter((person) => !here.includes(person)).map((person) => person.id),
      cost: plan.cost,
      atLeast: plan.atLeast,
    });
  },
});
