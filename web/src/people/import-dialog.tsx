import { type Person, type RowFate, readPeople } from '@inner-rung/core/person';
import { useMemo, useState } from 'react';
import { newId, today } from '../store/day.ts';
import { people as peopleShelf, useSend } from '../store/index.ts';
import { Dialog } from '../ui/dialog.tsx';
import { FateTable } from '../ui/fate-table.tsx';
import { FileOrPaste } from '../ui/file-or-paste.tsx';
import { readTable } from './people-file.ts';

const FATE: Readonly<Record<RowFate['is'], string>> = {
  new: 'comes in',
  'here already': 'here already, left as is',
  'twice in the file': 'a second time in the file, left out',
  refused: 'left out',
  empty: 'empty',
};

/** People from a CSV file: every row's fate is shown before anything is written. */
export function ImportDialog(props: { people: readonly Person[]; onClose: () => void }) {
  const send = useSend();
  const [text, setText] = useState('');
  const table = useMemo(() => (text.trim() === '' ? null : readTable(text)), [text]);
  const fates = useMemo(
    () => (table ? readPeople(table.rows, props.people, today(), () => newId('p')) : []),
    [table, props.people],
  );
  const coming = fates.flatMap((fate) => (fate.is === 'new' && fate.person ? [fate.person] : []));
  return (
    <Dialog title="People from a table" onClose={props.onClose} wide>
      <p className="quiet">
        A CSV file whose first line names its columns: name and born, and any of kind, sex, activity, mass kg,
        height cm, resting rate, level, conditions, goals, notes, emergency name, emergency phone.
      </p>
      <FileOrPaste
        accept=".csv,text/csv,text/plain"
        text={text}
        placeholder={'name,born\nMaud Ellery,1955-03-20'}
        onText={setText}
      />
      {table?.problem && (
        <p role="alert" className="mt-2 font-semibold text-error">
          {table.problem}
        </p>
      )}
      {table && table.unknown.length > 0 && (
        <p className="mt-2">Columns left out: {table.unknown.map((name) => `“${name}”`).join(', ')}.</p>
      )}
      {fates.length > 0 && (
        <>
          <FateTable
            first="Line"
            second="Who"
            fates={fates.map((fate) => ({
              line: String(fate.line),
              what: fate.person?.name ?? table?.rows[fate.line - 2]?.name ?? '',
              is: fate.is,
              says: FATE[fate.is],
              comesIn: fate.is === 'new',
              remarks: fate.problems.map((p) => `${p.column}: ${p.says}`),
            }))}
          />
          <button
            type="button"
            className="btn btn-primary touch mt-3"
            disabled={coming.length === 0}
            onClick={() => {
              send(peopleShelf.step({ says: `Add ${coming.length} people`, put: coming }));
              props.onClose();
            }}
          >
            {coming.length === 0 ? 'No row can come in' : `Bring in ${coming.length}`}
          </button>
        </>
      )}
    </Dialog>
  );
}
