import type { Library } from '@inner-rung/core/ladder';
import type { Person } from '@inner-rung/core/person';
import {
  bandState,
  bandsOf,
  type HeartSource,
  heartsFrom,
  type Present,
  type Run,
  type RunClock,
  rateNow,
  simulatedStraps,
  wearersOf,
} from '@inner-rung/core/run';
import Papa from 'papaparse';
import { useMemo, useState } from 'react';
import { today } from '../store/day.ts';
import { Dialog } from '../ui/dialog.tsx';

/** A heart as the coach sees it. */
export interface HeartSeen {
  readonly bpm: number | null;
  /** Null for those who have no target: by number, under 18, or a medicine or device that changes the rate. */
  readonly is: 'under' | 'in' | 'over' | null;
}

/** Hearts by the second, from stand-ins or a file; null while nobody wears a strap. */
export function useStraps(
  library: Library,
  run: Run,
  clock: RunClock,
  people: readonly Present[],
  files: readonly Person[],
  second: number,
) {
  const [from, setFrom] = useState<'nobody' | 'simulated' | HeartSource>('nobody');
  const source = useMemo(
    () =>
      from === 'nobody'
        ? null
        : from === 'simulated'
          ? simulatedStraps(wearersOf(library, run, clock, people, files, today()), run.id)
          : from,
    [from, library, run, clock, people, files],
  );
  const bands = useMemo(() => bandsOf(files, today()), [files]);
  const hearts = useMemo(() => {
    if (!source) return null;
    return new Map(
      people.map(({ id, name }): [string, HeartSeen] => {
        const now = rateNow(source, id, second) ?? rateNow(source, name, second);
        const band = bands.get(id);
        return [id, { bpm: now?.bpm ?? null, is: now && band ? bandState(now.bpm, band) : null }];
      }),
    );
  }, [source, bands, people, second]);
  return { hearts, source, setFrom };
}

/** Where heart rates come from. */
export function StrapsDialog(props: {
  source: HeartSource | null;
  onFrom: (from: 'nobody' | 'simulated' | HeartSource) => void;
  onClose: () => void;
}) {
  const [said, setSaid] = useState<readonly string[]>([]);
  const take = (from: 'nobody' | 'simulated' | HeartSource) => {
    props.onFrom(from);
    props.onClose();
  };
  return (
    <Dialog title="Heart rates" onClose={props.onClose}>
      <p className="mb-3">
        {props.source ? `From ${props.source.name}.` : 'Nobody wears a strap.'} A band is shown only for those
        who may have one; for everybody breath and words come first.
      </p>
      <div className="grid gap-2">
        <button type="button" className="btn touch justify-start" onClick={() => take('simulated')}>
          Simulated straps, to try it with
        </button>
        <label className="touch grid gap-1">
          <span className="quiet text-sm">A file to play back: seconds, person, bpm</span>
          <input
            type="file"
            accept=".csv,text/csv"
            className="file-input w-full"
            onChange={async (event) => {
              const file = event.target.files?.[0];
              event.target.value = '';
              if (!file) return;
              const { data } = Papa.parse<Record<string, string>>(await file.text(), {
                header: true,
                skipEmptyLines: true,
              });
              const read = heartsFrom(data, file.name);
              setSaid(read.problems);
              if (read.source && read.problems.length === 0) take(read.source);
              else if (read.source) props.onFrom(read.source);
            }}
          />
        </label>
        {said.length > 0 && (
          <ul role="alert" className="border-l-4 border-error pl-3">
            {said.slice(0, 6).map((line) => (
              <li key={line}>{line}</li>
            ))}
            {said.length > 6 && <li>…and {said.length - 6} more lines.</li>}
          </ul>
        )}
        {props.source && (
          <button type="button" className="btn touch justify-start" onClick={() => take('nobody')}>
            No more heart rates
          </button>
        )}
      </div>
    </Dialog>
  );
}
