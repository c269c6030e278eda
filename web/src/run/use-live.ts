import { clockText } from '@inner-rung/core/clock';
import {
  type Beat,
  beatAt,
  callsIn,
  clockOf,
  entryName,
  groupsIn,
  movesWords,
  type Position,
  peopleOf,
  positionAt,
  type Run,
  type Stretch,
} from '@inner-rung/core/run';
import { entriesOf } from '@inner-rung/core/session';
import { useMemo } from 'react';
import type { LiveRun } from './use-run.ts';

/** What every face of a run reads: its clock, its people, what is called, and where it is now. */
export function useLive(live: Pick<LiveRun, 'run' | 'events'>) {
  const { run, events } = live;
  const clock = useMemo(() => clockOf(run, events), [run, events]);
  const people = useMemo(() => peopleOf(run, events), [run, events]);
  const names = useMemo(() => entriesOf(run.plan.blocks).map((_, i) => entryName(run, i)), [run]);
  const calls = useMemo(
    () => callsIn(run, clock.stretches, (entry) => names[entry] ?? ''),
    [run, clock, names],
  );
  return { clock, people, names, calls };
}
export type Live = ReturnType<typeof useLive>;

/** Where a run is at this moment, whether that is work, and what comes after. */
export function lookAt(
  live: Pick<LiveRun, 'now'>,
  { clock }: Pick<Live, 'clock'>,
): { here: Position; now: Stretch | null; working: boolean; next: Stretch | null } {
  const here = positionAt(clock, live.now());
  const now = clock.stretches[here.index] ?? null;
  const next = clock.stretches.slice(here.index + 1).find((s) => s.segment.kind === 'work') ?? null;
  const working = now?.segment.kind === 'work' || now?.segment.kind === 'hold';
  return { here, now, working, next };
}

/** The beat everybody is at: of the work under way, or the first of what comes next in a rest. */
export function beatNow(now: Stretch | null, next: Stretch | null, into: number): Beat | null {
  const work = now && now.segment.kind === 'work' ? now : next;
  return work ? beatAt(work.segment, work === now ? into : 0) : null;
}

/** What is under way or next, as it is called; the stations where everybody is at another. */
export function saysOf(run: Run, stretch: Stretch | null): string {
  if (!stretch) return '';
  if (groupsIn(run, stretch.segment.block) > 1) return 'Every group at its station';
  return movesWords(run, stretch.segment);
}

/** From so many seconds on they are read as minutes and seconds. */
const MINUTES_FROM = 100;

/** What is left as it is read from far away: whole seconds, never 0 while something is left, minutes where there are some. */
export function leftWords(left: number): string {
  const seconds = Math.max(0, Math.ceil(left - 0.05));
  return seconds < MINUTES_FROM ? String(seconds) : clockText(seconds);
}
