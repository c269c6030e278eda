import { buffersOf, compileLibrary } from '@inner-rung/core/forms';
import type { Library } from '@inner-rung/core/ladder';
import type { Room } from '@inner-rung/core/room';
import type { FindRequest, Found } from '@inner-rung/core/ways';
import { useEffect, useRef, useState } from 'react';
import type { FoundForms, ToWorker } from '../plan/scale.worker.ts';

/** Forms found in a worker, one list a request in their order; null until the newest answer is here. */
export function useFinder(
  library: Library | null,
  room: Room | null,
  requests: readonly FindRequest[],
): readonly (readonly Found[])[] | null {
  const [answer, setAnswer] = useState<FoundForms | null>(null);
  const worker = useRef<Worker | null>(null);
  const count = useRef(0);
  const question = JSON.stringify(requests);

  useEffect(() => {
    if (!library) return;
    const made = new Worker(new URL('../plan/scale.worker.ts', import.meta.url), { type: 'module' });
    const index = compileLibrary(library);
    made.postMessage({ kind: 'library', index } satisfies ToWorker, buffersOf(index));
    made.onmessage = ({ data }: MessageEvent<FoundForms>) => setAnswer(data);
    worker.current = made;
    return () => made.terminate();
  }, [library]);

  useEffect(() => {
    if (!library || !worker.current) return;
    worker.current.postMessage({
      kind: 'find',
      number: ++count.current,
      room,
      requests: JSON.parse(question) as FindRequest[],
    } satisfies ToWorker);
  }, [library, room, question]);

  return answer && answer.number === count.current ? answer.found : null;
}
