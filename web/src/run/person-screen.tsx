import { clockText, SEGMENT_KINDS } from '@inner-rung/core/clock';
import {
  callsIn,
  clockOf,
  countWords,
  type Does,
  doesNow,
  entryFor,
  peopleOf,
  switchTo,
} from '@inner-rung/core/run';
import { entriesOf } from '@inner-rung/core/session';
import { useMemo } from 'react';
import { useParams } from 'react-router';
import { Chip } from '../ui/choice.tsx';
import { Waiting } from '../ui/shell.tsx';
import { useDraft } from '../ui/use-draft.ts';
import { RunFigure } from './run-figure.tsx';
import { useAwake, useSounds } from './sounds.ts';
import { beatNow, leftWords, lookAt } from './use-live.ts';
import { type LiveRun, useRun, useTick } from './use-run.ts';

const HEARD = { volume: 0, speech: false, pulse: false };

/** One person's own run on their phone: my form, my next, my easier and harder. Nothing of anybody else. */
export default function PersonRunScreen() {
  const { token = '' } = useParams();
  const live = useRun(`p-${token}`, `/api/p/${token}`);
  if (live === 'gone')
    return (
      <main className="grid min-h-dvh place-items-center p-6 text-center">
        <div>
          <h1 className="text-3xl">It is over, or this link leads nowhere</h1>
          <p className="mt-2">A link is for one session. Well done, if you were in it.</p>
        </div>
      </main>
    );
  if (!live) return <Waiting />;
  return <Mine live={live} />;
}

function Mine(props: { live: LiveRun }) {
  const { live } = props;
  const { run, events } = live;
  const clock = useMemo(() => clockOf(run, events), [run, events]);
  const [me] = useMemo(() => peopleOf(run, events), [run, events]);
  // What is called is their own: where groups go round, at their own station.
  const names = useMemo(
    () =>
      entriesOf(run.plan.blocks).map((_, i) =>
        me ? (doesNow(me, entryFor(run, me.cast.group, i))?.name ?? 'easy movement') : '',
      ),
    [run, me],
  );
  const calls = useMemo(
    () => callsIn(run, clock.stretches, (entry) => names[entry] ?? ''),
    [run, clock, names],
  );
  const [heard, setHeard] = useDraft('run/mine', HEARD);
  useSounds(clock, calls, live.now, heard);
  useAwake(true);
  useTick(8);
  const { here, now, working, next } = lookAt(live, { clock });
  if (!me) return <Waiting />;
  const clockEntry = beatNow(now, next, here.into)?.entry ?? null;
  const entry = clockEntry === null ? null : entryFor(run, me.cast.group, clockEntry);
  const nextEntry = next?.segment.does[0]?.entry ?? null;
  const count = now ? me.counts.get(now.segment.block) : undefined;
  const does = entry === null ? null : doesNow(me, entry);
  const say = (to: Does | undefined) => (to ? to.name : null);
  const easier = entry === null ? null : say(switchTo(me, entry, 'down'));
  const harder = entry === null ? null : say(switchTo(me, entry, 'up'));
  return (
    <main
      className={`flex min-h-dvh flex-col gap-4 p-5 ${working && here.is === 'running' ? 'bg-base-content text-base-100' : 'bg-base-100'}`}
    >
      <header className="flex items-baseline justify-between">
        <h1 className="text-xl">{me.name}</h1>
        <p className="tabular-nums">{clockText(here.toCome)} to go</p>
      </header>
      <p
        className="display text-[38vw] leading-[0.85] tabular-nums sm:text-[12rem]"
        role="timer"
        data-seconds
      >
        {here.is === 'over' ? '✓' : leftWords(here.left)}
      </p>
      {me.is === 'out' ? (
        <p className="text-2xl">You are out for today. Stay with your coach.</p>
      ) : here.is === 'over' ? (
        <p className="text-2xl">That was it. Well done.</p>
      ) : (
        <>
          <div aria-live="polite">
            <p className="font-semibold">
              {here.is === 'before'
                ? 'First'
                : here.is === 'paused'
                  ? 'Standing still'
                  : working
                    ? now?.segment.side
                      ? `${now.segment.side} side`
                      : 'Now'
                    : now
                      ? `${SEGMENT_KINDS[now.segment.kind]}, then`
                      : ''}
            </p>
            <p className="display text-4xl leading-tight" data-does>
              {does ? does.name : 'easy movement'}
            </p>
            {does?.dose && <p className="text-xl">{does.dose}</p>}
            <RunFigure does={does} className="mt-2 h-40" />
            {count && <p className="text-xl">{countWords(count)} so far</p>}
          </div>
          {working && nextEntry !== null && <p className="text-xl">Next: {names[nextEntry]}</p>}
          {(easier || harder) && (
            <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-lg">
              {easier && (
                <>
                  <dt className="opacity-80">Too much</dt>
                  <dd>{easier}</dd>
                </>
              )}
              {harder && (
                <>
                  <dt className="opacity-80">Too little</dt>
                  <dd>{harder}</dd>
                </>
              )}
            </dl>
          )}
        </>
      )}
      <footer className="mt-auto flex flex-wrap items-center gap-3 text-sm">
        <Chip on={heard.volume > 0} onTurn={() => setHeard({ volume: heard.volume > 0 ? 0 : 0.5 })}>
          Sound
        </Chip>
        <p className="min-w-0 flex-1 opacity-80">
          Stop and tell your coach at once with chest pain or pressure, faintness, unusual breathlessness or a
          sharp pain in a joint.
        </p>
      </footer>
    </main>
  );
}
