import type { Library } from '@inner-rung/core/ladder';
import { corrected, type Result, recordFrom, type SessionRecord } from '@inner-rung/core/log';
import type { Person } from '@inner-rung/core/person';
import { formName } from '@inner-rung/core/words';
import { ArrowLeft } from 'lucide-react';
import { useMemo, useState } from 'react';
import { Link, useParams } from 'react-router';
import { MovePicker } from '../features/move-picker.tsx';
import { NextRungs } from '../features/next-rungs.tsx';
import { useShelf } from '../store/data.ts';
import { records, useSend } from '../store/index.ts';
import { useRecords } from '../store/use-records.ts';
import { SaveLine } from '../ui/save-line.tsx';
import { ServerAway, Waiting } from '../ui/shell.tsx';
import { NoRun } from './no-run.tsx';
import { RecordForm } from './record-form.tsx';
import { type LiveRun, useRun } from './use-run.ts';
import { useStopsInFiles } from './use-stops.ts';

/** What came of a run, by exception: filled in from it, touched only where it wasn't as planned; then what is next. */
export default function RecordScreen() {
  const { id = '' } = useParams();
  const { library, people, failed } = useShelf();
  const live = useRun(id);
  const { ready } = useRecords();
  if (failed) return <ServerAway />;
  if (live === 'gone') return <NoRun />;
  if (!library || !live || !ready) return <Waiting />;
  return <RecordSheet key={id} library={library} people={people} live={live} />;
}

function RecordSheet(props: { library: Library; people: readonly Person[]; live: LiveRun }) {
  const { library, people, live } = props;
  const send = useSend();
  const { docs, all } = useRecords();
  const [choosing, setChoosing] = useState<{
    result: number;
    piece: number;
    how: 'instead' | 'besides';
  } | null>(null);
  const made = useMemo(
    () => recordFrom(live.run, live.events, (one) => (people.some((p) => p.id === one) ? one : null)),
    [live.run, live.events, people],
  );
  useStopsInFiles(live, people, true);
  const record = docs[made.id] ?? made;
  const kept = docs[made.id] !== undefined;
  const put = (next: SessionRecord, says: string) => send(records.step({ says, put: [next] }));
  const nameOf = (result: Result) =>
    people.find((p) => p.id === result.person)?.name ?? (result.known || 'somebody');
  const choose = (move: string) => {
    if (!choosing) return;
    const { result: at, piece, how } = choosing;
    setChoosing(null);
    const result = record.results[at]!;
    const old = result.pieces[piece]!;
    const next = { entry: old.entry, move, seconds: old.seconds, reps: old.reps, counted: old.counted };
    const pieces =
      how === 'instead'
        ? result.pieces.map((p, i) => (i === piece ? next : p))
        : [...result.pieces, { ...next, seconds: 0, reps: old.reps === null ? null : 0, counted: true }];
    const says = `${nameOf(result)}: ${library.move(move)?.name}`;
    const form = (f: { move: string }) => formName(library, f.move);
    put(corrected(record, result.id, { pieces }, new Date().toISOString(), form), says);
  };
  return (
    <div className="min-h-dvh">
      <header className="sticky top-0 z-10 flex flex-wrap items-center gap-3 border-b-2 border-base-300 bg-base-100 px-4 py-2">
        <Link to={`/run/${live.run.id}`} className="btn btn-ghost btn-sm touch">
          <ArrowLeft size={18} aria-hidden /> The run
        </Link>
        <h1 className="min-w-0 flex-1 truncate text-2xl">What came of it: {record.title}</h1>
        {kept ? (
          <SaveLine shelf={records} />
        ) : (
          <button
            type="button"
            className="btn btn-primary touch"
            onClick={() => put(record, `Keep what came of ${record.title}`)}
          >
            All as planned: keep it
          </button>
        )}
      </header>
      <main className="mx-auto max-w-5xl px-4 py-3">
        <RecordForm
          of={live}
          record={record}
          kept={kept}
          nameOf={nameOf}
          formName={(form) => formName(library, form.move, form.settings)}
          onPut={put}
          onOther={(result, piece, how) => setChoosing({ result, piece, how })}
        />
        {kept && <NextRungs library={library} people={people} record={record} all={all} />}
      </main>
      {choosing && (
        <MovePicker
          library={library}
          title={choosing.how === 'instead' ? 'What they did instead' : 'What they did besides'}
          onPick={choose}
          onClose={() => setChoosing(null)}
        />
      )}
    </div>
  );
}
