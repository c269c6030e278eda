import { type Person, stopClosed } from '@inner-rung/core/person';
import { type FormEvent, useState } from 'react';
import type { PersonPage } from '../features/use-person.ts';
import { dayWords, when } from '../store/day.ts';

type Stop = NonNullable<Person['stops']>[number];

/** Stop signs in sessions: those that nobody has closed first, each with what closes it; the others folded. */
export function StopsPart({ page }: { page: PersonPage }) {
  const stops = page.person.stops ?? [];
  if (stops.length === 0) return null;
  const open = stops.filter((stop) => !stop.closed);
  const closed = stops.filter((stop) => stop.closed);
  return (
    <section className="mt-4" aria-labelledby="stops-h">
      <h3 id="stops-h" className="text-xl">
        Stopped in a session
      </h3>
      {open.map((stop) => (
        <Close key={`${stop.run}/${stop.sign}`} page={page} stop={stop} />
      ))}
      {closed.length > 0 && (
        <details>
          <summary className="touch inline-flex cursor-pointer items-center underline underline-offset-4">
            {closed.length === 1 ? 'One that is closed' : `${closed.length} that are closed`}
          </summary>
          <ul>
            {closed.map((stop) => (
              <li key={`${stop.run}/${stop.sign}`} className="border-t border-base-300 py-1">
                {dayWords(stop.on)}: {stop.sign}. {stop.note} <br />
                <span className="quiet">
                  {dayWords(stop.closed!.on)}, {stop.closed!.by}: {stop.closed!.says}
                </span>
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

function Close({ page, stop }: { page: PersonPage; stop: Stop }) {
  const [form, setForm] = useState({ by: '', says: '' });
  const [wrong, setWrong] = useState<string | null>(null);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const [by, says] = [form.by.trim(), form.says.trim()];
    if (by.length < 2) return setWrong('Say who allowed it.');
    if (says.length < 5) return setWrong('Say what came of it in a few words.');
    page.keep('They may go on', stopClosed(page.person, stop, { by, says }, when()));
  };
  return (
    <form onSubmit={submit} noValidate className="mt-1 border-l-4 border-error bg-base-200 p-3">
      <p>
        <strong>
          {dayWords(stop.on)}: {stop.sign}.
        </strong>{' '}
        {stop.note || 'Nobody wrote down what was done.'}
      </p>
      <div className="mt-2 grid grid-cols-1 gap-2 sm:grid-cols-[12rem_minmax(0,1fr)_auto]">
        <label className="block">
          <span className="quiet text-sm">Who said they may go on</span>
          <input
            className="input touch w-full"
            maxLength={80}
            value={form.by}
            onChange={(event) => setForm({ ...form, by: event.target.value })}
          />
        </label>
        <label className="block">
          <span className="quiet text-sm">What came of it</span>
          <input
            className="input touch w-full"
            maxLength={400}
            value={form.says}
            onChange={(event) => setForm({ ...form, says: event.target.value })}
          />
        </label>
        <button type="submit" className="btn touch self-end">
          They may go on
        </button>
      </div>
      {wrong && (
        <p role="alert" className="mt-1 text-sm font-semibold text-error">
          {wrong}
        </p>
      )}
    </form>
  );
}
