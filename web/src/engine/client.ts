import { type Answers, type Asks, LONG, type QuestionId } from '@inner-rung/core/ask';
import type { Change, Library } from '@inner-rung/core/ladder';
import { asOpened } from '@inner-rung/core/words';
import type { FromEngine, ToEngine } from './protocol.ts';

/** What a library was made of: an engine makes the same of it. */
export interface LibrarySource {
  readonly file: ArrayBuffer;
  readonly changes: readonly Change[];
}

/** As much of a worker as is needed. */
export interface Port {
  postMessage(message: ToEngine): void;
  onmessage: ((event: { data: FromEngine }) => void) | null;
  onerror?: ((event: { message: string }) => void) | null;
}

interface Listener {
  readonly number: number;
  readonly answered: (answer: unknown) => void;
  readonly failed: (message: string) => void;
}

/** A dial that hasn't been turned for so long rests: only then is what takes ten times as long worked out. */
const SETTLED_MS = 250;

/**
 * The one way to the engine: a worker for questions that are answered at once and one for those that take long, each
 * started with the first of its questions and told the library once. `sourceOf` says what a library was made of.
 */
export function createClient(start: () => Port, sourceOf: (library: Library) => LibrarySource | undefined) {
  const ports = new Map<'quick' | 'long', { port: Port; library: Library | null }>();
  const listeners = new Map<number, Listener>();
  let channels = 0;
  let numbers = 0;

  const portFor = (which: 'quick' | 'long', library: Library): Port => {
    let one = ports.get(which);
    if (!one) {
      const port = start();
      port.onmessage = ({ data }) => {
        const listener = listeners.get(data.channel);
        if (listener?.number !== data.number) return;
        if (data.is === 'answer') listener.answered(data.answer);
        else listener.failed(data.message);
      };
      port.onerror = ({ message }) => {
        ports.delete(which);
        for (const listener of listeners.values()) listener.failed(message);
      };
      one = { port, library: null };
      ports.set(which, one);
    }
    // A trainer's words over a library change nothing that is worked out.
    const opened = asOpened(library);
    if (one.library !== opened) {
      const source = sourceOf(opened);
      if (!source) throw new Error('An engine is asked about a library that was opened otherwise.');
      one.port.postMessage({ is: 'ground', ...source });
      one.library = opened;
    }
    return one.port;
  };

  /** Somebody who asks: of their questions only the newest is answered. */
  const channel = () => {
    const own = ++channels;
    let asked: 'quick' | 'long' | null = null;
    return {
      ask<K extends QuestionId>(
        library: Library,
        id: K,
        question: Asks<K>,
        answered: (answer: Answers<K>) => void,
        failed: (message: string) => void = (message) => reportError(new Error(message)),
        pause = SETTLED_MS,
      ): void {
        const number = ++numbers;
        listeners.set(own, { number, answered: answered as (answer: unknown) => void, failed });
        asked = LONG.has(id) ? 'long' : 'quick';
        portFor(asked, library).postMessage({ is: 'ask', channel: own, number, id, question, pause });
      },
      drop(): void {
        listeners.delete(own);
        if (asked) ports.get(asked)?.port.postMessage({ is: 'drop', channel: own });
      },
    };
  };

  return {
    channel,
    /** One question, and the first answer that will do; without pauses between stages. */
    once: <K extends QuestionId>(
      library: Library,
      id: K,
      question: Asks<K>,
      willDo: (answer: Answers<K>) => boolean = () => true,
    ): Promise<Answers<K>> =>
      new Promise((done, failed) => {
        const one = channel();
        one.ask(
          library,
          id,
          question,
          (answer) => {
            if (!willDo(answer)) return;
            one.drop();
            done(answer);
          },
          (message) => {
            one.drop();
            failed(new Error(message));
          },
          0,
        );
      }),
  };
}
