import * as z from 'zod';
import { clockFor, planOf, readSession, readWho } from '../read/index.ts';
import { lazily } from '../record/index.ts';
import { defineQuestion } from './question.ts';

/** As much as may be sent: a page of a web site, not a book. */
const MOST_TEXT = 2_000_000;

const reading = lazily(() =>
  z.object({
    moves: z.array(z.string()).describe('one, or several for a movement of several parts'),
    names: z.array(z.string()),
    why: z.string(),
    sure: z.number(),
  }),
);
const line = lazily(() =>
  z.object({
    line: z.number().int().describe('from 1'),
    text: z.string(),
    kind: z.enum(['station', 'clock', 'tier', 'break', 'note', 'heading']),
    sure: z.number().min(0).max(1),
    read: z.array(reading).describe('best first'),
    dose: z.record(z.string(), z.unknown()).nullable(),
    spans: z
      .array(z.object({ what: z.string(), from: z.number().int(), to: z.number().int() }))
      .describe('where in the line each number and name was found'),
    station: z.string().nullable().describe('the station it became'),
    tiers: z.array(
      z.object({ is: z.enum(['easier', 'harder']).nullable(), text: z.string(), moves: z.array(z.string()) }),
    ),
  }),
);
const answers = lazily(() =>
  z.object({
    session: z
      .record(z.string(), z.unknown())
      .nullable()
      .describe('a session document; null where nothing is a station'),
    title: z.string().nullable(),
    blocks: z.array(
      z.object({
        role: z.string(),
        format: z.record(z.string(), z.unknown()),
        assumed: z.array(z.string()).describe('fields of the format that nobody said'),
        lines: z.array(line),
      }),
    ),
    who: z
      .object({
        total: z.number().int(),
        parts: z.array(
          z.object({
            count: z.number().int(),
            conditions: z.array(z.object({ id: z.string(), side: z.enum(['left', 'right']).optional() })),
            level: z.number().int().optional(),
            kind: z.string().optional(),
            sex: z.enum(['female', 'male']).optional(),
            ages: z.array(z.number().int()).length(2).optional().describe('youngest and oldest'),
            name: z.string().optional(),
            says: z.string().describe('as it was written'),
            unread: z
              .array(z.string())
              .describe('not understood of these people: planned at the careful end'),
          }),
        ),
        unread: z.array(z.string()),
        asks: z.array(z.string()).describe('what doesn’t add up'),
        problem: z.string().nullable(),
      })
      .nullable(),
    notes: z.array(z.string()),
    unread: z.array(z.string()).describe('what of the text wasn’t taken'),
  }),
);

/** A session and a class as they were written, read. */
export const read = defineQuestion({
  says: 'A session and who is here, read from plain text: what each line was taken for, how sure, and what was assumed',
  asks: lazily(() =>
    z.strictObject({
      text: z.string().max(MOST_TEXT, { error: 'two million characters at the most' }),
      who: z.string().max(20_000).optional(),
      vocabulary: z
        .record(z.string().max(200), z.string().max(200))
        .optional()
        .describe('the trainer’s own words: a name as it is written, and the id of the move it means'),
    }),
  ),
  answers,
  *run({ library }, { text, who, vocabulary }): Iterable<z.infer<typeof answers>> {
    const session = readSession(library, text, vocabulary);
    const people = who === undefined || who.trim() === '' ? null : readWho(who);
    yield answers.parse({
      session: planOf(session, { forWhom: clockFor(people) }),
      title: session.title,
      blocks: session.blocks,
      who: people && {
        ...people,
        parts: people.parts.map(({ level, kind, sex, ages, name, ...part }) => ({
          ...part,
          ...(level === null ? {} : { level }),
          ...(kind === null ? {} : { kind }),
          ...(sex === null ? {} : { sex }),
          ...(ages === null ? {} : { ages: [...ages] }),
          ...(name === null ? {} : { name }),
        })),
      },
      notes: session.notes,
      unread: session.unread,
    });
  },
});
