import * as z from 'zod';
import { drawingSchema } from '../pose/index.ts';
import { lazily } from '../record/index.ts';
import type { PersonCard } from './cards.ts';

const line = lazily(() => z.string().max(400));
const lines = lazily(() => z.array(line).max(60));

/** A person's card by value, as a code on paper opens it: what is printed, and nothing else of anybody. */
export const cardSchema = lazily(() =>
  z.strictObject({
    name: line,
    session: line,
    whole: line,
    effort: line,
    lines: z
      .array(
        z.strictObject({
          part: line.optional(),
          number: line,
          form: line,
          dose: line,
          cues: lines,
          easier: line.nullable(),
          harder: line.nullable(),
          figure: drawingSchema.nullable(),
        }),
      )
      .max(800),
    care: lines,
    ready: lines,
    stop: line,
  }),
) satisfies z.ZodType<Omit<PersonCard, 'times' | 'code'>>;
