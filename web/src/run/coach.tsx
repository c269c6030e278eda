import { clockText, isTallied } from '@inner-rung/core/clock';
import { groupsIn, type MoveNow, movesAt, restCalled, stretchWords } from '@inner-rung/core/run';
import { aimWords, blockName } from '@inner-rung/core/session';
import { Undo2 } from 'lucide-react';
import { type ReactNode, useCallback, useMemo, useState } from 'react';
import { timeWords } from '../store/day.ts';
import { BehindMore } from '../ui/behind-more.tsx';
import { type Commands, useCommands } from '../ui/commands.tsx';
import { useDraft } from '../ui/use-draft.ts';
import { ClockBar, ClockButtons, HEARD, Heard } from './coach-clock.tsx';
import { Cue } from './coach-parts.tsx';
import { People } from './coach-people.tsx';
import { EndIt } from './end-it.tsx';
import { groupsWithSomebody, RunFloor } from './run-floor.tsx';
import { useAwake, useSounds } from './sounds.ts';
import { StopNote } from './stop-note.tsx';
import type { HeartSeen } from './straps.tsx';
import { type Live, leftWords, lookAt, saysOf } from './use-live.ts';
import { type LiveRun, useTick } from './use-run.ts';

const NOBODY: readonly never[] = [];
const NO_MOVES: readonly MoveNow[] = [];

