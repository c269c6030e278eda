import * as z from 'zod';
import { checkFigures, type SheetChecked } from '../figure/index.ts';
import { lazily } from '../record/index.ts';
import { defineQuestion } from './question.ts';

/** Every move's drawing held against its data. */
export const figures = defineQuestion({
  says: 'What drawings and data disagree on',
  asks: lazily(() => z.strictObject({})),
  answers: null,
  *run(ground): Iterable<SheetChecked> {
    yield checkFigures(ground.library);
  },
});
