import type { Group, Headcount } from '@inner-rung/core/person';

/** How many of a headcount nothing more is known of. */
export const othersIn = (read: Headcount): number =>
  read.total - read.parts.reduce((sum, part) => sum + part.count, 0);

/** A class known by number, as a group. */
export function groupFrom(read: Headcount, id: string): Group {
  const others = othersIn(read);
  return {
    version: 1,
    id,
    name: `Class of ${read.total}`,
    members: [],
    parts: [
      ...(others > 0 ? [{ id: 'others', count: others, conditions: [], level: 1 as const }] : []),
      ...read.parts.map((part, i) => ({
        id: `some-${i + 1}`,
        count: part.count,
        conditions: [...part.conditions],
        level: part.level ?? (1 as const),
      })),
    ],
    changes: [],
    attendance: [],
    notes: '',
  };
}
