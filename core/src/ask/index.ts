export { createGround, type Ground } from './ground.ts';
export { swappedOtherwise } from './in-run.ts';
export { LONG } from './long.ts';
export { QuestionFault } from './question.ts';
export {
  type Answers,
  type Asks,
  answerTo,
  QUESTION_IDS,
  QUESTIONS,
  type QuestionId,
  stagesOf,
} from './questions.ts';
export { type Scaled, USUAL_LANES } from './scale.ts';
export type { SharedOut } from './share.ts';
