import { ageWords, headcountOf, outlookOf, type Person } from '@inner-rung/core/person';
import { Download, Upload } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { initials, useShelf } from '../store/data.ts';
import { today } from '../store/day.ts';
import { people as peopleShelf } from '../store/index.ts';
import { PartsHeader } from '../ui/parts-header.tsx';
import { SaveLine } from '../ui/save-line.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { ImportDialog } from './import-dialog.tsx';
import { NewHeadcount, NewPerson } from './new-person.tsx';
import { savePeopleTable } from './people-file.ts';
import { UnheardPart } from './unheard-part.tsx';

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
        {people.length > 0 && <UnheardPart people={people} />}
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
