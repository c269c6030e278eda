import { clockText, type Segment } from '@inner-rung/core/clock';
import { BANDS, bandOfRpe } from '@inner-rung/core/person';
import {
  amountOf,
  atLimit,
  callsIn,
  clockOf,
  countWords,
  type Does,
  doesNow,
  doingOf,
  entryFor,
  movesAt,
  type Present,
  peopleOf,
  type Run,
  restCalled,
  restingSaid,
  switchTo,
  toBeatIn,
} from '@inner-rung/core/run';
import { entriesOf } from '@inner-rung/core/session';
import { Award } from 'lucide-react';
import { useMemo, useState } from 'react';
import { useParams } from 'react-router';
import { Chip } from '../ui/choice.tsx';
import { Waiting } from '../ui/shell.tsx';
import { useDraft } from '../ui/use-draft.ts';
import { RunFigure } from './run-figure.tsx';
import { useAwake, useSounds } from './sounds.ts';
import { leftWords, lookAt, useSame } from './use-live.ts';
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

/** What one person does in a stretch, once through: their own forms with their own counts. */
const myMoves = (run: Run, me: Present, segment: Segment) =>
  movesAt(run, [me], segment).map((move) => {
    const own = doingOf(run, me, move.entry);
    return { ...own, amount: amountOf(move, own.does) };
  });

function Mine(props: { live: LiveRun }) {
  const { live } = props;
  const { run, events } = live;
  const clock = useMemo(() => clockOf(run, events), [run, events]);
  const [me] = useMemo(() => peopleOf(run, events), [run, events]);
  // What is called is their own: where groups go round, at their own station.
  const own = useMemo(
    () => entriesOf(run.plan.blocks).map((_, i) => (me ? doingOf(run, me, i).does : null)),
    [run, me],
  );
  const resting = useSame(useMemo(() => restingSaid(run, me ? [me] : []), [run, me]));
  const calls = useMemo(
    () =>
      callsIn(
        run,
        clock.stretches,
        (entry) => own[entry]?.name ?? 'easy movement',
        (entry) => own[entry] ?? null,
        resting,
      ),
    [run, clock, own, resting],
  );
  const [heard, setHeard] = useDraft('run/mine', HEARD);
  useSounds(clock, calls, live.now, heard);
  useAwake(true);
  useTick(8);
  const { here, now, working, next, work, beat, together } = lookAt(live, { clock });
  const mine = useMemo(() => (work && me ? myMoves(run, me, work.segment) : []), [run, me, work]);
  const [looked, setLooked] = useState<{ key: string; entry: number } | null>(null);
  if (!me) return <Waiting />;
  const clockEntry = beat?.entry ?? null;
  const under = clockEntry === null ? null : entryFor(run, me.cast.group, clockEntry);
  // Of a round of several, the one under way where all keep one count; else the one they look at.
  const entry =
    looked && looked.key === work?.key ? looked.entry : together ? under : (mine[0]?.entry ?? under);
  const left = here.is === 'over' ? '✓' : leftWords(here.left);
  const nextEntry = next?.segment.does[0]?.entry ?? null;
  const count = now ? me.counts.get(now.segment.block) : undefined;
  const children = run.plan.forWhom === 'children';
  const beatIt = work ? toBeatIn(run, me, work.segment.block) : null;
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
        className={`display leading-[0.85] tabular-nums ${left.length > 3 ? 'text-[28vw] sm:text-[9rem]' : 'text-[38vw] sm:text-[12rem]'}`}
        role="timer"
        data-seconds
      >
        {left}
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
                      ? `${restCalled(run, now.segment, resting)}, then`
                      : ''}
            </p>
            {mine.length > 1 ? (
              <ol className="my-1 grid gap-1" data-does>
                {mine.map((one) => (
                  <li key={one.entry}>
                    <button
                      type="button"
                      className={`touch flex w-full items-baseline gap-3 rounded px-2 py-1 text-left ${one.entry === entry ? 'outline-2 outline-current' : ''}`}
                      aria-pressed={one.entry === entry}
                      onClick={() => setLooked({ key: work!.key, entry: one.entry })}
                    >
                      <span className="display min-w-10 shrink-0 text-right text-2xl tabular-nums">
                        {one.amount}
                      </span>
                      <span className="display text-2xl leading-tight">
                        {one.does?.name ?? 'easy movement'}
                      </span>
                    </button>
                  </li>
                ))}
              </ol>
            ) : (
              <p className="display text-4xl leading-tight" data-does>
                {does ? does.name : 'easy movement'}
              </p>
            )}
            {does?.dose && <p className="text-xl">{does.dose}</p>}
            {entry !== null && atLimit(run, me, entry) && (
              <p className="quiet">The same as last round: as hard as it gets for now.</p>
            )}
            <RunFigure does={does} className="mt-2 h-40" />
            {children && count && count.rounds > 0 && <Rounds n={count.rounds} />}
            {(count || beatIt) && (
              <p className="text-xl" data-count>
                {[count && `${countWords(count)} so far`, beatIt && `to beat: ${countWords(beatIt)}`]
                  .filter(Boolean)
                  .join(' · ')}
              </p>
            )}
          </div>
          {me.cast.aim && (
            <p className="text-xl" data-aim>
              Aim for {me.cast.aim.effort} of 10: you can still {BANDS[bandOfRpe(me.cast.aim.effort)].can}
              {me.cast.aim.beats && `; ${me.cast.aim.beats.join('–')} beats a minute, as a rule`}
            </p>
          )}
          {working && nextEntry !== null && (
            <p className="text-xl">Next: {own[nextEntry]?.name ?? 'easy movement'}</p>
          )}
          {(easier || harder) && (
            <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1 text-lg">
              {easier && (
                <>
                  <dt className="opacity-80">{children ? 'Or' : 'Too much'}</dt>
                  <dd>{easier}</dd>
                </>
              )}
              {harder && (
                <>
                  <dt className="opacity-80">{children ? 'Or even' : 'Too little'}</dt>
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

/** More than these are told by their number alone. */
const BADGES = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12] as const;

/** A badge for each round done: one's own, beside nobody's. */
function Rounds({ n }: { n: number }) {
  return (
    <p className="flex flex-wrap items-center gap-1" data-badges={n}>
      <span className="sr-only">
        {n} {n === 1 ? 'round' : 'rounds'}
      </span>
      {BADGES.slice(0, n).map((one) => (
        <Award key={one} size={34} aria-hidden />
      ))}
    </p>
  );
}
