import { readResults, type SessionRecord, turnoutWords } from '@inner-rung/core/log';
import type { Person } from '@inner-rung/core/person';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { dayWords } from '../store/day.ts';
import { records, useSend } from '../store/index.ts';

/** The results a session pack gave back: what is in them, and taking them in. */
export function ResultsFile(props: {
  raw: unknown;
  people: readonly Person[];
  all: readonly SessionRecord[];
  onDone: () => void;
}) {
  const send = useSend();
  const navigate = useNavigate();
  const [wrong, setWrong] = useState('');
  const read = readResults(props.raw);
  if (!read.ok)
    return (
      <p role="alert" className="mt-2 font-semibold text-error">
        The results can’t be read: {read.says}. Nothing was taken in.
      </p>
    );
  const { run, events, record } = read.value;
  const here = record && props.all.some((r) => r.id === record.id);
  const take = async () => {
    try {
      const answer = await fetch('/api/runs/taken', {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ run, events }),
      });
      if (!answer.ok) {
        setWrong(((await answer.json()) as { detail?: string }).detail ?? 'It couldn’t be taken in.');
        return;
      }
    } catch {
      setWrong('The server is away. Nothing was taken in; try again.');
      return;
    }
    // Whose results they are is by file where the file is still here.
    if (record && !here) {
      const known = new Set(props.people.map((p) => p.id));
      const results = record.results.map((r) =>
        r.person !== null && !known.has(r.person) ? { ...r, person: null, known: r.known || 'somebody' } : r,
      );
      send(
        records.step({ says: `What came of ${record.title}, from its pack`, put: [{ ...record, results }] }),
      );
    }
    props.onDone();
    void navigate(`/run/${run.id}/record`);
  };
  return (
    <div className="mt-3 grid gap-2">
      <p>
        <strong>{run.plan.title}</strong>, {dayWords(run.on)}: {run.cast.length} people, {events.length}{' '}
        things that happened
        {record ? `, ${turnoutWords(record)}` : ', nothing said yet of what came of it'}.
      </p>
      {here && <p>What came of it is here already and stays as it is; what happened in the run is added.</p>}
      {wrong && (
        <p role="alert" className="font-semibold text-error">
          {wrong}
        </p>
      )}
      <button type="button" className="btn btn-primary touch justify-self-start" onClick={() => void take()}>
        Take it in
      </button>
    </div>
  );
}
