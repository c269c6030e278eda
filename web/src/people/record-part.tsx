import { useState } from 'react';
import { Link } from 'react-router';
import type { PersonPage } from '../features/use-person.ts';
import { dayOf, dayWords } from '../store/day.ts';
import { letGo } from '../store/erased.ts';
import { people as peopleShelf, useApp } from '../store/index.ts';
import { useMay } from '../store/use-may.ts';
import { saveFile } from '../ui/save-file.ts';
import { ConsentPart } from './consent-part.tsx';

const time = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

/** What was changed, when and why; everything out as a file or a page; and gone for good. */
export function RecordPart(props: { page: PersonPage }) {
  const { person, first } = props.page;
  const mayErase = useMay('erase');
  const [typed, setTyped] = useState('');
  const [failed, setFailed] = useState<string | null>(null);
  const saved = useApp(peopleShelf.saveState).is === 'saved';
  const erase = async () => {
    if (!saved) return setFailed('The last change isn’t saved yet. Wait for “Saved”, then erase.');
    setFailed(null);
    try {
      const response = await fetch(`/api/people/${person.id}/erase`, { method: 'POST' });
      if (!response.ok && response.status !== 404) throw new Error(String(response.status));
      letGo([person.id]);
      // A fresh page: nothing of them stays in this one's memory or steps of undo.
      location.assign('/people');
    } catch {
      setFailed('The server didn’t answer; nothing was erased. Try again.');
    }
  };
  const log = [...person.log].reverse();
  return (
    <div className="mt-2 grid grid-cols-1 gap-x-10 gap-y-6 md:grid-cols-[minmax(0,1fr)_20rem]">
      <div className="grid min-w-0 content-start gap-6">
        <ConsentPart page={props.page} />
        <section aria-labelledby="log-h">
          <h3 id="log-h" className="text-xl">
            What was changed, when and why
          </h3>
          {log.length === 0 && (
            <p className="quiet">
              Nothing yet. Changes to limits, conditions, clearance and places are kept here.
            </p>
          )}
          <ol className="divide-y-2 divide-base-300">
            {log.map((entry, i) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: two entries may be alike in everything
              <li key={i} className="py-1.5">
                <span className="quiet text-sm">
                  {dayWords(dayOf(entry.at))}, {time.format(new Date(entry.at))}
                </span>
                <span className="block">{entry.says}</span>
                {entry.why && <span className="block text-sm">Why: {entry.why}</span>}
              </li>
            ))}
          </ol>
        </section>
      </div>
      <div className="grid content-start gap-6">
        <section aria-labelledby="out-h">
          <h3 id="out-h" className="text-xl">
            Everything about {first}
          </h3>
          <div className="mt-1 flex flex-wrap gap-2">
            <Link to={`/people/${person.id}/page`} className="btn touch">
              As a page to read
            </Link>
            <Link to={`/people/${person.id}/home`} className="btn touch">
              Home programme
            </Link>
            <button
              type="button"
              className="btn touch"
              onClick={() =>
                saveFile(`${person.id}.json`, 'application/json', `${JSON.stringify(person, null, 2)}\n`)
              }
            >
              As a JSON file
            </button>
            <Link to={`/trail?person=${person.id}`} className="btn touch">
              Who saw and changed it
            </Link>
          </div>
        </section>
        {mayErase ? (
          <section aria-labelledby="erase-h" className="border-t-2 border-base-300 pt-3">
            <h3 id="erase-h" className="text-xl">
              Erase for good
            </h3>
            <p>
              Everything about {first}: this page, earlier versions, their place in groups and circuits. It
              can’t be undone.
            </p>
            <label className="mt-2 block">
              <span className="quiet text-sm">Type “{person.name}” to be sure</span>
              <input
                className="input touch w-full"
                value={typed}
                autoComplete="off"
                onChange={(e) => setTyped(e.target.value)}
              />
            </label>
            <button
              type="button"
              className="btn touch mt-2"
              disabled={typed.trim() !== person.name}
              onClick={() => void erase()}
            >
              Erase {first}
            </button>
            {failed && (
              <p role="alert" className="mt-1 font-semibold text-error">
                {failed}
              </p>
            )}
          </section>
        ) : (
          <p className="quiet border-t-2 border-base-300 pt-3">Erasing somebody for good is the owner’s.</p>
        )}
      </div>
    </div>
  );
}
