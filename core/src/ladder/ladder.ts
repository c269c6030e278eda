import * as z from 'zod';
import { formRefSchema, idSchema, LEVER_IDS, type LeverId } from '../move/index.ts';
import { lazily } from '../record/index.ts';
import { AVOID_IDS, type Avoid } from './avoids.ts';
import { PART_KEYS } from './difficulty.ts';

const rungSchema = lazily(() =>
  formRefSchema.extend({
    /** What makes this rung harder than the one below; the bottom rung names none. */
    levers: z.array(z.enum(LEVER_IDS as [LeverId, ...LeverId[]])).max(2),
    /** The step in a trainer's words: "the chair takes a third off". */
    step: z.string().min(3).optional(),
  }),
);
export type Rung = z.infer<typeof rungSchema>;

export const ladderSchema = lazily(() =>
  z
    .strictObject({
      id: idSchema,
      name: z.string().min(2),
      intent: z.string().min(8),
      /** What the ladder climbs in; owning a rung says what a person can do in the regions among these. */
      measures: z.array(z.enum(PART_KEYS)).min(1),
      /** The ladders this one is a way round for; none for a trunk. */
      branchOf: z.array(idSchema).default([]),
      /** Work of small muscles by themselves: owning a rung of it says nothing of what anything else asks. */
      isolates: z.literal(true).optional(),
      /** What this branch avoids at every rung. */
      avoids: z.enum(AVOID_IDS as [Avoid, ...Avoid[]]).optional(),
      rungs: z.array(rungSchema).min(1).max(12),
    })
    .superRefine((ladder, ctx) => {
      ladder.rungs.forEach((rung, i) => {
        if ((i === 0) !== (rung.levers.length === 0))
          ctx.addIssue({
            code: 'custom',
            path: ['rungs', i, 'levers'],
            message: i === 0 ? 'the bottom rung has nothing below it to differ from' : 'name the lever',
          });
      });
    }),
);
export type Ladder = z.output<typeof ladderSchema>;
export type WrittenLadder = z.input<typeof ladderSchema>;
