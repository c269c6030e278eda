import type { Answers, Asks } from '@inner-rung/core/ask';
import type { Library } from '@inner-rung/core/ladder';
import type { Person } from '@inner-rung/core/person';
import type { Room } from '@inner-rung/core/room';
import { useMemo } from 'react';
import { useAnswer } from '../engine/index.ts';
import { today } from '../store/day.ts';

/**
 * Forms found by the engine, one list a request in their order, within somebody's limits; null until the newest
 * answer is here.
 */
export function useFinder(
  library: Library | null,
  room: Room | null,
  requests: Asks<'find'>['requests'],
  person: Person | null = null,
): Answers<'find'> | null {
  const written = JSON.stringify(requests);
  const question = useMemo(
    () => ({ room, person, on: today(), requests: JSON.parse(written) as Asks<'find'>['requests'] }),
    [room, person, written],
  );
  const answered = useAnswer(library, 'find', question);
  return answered?.to === question ? answered.answer : null;
}
