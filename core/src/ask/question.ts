import type * as z from 'zod';
import type { Ground } from './ground.ts';

/** A question that can't be answered as it is: where, and what would have to be there. */
export class QuestionFault extends Error {
  readonly field: string;
  constructor(field: string, message: string) {
    super(message);
    this.field = field;
  }
}

/**
 * One question to the engine. `run` gives its answer in stages: each is the whole answer as far as it is known, the
 * last one all of it; a stage is worked out only when it is asked for, so that what nobody waits for any more costs
 * nothing. Pure: the day, the room and everybody are a part of the question.
 */
export interface Question<Q = unknown, A = unknown> {
  /** What it answers, in one line. */
  readonly says: string;
  readonly asks: z.ZodType<Q>;
  /** The published shape of the answer; null where only our own pages ask. */
  readonly answers: z.ZodType | null;
  readonly run: (ground: Ground, question: Q) => Iterable<A>;
}

export const defineQuestion = <Q, A>(question: Question<Q, A>): Question<Q, A> => question;

/** A question read from outside. Throws a {@link QuestionFault} that names the field. */
export function readQuestion<Q>(question: Pick<Question<Q>, 'asks'>, body: unknown): Q {
  const read = question.asks.safeParse(body);
  if (read.success) return read.data;
  const [first] = read.error.issues;
  throw new QuestionFault(first!.path.join('.') || '(top)', first!.message);
}

/** The last stage: all of an answer. */
export function wholeAnswer<A>(stages: Iterable<A>): A {
  let last: A | undefined;
  for (const stage of stages) last = stage;
  return last!;
}
