import type { QuestionId } from './questions.ts';

/** Questions that take long enough to wait for no other, and no other for them. */
export const LONG: ReadonlySet<QuestionId> = new Set<QuestionId>(['order', 'figures']);
