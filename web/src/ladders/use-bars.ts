import type { Library } from '@inner-rung/core/ladder';
import type { Person } from '@inner-rung/core/person';
import { ROOM_EXAMPLE, type Room } from '@inner-rung/core/room';
import { buffersOf, compileLibrary, laneSubject, type Ruler, subjectOf } from '@inner-rung/core/scale';
import { AS_WRITTEN } from '@inner-rung/core/session';
import { useEffect, useRef, useState } from 'react';
import type { Barred, ToWorker } from '../plan/scale.worker.ts';
import { rungsOf, today } from '../plan/use-scaled.ts';

/** What bars each rung of the library for somebody somewhere, by "ladder/rung"; empty until it is known. */
export function useBars(
  library: Library | null,
  person: Person | null,
  room: Room | null,
): ReadonlyMap<string, readonly Ruler[]> {
  const [bars, setBars] = useState<ReadonlyMap<string, readonly Ruler[]>>(new Map());
  const worker = useRef<Worker | null>(null);
  const count = useRef(0);

  useEffect(() => {
    if (!library) return;
    const made = new Worker(new URL('../plan/scale.worker.ts', import.meta.url), { type: 'module' });
    const index = compileLibrary(library);
    made.postMessage({ kind: 'library', index } satisfies ToWorker, buffersOf(index));
    made.onmessage = ({ data }: MessageEvent<Barred>) => {
      if (data.number === count.current)
        setBars(new Map(rungsOf(library).map((rung, i) => [rung.key, data.bars[i] ?? []])));
    };
    worker.current = made;
    return () => made.terminate();
  }, [library]);

  useEffect(() => {
    if (!library || !worker.current) return;
    worker.current.postMessage({
      kind: 'bars',
      number: ++count.current,
      room: room ?? ROOM_EXAMPLE,
      subject: {
        subject: person ? subjectOf(person, library, today()) : { ...laneSubject(3), limits: [] },
        dials: person ? { ...AS_WRITTEN, ability: 'own rungs' } : AS_WRITTEN,
      },
      rungs: rungsOf(library).map((rung) => rung.form),
    } satisfies ToWorker);
  }, [library, person, room]);

  return bars;
}
