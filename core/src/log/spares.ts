import { type BodyPlace, type Person, placeNamed, type Side, sorePlaces } from '../person/index.ts';
import { isEnough, type SessionRecord } from './record.ts';

/** What hurt suggests a limit; what was spared and hurts no more suggests an end. Nothing is done by itself. */
export interface Spare {
  readonly person: Person;
  readonly is: 'begin' | 'end';
  readonly place: BodyPlace;
  readonly side: Side;
  /** As it was said; empty for an end. */
  readonly said: string;
}

/** Sessions without pain, since it is spared, after which a place may be let go. Common practice. */
const CLEAN_SESSIONS = 2;

/**
 * Limits worth beginning after a session, and those worth ending, for everybody who was there with a file. What a
 * clinic said isn't the trainer's to end, and of what began on a day nobody knows nothing is offered.
 */
export function sparesAfter(
  people: readonly Person[],
  record: SessionRecord,
  all: readonly SessionRecord[],
): Spare[] {
  return record.results.flatMap((result): Spare[] => {
    const person = people.find((one) => one.id === result.person);
    if (!person || !result.present) return [];
    const spared = sorePlaces(person);
    if (result.pain) {
      const named = placeNamed(result.pain.where);
      if (!named || spared.some((one) => one.place === named.place && one.side === named.side)) return [];
      return [{ person, is: 'begin', ...named, said: result.pain.where }];
    }
    const theirs = [...all]
      .sort((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : 0))
      .flatMap(({ on, results }) =>
        results.filter((r) => r.person === person.id && r.present).map((r) => ({ on, result: r })),
      )
      .slice(0, CLEAN_SESSIONS);
    if (!theirs.every((one) => isEnough(one.result) && one.result.pain === null)) return [];
    return spared.flatMap(({ place, side, clinic, at }): Spare[] => {
      // The day it began may have been the session it hurt in; those after it count.
      const since = theirs.filter(({ on }) => at !== null && on > at.slice(0, 10));
      return clinic || since.length < CLEAN_SESSIONS ? [] : [{ person, is: 'end', place, side, said: '' }];
    });
  });
}
