import type { SharedOut } from '@inner-rung/core/ask';
import type { How } from '@inner-rung/core/class';
import type { Library } from '@inner-rung/core/ladder';
import { everybodyIn, type Group, type OneOf, type Person, takingPart } from '@inner-rung/core/person';
import type { Room } from '@inner-rung/core/room';
import type { Plan } from '@inner-rung/core/session';
import { useMemo } from 'react';
import { useAnswer } from '../engine/index.ts';
import { today } from '../store/day.ts';

/** A class scaled and a room's pieces given out by the engine; null until the newest answer is here. */
export function useSharing(
  library: Library | null,
  plan: Plan | null,
  block: number,
  room: Room,
  takers: readonly OneOf[],
  how: How,
  ahead: number | undefined,
): SharedOut | null {
  const question = useMemo(
    () =>
      plan && {
        session: plan,
        block,
        room,
        on: today(),
        how,
        ahead: ahead ?? null,
        people: takers.map(({ id, person }) => ({ id, person })),
      },
    [plan, block, room, takers, how, ahead],
  );
  const answered = useAnswer(library, 'share', question);
  return answered?.to === question ? answered.answer : null;
}

/** Who of a group a room's pieces are given out to: who waits for a doctor's word, or isn't well today, has no place. */
export function useTakers(group: Group | null, people: readonly Person[]) {
  return useMemo(() => takingPart(group ? everybodyIn(group, people) : people, today()), [group, people]);
}
