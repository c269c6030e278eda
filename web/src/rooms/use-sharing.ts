import type { SharedOut } from '@inner-rung/core/ask';
import { type How, taughtBy } from '@inner-rung/core/class';
import type { Library } from '@inner-rung/core/ladder';
import type { Room } from '@inner-rung/core/room';
import type { Plan } from '@inner-rung/core/session';
import { useMemo } from 'react';
import { useAnswer } from '../engine/index.ts';
import type { ClassAnswer } from '../features/use-class.ts';
import { today } from '../store/day.ts';

/** Everybody with what they do at each entry. */
function doing({ plan, taking }: ClassAnswer) {
  const does = taughtBy(plan);
  return taking.map(({ id, person }) => ({ id, person, does: [...(does[id] ?? [])] }));
}

/** A room's pieces given out to a class as it was planned; null until the newest answer is here. */
export function useSharing(
  library: Library | null,
  plan: Plan | null,
  block: number,
  room: Room,
  planned: ClassAnswer | null,
  how: How,
  ahead: number | undefined,
): SharedOut | null {
  const question = useMemo(
    () =>
      plan &&
      planned && {
        session: plan,
        block,
        room,
        on: today(),
        how,
        ahead: ahead ?? null,
        people: doing(planned),
      },
    [plan, block, room, planned, how, ahead],
  );
  const answered = useAnswer(library, 'share', question);
  return answered?.to === question ? answered.answer : null;
}
