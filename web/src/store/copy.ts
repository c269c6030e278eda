import type { Change } from '@inner-rung/core/ladder';
import { newId } from './day.ts';

const COPY = ' (copy)';
const asCopy = (text: string, most: number): string => `${text.slice(0, most - COPY.length)}${COPY}`;

/** A trainer's own move or ladder, or their change to one, as one of their own beside it. */
function copyOfChange(change: Change): Change {
  const of = newId(`${change.of}-copy`).slice(0, 70);
  const mine = change.mine ?? change.was!;
  return {
    ...change,
    id: `${change.kind}-${of}`,
    of,
    mine: { ...mine, id: of, name: asCopy(mine.name, 80) },
    was: null,
  } as Change;
}

/** The same document under an id of its own, named as a copy. */
export function copyOf<T extends { id: string; version: number }>(doc: T): T {
  if ('mine' in doc && 'was' in doc) return copyOfChange(doc as unknown as Change) as unknown as T;
  const named = doc as { name?: string; title?: string };
  return {
    ...doc,
    id: newId('copy'),
    ...(named.name === undefined ? {} : { name: asCopy(named.name, 80) }),
    ...(named.title === undefined ? {} : { title: asCopy(named.title, 120) }),
  };
}

/** A fresh id for a copy. */
export const copyId = (id: string): string =>
  `${id.replace(/-[a-z0-9]{8,}$/, '').slice(0, 44)}-${Date.now().toString(36)}`;
