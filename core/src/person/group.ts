import * as z from 'zod';
import type { DemandKey } from '../move/index.ts';
import { idSchema } from '../move/index.ts';
import { lazily, type RecordKind } from '../record/index.ts';
import { LEVELS } from './ability.ts';
import { CONDITIONS } from './conditions.ts';
import type { Limit } from './limits.ts';
import {
  heldConditionSchema,
  outlookOf,
  PERSON_EXAMPLE,
  PERSON_KINDS,
  type Person,
  personSchema,
} from './person.ts';

export const WEEKDAYS = [
  'Monday',
  'Tuesday',
  'Wednesday',
  'Thursday',
  'Friday',
  'Saturday',
  'Sunday',
] as const;

/** When somebody's next rung comes; what each asks for is with the decisions. */
export const PROGRESS_SCHOOLS = ['two clean', 'effort ceiling', 'rounds first', 'reach'] as const;
export type ProgressSchool = (typeof PROGRESS_SCHOOLS)[number];
/** What of a group's session grows besides each one's own rungs. */
export const GROW_IDS = ['rungs', 'rounds', 'rests', 'loads'] as const;
export type GrowId = (typeof GROW_IDS)[number];

/** People of whom only a number is known, alike as far as one knows. */
const partSchema = lazily(() =>
  z.strictObject({
    id: idSchema,
    count: z.number().int().min(1, 'at least one').max(200, 'at most 200'),
    conditions: z.array(heldConditionSchema).default([]),
    level: z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3)]).default(1),
    /** The years between which they were born, where their ages were said. */
    born: z.tuple([z.number().int(), z.number().int()]).optional(),
    /** Their ages as they were said: "over 70", "9 to 11". */
    aged: z.string().trim().min(1).max(20).optional(),
    /** What kind of people they are, where that was said or follows from their ages. */
    kind: z.enum(PERSON_KINDS).optional(),
    sex: z.enum(['female', 'male']).optional(),
    name: z.string().trim().min(1).max(80).optional(),
    /** What was said of them and isn't understood: they are planned for at the careful end until it is. */
    unread: z.array(z.string().trim().min(1).max(200)).max(10).optional(),
  }),
);
export type GroupPart = z.output<typeof partSchema>;

/** People who train together: those with a file, and those of whom only a number is known. */
export const groupSchema = lazily(() =>
  z.strictObject({
    version: z.literal(2),
    id: idSchema,
    name: z.string().trim().min(1, 'a name for the group').max(80),
    members: z.array(idSchema).default([]),
    parts: z.array(partSchema).default([]),
    room: idSchema.optional(),
    weekday: z.enum(WEEKDAYS).optional(),
    time: z
      .string()
      .regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time such as 18:30')
      .optional(),
    minutes: z.number().int().min(5).max(300).optional(),
    /** The session they do, until another is chosen. */
    plan: idSchema.optional(),
    /** Days on which it is otherwise: not held, at another time, another session; a day more has a time. */
    changes: z
      .array(
        z.strictObject({
          on: z.iso.date(),
          off: z.boolean().default(false),
          time: z
            .string()
            .regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'a time such as 18:30')
            .optional(),
          plan: idSchema.optional(),
          /** Who said they aren't coming; ids of members, and of those known by number as "part#1". */
          away: z.array(z.string().trim().min(1).max(100)).max(200).optional(),
        }),
      )
      .max(400)
      .default([]),
    /** Who was there, by day; people come and go. */
    attendance: z
      .array(
        z.strictObject({
          on: z.iso.date(),
          present: z.array(idSchema),
          others: z.number().int().min(0).default(0),
        }),
      )
      .default([]),
    /** The school their progress goes by. */
    progress: z.strictObject({ school: z.enum(PROGRESS_SCHOOLS), grows: z.enum(GROW_IDS) }).optional(),
    notes: z.string().trim().max(2000).default(''),
  }),
);
export type Group = z.output<typeof groupSchema>;

export const GROUP_EXAMPLE: Group = {
  version: 2,
  id: 'tuesday',
  name: 'Tuesday evening',
  members: [],
  parts: [{ id: 'others', count: 14, conditions: [], level: 1 }],
  changes: [],
  attendance: [],
  notes: '',
};

