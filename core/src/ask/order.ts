import * as z from 'zod';
import { lazily } from '../record/index.ts';
import { type BestOrder, bestOrder, orderCosts } from '../review/index.ts';
import { blockSchema } from '../session/index.ts';
import { defineQuestion } from './question.ts';

/** The best order of a block's stations, those that are kept staying in their place. */
export const order = defineQuestion({
  says: 'The best order of a block’s stations',
  asks: lazily(() => z.strictObject({ block: blockSchema, pinned: z.array(z.boolean()).max(40) })),
  answers: null,
  *run(ground, { block, pinned }): Iterable<BestOrder> {
    yield bestOrder(orderCosts(ground.library, block), pinned);
  },
});
