import type { QuestionId } from '@inner-rung/core/ask';
import type { Change } from '@inner-rung/core/ladder';

/** A question as it crosses over. A channel is whoever asks; of its questions only the newest counts. */
export interface Asked {
  readonly is: 'ask';
  readonly channel: number;
  readonly number: number;
  readonly id: QuestionId;
  readonly question: unknown;
  /** Milliseconds to wait before each stage after the first: a dial that hasn't been turned for so long rests. */
  readonly pause: number;
}

export type ToEngine =
  | { readonly is: 'ground'; readonly file: ArrayBuffer; readonly changes: readonly Change[] }
  | Asked
  /** Nobody waits on this channel any more. */
  | { readonly is: 'drop'; readonly channel: number };

export type FromEngine =
  | {
      readonly is: 'answer';
      readonly channel: number;
      readonly number: number;
      /** The answer as far as it is known. */
      readonly answer: unknown;
    }
  | { readonly is: 'failed'; readonly channel: number; readonly number: number; readonly message: string };
