import * as z from 'zod';
import { givenTo, lanePinsOf, makeLanes } from '../class/index.ts';
import { SIDEWAYS_IDS, switchesOf, type Use } from '../engine/index.ts';
import { subjectOf } from '../limits/index.ts';
import { outlookOf } from '../person/index.ts';
import { lazily } from '../record/index.ts';
import { check, sumUp } from '../review/index.ts';
import { unsaidRoom } from '../room/index.ts';
import { formName, sayReason } from '../words/index.ts';
import { day, personDocument, roomDocument, sessionDocument } from './parts.ts';
import { defineQuestion } from './question.ts';

const useSchema = lazily(() =>
  z.object({
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
        loadKg: z.number().nullable().describe('to begin with, in place of the kilograms written'),
      })
      .nullable()
      .describe('what of the dose is theirs; null: as written'),
  }),
);
const answers = lazily(() =>
  z.object({
    versions: z.array(
      z.object({
        person: z.string(),
        mayTrain: z.boolean().describe('where not, this is a draft that nobody is given'),
        waitsFor: z.string().nullable().describe('why they may not train, in a sentence'),
        uses: z
          .array(useSchema.nullable().describe('null is easy movement'))
          .describe('by entry of the session'),
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
              down: useSchema.nullable(),
              up: useSchema.nullable(),
              hold: useSchema.nullable().describe('held still instead'),
              sideways: z.record(
                z.enum(['wrist', 'knee', 'back']),
                z.union([useSchema.nullable(), z.literal('same')]),
              ),
            }),
          )
          .describe('where they can go in the middle of a set, by entry'),
      }),
    ),
    lanes: z
      .object({
        lanes: z.array(
          z.object({
            position: z.number(),
            uses: z.array(useSchema.nullable().describe('null is easy movement')),
          }),
        ),
        useful: z.array(z.number()),
        faults: z.array(
          z.object({ kind: z.string(), lane: z.number(), entry: z.number().nullable(), says: z.string() }),
        ),
      })
      .nullable(),
  }),
);

/** A session for people in a room on a day, all by value. Dials come with the session. */
export const versions = defineQuestion({
  says: 'A session scaled for people: versions, reasons, sums',
  asks: lazily(() =>
    z.strictObject({
      session: sessionDocument,
      people: z.array(personDocument).min(1).max(60),
      room: roomDocument.optional(),
      on: day,
      lanes: z.number().int().min(2).max(5).optional().describe('also as so many lanes'),
    }),
  ),
  answers,
  *run(ground, { session, people, room, on, lanes }): Iterable<z.infer<typeof answers>> {
    const { library, index } = ground;
    const scaler = ground.scaler(room ?? unsaidRoom(people.length));
    const { writtenFor, dials } = session;
    const named = (use: Use | null) => use && { ...use, name: formName(library, use.move, use.settings) };
    const versionOf = (person: (typeof people)[number]) => {
      const request = {
        session,
        writtenFor,
        dials,
        subject: subjectOf(person, library, on),
        gives: givenTo(session, person.id),
      };
      const { mayTrain, waitsFor } = outlookOf(person, on);
      const version = scaler.scale(request);
      const sums = sumUp(index, session, version.uses, { massKg: person.massKg });
      const { limits } = request.subject;
      return {
        person: person.id,
        mayTrain,
        waitsFor,
        uses: version.uses.map(named),
        reasons: version.reasons.map((reason) => ({
          entry: reason.entry,
          says: sayReason(library, version.original[reason.entry] ?? null, reason),
        })),
        ...sums,
        checks: check({ library, session, version, sums, limits }).filter((f) => f.accepted === null),
        midSet: switchesOf(scaler, request, version).map(({ down, up, hold, sideways }) => ({
          down: named(down),
          up: named(up),
          hold: named(hold),
          sideways: Object.fromEntries(
            SIDEWAYS_IDS.map((id) => {
              const to = sideways[id];
              return [id, to === 'same' ? to : named(to)];
            }),
          ),
        })),
      };
    };
    const made =
      lanes === undefined
        ? null
        : makeLanes(scaler, { session, writtenFor, dials, count: lanes, pins: lanePinsOf(session) });
    yield answers.parse({
      versions: people.map(versionOf),
      lanes: made && {
        ...made,
        lanes: made.lanes.map(({ position, uses }) => ({ position, uses: uses.map(named) })),
      },
    });
  },
});
