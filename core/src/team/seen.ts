import type { SessionRecord } from '../log/index.ts';
import type { Group, Person } from '../person/index.ts';
import type { RecordKindId } from '../record/index.ts';
import type { TeamRole } from './roles.ts';

/** Who looks: their role, and the groups they are given; null is all of them. */
export interface Viewer {
  readonly role: TeamRole;
  readonly groups: readonly string[] | null;
}

/** Whose group somebody is in: ids of groups by the id of a member. */
export function groupsByMember(
  groups: readonly Pick<Group, 'id' | 'members'>[],
): ReadonlyMap<string, readonly string[]> {
  const by = new Map<string, string[]>();
  for (const { id, members } of groups)
    for (const member of members) by.set(member, [...(by.get(member) ?? []), id]);
  return by;
}

const theirs = ({ groups }: Viewer, group: string): boolean => groups === null || groups.includes(group);

/**
 * Whether somebody is given a person: whoever is in none of the groups is everybody’s, so that a person just added
 * isn’t lost to who added them.
 */
function givenPerson(viewer: Viewer, person: string, by: ReturnType<typeof groupsByMember>): boolean {
  if (viewer.role === 'reader') return false;
  const groups = by.get(person);
  return groups === undefined || groups.some((group) => theirs(viewer, group));
}

/** Whether somebody is given what belongs to a group, or to none. */
export const givenGroup = (viewer: Viewer, group: string | null): boolean =>
  viewer.role !== 'reader' && (group === null || theirs(viewer, group));

/**
 * A document as somebody of the team may see it; null where it isn’t theirs to see. What bars a form stays whoever
 * looks: an assistant loses notes and what was before, never a caution or a limit.
 */
export function seenBy(
  viewer: Viewer,
  kind: RecordKindId,
  body: unknown,
  by: ReturnType<typeof groupsByMember>,
): unknown {
  if (kind === 'person') {
    const person = body as Person;
    if (!givenPerson(viewer, person.id, by)) return null;
    return viewer.role === 'assistant' ? { ...person, notes: '', goals: '', log: [] } : person;
  }
  if (kind === 'group') {
    const group = body as Group;
    if (!givenGroup(viewer, group.id)) return null;
    return viewer.role === 'assistant' ? { ...group, notes: '', attendance: [] } : group;
  }
  if (kind === 'record')
    return viewer.role !== 'assistant' && givenGroup(viewer, (body as SessionRecord).group) ? body : null;
  return body;
}
