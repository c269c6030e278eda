import {
  CONDITION_IDS,
  CONDITIONS,
  type ConditionId,
  type Group,
  type GroupPart,
  LEVELS,
  type LevelIndex,
  PERSON_EXAMPLE,
  type Person,
  partWords,
  personSchema,
  shortName,
  usualLevel,
} from '@inner-rung/core/person';
import { useState } from 'react';
import { Link } from 'react-router';
import { initials } from '../store/data.ts';
import { dayWords, newId, today } from '../store/day.ts';
import { people as peopleShelf, useSend } from '../store/index.ts';
import { Tick } from '../ui/choice.tsx';

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

function Part(props: {
  part: GroupPart;
  onPut: (patch: Partial<GroupPart>) => void;
  onRemove: () => void;
  onNamed: (name: string, born: string) => string | null;
}) {
  const { part, onPut } = props;
  const [name, setName] = useState('');
  const [born, setBorn] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const what = partWords({ ...part, level: usualLevel(part) }).replace(/^\d+: /, '');
  return (
    <li className="py-2">
      <div className="flex flex-wrap items-center gap-2">
        <span className="flex items-center">
          <button
            type="button"
            className="btn btn-sm touch"
            aria-label={`One less: ${what}`}
            disabled={part.count <= 1}
            onClick={() => onPut({ count: part.count - 1 })}
          >
            −
          </button>
          <span className="display w-9 text-center text-xl">{part.count}</span>
          <button
            type="button"
            className="btn btn-sm touch"
            aria-label={`One more: ${what}`}
            onClick={() => onPut({ count: part.count + 1 })}
          >
            +
          </button>
        </span>
        <span className="min-w-32 flex-1">{what}</span>
        <select
          className="select touch w-40"
          aria-label={`Level: ${what}`}
          value={part.level}
          onChange={(e) => onPut({ level: Number(e.target.value) as LevelIndex })}
        >
          {LEVELS.map((level, i) => (
            <option key={level.id} value={i}>
              {level.name}
            </option>
          ))}
        </select>
        <button
          type="button"
          className="btn btn-ghost btn-sm touch"
          aria-label={`Take away: ${what}`}
          onClick={props.onRemove}
        >
          ×
        </button>
      </div>
      <details>
        <summary className="touch flex cursor-pointer items-center text-sm underline underline-offset-4">
          Say more, or name one of them
        </summary>
        <div className="flex flex-wrap gap-1.5">
          {(part.unread ?? []).map((piece) => (
            <button
              key={piece}
              type="button"
              className="btn btn-sm touch"
              aria-label={`Answered: ${piece}`}
              onClick={() => {
                const left = part.unread!.filter((one) => one !== piece);
                onPut({ unread: left.length > 0 ? left : undefined });
              }}
            >
              “{piece}”: answered
            </button>
          ))}
          {part.conditions.map(({ id, side }) => (
            <button
              key={id}
              type="button"
              className="btn btn-sm touch"
              aria-label={`Without ${CONDITIONS[id].name}`}
              onClick={() => onPut({ conditions: part.conditions.filter((c) => c.id !== id) })}
            >
              {CONDITIONS[id].name}
              {side === 'both' ? '' : `, ${side}`} ×
            </button>
          ))}
          <select
            className="select touch w-52"
            aria-label="With a condition"
            value=""
            onChange={(e) =>
              e.target.value &&
              onPut({ conditions: [...part.conditions, { id: e.target.value as ConditionId, side: 'both' }] })
            }
          >
            <option value="">with…</option>
            {CONDITION_IDS.filter((id) => !part.conditions.some((held) => held.id === id)).map((id) => (
              <option key={id} value={id}>
                {CONDITIONS[id].name}
              </option>
            ))}
          </select>
        </div>
        <form
          className="mt-2 flex flex-wrap items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            const fault = props.onNamed(name, born.trim());
            setWrong(fault);
            if (!fault) {
              setName('');
              setBorn('');
            }
          }}
        >
          <label className="block">
            <span className="quiet block text-sm">Name</span>
            <input
              className="input touch w-40"
              value={name}
              maxLength={80}
              onChange={(e) => setName(e.target.value)}
            />
          </label>
          <label className="block">
            <span className="quiet block text-sm">Born</span>
            <input
              className="input touch w-28"
              value={born}
              placeholder="1958"
              maxLength={10}
              onChange={(e) => setBorn(e.target.value)}
            />
          </label>
          <button type="submit" className="btn touch">
            Name one
          </button>
        </form>
        {wrong && (
          <p role="alert" className="text-sm font-semibold text-error">
            {wrong}
          </p>
        )}
      </details>
    </li>
  );
}

/** Who is here today, and who was on the last days. */
export function Attendance(props: { group: Group; people: readonly Person[]; put: Put }) {
  const { group, people, put } = props;
  const day = today();
  const here = group.attendance.find((a) => a.on === day) ?? { on: day, present: [], others: 0 };
  const record = (patch: Partial<typeof here>) =>
    put(
      { attendance: [...group.attendance.filter((a) => a.on !== day), { ...here, ...patch }] },
      'Who is here',
    );
  const counted = group.parts.reduce((sum, part) => sum + part.count, 0);
  const past = [...group.attendance].filter((a) => a.on !== day).sort((a, b) => (a.on < b.on ? 1 : -1));
  return (
    <section aria-labelledby="here-h">
      <h2 id="here-h" className="text-2xl">
        Here today
      </h2>
      <div className="grid grid-cols-1 sm:grid-cols-2">
        {group.members.map((id) => {
          const person = people.find((p) => p.id === id);
          return person ? (
            <Tick
              key={id}
              on={here.present.includes(id)}
              onTurn={(on) =>
                record({ present: on ? [...here.present, id] : here.present.filter((p) => p !== id) })
              }
            >
              {person.name}
            </Tick>
          ) : null;
        })}
      </div>
      <label className="mt-1 flex items-center gap-2">
        <input
          className="input touch w-20 text-right"
          inputMode="numeric"
          value={here.others}
          onChange={(e) => {
            const others = Number(e.target.value);
            if (Number.isInteger(others) && others >= 0 && others <= 200) record({ others });
          }}
        />
        others{counted > 0 && <span className="quiet">, of {counted} known by number</span>}
      </label>
      {past.length > 0 && (
        <ul className="mt-2 border-t-2 border-base-300 pt-1">
          {past.slice(0, 6).map((a) => (
            <li key={a.on}>
              {dayWords(a.on)}: <strong>{a.present.length + a.others}</strong>{' '}
              <span className="quiet">
                {a.present
                  .map((id) => people.find((p) => p.id === id))
                  .map((person) => (person ? shortName(person) : 'somebody'))
                  .join(', ')}
                {a.others > 0 && `${a.present.length > 0 ? ' and ' : ''}${a.others} more`}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
