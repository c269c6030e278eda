import type { How } from '@inner-rung/core/class';
import { buffersOf, compileLibrary } from '@inner-rung/core/forms';
import type { Library } from '@inner-rung/core/ladder';
import { subjectOf } from '@inner-rung/core/limits';
import { everybodyIn, type Group, outlookOf, type Person, standsFor } from '@inner-rung/core/person';
import type { Room } from '@inner-rung/core/room';
import type { Plan } from '@inner-rung/core/session';
import { useEffect, useMemo, useRef, useState } from 'react';
import { today } from '../app/day.ts';
import type { SharedOut, ToWorker } from '../plan/scale.worker.ts';

/** Somebody of whom there may be several: a person, or one of a part known by number. */
export interface Taker {
  readonly id: string;
  readonly person: Person;
}

/** A part of three people is three takers alike. */
const takersOf = (people: readonly Person[]): Taker[] =>
  people.flatMap((person) => {
    const many = standsFor(person) ?? 1;
    return Array.from({ length: many }, (_, i) => ({
      id: many > 1 ? `${person.id}#${i + 1}` : person.id,
      person,
    }));
  });

/** A class scaled and a room's pieces given out, in a worker; null until the newest answer is here. */
export function useSharing(
  library: Library | null,
  plan: Plan | null,
  block: number,
  room: Room,
  takers: readonly Taker[],
  how: How,
  ahead: number | undefined,
): SharedOut | null {
  const [answer, setAnswer] = useState<SharedOut | null>(null);
  const worker = useRef<Worker | null>(null);
  const count = useRef(0);
  useEffect(() => {
    if (!library) return;
    const made = new Worker(new URL('../plan/scale.worker.ts', import.meta.url), { type: 'module' });
    const index = compileLibrary(library);
    made.postMessage({ kind: 'library', index } satisfies ToWorker, buffersOf(index));
    made.onmessage = ({ data }: MessageEvent<SharedOut>) => setAnswer(data);
    worker.current = made;
    return () => made.terminate();
  }, [library]);
  useEffect(() => {
    if (!library || !plan || !worker.current) return;
    worker.current.postMessage({
      kind: 'share',
      number: ++count.current,
      room,
      how,
      ahead,
      people: takers.map(({ id, person }) => ({
        id,
        request: {
          session: { blocks: plan.blocks.slice(block, block + 1), forWhom: plan.forWhom },
          writtenFor: plan.writtenFor,
          dials: plan.dials,
          subject: subjectOf(person, library, today()),
        },
      })),
    } satisfies ToWorker);
  }, [library, plan, block, room, takers, how, ahead]);
  return answer && answer.number === count.current ? answer : null;
}

/** Who of a group a room's pieces are given out to: who waits for a doctor's word, or isn't well today, has no place. */
export function useTakers(group: Group | null, people: readonly Person[]) {
  return useMemo(() => {
    const here = group ? everybodyIn(group, people) : people;
    const may = (person: Person) => outlookOf(person, today()).mayTrain;
    return { takers: takersOf(here.filter(may)), waiting: here.filter((person) => !may(person)) };
  }, [group, people]);
}
