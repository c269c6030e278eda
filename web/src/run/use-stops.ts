import { type Person, stoppedIn } from '@inner-rung/core/person';
import { clockOf, peopleOf } from '@inner-rung/core/run';
import { useEffect } from 'react';
import { people, useSend } from '../store/index.ts';
import type { LiveRun } from './use-run.ts';

/**
 * Stop signs of a run go into the files of those who had them, once what was done has been written down or the run is
 * over: until then a press may still be taken back. From then on they train no more until somebody closes it.
 */
export function useStopsInFiles(
  { run, events, began }: Pick<LiveRun, 'run' | 'events' | 'began'>,
  files: readonly Person[],
  over = false,
): void {
  const send = useSend();
  useEffect(() => {
    if (began === undefined) return;
    const ended = over || clockOf(run, events).finishedAt !== null;
    for (const one of peopleOf(run, events)) {
      const file = files.find((person) => person.id === one.id);
      if (!file || !one.sign || (one.sign.note === null && !ended)) continue;
      const stop = { run: run.id, on: run.on, sign: one.sign.sign, note: one.sign.note ?? '' };
      // Of every device that looks on the same writing, to the letter: whichever comes second has saved it already.
      const at = new Date(began + one.sign.at).toISOString();
      const next = stoppedIn(file, stop, { day: run.on, at });
      if (next !== file) send(people.step({ says: `Stopped: ${file.name}`, put: [next] }));
    }
  }, [run, events, began, files, over, send]);
}
