import * as z from 'zod';
import type { ClassPerson } from '../class/index.ts';
import type { Library } from '../ladder/index.ts';
import { subjectOf } from '../limits/index.ts';
import { formRefSchema } from '../move/index.ts';
import { type LevelIndex, PERSON, type Person } from '../person/index.ts';
import { lazily, openRecord, type RecordKind } from '../record/index.ts';
import { ROOM } from '../room/index.ts';
import { AS_WRITTEN, PLAN, type Plan } from '../session/index.ts';

/** A stored kind of document as a part of a question: of any version that opens. */
const documentOf = <T extends { version: number }>(kind: RecordKind<T>): z.ZodType<T> =>
  // Its name stands in the description of the interface, where the document has its own place.
  z
    .unknown()
    .meta({ document: kind.name })
    .transform((raw, ctx): T => {
      const opened = openRecord(kind, raw);
      if (opened.ok) return opened.value;
      ctx.addIssue({
        code: 'custom',
        message: opened.message,
        path: opened.where === '(top)' ? [] : opened.where.split('.'),
      });
      return z.NEVER;
    });

export const sessionDocument = documentOf(PLAN);
export const roomDocument = documentOf(ROOM);
export const personDocument = documentOf(PERSON);
export const day = lazily(() => z.iso.date());
export const how = lazily(() => z.enum(['together', 'rotation']));
export const form = formRefSchema;

export const level = lazily(() => z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3)]));

/** Level a session is taken to be written for, where nobody said. Common practice. */
const USUAL_WRITTEN_FOR = 2;

/** Somebody as a class is planned for them on a day. `dials` are the session's as it is kept; as written without it. */
export const classPerson = (
  library: Library,
  session: Pick<Plan, 'blocks' | 'forWhom'>,
  dials: Pick<Plan, 'writtenFor' | 'dials'> | null,
  one: { readonly id: string; readonly person: Person; readonly ability: LevelIndex | 'own rungs' },
  on: string,
): ClassPerson => ({
  id: one.id,
  request: {
    session: { blocks: session.blocks, forWhom: session.forWhom },
    writtenFor: dials?.writtenFor ?? USUAL_WRITTEN_FOR,
    dials: { ...(dials?.dials ?? AS_WRITTEN), ability: one.ability },
    subject: subjectOf(one.person, library, on),
  },
});
