import {
  ageOn,
  ageWords,
  bornFault,
  headcountOf,
  outlookOf,
  PERSON_EXAMPLE,
  type Person,
  personSchema,
} from '@inner-rung/core/person';
import { groupOf, readWho } from '@inner-rung/core/read';
import { Download, Upload } from 'lucide-react';
import { type FormEvent, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { initials, useShelf } from '../store/data.ts';
import { newId, today } from '../store/day.ts';
import { groups, people as peopleShelf, useSend } from '../store/index.ts';
import { PartsHeader } from '../ui/parts-header.tsx';
import { SaveLine } from '../ui/save-line.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { useDraft } from '../ui/use-draft.ts';
import { HeadcountLine } from './headcount-line.tsx';
import { ImportDialog } from './import-dialog.tsx';
import { savePeopleTable } from './people-file.ts';

/** Everybody, known by name or only by number, and the two short ways to add them. */
export default function PeopleScreen() {
  const { library, people, groups: classes, failed } = useShelf();
  const [importing, setImporting] = useState(false);
  if (failed) return <ServerAway />;
  if (!library) return <Waiting />;
  return (
    <div className="min-h-dvh">
      <PartsHeader here="people" />
      <main className="mx-auto max-w-6xl px-4 py-4 md:px-6">
        <div className="flex flex-wrap items-center gap-x-4">
          <h1 className="mr-auto text-3xl">People</h1>
          <Link to="/may" className="btn touch">
            Who may do what
          </Link>
          <SaveLine shelf={peopleShelf} />
        </div>
        <div className="mt-3 grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-2">
          <NewPerson people={people} />
          <NewHeadcount />
        </div>

        {classes.length > 0 && (
          <section className="mt-8" aria-labelledby="groups-h">
            <h2 id="groups-h" className="text-2xl">
              Groups
            </h2>
            <ul className="mt-1 grid grid-cols-1 gap-x-10 sm:grid-cols-2">
              {classes.map((group) => (
                <li key={group.id} className="border-b-2 border-base-300">
                  <Link
                    to={`/groups/${group.id}`}
                    className="touch flex items-baseline gap-3 py-2 hover:bg-base-200"
                  >
                    <span className="display min-w-0 flex-1 text-xl">{group.name}</span>
                    <span className="quiet">{[group.weekday, group.time].filter(Boolean).join(' ')}</span>
                    <span className="display text-xl">{headcountOf(group)}</span>
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        )}

        <section className="mt-8" aria-labelledby="people-h">
          <div className="flex flex-wrap items-center gap-2">
            <h2 id="people-h" className="mr-auto text-2xl">
              {people.length === 0 ? 'Nobody by name yet' : 'By name'}
            </h2>
            <button type="button" className="btn btn-sm touch" onClick={() => setImporting(true)}>
              <Upload size={17} aria-hidden /> From a table
            </button>
            {people.length > 0 && (
              <button type="button" className="btn btn-sm touch" onClick={() => savePeopleTable(people)}>
                <Download size={17} aria-hidden /> As a table
              </button>
            )}
          </div>
          {people.length === 0 && (
            <p className="quiet">
              Nobody has to be entered: a class by number is enough to plan for. Names and detail can follow,
              one by one.
            </p>
          )}
          <ul className="mt-1 grid grid-cols-1 gap-x-10 sm:grid-cols-2">
            {people.map((person) => (
              <li key={person.id} className="border-b-2 border-base-300">
                <PersonRow person={person} />
              </li>
            ))}
          </ul>
        </section>
      </main>
      {importing && <ImportDialog people={people} onClose={() => setImporting(false)} />}
    </div>
  );
}

function PersonRow(props: { person: Person }) {
  const { person } = props;
  const outlook = outlookOf(person, today());
  const note = !outlook.mayTrain
    ? 'not in a session yet'
    : outlook.today.is === 'easier' || outlook.today.is === 'ask first'
      ? 'take it easy today'
      : outlook.standing.state === 'not screened'
        ? 'not asked yet'
        : outlook.standing.askAgain
          ? 'ask again'
          : '';
  return (
    <Link to={`/people/${person.id}`} className="touch flex items-center gap-3 py-2 hover:bg-base-200">
      <span
        className={`display grid h-10 w-10 shrink-0 place-items-center rounded-full text-sm ${outlook.mayTrain ? 'bg-base-300' : 'barred border-2 border-base-content'}`}
        aria-hidden
      >
        {initials(person.name)}
      </span>
      <span className="min-w-0 flex-1">
        <span className="display block text-xl leading-tight">{person.name}</span>
        <span className="quiet block text-sm">
          {ageWords(outlook.age)} · {person.kind}
        </span>
      </span>
      {note && <span className="text-right text-sm font-semibold">{note}</span>}
    </Link>
  );
}

const NEW_PERSON = { name: '', born: '' };

function NewPerson(props: { people: readonly Person[] }) {
  const send = useSend();
  const navigate = useNavigate();
  const [form, put, clear] = useDraft('new-person', NEW_PERSON);
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

function NewHeadcount() {
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
