import { type Group, type Person, shortName } from '@inner-rung/core/person';
import { dayWords, today } from '../store/day.ts';
import { Tick } from '../ui/choice.tsx';
import type { Put } from './group-members.tsx';

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
