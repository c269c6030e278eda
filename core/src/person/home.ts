import * as z from 'zod';
import { idSchema } from '../move/index.ts';
import { lazily } from '../record/index.ts';

export const DAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;
export type Day = (typeof DAYS)[number];

/** Sessions that a programme may have: more than a week has days is nobody's. */
export const MOST_SESSIONS = DAYS.length;
/** For how many weeks a programme is given before it is looked at again. Common practice: four to eight at the most. */
export const WEEKS = [1, 2, 3, 4, 6, 8] as const;

/** What somebody does at home: which sessions on which days, for how long, where, and a word of the trainer's own. */
export const homeSchema = lazily(() =>
  z.strictObject({
    sessions: z
      .array(z.strictObject({ plan: idSchema, days: z.array(z.enum(DAYS)).max(DAYS.length) }))
      .max(MOST_SESSIONS),
    weeks: z.union(WEEKS.map((n) => z.literal(n))),
    /** None: where they usually are. */
    room: idSchema.optional(),
    words: z.string().max(200),
  }),
);
export type HomeProgramme = z.output<typeof homeSchema>;
