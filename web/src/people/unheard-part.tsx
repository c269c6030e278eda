import { longUnheardBefore, unheardSince } from '@inner-rung/core/log';
import type { Person } from '@inner-rung/core/person';
import { useState } from 'react';
import { Link } from 'react-router';
import { dayWords, today } from '../store/day.ts';
import { useRecords } from '../store/use-records.ts';

function Unheard(props: { people: readonly Person[] }) {
  const { all, ready } = useRecords();
  if (!ready) return <p role="status">Looking…</p>;
  const found = unheardSince(props.people, all, longUnheardBefore(today()));
  if (found.length === 0) return <p>Of everybody with a file something was heard in the last two years.</p>;
  return (
    <>
      <p className="max-w-prose">Whom you keep further, you should know why. Erasing is under “Kept”.</p>
      <ul className="mt-1 divide-y-2 divide-base-300 border-y-2 border-base-300">
        {found.map(({ person, last }) => (
          <li key={person.id}>
            <Link to={`/people/${person.id}/record`} className="touch flex items-baseline gap-3 py-1">
              <span className="min-w-0 flex-1 font-semibold">{person.name}</span>
              <span className="quiet">last on {dayWords(last)}</span>
            </Link>
          </li>
        ))}
      </ul>
    </>
  );
}

/** Who hasn't been heard of for long: looked for when it is asked, since it takes all that was recorded. */
export function UnheardPart(props: { people: readonly Person[] }) {
  const [open, setOpen] = useState(false);
  return (
    <details className="mt-8" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="touch inline-flex cursor-pointer items-center underline underline-offset-4">
        Not heard of for two years
      </summary>
      {open && <Unheard people={props.people} />}
    </details>
  );
}
