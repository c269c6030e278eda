import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { answerTo, createGround, type Ground, QuestionFault, type QuestionId } from '@inner-rung/core/ask';
import { decodeLibrary } from '@inner-rung/core/forms';
import { Piscina } from 'piscina';
import { ProblemError } from './problem.ts';

/** What a thread says: an answer, or what was wrong with the question, or that it failed. */
export type Answer = { ok: true; value: unknown } | { ok: false; field: string | null; message: string };

/** Answers a question, and says what was wrong with it rather than throwing. */
export function answered(ground: Ground, id: QuestionId, body: unknown): Answer {
  try {
    return { ok: true, value: answerTo(ground, id, body) };
  } catch (error) {
    if (error instanceof QuestionFault) return { ok: false, field: error.field, message: error.message };
    return { ok: false, field: null, message: error instanceof Error ? error.message : String(error) };
  }
}

/** Questions under way at once, waiting at most, and for how long one may take. Estimates for two cores. */
const LIMITS = { threads: 2, waiting: 16, milliseconds: 20_000 } as const;

export interface Pool {
  /**
   * Answers a question off the server's own thread; gives up when `left` says that nobody waits any more.
   * Throws a {@link ProblemError}: 422 names the field, 503 says that it is too much just now.
   */
  readonly ask: (id: QuestionId, body: unknown, left: AbortSignal) => Promise<unknown>;
  readonly close: () => Promise<void>;
}

const tooMuch = (detail: string) =>
  new ProblemError({
    status: 503,
    title: 'Too much just now',
    detail,
    fix: 'Ask again in a moment, or for fewer people and stations at once.',
  });

/**
 * Threads that answer the questions of the table, so that no save waits for a class plan. Where there is no built
 * script (in tests) questions are answered on the spot. Threads are started with the first question.
 */
export function pool(
  /** The library's file. */
  file: Uint8Array<ArrayBuffer>,
  script: URL | null,
  limits: { readonly threads: number; readonly waiting: number; readonly milliseconds: number } = LIMITS,
): Pool {
  const built = script && existsSync(script) ? fileURLToPath(script) : null;
  let threads: Piscina | undefined;
  /** Answered or waiting for a thread, counted here: the threads' own queue grows while they start. */
  let underWay = 0;
  let here: Ground | undefined;
  const inThread = async (id: QuestionId, body: unknown, left: AbortSignal): Promise<Answer> => {
    threads ??= new Piscina({
      filename: built!,
      workerData: file,
      minThreads: 0,
      maxThreads: limits.threads,
      idleTimeout: 60_000,
    });
    if (underWay >= limits.threads + limits.waiting) throw tooMuch('Too many questions are waiting.');
    underWay++;
    const late = AbortSignal.timeout(limits.milliseconds);
    try {
      return (await threads.run({ id, body }, { signal: AbortSignal.any([left, late]) })) as Answer;
    } catch (error) {
      if (late.aborted)
        throw tooMuch(`This took longer than ${limits.milliseconds / 1000} seconds and was given up.`);
      throw error;
    } finally {
      underWay--;
    }
  };
  return {
    ask: async (id, body, left) => {
      here ??= built ? undefined : createGround(decodeLibrary(file.slice().buffer));
      const said = here ? answered(here, id, body) : await inThread(id, body, left);
      if (said.ok) return said.value;
      if (said.field === null) throw new Error(said.message);
      throw new ProblemError({
        status: 422,
        title: 'Not a question that can be answered',
        detail: said.message,
        field: said.field,
        fix: 'GET /api/openapi.json says what is asked for.',
      });
    },
    close: async () => {
      await threads?.destroy();
    },
  };
}
