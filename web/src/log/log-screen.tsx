import {
  findInLog,
  indexLog,
  LOG_COLUMNS,
  logFile,
  logLines,
  type Result,
  recordsWith,
} from '@inner-rung/core/log';
import { formName } from '@inner-rung/core/words';
import { Download, Upload } from 'lucide-react';
import Papa from 'papaparse';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useShelf } from '../store/data.ts';
import { dayWords } from '../store/day.ts';
import { useRecords } from '../store/use-records.ts';
import { PartsHeader } from '../ui/parts-header.tsx';
import { saveFile } from '../ui/save-file.ts';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { ImportDialog } from './import-dialog.tsx';

const MOST = 200;

/** Everything that was recorded, the newest first, searched by person, session, form or note. */
export default function LogScreen() {
  const { library, people, groups, failed } = useShelf();
  const { all, ready: loaded } = useRecords();
  const [text, setText] = useState('');
  const [group, setGroup] = useState('');
  const [person, setPerson] = useState('');
  const [ladder, setLadder] = useState('');
  const [reading, setReading] = useState(false);
  const lines = useMemo(() => {
    if (!library) return [];
    const nameOf = (r: Result) => people.find((p) => p.id === r.person)?.name ?? (r.known || 'somebody');
    const kept = recordsWith(all, {
      group: group || null,
      person: person || null,
      moves: ladder ? (library.ladder(ladder)?.rungs.map((rung) => rung.move) ?? []) : null,
    });
    return logLines(kept, nameOf, (piece) => formName(library, piece.move, piece.settings));
  }, [all, library, people, group, person, ladder]);
  const index = useMemo(() => indexLog(lines), [lines]);
  const found = useMemo(() => findInLog(index, text), [index, text]);
  const runOf = useMemo(
    () => new Map(all.map((record) => [`${record.on}/${record.title}`, record.run])),
    [all],
  );
  if (failed) return <ServerAway />;
  if (!library || !loaded) return <Waiting />;
  return (
    <div className="min-h-dvh">
      <PartsHeader here="log" />
      <main className="mx-auto max-w-6xl px-4 py-4">
        <div className="flex flex-wrap items-end gap-3">
          <h1 className="mr-auto text-3xl">Log</h1>
          <button type="button" className="btn touch" onClick={() => setReading(true)}>
            <Upload size={18} aria-hidden /> From elsewhere
          </button>
          <button
            type="button"
            className="btn touch"
            disabled={all.length === 0}
            onClick={() => saveFile('log.json', 'application/json', logFile(all))}
          >
            <Download size={18} aria-hidden /> As a file
          </button>
          <button
            type="button"
            className="btn touch"
            disabled={found.length === 0}
            onClick={() =>
              saveFile(
                'log.csv',
                'text/csv;charset=utf-8',
                `\uFEFF${Papa.unparse([...found], { columns: [...LOG_COLUMNS], escapeFormulae: true, newline: '\r\n' })}`,
              )
            }
          >
            <Download size={18} aria-hidden /> As a table
          </button>
        </div>
        <div className="mt-2 flex flex-wrap items-end gap-3">
          <label>
            <span className="quiet block text-sm">Look for</span>
            <input
              className="input w-64"
              type="search"
              value={text}
              placeholder="a name, a form, knee…"
              onChange={(event) => setText(event.target.value)}
            />
          </label>
          {(
            [
              ['Group', group, setGroup, groups],
              ['Person', person, setPerson, people],
              ['Ladder', ladder, setLadder, library.ladders],
            ] as const
          ).map(([label, value, set, of]) => (
            <label key={label}>
              <span className="quiet block text-sm">{label}</span>
              <select
                className="select touch w-40"
                value={value}
                onChange={(event) => set(event.target.value)}
              >
                <option value="">all</option>
                {of.map((one) => (
                  <option key={one.id} value={one.id}>
                    {one.name}
                  </option>
                ))}
              </select>
            </label>
          ))}
        </div>
        {all.length === 0 ? (
          <p className="mt-6 text-lg">
            Nothing recorded yet. Run a session from its class page, and say what came of it when it is over.
          </p>
        ) : (
          <>
            <p className="quiet mt-2" role="status">
              {found.length} {found.length === 1 ? 'result' : 'results'}
              {found.length > MOST ? `, the newest ${MOST} shown` : ''}
            </p>
            {/* biome-ignore lint/a11y/noNoninteractiveTabindex: a scrolling table must be reachable by keyboard */}
            <section className="overflow-x-auto" tabIndex={0} aria-label="Results">
              <table className="table table-sm text-[0.95rem]">
                <thead>
                  <tr className="display text-base text-base-content">
                    <th scope="col">When</th>
                    <th scope="col">Who</th>
                    <th scope="col">Session</th>
                    <th scope="col">How hard</th>
                    <th scope="col">What they did</th>
                    <th scope="col">Said</th>
                  </tr>
                </thead>
                <tbody>
                  {found.slice(0, MOST).map((line, i) => {
                    const run = runOf.get(`${line.date}/${line.session}`);
                    return (
                      // biome-ignore lint/suspicious/noArrayIndexKey: a line is of one person in one session
                      <tr key={i} className={line.there === 'yes' ? '' : 'quiet'}>
                        <td className="whitespace-nowrap">{dayWords(line.date)}</td>
                        <th scope="row">{line.person}</th>
                        <td>
                          {run ? (
                            <Link to={`/run/${run}/record`} className="underline underline-offset-4">
                              {line.session}
                            </Link>
                          ) : (
                            line.session
                          )}
                        </td>
                        <td className="whitespace-nowrap">
                          {line.there === 'no' ? 'not there' : line.effort ? `${line.effort} of 10` : '–'}
                        </td>
                        <td className="max-w-md">
                          {line.outcome && (
                            <strong className="block" data-outcome>
                              {line.outcome}
                              {line.handled && `: ${line.handled}`}
                            </strong>
                          )}
                          {line.there === 'yes' ? line.forms : ''}
                        </td>
                        <td>
                          {[
                            line.clean === 'no' ? 'not clean' : '',
                            line.pain ? `pain: ${line.pain}` : '',
                            line.note,
                          ]
                            .filter(Boolean)
                            .join(' · ')}
                        </td>
                      </tr>
                    );
                  })}
                </tbody>
              </table>
            </section>
          </>
        )}
      </main>
      {reading && (
        <ImportDialog library={library} people={people} all={all} onClose={() => setReading(false)} />
      )}
    </div>
  );
}
