import type { Library } from '@inner-rung/core/ladder';
import type { Room } from '@inner-rung/core/room';
import {
  buffersOf,
  type ClassPlan,
  type ClassRequest,
  compileLibrary,
  type Switches,
} from '@inner-rung/core/scale';
import type { ClassPlanned, ToWorker } from './scale.worker.ts';

/** A class planned once, off the page's own thread, with where each can go mid-set. */
export function planOnce(
  library: Library,
  room: Room,
  request: ClassRequest,
): Promise<{ plan: ClassPlan; switches: Readonly<Record<string, readonly Switches[]>> }> {
  return new Promise((done, failed) => {
    const worker = new Worker(new URL('./scale.worker.ts', import.meta.url), { type: 'module' });
    const index = compileLibrary(library);
    worker.onmessage = ({ data }: MessageEvent<ClassPlanned>) => {
      if (!data.switches) return;
      worker.terminate();
      done({ plan: data.plan, switches: data.switches });
    };
    worker.onerror = (event) => {
      worker.terminate();
      failed(new Error(event.message));
    };
    worker.postMessage({ kind: 'library', index } satisfies ToWorker, buffersOf(index));
    worker.postMessage({ kind: 'class', number: 1, room, request } satisfies ToWorker);
  });
}
