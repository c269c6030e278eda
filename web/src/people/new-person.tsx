import { ageOn, bornFault, PERSON_EXAMPLE, type Person, personSchema } from '@inner-rung/core/person';
import { groupOf, readWho } from '@inner-rung/core/read';
import { type FormEvent, useEffect, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { newId, today } from '../store/day.ts';
import { groups, people as peopleShelf, useSend } from '../store/index.ts';
import { useDraft } from '../ui/use-draft.ts';
import { HeadcountLine } from './headcount-line.tsx';

const NEW_PERSON = { name: '', born: '' };

export function NewPerson(props: { people: readonly Person[] }) {
  const send = useSend();
  const navigate = useNavigate();
  const [form, put, clear] = useDraft('new-person', NEW_PERSON);
  // A name that was searched for and isn't known comes along.
  const named = useSearchParams()[0].get('new');
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for each name that comes
  useEffect(() => {
    if (named) put({ name: named });
  }, [named]);
  const [tried, setTried] = useState(false);
  const nameFault = form.name.trim() === '' ? 'A name or initials' : null;
  const bornWrong =
    form.born.trim() === ''
      ? 'A year such as 1951, or a date such as 1951-03-20'
      : bornFault(form.born.trim(), today());
  const namesake = props.people.find((p) => p.name.toLowerCase() === form.name.trim().toLowerCase());
  const submit = (event: FormEvent) => {
    event.preventDefault();
    setTried(true);
    if (nameFault || bornWrong) return;
    const born = form.born.trim();
    const { hi } = ageOn(born, today());
    const person = personSchema.parse({
      ...PERSON_EXAMPLE,
      id: newId('p'),
      name: form.name,
      born,
      kind: hi < 18 ? 'child or teenager' : hi >= 65 ? 'older adult' : 'beginner',
    });
    send(peopleShelf.step({ says: `Add ${person.name}`, put: [person] }));
    clear();
    void navigate(`/people/${person.id}/screening`);
  };
  return (
    <form onSubmit={submit} noValidate aria-labelledby="new-person-h">
      <h2 id="new-person-h" className="text-2xl">
        Somebody new
      </h2>
      <div className="mt-1 grid grid-cols-[minmax(0,1fr)_9.5rem] items-start gap-2">
        <label className="block">
          <span className="quiet text-sm">Name or initials</span>
          <input
            className="input touch w-full"
            value={form.name}
            maxLength={80}
            autoComplete="off"
            aria-invalid={tried && nameFault !== null}
            onChange={(event) => put({ name: event.target.value })}
          />
          {tried && nameFault && (
            <span role="alert" className="block text-sm font-semibold text-error">
              {nameFault}
            </span>
          )}
        </label>
        <label className="block">
          <span className="quiet text-sm">Year or date of birth</span>
          <input
            className="input touch w-full"
            value={form.born}
            maxLength={10}
            placeholder="1951"
            autoComplete="off"
            aria-invalid={tried && bornWrong !== null}
            onChange={(event) => put({ born: event.target.value })}
          />
          {(tried || form.born.trim().length >= 4) && bornWrong && (
            <span role="alert" className="block text-sm font-semibold text-error">
              {bornWrong}
            </span>
          )}
        </label>
      </div>
      {namesake && (
        <p className="mt-1 text-sm">
          There is a {namesake.name} already.{' '}
          <Link to={`/people/${namesake.id}`} className="underline underline-offset-4">
            Open that one
          </Link>
        </p>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <button type="submit" className="btn btn-primary touch">
          Add them
        </button>
        <span className="quiet text-sm">That is enough to begin; the rest can wait.</span>
      </div>
    </form>
  );
}

const NEW_COUNT = { text: '' };

export function NewHeadcount() {
  const send = useSend();
  const navigate = useNavigate();
  const [form, put, clear] = useDraft('new-headcount', NEW_COUNT);
  const read = form.text.trim() === '' ? null : readWho(form.text);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (!read || read.problem) return;
    const id = newId('g');
    send(groups.step({ says: 'Add a class', put: [groupOf(read, id, today())] }));
    clear();
    void navigate(`/groups/${id}`);
  };
  return (
    <form onSubmit={submit} aria-labelledby="new-count-h">
      <h2 id="new-count-h" className="text-2xl">
        A class by number
      </h2>
      <label className="mt-1 block">
        <span className="quiet text-sm">How many, and what is known of some of them</span>
        <input
          className="input touch w-full"
          value={form.text}
          maxLength={400}
          placeholder="14 people, two sore knees, one no floor"
          onChange={(event) => put({ text: event.target.value })}
        />
      </label>
      {read && <HeadcountLine read={read} />}
      <div className="mt-2 flex flex-wrap items-center gap-3">
        <button type="submit" className="btn touch" disabled={!read || read.problem !== null}>
          Plan for them
        </button>
        <span className="quiet text-sm">No names needed.</span>
      </div>
    </form>
  );
}
