import { recordIdOf } from '@inner-rung/core/log';
import { type RunLine, runs } from './api.ts';
import { useRecords } from './use-records.ts';

/** A run that nobody recorded is shown for so many days. Estimate. */
const DAYS_SHOWN = 14;

/** Is this run still of interest: under way, or over and not recorded? */
export const openRuns = (
  runs: readonly RunLine[],
  recorded: (run: string) => boolean,
): { readonly underWay: readonly RunLine[]; readonly toRecord: readonly RunLine[] } => ({
  underWay: runs.filter((run) => run.is === 'under way'),
  toRecord: runs.filter((run) => run.is === 'over' && run.daysAgo <= DAYS_SHOWN && !recorded(run.id)),
});

/** The runs there are, the newest first, and which of them want something. */
export function useRuns() {
  const list = runs.use();
  const { docs, ready } = useRecords();
  const all = list.data ?? [];
  return ready ? openRuns(all, (run) => docs[recordIdOf(run)] !== undefined) : openRuns([], () => true);
}
