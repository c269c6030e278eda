import { type ClassPlan, taughtBy, wishesOf } from '@inner-rung/core/class';
import { buffersOf, compileLibrary } from '@inner-rung/core/forms';
import type { Library } from '@inner-rung/core/ladder';
import type { Person } from '@inner-rung/core/person';
import type { Room } from '@inner-rung/core/room';
import type { Cast } from '@inner-rung/core/run';
import type { Plan } from '@inner-rung/core/session';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { ClassPlanned, ToWorker } from '../plan/scale.worker.ts';
import { classPerson, levelFor } from './class-person.ts';

/** Somebody who takes part: a person, or one of several who are known by number. */
export interface Taking {
  readonly id: string;
  readonly person: Person;
  /** What holds today beyond their file; it is in `person` already, and goes along into a run. */
  readonly today?: Cast['today'];
}

/** A plan with the people it is for: while the next is worked out, they may be others already. */
export interface ClassAnswer {
  readonly plan: ClassPlan;
  readonly before: ClassPlan | null;
  /** The plan before the trainer wanted something otherwise: what it is compared with. */
  readonly was: ClassPlan | null;
  readonly switches: ClassPlanned['switches'] | null;
  readonly taking: readonly Taking[];
}

/**
 * The class planned in a worker. What stands is kept as far as it goes: a late change is planned from the plan
 * that was there before it.
 */
export function useClass(
  library: Library | null,
  plan: Plan | null,
  room: Room,
  taking: readonly Taking[],
  most: number,
  how: 'together' | 'rotation',
): ClassAnswer | null {
  const [answer, setAnswer] = useState<ClassAnswer | null>(null);
  const worker = useRef<Worker | null>(null);
  const count = useRef(0);
  const last = useRef<{ plan: ClassPlan; of: string } | null>(null);
  // What is planned from scratch when it changes: everything but who is there.
  const ground = useMemo(
    () =>
      JSON.stringify([
        plan?.blocks,
        plan?.writtenFor,
        plan?.dials,
        plan?.wishes,
        plan?.levels,
        room,
        most,
        how,
      ]),
    [plan?.blocks, plan?.writtenFor, plan?.dials, plan?.wishes, plan?.levels, room, most, how],
  );
  const grounds = useRef(ground);
  const asked = useRef(taking);
  useEffect(() => {
    if (!library) return;
    const made = new Worker(new URL('../plan/scale.worker.ts', import.meta.url), { type: 'module' });
    const index = compileLibrary(library);
    made.postMessage({ kind: 'library', index } satisfies ToWorker, buffersOf(index));
    made.onmessage = ({ data }: MessageEvent<ClassPlanned>) => {
      if (data.number !== count.current) return;
      if (data.switches) {
        setAnswer((now) => now && { ...now, switches: data.switches });
        return;
      }
      const compared = last.current && last.current.of !== grounds.current ? last.current.plan : null;
      const stood = last.current?.of === grounds.current ? last.current.plan : null;
      last.current = { plan: data.plan, of: grounds.current };
      setAnswer({
        plan: data.plan,
        before: stood,
        was: compared && compared.entries.length === data.plan.entries.length ? compared : null,
        switches: null,
        taking: asked.current,
      });
    };
    worker.current = made;
    return () => made.terminate();
  }, [library]);
  useEffect(() => {
    if (!library || !plan || !worker.current) return;
    grounds.current = ground;
    asked.current = taking;
    const stands = last.current?.of === ground ? last.current.plan : null;
    worker.current.postMessage({
      kind: 'class',
      number: ++count.current,
      room,
      request: {
        most,
        how,
        wishes: wishesOf(plan),
        ...(stands ? { before: taughtBy(stands) } : {}),
        people: taking.map(({ id, person }) =>
          classPerson(library, plan, plan, id, person, levelFor(plan, id) ?? 'own rungs'),
        ),
      },
    } satisfies ToWorker);
  }, [library, plan, room, taking, most, how, ground]);
  return answer;
}
