import { lastInFile, type Person } from '../person/index.ts';
import type { SessionRecord } from './record.ts';

/** Somebody nobody has heard of for long, and the last day they are told of. */
interface Unheard {
  readonly person: Person;
  readonly last: string;
}

/** Years without a word after which keeping somebody’s file asks for a reason. Estimate: a local rule goes before it. */
const LONG_YEARS = 2;

/** The day before which somebody was last heard of too long ago, by today’s (both YYYY-MM-DD). */
export const longUnheardBefore = (today: string): string =>
  `${Number(today.slice(0, 4)) - LONG_YEARS}${today.slice(4)}`;

/**
 * Those of whom neither their file nor a session tells of anything since a day (YYYY-MM-DD), the longest away first:
 * whoever keeps them further should know why. Who has no day at all was added and never came; nothing says when.
 */
export function unheardSince(
  people: readonly Person[],
  records: readonly SessionRecord[],
  since: string,
): Unheard[] {
  const there = new Map<string, string>();
  for (const { on, results } of records)
    for (const { person, present } of results)
      if (person !== null && present && on > (there.get(person) ?? '')) there.set(person, on);
  return people
    .flatMap((person): Unheard[] => {
      const last = [lastInFile(person), there.get(person.id) ?? null]
        .filter((day) => day !== null)
        .sort()
        .at(-1);
      return last !== undefined && last < since ? [{ person, last }] : [];
    })
    .sort((a, b) => (a.last < b.last ? -1 : a.last > b.last ? 1 : 0));
}
