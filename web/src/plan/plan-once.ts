import type { ClassPlan, ClassRequest } from '@inner-rung/core/class';
import type { Switches } from '@inner-rung/core/engine';
import { buffersOf, compileLibrary } from '@inner-rung/core/forms';
import type { Library } from '@inner-rung/core/ladder';
import type { Room } from '@inner-rung/core/room';
import type { ClassPlanned, ToWorker } from './scale.worker.ts';

/** One question to a worker of its own, and the first answer that will do. */
export function askOnce<A>(library: Library, question: ToWorker, willDo: (answer: A) => boolean): Promise<A> {
  return new Promise((done, failed) => {
    const worker = new Worker(new URL('./scale.worker.ts', import.meta.url), { type: 'module' });
    const index = compileLibrary(library);
    worker.onmessage = ({ data }: MessageEvent<A>) => {
      if (!willDo(data)) return;
      worker.terminate();
      done(data);
    };
    worker.onerror = (event) => {
      worker.terminate();
      failed(new Error(event.message));
    };
    worker.postMessage({ kind: 'library', index } satisfies ToWorker, buffersOf(index));
    worker.postMessage(question);
  });
}

/** A class planned once, with where each can go mid-set. */
export async function planOnce(
  library: Library,
  room: Room,
  request: ClassRequest,
): Promise<{ plan: ClassPlan; switches: Readonly<Record<string, readonly Switches[]>> }> {
  const { plan, switches } = await askOnce<ClassPlanned>(
    library,
    { kind: 'class', number: 1, room, request },
    (answer) => answer.switches !== undefined,
  );
  return { plan, switches: switches! };
}
