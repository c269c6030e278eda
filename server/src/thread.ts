import { existsSync } from 'node:fs';
import { Worker } from 'node:worker_threads';
import type { LibraryFile } from '@inner-rung/core/ladder';
import { type ByValue, byValue, type Question, ValueFault } from './by-value.ts';

export type Answer = { ok: true; value: unknown } | { ok: false; field: string | null; message: string };
export interface Asked {
  readonly number: number;
  readonly what: Question;
  readonly body: unknown;
}

/** Answers a question, and says what was wrong with it rather than throwing. */
export function answer(ground: ByValue, what: Question, body: unknown): Answer {
  try {
    return { ok: true, value: ground[what](body) };
  } catch (error) {
    if (error instanceof ValueFault) return { ok: false, field: error.field, message: error.message };
    return { ok: false, field: null, message: error instanceof Error ? error.message : String(error) };
  }
}

/**
 * Heavy questions go to a thread of their own, so that a class plan never delays a save; where there is no
 * built thread (in tests) they are answered on the spot. The thread is started with the first question.
 */
export function heavy(files: readonly LibraryFile[], script: URL | null) {
  if (!script || !existsSync(script)) {
    let ground: ByValue | undefined;
    return async (what: Question, body: unknown): Promise<Answer> => {
      ground ??= byValue(files);
      return answer(ground, what, body);
    };
  }
  let thread: Worker | undefined;
  let count = 0;
  const waiting = new Map<number, (answer: Answer) => void>();
  const begin = (): Worker => {
    const made = new Worker(script, { workerData: files });
    made.unref();
    made.on('message', ({ number, answer: said }: { number: number; answer: Answer }) => {
      waiting.get(number)?.(said);
      waiting.delete(number);
    });
    const fail = (error: unknown) => {
      thread = undefined;
      for (const give of waiting.values()) give({ ok: false, field: null, message: String(error) });
      waiting.clear();
    };
    made.on('error', fail);
    made.on('exit', (code) => fail(`the thread ended with ${code}`));
    return made;
  };
  return (what: Question, body: unknown): Promise<Answer> =>
    new Promise((give) => {
      thread ??= begin();
      const number = ++count;
      waiting.set(number, give);
      thread.postMessage({ number, what, body } satisfies Asked);
    });
}
