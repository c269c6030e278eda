import type { Library } from '@inner-rung/core/ladder';
import { type Outlook, outlookOf, type Person, shortName } from '@inner-rung/core/person';
import { useMemo } from 'react';
import { today } from '../store/day.ts';
import { people, useApp, useSend } from '../store/index.ts';

/** One person's page: who they are today, and how a change of them is kept. */
export interface PersonPage {
  readonly person: Person;
  readonly outlook: Outlook;
  readonly library: Library;
  readonly first: string;
  /** Keeps a change as one step of undo; steps of one name that end in … run together. */
  readonly keep: (says: string, next: Person) => void;
}

export function usePersonPage(id: string, library: Library | null): PersonPage | null {
  const send = useSend();
  const person = useApp(people.docs)[id];
  const day = today();
  return useMemo(
    () =>
      person && library
        ? {
            person,
            library,
            outlook: outlookOf(person, day),
            first: shortName(person),
            keep: (says, next) => {
              send(people.step({ says, put: [next] }));
            },
          }
        : null,
    [person, library, day, send],
  );
}
