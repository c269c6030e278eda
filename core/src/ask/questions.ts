import { around } from './around.ts';
import { bars } from './bars.ts';
import { planned } from './class.ts';
import { classPlan } from './class-plan.ts';
import { figures } from './figures.ts';
import { find } from './find.ts';
import type { Ground } from './ground.ts';
import { newcomers, swap, walkIn } from './in-run.ts';
import { openTo } from './open-to.ts';
import { order } from './order.ts';
import { type Question, readQuestion, wholeAnswer } from './question.ts';
import { read } from './read.ts';
import { scale } from './scale.ts';
import { share } from './share.ts';
import { timeline } from './timeline.ts';
import { versions } from './versions.ts';
import { whoMay } from './who-may.ts';

/**
 * Every question there is. The browser's worker, the server's threads, the addresses under /api/ask and their
 * description all go by this table: a question more is its own file and its entry here.
 */
export const QUESTIONS = {
  scale,
  class: planned,
  share,
  find,
  bars,
  'open-to': openTo,
  around,
  'walk-in': walkIn,
  newcomers,
  swap,
  order,
  figures,
  timeline,
  versions,
  'class-plan': classPlan,
  'who-may': whoMay,
  read,
} as const;
export type QuestionId = keyof typeof QUESTIONS;
export const QUESTION_IDS = Object.keys(QUESTIONS) as QuestionId[];

type Of<K extends QuestionId> = (typeof QUESTIONS)[K];
/** What is asked, and what is answered, by the question's name. */
export type Asks<K extends QuestionId> = Of<K> extends Question<infer Q, infer _A> ? Q : never;
export type Answers<K extends QuestionId> = Of<K> extends Question<infer _Q, infer A> ? A : never;

/** An answer in stages to a question whose shape the compiler has seen to. */
export const stagesOf = <K extends QuestionId>(
  ground: Ground,
  id: K,
  question: Asks<K>,
): Iterable<Answers<K>> => (QUESTIONS[id] as unknown as Question<Asks<K>, Answers<K>>).run(ground, question);

/** The whole answer to a question from outside. Throws a `QuestionFault` that names the field. */
export function answerTo(ground: Ground, id: QuestionId, body: unknown): unknown {
  const question = QUESTIONS[id] as unknown as Question;
  return wholeAnswer(question.run(ground, readQuestion(question, body)));
}
