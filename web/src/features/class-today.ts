import type { Library } from '@inner-rung/core/ladder';
import type { Group, Person } from '@inner-rung/core/person';
import { type Room, unsaidRoom, withBorrowed } from '@inner-rung/core/room';
import type { Plan } from '@inner-rung/core/session';
import { useMemo } from 'react';
import { useDraft } from '../ui/use-draft.ts';
import { useClass } from './use-class.ts';
import { useWhoToday } from './who-today.ts';

/** How many forms a station shows at most, and whether everybody is at one station or they go round. */
export interface Ways {
  readonly most: number;
  readonly how: 'together' | 'rotation';
}
const USUAL: Ways = { most: 3, how: 'together' };

/**
 * Who does what in a session today: one answer for every face of it. The class page, cards, sheets and the set-up
 * list all ask here, with the ways that were chosen for it and everything that is in the room.
 */
export function useClassToday(
  shipped: Library | null,
  plan: Plan | null,
  id: string,
  group: Group | null,
  people: readonly Person[],
  rooms: readonly Room[],
) {
  const who = useWhoToday(id, group, people);
  const hall = rooms.find((r) => r.id === plan?.room) ?? unsaidRoom(who.taking.length);
  const borrowed = plan?.borrowed;
  const room = useMemo(() => withBorrowed(hall, borrowed ?? []), [hall, borrowed]);
  const key = `${id}/${group?.id ?? 'all'}`;
  const [ways, setWays] = useDraft<Ways>(`class-ways/${key}`, USUAL);
  const answer = useClass(shipped, plan, room, who.taking, ways.most, ways.how, key);
  return { hall, room, who, answer, ...ways, setWays };
}
