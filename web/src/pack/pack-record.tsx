import { recordFrom, SESSION_RECORD, type SessionRecord } from '@inner-rung/core/log';
import type { FormRef } from '@inner-rung/core/move';
import { openRecord } from '@inner-rung/core/record';
import { useEffect, useMemo, useState } from 'react';
import { RecordForm } from '../run/record-form.tsx';
import type { LiveRun } from '../run/use-run.ts';
import { storage } from '../store/storage.ts';
import { saveFile } from '../ui/save-file.ts';

const recordKey = (id: string) => `inner-rung/pack/${id}/record`;

function keptRecord(id: string): SessionRecord | null {
  // One kept by an earlier pack is of an earlier version.
  const opened = openRecord(SESSION_RECORD, storage.read(recordKey(id)));
  return opened.ok ? opened.value : null;
}

/** What came of it, kept in the browser and handed back as a file. */
export function PackRecord(props: { live: LiveRun }) {
  const { run, events } = props.live;
  const made = useMemo(() => {
    const byNumber = new Set(run.cast.filter((c) => c.byNumber).map((c) => c.id));
    const files = new Set(run.cast.map((c) => c.id).filter((id) => !byNumber.has(id)));
    return recordFrom(run, events, (id) => (files.has(id) ? id : null));
  }, [run, events]);
  const [kept, setKept] = useState(() => keptRecord(run.id));
  const record = kept ?? made;
  useEffect(() => {
    if (kept) storage.set(recordKey(run.id), JSON.stringify(kept));
  }, [kept, run.id]);
  const names = useMemo(() => {
    const byForm = new Map<string, string>();
    for (const person of run.cast)
      for (const does of [
        ...person.does,
        ...person.switches.flatMap((s) => [s.down, s.up, s.wrist, s.knee, s.back]),
      ])
        if (does && does !== 'same') byForm.set(formKey(does), does.name);
    return byForm;
  }, [run]);
  const text = `${JSON.stringify({ kind: 'results', version: 1, run, events, record })}\n`;
  const [shown, setShown] = useState(false);
  return (
    <>
      <RecordForm
        of={{ run, events }}
        record={record}
        kept={kept !== null}
        nameOf={(r) => run.cast.find((c) => c.id === r.person)?.name ?? (r.known || 'somebody')}
        formName={(form) => names.get(formKey(form)) ?? form.move.replaceAll('-', ' ')}
        onPut={setKept}
        onOther={null}
      />
      <div className="mt-4 flex flex-wrap gap-2">
        <button
          type="button"
          className="btn btn-primary btn-lg touch"
          onClick={() => saveFile(`results-${run.on}-${run.id}.json`, 'application/json', text)}
        >
          Save the results
        </button>
        <button type="button" className="btn btn-lg touch" onClick={() => setShown(!shown)}>
          As text, to copy
        </button>
      </div>
      <p className="quiet mt-1 text-sm">
        At home: the log, “From elsewhere”, this file. Until then it stays in this browser.
      </p>
      {shown && (
        <textarea
          className="textarea mt-2 w-full font-mono text-xs"
          aria-label="The results as text"
          rows={6}
          readOnly
          value={text}
          onFocus={(event) => event.target.select()}
        />
      )}
    </>
  );
}

const formKey = (form: FormRef) => JSON.stringify([form.move, form.settings ?? null]);
