import { buffersOf, compileLibrary } from '@inner-rung/core/forms';
import type { Library } from '@inner-rung/core/ladder';
import { laneSubject, type Ruler, subjectOf } from '@inner-rung/core/limits';
import type { Person } from '@inner-rung/core/person';
import { EVERYWHERE, ROOM_EXAMPLE, type Room } from '@inner-rung/core/room';
import { AS_WRITTEN } from '@inner-rung/core/session';

import { useEffect, useRef, useState } from 'react';
import { today } from '../app/day.ts';
import type { Barred, ToWorker } from '../plan/scale.worker.ts';
import { rungsOf } from '../plan/use-scaled.ts';

/**
 * What bars each rung of the library for somebody somewhere, by "ladder/rung"; empty until it is known.
 * By their limits alone, wherever they are, when what they own is still to be found.
 */
export function useBars(
  library: Library | null,
  person: Person | null,
  room: Room | null,
  by: 'limits' | 'own rungs' = 'own rungs',
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
      room: room ?? (by === 'limits' ? EVERYWHERE : ROOM_EXAMPLE),
      subject: {
        subject: person
          ? {
              ...subjectOf(person, library, today()),
              // A few reps to find a rung aren't a bout: the work's own effort counts, not its share of a capacity.
              ...(by === 'limits' ? { capacityMet: null } : {}),
            }
          : { ...laneSubject(3), limits: [] },
        dials: person && by === 'own rungs' ? { ...AS_WRITTEN, ability: 'own rungs' } : AS_WRITTEN,
      },
      rungs: rungsOf(library).map((rung) => rung.form),
    } satisfies ToWorker);
  }, [library, person, room, by]);

  return bars;
}
