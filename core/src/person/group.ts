import { z } from 'zod';
import { idSchema } from '../move/move.ts';
import type { RecordKind } from '../record/index.ts';
import { LEVELS } from './ability.ts';
import { CONDITION_IDS, CONDITIONS, type ConditionId } from './conditions.ts';
import { PERSON_EXAMPLE, type Person, personSchema } from './person.ts';

export const WEEKDAYS = [
  'Monday',
  'Tuesday',
  'Wednesday',
  'Thursday',
  'Friday',
  'Saturday',
  'Sunday',
] as const;

/** People of whom only a number is known, alike as far as one knows. */
const partSchema = z.strictObject({
  id: idSchema,
  count: z.number().int().min(1, 'at least one').max(200, 'at most 200'),
  conditions: z.array(z.enum(CONDITION_IDS as [ConditionId, ...ConditionId[]])).default([]),
  level: z.union([z.literal(0), z.literal(1), z.literal(2), z.literal(3)]).default(1),
});
export type GroupPart = z.output<typeof partSchema>;

/** People who train together: those with a file, and those of whom only a number is known. */
export const groupSchema = z.strictObject({
  version: z.literal(1),
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
  notes: z.string().trim().max(2000).default(''),
});
export type Group = z.output<typeof groupSchema>;

export const GROUP: RecordKind<Group> = { name: 'group', schema: groupSchema, version: 1, upgrades: {} };

export const GROUP_EXAMPLE: Group = groupSchema.parse({
  version: 1,
  id: 'tuesday',
  name: 'Tuesday evening',
  parts: [{ id: 'others', count: 14 }],
});

export const headcountOf = (group: Group): number =>
  group.members.length + group.parts.reduce((sum, part) => sum + part.count, 0);

/** A part of a group as somebody to plan for: "2 with sore knees". Stands for each of its people alike. */
export function standIn(group: Group, part: GroupPart): Person {
  const what = part.conditions.map((id) => CONDITIONS[id].name.toLowerCase()).join(', ');
  const level = LEVELS[part.level].name.toLowerCase();
  return personSchema.parse({
    ...PERSON_EXAMPLE,
    id: standInId(group, part),
    name: `${part.count} ${what ? `with ${what}` : level}`,
    kind: 'general',
    assumedLevel: part.level,
    conditions: part.conditions.map((id) => ({ id })),
  });
}

export const standInId = (group: Group, part: GroupPart): string => `${group.id}-part-${part.id}`;

/** Everybody a plan for a group is made for: its members, then its parts without files. */
export function everybodyIn(group: Group, people: readonly Person[]): Person[] {
  const byId = new Map(people.map((p) => [p.id, p]));
  return [
    ...group.members.flatMap((id) => byId.get(id) ?? []),
    ...group.parts.map((part) => standIn(group, part)),
  ];
}
