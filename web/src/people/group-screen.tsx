import type { Ladder, Library } from '@inner-rung/core/ladder';
import {
  CONDITION_IDS,
  CONDITIONS,
  type ConditionId,
  cannot,
  everybodyIn,
  GROUP_ASKS,
  type Group,
  type GroupPart,
  groupSchema,
  headcountOf,
  LEVELS,
  type LevelIndex,
  outlookOf,
  PERSON_EXAMPLE,
  type Person,
  type Place,
  personSchema,
  placesOf,
  standsFor,
  WEEKDAYS,
} from '@inner-rung/core/person';
import { formName } from '@inner-rung/core/scale';
import { CalendarDays } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { Waiting } from '../app/app.tsx';
import { initials, tokenOf, useShelf } from '../app/data.ts';
import { dayWords, newId, today } from '../app/day.ts';
import { laneStyle, lookOf } from '../ladders/rung-look.ts';
import { ServerAway } from '../start/start-screen.tsx';
import { api } from '../store/api.ts';
import { groups as groupShelf, people as peopleShelf, useApp, useSend } from '../store/index.ts';
import { groupChosen } from '../store/view-slice.ts';
import { Tick } from '../ui/choice.tsx';
import { Text } from '../ui/fields.tsx';
import { Missing } from '../ui/missing.tsx';
import { PartsHeader } from '../ui/parts-header.tsx';
import { saveFile } from '../ui/save-file.ts';
import { SaveLine } from '../ui/save-line.tsx';
import { Scrolls } from '../ui/scrolls.tsx';

/** The ladders a group is first looked at on, where the library has them. */
const FIRST_LADDERS = ['squat', 'push', 'jack', 'plank', 'locomotion', 'step', 'pull', 'bridge'];

/** A group: who comes, who can’t do what, where they stand, who was there. */
export default function GroupScreen() {
  const { id = '' } = useParams();
  const { library, people, rooms, failed } = useShelf();
  const group = useApp(groupShelf.docs)[id];
  const plans = api.usePlansQuery();
  const send = useSend();
  const navigate = useNavigate();
  if (failed) return <ServerAway />;
  if (!library) return <Waiting />;
  if (!group) return <Missing here="people" title="No such group" to="/people" way="See everybody" />;
  const put = (patch: Partial<Group>, says = 'Edit the group…'): boolean => {
    const next: Record<string, unknown> = { ...group, ...patch };
    for (const [key, value] of Object.entries(patch)) if (value === undefined) delete next[key];
    const read = groupSchema.safeParse(next);
    if (read.success) send(groupShelf.step({ says, put: [read.data] }));
    return read.success;
  };
  const everybody = everybodyIn(group, people);
  return (
    <div className="min-h-dvh">
      <PartsHeader here="people" />
      <main className="mx-auto max-w-7xl px-4 py-3 md:px-6">
        <div className="flex flex-wrap items-center gap-3">
          <h1 className="sr-only">{group.name}</h1>
          <label className="min-w-0 flex-1 basis-full sm:basis-0">
            <span className="sr-only">Name of the group</span>
            <input
              className="display w-full min-w-0 rounded bg-transparent px-1 text-3xl hover:bg-base-200"
              value={group.name}
              maxLength={80}
              onChange={(event) => event.target.value.trim() && put({ name: event.target.value })}
            />
          </label>
          <span className="display text-3xl">{headcountOf(group)}</span>
          <SaveLine shelf={groupShelf} />
          <button
            type="button"
            className="btn btn-primary touch"
            onClick={() => {
              send(groupChosen(group.id));
              void navigate(`/?group=${group.id}`);
            }}
          >
            Plan for them
          </button>
        </div>
        <div className="mt-2 flex flex-wrap items-end gap-3">
          <label className="block">
            <span className="quiet block text-sm">Usual room</span>
            <select
              className="select touch"
              value={group.room ?? ''}
              onChange={(e) => put({ room: e.target.value || undefined })}
            >
              <option value="">not set</option>
              {rooms.map((room) => (
                <option key={room.id} value={room.id}>
                  {room.name}
                </option>
              ))}
            </select>
          </label>
          <label className="block">
            <span className="quiet block text-sm">Day</span>
            <select
              className="select touch"
              value={group.weekday ?? ''}
              onChange={(e) => put({ weekday: (e.target.value || undefined) as Group['weekday'] })}
            >
              <option value="">not set</option>
              {WEEKDAYS.map((day) => (
                <option key={day} value={day}>
                  {day}
                </option>
              ))}
            </select>
          </label>
          <label className="block">
            <span className="quiet block text-sm">Time</span>
            <input
              type="time"
              className="input touch w-36"
              value={group.time ?? ''}
              onChange={(e) => put({ time: e.target.value || undefined })}
            />
          </label>
          <label className="block">
            <span className="quiet block text-sm">Session</span>
            <select
              className="select touch"
              value={group.plan ?? ''}
              onChange={(e) => put({ plan: e.target.value || undefined })}
            >
              <option value="">not chosen</option>
              {(plans.data ?? []).map(({ id: plan, body }) => (
                <option key={plan} value={plan}>
                  {body.title}
                </option>
              ))}
            </select>
          </label>
          <label className="block">
            <span className="quiet block text-sm">Not held on</span>
            <input
              type="date"
              className="input touch w-40"
              value=""
              onChange={(e) => {
                const on = e.target.value;
                if (on)
                  put(
                    { changes: [...group.changes.filter((c) => c.on !== on), { on, off: true }] },
                    `Not on ${on}`,
                  );
              }}
            />
          </label>
          <button
            type="button"
            className="btn touch self-end"
            disabled={group.weekday === undefined}
            onClick={() =>
              void import('./calendar-file.ts').then(({ calendarText }) =>
                saveFile(`${group.id}.ics`, 'text/calendar;charset=utf-8', calendarText([group], today())),
              )
            }
          >
            <CalendarDays size={18} aria-hidden /> For a calendar
          </button>
          {group.changes
            .filter((change) => change.on >= today())
            .map((change) => (
              <button
                key={change.on}
                type="button"
                className="btn btn-sm touch self-end"
                onClick={() =>
                  put({ changes: group.changes.filter((c) => c !== change) }, `As usual on ${change.on}`)
                }
              >
                {change.off ? 'not' : (change.time ?? 'otherwise')} on {dayWords(change.on)} ×
                <span className="sr-only">, as usual again</span>
              </button>
            ))}
        </div>

        <Cannot everybody={everybody} />
        <div className="mt-8 grid grid-cols-1 gap-x-10 gap-y-8 lg:grid-cols-2">
          <WhoComes group={group} people={people} put={put} />
          <Attendance group={group} people={people} put={put} />
        </div>
        <Spread library={library} everybody={everybody} />
        <section className="mt-8 max-w-xl">
          <Text label="Notes" value={group.notes} rows={2} onValue={(notes) => put({ notes })} />
          <button
            type="button"
            className="btn btn-sm touch mt-3"
            onClick={() => {
              send(groupShelf.step({ says: `Take ${group.name} away`, remove: [group.id] }));
              void navigate('/people');
            }}
          >
            Take the group away
          </button>
          <p className="quiet text-sm">Its people stay; undo brings it back.</p>
        </section>
      </main>
    </div>
  );
}

