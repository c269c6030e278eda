import { lanePinsOf, makeLanes, planClass } from '@inner-rung/core/class';
import { createScaler, type Scaler, SIDEWAYS_IDS, switchesOf, type Use } from '@inner-rung/core/engine';
import { compileLibrary } from '@inner-rung/core/forms';
import { type LibraryFile, openLibrary } from '@inner-rung/core/ladder';
import { subjectOf } from '@inner-rung/core/limits';
import { outlookOf, personSchema } from '@inner-rung/core/person';
import { openRecord } from '@inner-rung/core/record';
import { check, sumUp } from '@inner-rung/core/review';
import { ROOM, ROOM_EXAMPLE } from '@inner-rung/core/room';
import { PLAN, type Plan } from '@inner-rung/core/session';
import { formName, sayReason } from '@inner-rung/core/words';
import { z } from 'zod';

const day = z.iso.date();
const people = z.array(personSchema).min(1).max(60);

/** A session for people in a room on a day, all by value. Dials come with the session. */
export const scaleQuestion = z.strictObject({
  session: z.record(z.string(), z.unknown()).describe('a session document'),
  people,
  room: z.record(z.string(), z.unknown()).optional().describe('a room document'),
  on: day,
  lanes: z.number().int().min(2).max(5).optional().describe('also as so many lanes'),
});
export const classQuestion = z.strictObject({
  ...scaleQuestion.omit({ lanes: true }).shape,
  how: z.enum(['together', 'rotation']).default('together'),
  most: z.number().int().min(1).max(6).default(3).describe('forms at a station, at most'),
});

const useSchema = z
  .object({
    move: z.string(),
    name: z.string(),
    settings: z.record(z.string(), z.unknown()),
    pace: z.number().nullable(),
    holdSeconds: z.number().nullable(),
    metLo: z.number(),
    metHi: z.number(),
    own: z
      .object({
        reps: z.number().nullable(),
        each: z.boolean(),
        share: z.number(),
        split: z.array(z.number()).nullable(),
        top: z.number().nullable(),
        bouts: z.object({ times: z.number(), seconds: z.number() }).nullable(),
        ending: z
          .object({ after: z.number(), move: z.string(), settings: z.record(z.string(), z.unknown()) })
          .nullable(),
      })
      .nullable()
      .describe('what of the dose is theirs; null: as written'),
  })
  .nullable()
  .describe('null is easy movement');
export const scaleAnswerSchema = z.object({
  versions: z.array(
    z.object({
      person: z.string(),
      mayTrain: z.boolean().describe('where not, nothing is scaled for them'),
      uses: z.array(useSchema).describe('by entry of the session'),
      reasons: z.array(z.object({ entry: z.number().int(), says: z.string() })),
      lengthSeconds: z.number(),
      metLo: z.number(),
      metHi: z.number(),
      lightLandings: z.number(),
      hardLandings: z.number(),
      checks: z.array(
        z.object({
          check: z.string(),
          severity: z.enum(['stop', 'mend', 'note']),
          block: z.number().nullable(),
          station: z.number().nullable(),
          says: z.string(),
        }),
      ),
      midSet: z
        .array(
          z.object({
            down: useSchema,
            up: useSchema,
            sideways: z.record(z.enum(['wrist', 'knee', 'back']), z.union([useSchema, z.literal('same')])),
          }),
        )
        .describe('where they can go in the middle of a set, by entry'),
    }),
  ),
  lanes: z
    .object({
      lanes: z.array(z.object({ position: z.number(), uses: z.array(useSchema) })),
      useful: z.array(z.number()),
      faults: z.array(
        z.object({ kind: z.string(), lane: z.number(), entry: z.number().nullable(), says: z.string() }),
      ),
    })
    .nullable(),
});
export const classAnswerSchema = z.object({
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
});

/** A question that can't be answered as it is. */
export class ValueFault extends Error {
  readonly field: string;
  constructor(field: string, message: string) {
    super(message);
    this.field = field;
  }
}

