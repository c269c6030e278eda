import { type Group, WEEKDAYS } from '@inner-rung/core/person';
import type { Room } from '@inner-rung/core/room';
import type { Plan } from '@inner-rung/core/session';
import { CalendarDays } from 'lucide-react';
import { dayWords, today } from '../store/day.ts';
import type { Stored } from '../store/machine.ts';
import { saveFile } from '../ui/save-file.ts';

/** Where and when a group comes, what they do, and when not; out as a calendar. */
export function GroupWhen(props: {
  group: Group;
  rooms: readonly Room[];
  plans: readonly Stored<Plan>[];
  put: (patch: Partial<Group>, says?: string) => boolean;
}) {
  const { group, rooms, put } = props;
  return (
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
          {props.plans.map(({ id: plan, body }) => (
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
  );
}
