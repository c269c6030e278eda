import {
  type Group,
  type GroupPart,
  PERSON_EXAMPLE,
  type Person,
  personSchema,
} from '@inner-rung/core/person';
import { Link } from 'react-router';
import { initials } from '../store/data.ts';
import { newId } from '../store/day.ts';
import { people as peopleShelf, useSend } from '../store/index.ts';
import { Part } from './group-part.tsx';

/** Changes a group by a named step; false where it can't be so. */
export type Put = (patch: Partial<Group>, says?: string) => boolean;

/** Who belongs to a group: by file, and by number. */
export function WhoComes(props: { group: Group; people: readonly Person[]; put: Put }) {
  const { group, people, put } = props;
  const send = useSend();
  const members = group.members.flatMap((id) => people.find((p) => p.id === id) ?? []);
  const others = people.filter((p) => !group.members.includes(p.id));
  const setPart = (id: string, patch: Partial<GroupPart>) =>
    put({ parts: group.parts.map((part) => (part.id === id ? { ...part, ...patch } : part)) });
  /** One of a part gets a name: a file of their own, and one less in the part. */
  const named = (part: GroupPart, name: string, born: string) => {
    const person = personSchema.safeParse({
      ...PERSON_EXAMPLE,
      id: newId('p'),
      name,
      born,
      assumedLevel: part.level,
      conditions: part.conditions,
      ...(part.sex ? { sex: part.sex } : {}),
    });
    if (!person.success) return person.error.issues[0]!.message;
    send(peopleShelf.step({ says: `Add ${name}`, put: [person.data] }));
    put(
      {
        members: [...group.members, person.data.id],
        parts: group.parts.flatMap((p) =>
          p.id !== part.id ? [p] : p.count > 1 ? [{ ...p, count: p.count - 1 }] : [],
        ),
      },
      `${name} by name`,
    );
    return null;
  };
  return (
    <section aria-labelledby="comes-h">
      <h2 id="comes-h" className="text-2xl">
        Who comes
      </h2>
      <ul className="divide-y divide-base-300 border-y-2 border-base-300">
        {members.map((person) => (
          <li key={person.id} className="flex items-center gap-2">
            <Link
              to={`/people/${person.id}`}
              className="touch flex min-w-0 flex-1 items-center gap-2 hover:bg-base-200"
            >
              <span
                className="display grid h-8 w-8 place-items-center rounded-full bg-base-300 text-xs"
                aria-hidden
              >
                {initials(person.name)}
              </span>
              {person.name}
            </Link>
            <button
              type="button"
              className="btn btn-ghost btn-sm touch"
              aria-label={`${person.name} no longer comes`}
              onClick={() =>
                put({ members: group.members.filter((m) => m !== person.id) }, 'Leaves the group')
              }
            >
              No longer
            </button>
          </li>
        ))}
        {group.parts.map((part) => (
          <Part
            key={part.id}
            part={part}
            onPut={(patch) => setPart(part.id, patch)}
            onRemove={() => put({ parts: group.parts.filter((p) => p.id !== part.id) }, 'Take some away')}
            onNamed={(name, born) => named(part, name, born)}
          />
        ))}
      </ul>
      <div className="mt-2 flex flex-wrap gap-2">
        {others.length > 0 && (
          <label>
            <span className="sr-only">Somebody joins</span>
            <select
              className="select touch"
              value=""
              onChange={(e) =>
                e.target.value && put({ members: [...group.members, e.target.value] }, 'Joins the group')
              }
            >
              <option value="">Somebody joins…</option>
              {others.map((person) => (
                <option key={person.id} value={person.id}>
                  {person.name}
                </option>
              ))}
            </select>
          </label>
        )}
        <button
          type="button"
          className="btn touch"
          onClick={() =>
            put(
              { parts: [...group.parts, { id: newId('some'), count: 1, conditions: [], level: 1 }] },
              'Some more by number',
            )
          }
        >
          Some more, by number
        </button>
      </div>
    </section>
  );
}
