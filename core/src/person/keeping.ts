import type { Person } from './person.ts';

/** One kind of thing that is kept of somebody: what it is, and what it is kept for. */
interface Kept {
  readonly what: string;
  readonly why: string;
}

const KEPT: readonly (Kept & { readonly of: (person: Person) => boolean })[] = [
  {
    what: 'Name, birth date or year, sex',
    why: 'To know whose it is, and for what goes by age or sex.',
    of: () => true,
  },
  {
    what: 'Conditions, limits, and what was eased of them by whom',
    why: 'So that nothing is planned that could hurt.',
    of: ({ conditions, limits, loosened }) => conditions.length + limits.length + loosened.length > 0,
  },
  {
    what: 'Answers before exercise, a doctor’s word or the trainer’s own',
    why: 'So that nobody begins who shouldn’t yet. They end after twelve months, or with a change of health.',
    of: ({ screening, pregnancyScreen, clearance, override }) =>
      (screening ?? pregnancyScreen ?? clearance ?? override) !== undefined,
  },
  {
    what: 'Stops in sessions, and what came of them',
    why: 'So that a warning isn’t forgotten.',
    of: ({ stops }) => (stops?.length ?? 0) > 0,
  },
  {
    what: 'Body mass, height, pulse at rest, a usual week, capacity',
    why: 'To reckon how hard is hard for them.',
    of: ({ massKg, heightCm, restingRate, activity, capacityMet }) =>
      (massKg ?? heightCm ?? restingRate ?? activity ?? capacityMet) !== undefined,
  },
  {
    what: 'Tests, and the rungs they own',
    why: 'To begin where they are, and to see that they come on.',
    of: ({ assessments, placements }) => assessments.length + placements.length > 0,
  },
  {
    what: 'How they are on a day, with readings they took',
    why: 'For that day’s session; it says nothing on another.',
    of: ({ today }) => today !== undefined,
  },
  {
    what: 'What they want, like and leave, notes',
    why: 'To plan what they are glad to do.',
    of: ({ goals, notes, dislikes, likes, never }) =>
      goals !== '' || notes !== '' || dislikes.length + likes.length + never.length > 0,
  },
  { what: 'Whom to call', why: 'In an emergency.', of: ({ emergency }) => emergency !== undefined },
  {
    what: 'A programme for at home, and what they have there',
    why: 'To be done between sessions.',
    of: ({ home, equipment }) => home !== undefined || equipment.length > 0,
  },
  {
    what: 'What was changed, when and why',
    why: 'So that it can be asked who decided.',
    of: ({ log }) => log.length > 0,
  },
];

/** What is kept of somebody and what for, of what there is. */
export const keptOf = (person: Person): readonly Kept[] =>
  KEPT.filter(({ of }) => of(person)).map(({ what, why }) => ({ what, why }));

/** The last day that their file tells of; null where it tells of none. */
export function lastInFile({
  screening,
  clearance,
  override,
  today,
  healthChangedOn,
  consent,
  ...person
}: Person): string | null {
  const days = [
    screening?.on,
    clearance?.on,
    override?.on,
    today?.on,
    healthChangedOn,
    consent?.on,
    ...[...person.assessments, ...person.placements, ...person.loosened, ...(person.stops ?? [])].map(
      ({ on }) => on,
    ),
    ...person.log.map(({ at }) => at.slice(0, 10)),
  ].filter((day) => day !== undefined);
  return days.sort().at(-1) ?? null;
}
