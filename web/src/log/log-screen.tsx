import {
  findInLog,
  HAPPENED,
  HAPPENED_IDS,
  type HappenedId,
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
import { useShelf } from '../store/data.ts';
import { dayWords } from '../store/day.ts';
import { useRecords } from '../store/use-records.ts';
import { Chip } from '../ui/choice.tsx';
import { PartsHeader } from '../ui/parts-header.tsx';
import { saveFile } from '../ui/save-file.ts';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { DiaryMonth } from './diary-month.tsx';
import { ImportDialog } from './import-dialog.tsx';
import { LogTable } from './log-table.tsx';

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
  const [from, setFrom] = useState('');
  const [to, setTo] = useState('');
  const [happened, setHappened] = useState<HappenedId | ''>('');
  const [monthly, setMonthly] = useState(false);
  const lines = useMemo(() => {
    if (!library) return [];
    const nameOf = (r: Result) => people.find((p) => p.id === r.person)?.name ?? (r.known || 'somebody');
    const kept = recordsWith(all, {
      group: group || null,
      person: person || null,
      moves: ladder ? (library.ladder(ladder)?.rungs.map((rung) => rung.move) ?? []) : null,
      from,
      to,
      happened: happened || null,
    });
    return logLines(kept, nameOf, (piece) => formName(library, piece.move, piece.settings));
  }, [all, library, people, group, person, ladder, from, to, happened]);
  const index = useMemo(() => indexLog(lines), [lines]);
  const found = useMemo(() => findInLog(index, text), [index, text]);
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
              className="input touch w-52"
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
                className="select touch w-36"
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
          <label>
            <span className="quiet block text-sm">What happened</span>
            <select
              className="select touch w-40"
              value={happened}
              onChange={(event) => setHappened(event.target.value as HappenedId | '')}
            >
              <option value="">anything</option>
              {HAPPENED_IDS.map((id) => (
                <option key={id} value={id}>
                  {HAPPENED[id].says}
                </option>
              ))}
            </select>
          </label>
          {(
            [
              ['From', from, setFrom],
              ['To', to, setTo],
            ] as const
          ).map(([label, value, set]) => (
            <label key={label}>
              <span className="quiet block text-sm">{label}</span>
              <input
                type="date"
                className="input touch"
                value={value}
                onChange={(event) => set(event.target.value)}
              />
            </label>
          ))}
          <Chip on={monthly} onTurn={() => setMonthly(!monthly)}>
            Month
          </Chip>
        </div>
        {from !== '' && to !== '' && from > to && (
          <p role="alert" className="mt-2 font-semibold text-error">
            From {dayWords(from)} to {dayWords(to)} there are no days: “From” comes after “To”.
          </p>
        )}
        {monthly && (
          <DiaryMonth
            records={all}
            day={from !== '' && from === to ? from : null}
            onDay={(day) => {
              setFrom(day ?? '');
              setTo(day ?? '');
            }}
          />
        )}
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
            <LogTable lines={found.slice(0, MOST)} all={all} />
          </>
        )}
      </main>
      {reading && (
        <ImportDialog library={library} people={people} all={all} onClose={() => setReading(false)} />
      )}
    </div>
  );
}
