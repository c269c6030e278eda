import {
  cannot,
  everybodyIn,
  GROUP_ASKS,
  type Group,
  groupSchema,
  headcountOf,
  outlookOf,
  type Person,
  standsFor,
  WEEKDAYS,
} from '@inner-rung/core/person';
import { CalendarDays } from 'lucide-react';
import { useMemo } from 'react';
import { useNavigate, useParams } from 'react-router';
import { plans as allPlans } from '../store/api.ts';
import { useShelf } from '../store/data.ts';
import { dayWords, today } from '../store/day.ts';
import { groups as groupShelf, useApp, useSend } from '../store/index.ts';
import { groupChosen } from '../store/view-slice.ts';
import { Text } from '../ui/fields.tsx';
import { Missing } from '../ui/missing.tsx';
import { PartsHeader } from '../ui/parts-header.tsx';
import { saveFile } from '../ui/save-file.ts';
import { SaveLine } from '../ui/save-line.tsx';
import { Scrolls } from '../ui/scrolls.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { Attendance, WhoComes } from './group-members.tsx';
import { GroupNext } from './group-next.tsx';
import { Spread } from './group-spread.tsx';

/** A group: who comes, who can’t do what, where they stand, who was there. */
export default function GroupScreen() {
  const { id = '' } = useParams();
  const { library, people, rooms, failed } = useShelf();
  const group = useApp(groupShelf.docs)[id];
  const plans = allPlans.use();
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

        <GroupNext
          library={library}
          group={group}
          people={people}
          plans={(plans.data ?? []).map(({ body }) => body)}
          put={put}
        />
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
