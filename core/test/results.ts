import type { Result, SessionRecord } from '@inner-rung/core/log';

/** What somebody did when nothing was otherwise than planned. */
export const result = (more: Partial<Result> = {}): Result => ({
  id: 'r1',
  person: 'ada',
  known: '',
  present: true,
  effort: 5,
  clean: true,
  range: 'full',
  pain: null,
  sign: null,
  note: '',
  share: 1,
  left: false,
  pieces: [],
  counts: [],
  corrections: [],
  ...more,
});

/** Half an hour on a day, and what came of it. */
export const record = (
  on: string,
  results: readonly Result[],
  more: Partial<SessionRecord> = {},
): SessionRecord => ({
  version: 2,
  id: `r-${on}`,
  run: null,
  plan: null,
  title: 'Tuesday',
  group: null,
  on,
  minutes: 30,
  results: [...results],
  ...more,
});
