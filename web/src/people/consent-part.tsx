import { keptOf } from '@inner-rung/core/person';
import { useState } from 'react';
import type { PersonPage } from '../features/use-person.ts';
import { dayWords, today } from '../store/day.ts';

/** What is kept of somebody and what for, and that they agreed to it. */
export function ConsentPart(props: { page: PersonPage }) {
  const { person, first, keep } = props.page;
  const [on, setOn] = useState(today());
  const [how, setHow] = useState('');
  const { consent } = person;
  return (
    <section aria-labelledby="kept-h">
      <h3 id="kept-h" className="text-xl">
        What is kept, and what for
      </h3>
      <dl className="mt-1 grid gap-x-6 gap-y-2 sm:grid-cols-2">
        {keptOf(person).map(({ what, why }) => (
          <div key={what}>
            <dt className="font-semibold">{what}</dt>
            <dd className="quiet text-sm">{why}</dd>
          </div>
        ))}
      </dl>
      <p className="quiet mt-2 text-sm">
        On this machine, and in its copies; nothing is sent anywhere. How long you keep it is yours to decide,
        by the rules where you work.
      </p>
      {consent ? (
        <p className="mt-2">
          {first} agreed on {dayWords(consent.on)}: {consent.how}.{' '}
          <button
            type="button"
            className="link"
            onClick={() => {
              const { consent: _, ...without } = person;
              keep('Agreement taken back', without);
            }}
          >
            They took it back
          </button>
        </p>
      ) : (
        <form
          className="mt-2 flex flex-wrap items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            keep('Agreed', { ...person, consent: { on, how: how.trim() } });
            setHow('');
          }}
        >
          <p className="w-full">That {first} agreed isn’t written down yet.</p>
          <label>
            <span className="quiet block text-sm">They agreed on</span>
            <input
              type="date"
              className="input touch w-40"
              value={on}
              max={today()}
              required
              onChange={(event) => setOn(event.target.value)}
            />
          </label>
          <label className="min-w-0 flex-1">
            <span className="quiet block text-sm">How</span>
            <input
              className="input touch w-full"
              placeholder="on paper, in the folder"
              maxLength={200}
              value={how}
              onChange={(event) => setHow(event.target.value)}
            />
          </label>
          <button type="submit" className="btn touch" disabled={how.trim().length < 2 || on === ''}>
            Keep it
          </button>
        </form>
      )}
    </section>
  );
}
