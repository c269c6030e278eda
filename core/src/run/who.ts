import { type LevelIndex, type Person, standIn, usualLevel, WALK_INS } from '../person/index.ts';
import type { Cast } from './run.ts';

/** Somebody nobody has a file of, as far as is known. */
const unknown = (level: LevelIndex): Person =>
  standIn(WALK_INS, { id: 'walk-in', count: 1, conditions: [], level });

/**
 * Who somebody of a run is to whatever is planned in it: their file, or a stand-in where there is none, with everything
 * that holds for them today on top. `expected` are the files, and those known by number.
 */
export function whoInRun(
  cast: Pick<Cast, 'id' | 'today'>,
  expected: readonly Person[],
): { readonly person: Person; readonly ability: LevelIndex | 'own rungs' } {
  const { conditions, level } = cast.today;
  // One of several alike is named by a number behind theirs.
  const whose = cast.id.replace(/#\d+$/, '');
  const known = expected.find((one) => one.id === whose);
  const person = known ?? unknown(level ?? usualLevel({}));
  const more = conditions.filter(
    (one) => !person.conditions.some((held) => held.id === one.id && held.side === one.side),
  );
  return {
    person: more.length === 0 ? person : { ...person, conditions: [...person.conditions, ...more] },
    // Whom nobody has a file of is taken to be of a level; anybody else may be given one for the day.
    ability: known && level !== null ? level : 'own rungs',
  };
}

/** How the ids of those who walk in begin. */
const WALKED_IN = 'walked-in';

/** What somebody who walks in is called: how manieth, and what is known of them. */
export function walkInName(people: readonly { readonly id: string }[], known: string): string {
  const n = people.filter((p) => p.id.startsWith(`${WALKED_IN}-`)).length + 1;
  return `walk-in ${n}${known ? `: ${known}` : ''}`.slice(0, 80);
}

/** A newcomer a run carries, as somebody who walks in now. `newId` makes an id of a kind. */
export const walkedIn = (
  people: readonly { readonly id: string }[],
  newcomer: Cast,
  newId: (kind: string) => string,
): Cast => ({ ...newcomer, id: newId(WALKED_IN), name: walkInName(people, newcomer.name.toLowerCase()) });
