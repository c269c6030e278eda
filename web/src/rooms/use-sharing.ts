import type { SharedOut } from '@inner-rung/core/ask';
import type { How } from '@inner-rung/core/class';
import type { Library } from '@inner-rung/core/ladder';
import { everybodyIn, type Group, outlookOf, type Person, standsFor } from '@inner-rung/core/person';
import type { Room } from '@inner-rung/core/room';
import type { Plan } from '@inner-rung/core/session';
import { useMemo } from 'react';
import { useAnswer } from '../engine/index.ts';
import { today } from '../store/day.ts';

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

/** A class scaled and a room's pieces given out by the engine; null until the newest answer is here. */
export function useSharing(
  library: Library | null,
  plan: Plan | null,
  block: number,
  room: Room,
  takers: readonly Taker[],
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
  return useMemo(() => {
    const here = group ? everybodyIn(group, people) : people;
    const may = (person: Person) => outlookOf(person, today()).mayTrain;
    return { takers: takersOf(here.filter(may)), waiting: here.filter((person) => !may(person)) };
  }, [group, people]);
}