/** Who can’t do what, at a glance; nothing of why. */
function Cannot(props: { everybody: readonly Person[] }) {
  const rows = useMemo(
    () =>
      props.everybody.map((person) => {
        const outlook = outlookOf(person, today());
        return { person, cant: cannot(outlook.limits), may: outlook.mayTrain };
      }),
    [props.everybody],
  );
  if (rows.length === 0) return null;
  const asks = GROUP_ASKS.filter((ask) => rows.some((row) => row.cant.has(ask.id)));
  return (
    <section className="mt-5" aria-labelledby="cannot-h">
      <h2 id="cannot-h" className="text-2xl">
        Who can’t…
      </h2>
      {asks.length === 0 ? (
        <p>Nothing common is barred for anybody here.</p>
      ) : (
        <Scrolls label="Who can’t do what" className="overflow-x-auto">
          <table className="mt-1 border-collapse">
            <thead>
              <tr>
                <th scope="col" className="sr-only">
                  Who
                </th>
                {asks.map((ask) => (
                  <th
                    key={ask.id}
                    scope="col"
                    className="w-24 px-1 pb-1 align-bottom text-sm leading-tight font-normal"
                  >
                    {ask.says}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map(({ person, cant, may }) => (
                <tr key={person.id} className="border-t border-base-300">
                  <th scope="row" className="py-1 pr-4 text-left font-semibold whitespace-nowrap">
                    {person.name}
                    {!may && <span className="quiet text-sm font-normal"> not in a session yet</span>}
                  </th>
                  {asks.map((ask) => (
                    <td key={ask.id} className="px-1 py-1 text-center">
                      {cant.has(ask.id) ? (
                        <span
                          className="display mx-auto grid h-7 w-7 place-items-center rounded bg-base-content text-base-100"
                          title={`${person.name} can’t ${ask.says}`}
                        >
                          ×<span className="sr-only">can’t</span>
                        </span>
                      ) : (
                        <span className="sr-only">can</span>
                      )}
                    </td>
                  ))}
                </tr>
              ))}
              <tr className="border-t-2 border-base-content">
                <th scope="row" className="py-1 pr-4 text-left font-normal">
                  all can but
                </th>
                {asks.map((ask) => (
                  <td key={ask.id} className="display text-center text-lg">
                    {rows
                      .filter((row) => row.cant.has(ask.id))
                      .reduce((sum, row) => sum + (standsFor(row.person) ?? 1), 0)}
                  </td>
                ))}
              </tr>
            </tbody>
          </table>
        </Scrolls>
      )}
    </section>
  );
}

type Put = (patch: Partial<Group>, says?: string) => boolean;

function WhoComes(props: { group: Group; people: readonly Person[]; put: Put }) {
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
      conditions: part.conditions.map((id) => ({ id })),
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
  const what = part.conditions.map((id) => CONDITIONS[id].name.toLowerCase()).join(', ') || 'nothing known';
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
          {part.conditions.map((id) => (
            <button
              key={id}
              type="button"
              className="btn btn-sm touch"
              aria-label={`Without ${CONDITIONS[id].name}`}
              onClick={() => onPut({ conditions: part.conditions.filter((c) => c !== id) })}
            >
              {CONDITIONS[id].name} ×
            </button>
          ))}
          <select
            className="select touch w-52"
            aria-label="With a condition"
            value=""
            onChange={(e) =>
              e.target.value && onPut({ conditions: [...part.conditions, e.target.value as ConditionId] })
            }
          >
            <option value="">with…</option>
            {CONDITION_IDS.filter((id) => !part.conditions.includes(id)).map((id) => (
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

function Attendance(props: { group: Group; people: readonly Person[]; put: Put }) {
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
                  .map((id) => people.find((p) => p.id === id)?.name.split(' ')[0] ?? 'somebody')
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

/** Where everybody stands on a few ladders: tokens on rungs. */
function Spread(props: { library: Library; everybody: readonly Person[] }) {
  const { library, everybody } = props;
  const [more, setMore] = useState<readonly string[]>([]);
  const places = useMemo(
    () =>
      everybody.map((person) => ({
        person,
        at: new Map(placesOf(library, person, today()).map((p) => [p.ladder, p])),
      })),
    [library, everybody],
  );
  if (everybody.length === 0) return null;
  const shown = [...FIRST_LADDERS, ...more].flatMap((id) => library.ladder(id) ?? []);
  return (
    <section className="mt-8" aria-labelledby="spread-h">
      <div className="flex flex-wrap items-center gap-3">
        <h2 id="spread-h" className="mr-auto text-2xl">
          Where they stand
        </h2>
        <label>
          <span className="sr-only">Another ladder</span>
          <select
            className="select touch"
            value=""
            onChange={(e) => e.target.value && setMore([...more, e.target.value])}
          >
            <option value="">Another ladder…</option>
            {library.ladders
              .filter((l) => !shown.includes(l))
              .map((l) => (
                <option key={l.id} value={l.id}>
                  {l.name}
                </option>
              ))}
          </select>
        </label>
      </div>
      <p className="quiet text-sm">Filled: tested or seen. Dotted: assumed.</p>
      <div className="mt-2 grid grid-cols-1 gap-x-6 gap-y-6 sm:grid-cols-2 lg:grid-cols-4">
        {shown.map((ladder) => (
          <SpreadLadder
            key={ladder.id}
            library={library}
            ladder={ladder}
            places={places.map(({ person, at }) => ({ person, at: at.get(ladder.id)! }))}
          />
        ))}
      </div>
    </section>
  );
}

function SpreadLadder(props: {
  library: Library;
  ladder: Ladder;
  places: readonly { person: Person; at: Place }[];
}) {
  const { library, ladder, places } = props;
  const below = places.filter(({ at }) => at.rung < 0);
  const tokens = (list: typeof places) =>
    list.map(({ person, at }) => (
      <span
        key={person.id}
        title={person.name}
        className={`display grid h-7 min-w-7 place-items-center rounded-full px-1 text-xs ${at.evidence === 'assumed' ? 'border-2 border-dotted border-[var(--line)] bg-base-100 text-base-content' : 'bg-[var(--line)] text-base-100'}`}
      >
        {tokenOf(person)}
        <span className="sr-only">, {person.name}</span>
      </span>
    ));
  return (
    <div>
      <h3 className="text-lg leading-tight">{ladder.name}</h3>
      <ol
        className="mt-1 border-x-4 border-base-content/80"
        reversed
        aria-label={`${ladder.name}, top rung first`}
      >
        {ladder.rungs
          .map((rung, i) => ({ rung, i }))
          .reverse()
          .map(({ rung, i }) => {
            const here = places.filter(({ at }) => at.rung === i);
            return (
              <li
                key={`${rung.move}/${rung.settings?.surfaceCm ?? ''}`}
                className="flex min-h-9 flex-wrap items-center gap-1 border-y border-base-content/60 px-1.5 py-0.5 text-sm leading-tight"
                style={here.length > 0 ? laneStyle(lookOf(library, rung).lane) : undefined}
              >
                <span className="min-w-0 flex-1">{formName(library, rung.move, rung.settings)}</span>
                {tokens(here)}
              </li>
            );
          })}
      </ol>
      {below.length > 0 && (
        <p className="mt-1 flex flex-wrap items-center gap-1 text-sm">below: {tokens(below)}</p>
      )}
    </div>
  );
}
