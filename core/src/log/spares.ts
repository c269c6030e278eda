import { type BodyPlace, type Person, placeNamed, type Side } from '../person/index.ts';
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

/** Sessions without pain after which a spared place may be let go. Common practice. */
const CLEAN_SESSIONS = 2;

const prefixOf = (place: BodyPlace) => `sore/${place}/`;

/** Limits worth beginning after a session, and those worth ending, for everybody who was there with a file. */
export function sparesAfter(
  people: readonly Person[],
  record: SessionRecord,
  all: readonly SessionRecord[],
): Spare[] {
  return record.results.flatMap((result): Spare[] => {
    const person = people.find((one) => one.id === result.person);
    if (!person || !result.present) return [];
    const spared = person.limits.filter((limit) => limit.id.startsWith('sore/'));
    if (result.pain) {
      const named = placeNamed(result.pain.where);
      if (
        !named ||
        spared.some((limit) => limit.id.startsWith(prefixOf(named.place)) && limit.side === named.side)
      )
        return [];
      return [{ person, is: 'begin', ...named, said: result.pain.where }];
    }
    const last = [...all]
      .sort((a, b) => (a.on < b.on ? 1 : a.on > b.on ? -1 : 0))
      .flatMap((one) => one.results.filter((r) => r.person === person.id && r.present))
      .slice(0, CLEAN_SESSIONS);
    if (last.length < CLEAN_SESSIONS || !last.every((r) => isEnough(r) && r.pain === null)) return [];
    const places = new Map(
      spared.map((limit) => [`${limit.id.split('/')[1]}/${limit.side}`, limit.side] as const),
    );
    return [...places].map(([key, side]) => ({
      person,
      is: 'end' as const,
      place: key.split('/')[0] as BodyPlace,
      side,
      said: '',
    }));
  });
}
