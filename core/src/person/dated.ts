import { dayWords } from './age.ts';
import type { Ask } from './courses.ts';
import type { Clearance, Override, Screening, Stop } from './screening.ts';

type On = { readonly on: string };

/** What is kept of somebody with the day it is of. */
interface DatedFacts {
  readonly born: string;
  readonly screening?: Screening | undefined;
  readonly pregnancyScreen?: (On & { readonly yes: readonly unknown[] }) | undefined;
  readonly clearance?: Clearance | undefined;
  readonly override?: Override | undefined;
  readonly healthChangedOn?: string | undefined;
  readonly consent?: On | undefined;
  readonly stops?: readonly Stop[] | undefined;
  readonly loosened: readonly On[];
  readonly assessments: readonly On[];
  readonly placements: readonly On[];
}

const latest = (days: readonly On[], day: string) => days.filter(({ on }) => on > day).map(({ on }) => on);

/** What is recorded with a day, where it is answered, and its days to come. */
const DATED: readonly {
  readonly says: string;
  readonly on: Ask['on'];
  readonly ahead: (person: DatedFacts, day: string) => readonly string[];
}[] = [
  {
    says: 'The answers before exercise are',
    on: 'screening',
    ahead: ({ screening }, day) => (screening ? latest([screening], day) : []),
  },
  {
    says: 'The pregnancy questions are',
    on: 'screening',
    ahead: ({ pregnancyScreen }, day) => (pregnancyScreen ? latest([pregnancyScreen], day) : []),
  },
  {
    says: 'The doctor’s word is',
    on: 'screening',
    ahead: ({ clearance }, day) => (clearance ? latest([clearance], day) : []),
  },
  {
    says: 'Your own word is',
    on: 'screening',
    ahead: ({ override }, day) => (override ? latest([override], day) : []),
  },
  {
    says: 'A change of health is',
    on: 'screening',
    ahead: ({ healthChangedOn }, day) => (healthChangedOn ? latest([{ on: healthChangedOn }], day) : []),
  },
  { says: 'A stop in a session is', on: 'screening', ahead: ({ stops }, day) => latest(stops ?? [], day) },
  {
    says: 'What came of a stop is',
    on: 'screening',
    ahead: ({ stops }, day) =>
      latest(
        (stops ?? []).flatMap(({ closed }) => closed ?? []),
        day,
      ),
  },
  {
    says: 'That they agreed is',
    on: 'record',
    ahead: ({ consent }, day) => (consent ? latest([consent], day) : []),
  },
  { says: 'What was eased is', on: 'limits', ahead: ({ loosened }, day) => latest(loosened, day) },
  { says: 'A test is', on: 'tests', ahead: ({ assessments }, day) => latest(assessments, day) },
  { says: 'A rung is', on: 'rungs', ahead: ({ placements }, day) => latest(placements, day) },
];

/** Days to come among what is recorded, each asked about; none of it counts for anybody till then. */
export const datesAhead = (person: DatedFacts, day: string): Ask[] => [
  ...(person.born.slice(0, day.length) > day.slice(0, person.born.length)
    ? [{ says: `Born ${person.born}, still to come: is it right?`, on: 'who' as const }]
    : []),
  ...DATED.flatMap(({ says, on, ahead }) =>
    ahead(person, day).map((one) => ({
      says: `${says} of ${dayWords(one)}, a day to come: is it right?`,
      on,
    })),
  ),
];

/**
 * Somebody as they were known on a day: what opens something and is dated later hasn't happened, so that a year typed
 * wrong clears nobody. What closes something stays, whatever its day.
 */
export function knownOn<P extends DatedFacts>(person: P, day: string): P {
  if (datesAhead(person, day).length === 0) return person;
  const past = <T extends On>(list: readonly T[]): T[] => list.filter(({ on }) => on <= day);
  const then = <T extends On>(one: T | undefined) => (one !== undefined && one.on <= day ? one : undefined);
  const { screening, pregnancyScreen, clearance, override, healthChangedOn, stops } = person;
  return {
    ...person,
    screening: then(screening),
    // Held back by what they said of a pregnancy, whenever that was.
    pregnancyScreen:
      pregnancyScreen && pregnancyScreen.yes.length > 0 ? pregnancyScreen : then(pregnancyScreen),
    clearance: then(clearance),
    override: then(override),
    healthChangedOn: healthChangedOn !== undefined && healthChangedOn > day ? day : healthChangedOn,
    stops: stops?.map(({ closed, ...stop }) => ({
      ...stop,
      on: stop.on > day ? day : stop.on,
      ...(closed && closed.on <= day ? { closed } : {}),
    })),
    loosened: past(person.loosened),
    assessments: past(person.assessments),
    placements: past(person.placements),
  };
}