/** The run in the coach's hand: the clock, everybody with their form, everything one tap away. */
export function Coach(props: {
  live: LiveRun;
  all: Live;
  /** Where it stands with other devices, in words. */
  status: ReactNode;
  /** Before the title, and after everything that can be turned on and off. */
  back: ReactNode;
  tools: ReactNode;
  /** Beneath the people. */
  more: ReactNode;
  /** What follows when it is over. */
  after: ReactNode;
  hearts: ReadonlyMap<string, HeartSeen> | null;
  onSwap: ((person: string | null, entry: number) => void) | null;
  /** People go by number on the wall. */
  badges?: boolean;
}) {
  const { live, all, onSwap } = props;
  const { run, press } = live;
  const [heard, setHeard] = useDraft('run/heard', HEARD);
  useSounds(all.clock, all.calls, live.now, heard);
  useAwake(true);
  useTick(8);
  const { here, now, working, next, work, beat, together } = lookAt(live, all);
  const during = now?.key ?? '';
  const moves = useMemo(() => (work ? movesAt(run, NOBODY, work.segment) : []), [run, work]);
  const [picked, setPicked] = useState<{ key: string; entry: number } | null>(null);
  const workKey = work?.key ?? '';
  const pick = useCallback((one: number) => setPicked({ key: workKey, entry: one }), [workKey]);
  // Of several things in one stretch, the one under way where all keep one count; else what the coach has chosen.
  const entry =
    picked && picked.key === work?.key
      ? picked.entry
      : together
        ? (beat?.entry ?? null)
        : (moves[0]?.entry ?? null);
  const goOrPause = () =>
    here.is === 'running'
      ? press({ kind: 'pause', why: 'pause' })
      : here.is !== 'over' && press({ kind: 'go' });
  const commands: Commands = {
    go: { says: 'go, or pause', keys: ['space'], shown: 'Space', run: goOrPause },
    next: {
      says: 'on to the next',
      keys: ['n'],
      shown: 'N',
      run: () => press({ kind: 'next', during }),
    },
    undo: { says: 'take back', keys: ['u'], shown: 'U', run: () => live.undo() },
  };
  useCommands(commands, { all: true, letters: true });
  const toCome = Math.ceil(here.toCome);
  const finishes = useMemo(() => new Date(Date.now() + toCome * 1000), [toCome]);
  const block = now ? run.plan.blocks[now.segment.block] : undefined;
  const counts = block && isTallied(block.format);
  const out = all.people.filter((p) => p.is === 'out' && p.sign?.note === null);
  const running = here.is === 'running' || here.is === 'paused';
  const around = now ? groupsIn(run, now.segment.block) > 1 : false;
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <header className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b-2 border-base-300 px-3 py-1.5">
        {props.back}
        <h1 className="min-w-28 flex-1 truncate text-xl md:min-w-40">{run.plan.title}</h1>
        {props.status}
        <BehindMore>
          <Heard heard={heard} onHeard={setHeard} />
          {props.tools}
        </BehindMore>
      </header>
      <main className="grid min-h-0 flex-1 grid-cols-1 lg:grid-cols-[22rem_minmax(0,1fr)]">
        <section
          aria-label="The clock"
          className={`flex flex-col gap-3 p-4 lg:overflow-auto ${working && here.is === 'running' ? 'bg-base-content text-base-100' : 'bg-base-200'}`}
        >
          <div className="flex items-baseline justify-between">
            <p className="font-semibold">
              {here.is === 'before'
                ? 'Ready when you are'
                : here.is === 'over'
                  ? 'Over'
                  : here.is === 'paused'
                    ? `Standing still${all.clock.paused?.why === 'drink' ? ': drink' : ''}`
                    : now
                      ? working
                        ? 'Work'
                        : restCalled(run, now.segment, all.resting)
                      : ''}
            </p>
            <p className="tabular-nums">{clockText(here.toCome)} to go</p>
          </div>
          <p
            className="display text-[6.5rem] leading-[0.85] tabular-nums lg:text-[7.2rem]"
            role="timer"
            data-seconds
          >
            {here.is === 'over' ? '✓' : leftWords(here.left)}
          </p>
          <div>
            <p className="display text-2xl leading-tight" data-now>
              {working ? saysOf(run, now) : next ? `Next: ${saysOf(run, next)}` : ''}
            </p>
            <p>
              {[
                now && run.plan.blocks.length > 1 ? blockName(run.plan.blocks, now.segment.block) : '',
                now ? stretchWords(run, all.people, now.segment, working && running ? beat : null) : '',
              ]
                .filter(Boolean)
                .join(' · ')}
            </p>
            {here.is === 'before' && run.plan.aim && <p data-aim>Effort {aimWords(run.plan.aim)}</p>}
            {working && next && next !== now && (
              <p className="opacity-80">Next: {around ? 'one station on' : saysOf(run, next)}</p>
            )}
            {entry !== null && !around && <Cue run={run} all={all} entry={entry} />}
            {now && around && here.is !== 'over' && (
              <div className="mt-2 h-60">
                <RunFloor
                  run={run}
                  names={all.names}
                  now={working ? now : (next ?? now)}
                  next={working ? next : null}
                  dark={working && here.is === 'running'}
                  groups={groupsWithSomebody(all.people, groupsIn(run, now.segment.block))}
                />
              </div>
            )}
          </div>
          {here.is !== 'over' ? (
            <>
              <ClockButtons
                is={here.is}
                working={working}
                during={during}
                press={press}
                onGo={goOrPause}
                onSwap={onSwap && entry !== null && !around ? () => onSwap(null, entry) : null}
              />
              <p className="text-sm">
                {running ? `Finishes about ${timeWords(finishes)}.` : ''}
                {live.last && (
                  <button
                    type="button"
                    className="touch ml-2 underline underline-offset-4"
                    onClick={() => live.undo()}
                  >
                    <Undo2 size={15} className="mr-1 inline" aria-hidden />
                    Take back “{live.last.kind}”
                  </button>
                )}
              </p>
              {running && <EndIt toCome={here.toCome} onEnd={() => press({ kind: 'finish' })} />}
            </>
          ) : (
            <>
              {props.after}
              {live.last?.kind === 'finish' && (
                <button type="button" className="btn touch self-start" onClick={() => live.undo()}>
                  <Undo2 size={17} aria-hidden /> It isn’t over: go on
                </button>
              )}
            </>
          )}
          <p className="mt-auto hidden text-sm opacity-80 lg:block">
            Space starts and stops, N goes on, U takes back. What their clinician or your house says comes
            first.
          </p>
        </section>
        <section aria-label="Everybody" className="min-h-0 overflow-auto p-3">
          {out.length > 0 && (
            <ul className="mb-3 grid gap-2">
              {out.map((person) => (
                <StopNote
                  key={person.id}
                  person={person}
                  emergency={run.emergency}
                  onNote={(note) => press({ kind: 'sign recorded', person: person.id, note })}
                />
              ))}
            </ul>
          )}
          <People
            run={run}
            moves={around ? NO_MOVES : moves}
            onPick={pick}
            clock={all.clock}
            people={all.people}
            entry={entry}
            counted={counts && now && working ? now : null}
            hearts={props.hearts}
            press={press}
            onSwap={onSwap}
            badges={props.badges === true}
          />
          {props.more}
        </section>
      </main>
      {running && (
        <ClockBar
          left={leftWords(here.left)}
          says={working ? saysOf(run, now) : next ? `Next: ${saysOf(run, next)}` : ''}
          running={here.is === 'running'}
          working={working}
          onGo={goOrPause}
        />
      )}
    </div>
  );
}