export const GROUP: RecordKind<Group> = {
  kind: 'group',
  collection: 'groups',
  name: 'group',
  schema: groupSchema,
  version: 2,
  upgrades: {
    // Parts had conditions without sides.
    1: ({ parts, ...rest }) => ({
      ...rest,
      ...(Array.isArray(parts)
        ? {
            parts: parts.map((part: { conditions?: unknown }) => ({
              ...part,
              ...(Array.isArray(part?.conditions)
                ? { conditions: part.conditions.map((id: unknown) => (typeof id === 'string' ? { id } : id)) }
                : {}),
            })),
          }
        : {}),
    }),
  },
  references: [
    { to: 'person', at: 'members[]', erased: 'drop' },
    { to: 'person', at: 'attendance[].present[]', erased: 'drop' },
    { to: 'person', at: 'changes[].away[]', erased: 'drop' },
    { to: 'room', at: 'room', erased: 'omit' },
    { to: 'plan', at: 'plan', erased: 'omit' },
    { to: 'plan', at: 'changes[].plan', erased: 'omit' },
  ],
  example: GROUP_EXAMPLE,
};

/** How a group goes on where nobody chose. */
export const USUAL_PROGRESS = { school: 'two clean', grows: 'rungs' } as const satisfies Group['progress'];

export const headcountOf = (group: Group): number =>
  group.members.length + group.parts.reduce((sum, part) => sum + part.count, 0);

/** Somebody who stands for several people of whom only a number is known. */
interface StandIn extends Person {
  readonly standsFor: number;
  /** How old they are was never said. */
  readonly ageless?: true;
}

/** How many people somebody stands for who is known by number alone; null for a person with a file. */
export const standsFor = (person: Person): number | null =>
  'standsFor' in person ? (person as StandIn).standsFor : null;

/** Of whom nobody knows how old they are. */
export const isAgeless = (person: Person): boolean => 'ageless' in person;

/** What somebody is called in short: a first name, or the whole where they stand for several. */
export const shortName = (person: Person): string =>
  standsFor(person) === null ? person.name.split(' ')[0]! : person.name;

/** What somebody is called where their number stands beside it: a first name, or what is known of them. */
export const calledName = (person: Person): string =>
  standsFor(person) === null ? shortName(person) : person.name.replace(/^\d+: /, '');

/** Whom walk-ins are counted with: a group of nobody expected. */
export const WALK_INS: Group = { ...GROUP_EXAMPLE, id: 'walk-ins', name: 'Walk-ins', parts: [] };

/** How far from the nearer end of "over 70" or "under 12" they are taken to be, in years. Estimate. */
const YEARS_APART = 8;
/** The year of birth that asks for more care: of children the later, of everybody else the earlier. */
const carefulYear = (part: GroupPart, [from, to]: readonly [number, number]): number =>
  part.kind === 'child or teenager' ? Math.min(to, from + YEARS_APART) : Math.max(from, to - YEARS_APART);
/**
 * From what age somebody of whom nothing else was said is taken to be new to this. What the average of that age is known to do
 * is standing up from a chair without hands, some twelve times in half a minute (CDC STEADI's 30-second chair stand, from memory), which
 * is what the first level says; a full squat is the next one's. The age is an estimate: the test begins at 65.
 */
const NEW_FROM = 70;
/** The level of those of whom none was said. Common practice. */
export function usualLevel(part: Pick<GroupPart, 'kind' | 'aged'>): 0 | 1 {
  const youngest =
    part.kind === 'older adult' ? Number(/^(?:over )?(\d+)/.exec(part.aged ?? '')?.[1] ?? 0) : 0;
  return youngest >= NEW_FROM ? 0 : 1;
}

/** A part in words: "2: sore knees (left)", "1: “kidney disease”, not understood". */
export function partWords(part: GroupPart): string {
  const conditions = part.conditions.map(
    ({ id, side }) => `${CONDITIONS[id].name.toLowerCase()}${side === 'both' ? '' : ` (${side})`}`,
  );
  const unread = (part.unread ?? []).map((piece) => `“${piece}”, not understood`);
  const people = part.sex === 'female' ? 'women' : part.sex === 'male' ? 'men' : '';
  const level = LEVELS[part.level].name.toLowerCase();
  const said = [part.name ?? '', people, part.aged ?? '', ...unread, ...conditions].filter(Boolean);
  // A level that isn't the usual one was said.
  const words = said.length === 0 || part.level !== usualLevel(part) ? [...said, level] : said;
  return `${part.count}: ${words.join(', ')}`;
}