function read<T>(schema: z.ZodType<T>, body: unknown): T {
  const asked = schema.safeParse(body);
  if (asked.success) return asked.data;
  const [first] = asked.error.issues;
  throw new ValueFault(first!.path.join('.') || '(top)', first!.message);
}

/** Scaling and class plans by value. Nothing is stored, and the day is a part of the question. */
export function byValue(files: readonly LibraryFile[]) {
  const library = openLibrary(files);
  const index = compileLibrary(library);
  let standing: { room: string; scaler: Scaler } | undefined;
  const ground = (question: z.infer<typeof scaleQuestion>) => {
    const session = openRecord(PLAN, question.session);
    if (!session.ok) throw new ValueFault(`session.${session.where}`, session.message);
    const room = question.room ? openRecord(ROOM, question.room) : { ok: true as const, value: ROOM_EXAMPLE };
    if (!room.ok) throw new ValueFault(`room.${room.where}`, room.message);
    const key = JSON.stringify(room.value);
    if (standing?.room !== key) standing = { room: key, scaler: createScaler(index, room.value) };
    return { session: session.value, room: room.value, scaler: standing.scaler };
  };
  const may = (person: (typeof people)['_output'][number], on: string) => outlookOf(person, on).mayTrain;
  const asked = (session: Plan, person: (typeof people)['_output'][number], on: string) => ({
    session,
    writtenFor: session.writtenFor,
    dials: session.dials,
    subject: subjectOf(person, library, on),
  });
  const named = (use: Use | null) => use && { ...use, name: formName(library, use.move, use.settings) };
  const inLanes = (scaler: Scaler, session: Plan, count: number) => {
    const { writtenFor, dials } = session;
    const made = makeLanes(scaler, { session, writtenFor, dials, count, pins: lanePinsOf(session) });
    return {
      ...made,
      lanes: made.lanes.map(({ position, uses }) => ({ position, uses: uses.map(named) })),
    };
  };
  return {
    scale(body: unknown): z.infer<typeof scaleAnswerSchema> {
      const question = read(scaleQuestion, body);
      const { session, scaler } = ground(question);
      return scaleAnswerSchema.parse({
        versions: question.people.map((person) => {
          if (!may(person, question.on))
            return {
              person: person.id,
              mayTrain: false,
              uses: [],
              reasons: [],
              lengthSeconds: 0,
              metLo: 0,
              metHi: 0,
              lightLandings: 0,
              hardLandings: 0,
              checks: [],
              midSet: [],
            };
          const request = asked(session, person, question.on);
          const version = scaler.scale(request);
          const sums = sumUp(index, session, version.uses, { massKg: person.massKg });
          const { limits } = request.subject;
          return {
            person: person.id,
            mayTrain: true,
            uses: version.uses.map(named),
            reasons: version.reasons.map((reason) => ({
              entry: reason.entry,
              says: sayReason(library, version.original[reason.entry] ?? null, reason),
            })),
            ...sums,
            checks: check({ library, session, version, sums, limits }).filter((f) => f.accepted === null),
            midSet: switchesOf(scaler, request, version).map(({ down, up, sideways }) => ({
              down: named(down),
              up: named(up),
              sideways: Object.fromEntries(
                SIDEWAYS_IDS.map((id) => {
                  const to = sideways[id];
                  return [id, to === 'same' ? to : named(to)];
                }),
              ),
            })),
          };
        }),
        lanes: question.lanes === undefined ? null : inLanes(scaler, session, question.lanes),
      });
    },
    classPlan(body: unknown): z.infer<typeof classAnswerSchema> {
      const question = read(classQuestion, body);
      const { session, room, scaler } = ground(question);
      const here = question.people.filter((person) => may(person, question.on));
      const plan = planClass(scaler, room, {
        most: question.most,
        how: question.how,
        people: here.map((person) => ({ id: person.id, request: asked(session, person, question.on) })),
      });
      return classAnswerSchema.parse({
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
        notToday: question.people.filter((person) => !here.includes(person)).map((person) => person.id),
        cost: plan.cost,
        atLeast: plan.atLeast,
      });
    },
  };
}
export type ByValue = ReturnType<typeof byValue>;
export type Question = keyof ByValue;
