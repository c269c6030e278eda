import type { Library } from '@inner-rung/core/ladder';
import {
  type LogRead,
  type RecordFate,
  readLogFile,
  readLogTable,
  type SessionRecord,
} from '@inner-rung/core/log';
import type { FormRef } from '@inner-rung/core/move';
import type { Person } from '@inner-rung/core/person';
import { formName } from '@inner-rung/core/words';
import Papa from 'papaparse';
import { useMemo, useState } from 'react';
import { records, useSend } from '../store/index.ts';
import { Tick } from '../ui/choice.tsx';
import { Dialog } from '../ui/dialog.tsx';
import { FateTable } from '../ui/fate-table.tsx';
import { FileOrPaste } from '../ui/file-or-paste.tsx';
import { saveFile } from '../ui/save-file.ts';
import { ResultsFile } from './results-file.tsx';

const FATE = {
  new: 'comes in',
  'here already': 'here already, left as it is',
  'otherwise here': 'here, but otherwise',
  refused: 'not taken',
} as const;

type Read =
  | { readonly is: 'table'; readonly read: LogRead; readonly rows: readonly Record<string, string>[] }
  | { readonly is: 'file'; readonly fates: readonly RecordFate[] }
  | { readonly is: 'results'; readonly raw: unknown }
  | { readonly is: 'neither'; readonly says: string };

/** Every form of the library by the name it has in a table. */
function formsByName(library: Library): (name: string) => FormRef | null {
  const byName = new Map<string, FormRef>();
  for (const move of library.moves) byName.set(formName(library, move.id).toLowerCase(), { move: move.id });
  for (const move of library.moves) byName.set(move.name.toLowerCase(), { move: move.id });
  for (const ladder of library.ladders)
    for (const { move, settings } of ladder.rungs)
      byName.set(formName(library, move, settings).toLowerCase(), {
        move,
        ...(settings ? { settings } : {}),
      });
  return (name) => byName.get(name.trim().toLowerCase()) ?? null;
}

/** Results from a table or a file: what would become of each is shown before anything is written. */
export function ImportDialog(props: {
  library: Library;
  people: readonly Person[];
  all: readonly SessionRecord[];
  onClose: () => void;
}) {
  const { library, people, all } = props;
  const send = useSend();
  const [text, setText] = useState('');
  const [over, setOver] = useState(false);
  const read = useMemo((): Read | null => {
    if (text.trim() === '') return null;
    if (/^\s*\{/.test(text)) {
      let raw: unknown;
      try {
        raw = JSON.parse(text);
      } catch (error) {
        return {
          is: 'neither',
          says: `It begins as a file of Inner Rung, but can’t be read: ${(error as Error).message}.`,
        };
      }
      if ((raw as { kind?: unknown }).kind === 'results') return { is: 'results', raw };
      const fates = readLogFile(raw, all);
      return fates
        ? { is: 'file', fates }
        : { is: 'neither', says: 'It is a file, but neither a log nor the results of a session.' };
    }
    const parsed = Papa.parse<Record<string, string>>(text.trim(), { header: true, skipEmptyLines: true });
    const torn = parsed.errors.find((e) => e.type === 'Quotes');
    if (torn)
      return { is: 'neither', says: `Line ${(torn.row ?? 0) + 2}: a quote is opened and not closed.` };
    // A formula that was escaped on the way out comes back as it was.
    const rows = parsed.data.map((row) =>
      Object.fromEntries(
        Object.entries(row).map(([k, v]) => [k, String(v ?? '').replace(/^'(?=[=+\-@\t\r])/, '')]),
      ),
    );
    return { is: 'table', rows, read: readLogTable(rows, all, people, formsByName(library)) };
  }, [text, all, people, library]);
  const put =
    read?.is === 'table'
      ? read.read.put
      : read?.is === 'file'
        ? read.fates.flatMap((f) =>
            f.record && (f.is === 'new' || (over && f.is === 'otherwise here')) ? [f.record] : [],
          )
        : [];
  const lines =
    read?.is === 'table'
      ? read.read.fates.map((f) => ({ key: String(f.line), what: f.who, is: f.is, says: f.says }))
      : read?.is === 'file'
        ? read.fates.map((f, i) => ({ key: String(i + 1), what: f.says, is: f.is, says: [] as string[] }))
        : [];
  const refused = read?.is === 'table' ? read.read.fates.filter((f) => f.is === 'refused') : [];
  return (
    <Dialog title="Results from elsewhere" onClose={props.onClose} wide>
      <p className="quiet">
        A table (CSV) whose first line names its columns: date, session and person, and any of there, minutes,
        effort, clean, range, pain, forms, note; a log that was saved here; or the results a session pack gave
        back.
      </p>
      <FileOrPaste
        accept=".csv,.json,text/csv,application/json,text/plain"
        text={text}
        placeholder={'date,session,person,effort\n2026-11-24,Tuesday ten,Maud Ellery,6'}
        onText={setText}
      />
      {(read?.is === 'neither' || (read?.is === 'table' && read.read.problem)) && (
        <p role="alert" className="mt-2 font-semibold text-error">
          {read.is === 'neither' ? read.says : read.read.problem}
        </p>
      )}
      {read?.is === 'table' && read.read.unknown.length > 0 && (
        <p className="mt-2">
          Columns that mean nothing here go into the note: {read.read.unknown.map((c) => `“${c}”`).join(', ')}
          .
        </p>
      )}
      {read?.is === 'results' && (
        <ResultsFile raw={read.raw} people={people} all={all} onDone={props.onClose} />
      )}
      {lines.length > 0 && (
        <>
          <FateTable
            first={read?.is === 'table' ? 'Line' : 'No.'}
            second="What"
            fates={lines.map((line) => ({
              line: line.key,
              what: line.what,
              is: line.is,
              says: FATE[line.is],
              comesIn: line.is === 'new',
              remarks: line.says,
            }))}
          />
          {read?.is === 'file' && read.fates.some((f) => f.is === 'otherwise here') && (
            <Tick on={over} onTurn={setOver}>
              Where it is otherwise here, take what the file says
            </Tick>
          )}
          <div className="mt-3 flex flex-wrap gap-2">
            <button
              type="button"
              className="btn btn-primary touch"
              disabled={put.length === 0}
              onClick={() => {
                send(records.step({ says: 'Results from elsewhere', put: [...put] }));
                props.onClose();
              }}
            >
              {put.length === 0
                ? 'Nothing of it can come in'
                : `Bring in ${put.length} ${put.length === 1 ? 'session' : 'sessions'}`}
            </button>
            {read?.is === 'table' && refused.length > 0 && (
              <button
                type="button"
                className="btn touch"
                onClick={() =>
                  saveFile(
                    'not-taken.csv',
                    'text/csv;charset=utf-8',
                    `\uFEFF${Papa.unparse(
                      refused.map((f) => ({ ...read.rows[f.line - 2], why: f.says.join('; ') })),
                      { escapeFormulae: true, newline: '\r\n' },
                    )}`,
                  )
                }
              >
                Save the {refused.length} not taken, with why
              </button>
            )}
          </div>
        </>
      )}
    </Dialog>
  );
}