/** A part of a group as somebody to plan for: "2: sore knees". Stands for each of its people alike. */
export function standIn(group: Group, part: GroupPart): StandIn {
  const unread = part.unread ?? [];
  const person = personSchema.parse({
    ...PERSON_EXAMPLE,
    id: standInId(group, part),
    name: partWords(part).slice(0, 80),
    kind: part.kind ?? (part.level === 0 ? 'beginner' : 'general'),
    ...(part.born ? { born: String(carefulYear(part, part.born)) } : {}),
    ...(part.sex ? { sex: part.sex } : {}),
    assumedLevel: unread.length > 0 ? 0 : part.level,
    conditions: [...part.conditions, ...(unread.length > 0 ? [{ id: 'not-understood' }] : [])],
  });
  return { ...person, standsFor: part.count, ...(part.born || part.kind ? {} : { ageless: true as const }) };
}

const standInId = (group: Group, part: GroupPart): string => `${group.id}-part-${part.id}`;

/** Everybody a plan for a group is made for: its members, then its parts without files. */
export function everybodyIn(group: Group, people: readonly Person[]): Person[] {
  const byId = new Map(people.map((p) => [p.id, p]));
  return [
    ...group.members.flatMap((id) => byId.get(id) ?? []),
    ...group.parts.map((part) => standIn(group, part)),
  ];
}

/** One of those who take part: who stands for several is one of several alike, "knees#1" the first. */
export interface OneOf {
  readonly id: string;
  readonly person: Person;
}

/** Who can't take part, and what comes first. */
export interface Waiting {
  readonly person: Person;
  readonly waitsFor: string;
}

/** Everybody who may take part on a day (YYYY-MM-DD), one by one; and who waits for a doctor's word or isn't well. */
export function takingPart(
  people: readonly Person[],
  on: string,
): { readonly taking: OneOf[]; readonly waiting: Waiting[] } {
  const taking: OneOf[] = [];
  const waiting: Waiting[] = [];
  for (const person of people) {
    const many = standsFor(person);
    const { waitsFor } = outlookOf(person, on);
    if (waitsFor !== null) waiting.push({ person, waitsFor });
    else if (many === null) taking.push({ id: person.id, person });
    else for (let i = 1; i <= many; i++) taking.push({ id: `${person.id}#${i}`, person });
  }
  return { taking, waiting };
}

const capped = (on: DemandKey, most: number) => (limit: Limit) =>
  limit.kind === 'cap' && limit.on === on && limit.max <= most;

/** What a circuit often asks and somebody may not do, in the order in which a trainer asks it. */
const ASKED: readonly {
  readonly id: string;
  readonly says: string;
  readonly bars: (limit: Limit) => boolean;
}[] = [
  { id: 'flight', says: 'leave the ground', bars: capped('impact.class', 1) },
  { id: 'floor', says: 'get down on the floor', bars: capped('posture.floor', 0) },
  { id: 'kneel', says: 'kneel', bars: capped('knee.kneel', 0) },
  { id: 'wrists', says: 'lean on the wrists', bars: capped('wrist.load', 10) },
  { id: 'knees', says: 'bend the knees deep', bars: capped('knee.bendDeg', 95) },
  { id: 'overhead', says: 'lift overhead', bars: capped('shoulder.overheadLoad', 0) },
  {
    id: 'twist',
    says: 'twist or curl the back',
    bars: (l) => capped('spine.turn', 1)(l) || capped('spine.bend', 1)(l),
  },
  { id: 'strain', says: 'hold the breath', bars: capped('strain.breath', 1) },
  { id: 'hands-free', says: 'balance without a hold', bars: (limit) => limit.kind === 'require' },
  { id: 'stand', says: 'stand', bars: capped('posture.standing', 0) },
];
export const GROUP_ASKS = ASKED.map(({ id, says }) => ({ id, says }));

/** Whose limits bar which of the things that a circuit often asks: ids of {@link GROUP_ASKS}. */
export function cannot(limits: readonly Limit[]): ReadonlySet<string> {
  return new Set(ASKED.filter((asked) => limits.some(asked.bars)).map((asked) => asked.id));
}
