import type { Library } from '@inner-rung/core/ladder';
import { callsIn, clockOf, type Position, peopleOf, positionAt, type Stretch } from '@inner-rung/core/run';
import { formName } from '@inner-rung/core/scale';
import { entriesOf } from '@inner-rung/core/session';
import { useMemo } from 'react';
import type { LiveRun } from './use-run.ts';

/** What every face of a run reads: its clock, its people, what is called, and where it is now. */
export function useLive(library: Library, live: LiveRun) {
  const { run, events } = live;
  const clock = useMemo(() => clockOf(run, events), [run, events]);
  const people = useMemo(() => peopleOf(run, events), [run, events]);
  const names = useMemo(
    () => entriesOf(run.plan.blocks).map((entry) => formName(library, entry.move, entry.settings)),
    [run, library],
  );
  const calls = useMemo(
    () => callsIn(run, clock.stretches, (entry) => names[entry] ?? ''),
    [run, clock, names],
  );
  return { clock, people, names, calls };
}
export type Live = ReturnType<typeof useLive>;

/** Where a run is at this moment, and what comes after. */
export function lookAt(
  live: LiveRun,
  { clock }: Live,
): { here: Position; now: Stretch | null; next: Stretch | null } {
  const here = positionAt(clock, live.now());
  const now = clock.stretches[here.index] ?? null;
  const next = clock.stretches.slice(here.index + 1).find((s) => s.segment.kind === 'work') ?? null;
  return { here, now, next };
}

/** The entry everybody looks at: of the work under way, or of what comes next in a rest. */
export function entryAt(now: Stretch | null, next: Stretch | null, into: number): number | null {
  const work = now && now.segment.kind === 'work' ? now : next;
  if (!work) return null;
  if (work !== now) return work.segment.does[0]?.entry ?? null;
  let gone = 0;
  for (const doing of work.segment.does) {
    gone += doing.seconds;
    if (into < gone) return doing.entry;
  }
  return work.segment.does.at(-1)?.entry ?? null;
}

/** Seconds left as they are read from far away: whole, never 0 while something is left. */
export const secondsLeft = (left: number): number => Math.max(0, Math.ceil(left - 0.05));
