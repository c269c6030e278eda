import { clockText } from '@inner-rung/core/clock';
import {
  beatAt,
  callsIn,
  clockOf,
  entryName,
  groupsIn,
  isLed,
  movesWords,
  peopleOf,
  positionAt,
  type Run,
  restCalled,
  restingSaid,
  type Stretch,
  stretchWords,
} from '@inner-rung/core/run';
import { entriesOf } from '@inner-rung/core/session';
import { useMemo } from 'react';
import type { LiveRun } from './use-run.ts';

/** The same value as long as it says the same: what hangs on it isn't made again at every press. */
export function useSame<T>(value: T): T {
  const said = JSON.stringify(value);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what it says is what it is
  return useMemo(() => value, [said]);
}

/** What every face of a run reads: its clock, its people, what is called, and where it is now. */
export function useLive(live: Pick<LiveRun, 'run' | 'events'>) {
  const { run, events } = live;
  const clock = useMemo(() => clockOf(run, events), [run, events]);
  const people = useMemo(() => peopleOf(run, events), [run, events]);
  const names = useMemo(() => entriesOf(run.plan.blocks).map((_, i) => entryName(run, i)), [run]);
  const resting = useSame(useMemo(() => restingSaid(run, people), [run, people]));
  const calls = useMemo(
    () => callsIn(run, clock.stretches, (entry) => names[entry] ?? '', undefined, resting),
    [run, clock, names, resting],
  );
  return { clock, people, names, calls, resting };
}
export type Live = ReturnType<typeof useLive>;

/** Where a run is at this moment, whether that is work, what is done now or next, and what comes after. */
export function lookAt(live: Pick<LiveRun, 'now' | 'run'>, { clock }: Pick<Live, 'clock'>) {
  const here = positionAt(clock, live.now());
  const now = clock.stretches[here.index] ?? null;
  const next = clock.stretches.slice(here.index + 1).find((s) => s.segment.kind === 'work') ?? null;
  const working = now?.segment.kind === 'work' || now?.segment.kind === 'hold';
  const work = now?.segment.kind === 'work' ? now : next;
  return {
    here,
    now,
    working,
    next,
    /** The work under way, or the first of what comes next in a rest. */
    work,
    /** The beat everybody is at in it. */
    beat: work ? beatAt(work.segment, work === now ? here.into : 0) : null,
    /** Whether they keep one count in it. */
    together: work ? isLed(live.run.plan.blocks[work.segment.block]!.format) : true,
  };
}

/** What a moment of a run is called where everybody reads it: `soon` before it begins. */
export function momentWords(
  run: Run,
  all: Live,
  { here, now, working, beat }: ReturnType<typeof lookAt>,
  soon: string,
): string {
  if (here.is === 'before') return soon;
  if (here.is === 'over') return 'That was it. Well done.';
  if (here.is === 'paused') return 'Standing still';
  if (!now) return '';
  return working
    ? stretchWords(run, all.people, now.segment, beat)
    : `${restCalled(run, now.segment, all.resting)}, then`;
}

/** What is under way or next, as it is called; the stations where everybody is at another. */
export function saysOf(run: Run, stretch: Stretch | null): string {
  if (!stretch) return '';
  if (groupsIn(run, stretch.segment.block) > 1) return 'Every group at its station';
  return movesWords(run, stretch.segment, (entry) => entryName(run, entry));
}

/** From so many seconds on they are read as minutes and seconds. */
const MINUTES_FROM = 100;

/** What is left as it is read from far away: whole seconds, never 0 while something is left, minutes where there are some. */
export function leftWords(left: number): string {
  const seconds = Math.max(0, Math.ceil(left - 0.05));
  return seconds < MINUTES_FROM ? String(seconds) : clockText(seconds);
}
