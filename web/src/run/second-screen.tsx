import { clockText } from '@inner-rung/core/clock';
import { easierForms, type Run, type ShownEasier } from '@inner-rung/core/run';
import { spokenOf } from '@inner-rung/core/words';
import { useMemo } from 'react';
import { RunFigure } from './run-figure.tsx';
import { useAwake } from './sounds.ts';
import { leftWords, lookAt, momentWords, useLive } from './use-live.ts';
import { type LiveRun, useTick } from './use-run.ts';
import { WithRun } from './with-run.tsx';

/**
 * For whoever stands beside the coach and shows the easier forms throughout: of each move the one that the innermost lane
 * does, what to say of it, and where to go from it. A coach's screen: it names people, and presses nothing.
 */
export default function SecondScreen() {
  return <WithRun>{(_, live) => <Second live={live} />}</WithRun>;
}

function Second(props: { live: LiveRun }) {
  const { live } = props;
  const { run } = live;
  useTick(8);
  useAwake(true);
  const all = useLive(live);
  const look = lookAt(live, all);
  const { here, working, work } = look;
  const { people } = all;
  const shown = useMemo(() => (work ? easierForms(run, people, work.segment) : []), [run, people, work]);
  const running = here.is === 'running';
  return (
    <main className="flex min-h-dvh flex-col bg-base-100">
      <header
        className={`sticky top-0 z-10 flex flex-wrap items-baseline gap-x-5 px-4 py-2 ${working && running ? 'bg-base-content text-base-100' : 'bg-base-200'}`}
      >
        <p className="display text-6xl leading-none tabular-nums" role="timer" data-seconds>
          {here.is === 'over' ? '✓' : leftWords(here.left)}
        </p>
        <p className="min-w-40 flex-1 text-lg leading-tight font-semibold first-letter:uppercase">
          {momentWords(run, all, look, 'Soon, beginning with')}
        </p>
        <h1 className="text-lg">The easier forms</h1>
        <p className="tabular-nums">{clockText(here.toCome)} to go</p>
      </header>
      {here.is !== 'over' && (
        <ol
          className={`grid flex-1 auto-rows-min grid-cols-1 gap-3 p-4 ${shown.length > 1 ? 'md:grid-cols-2' : ''} ${shown.length > 4 ? 'xl:grid-cols-3' : ''}`}
          data-easier-forms
        >
          {shown.map((one) => (
            <Form key={one.entry} shown={one} run={run} alone={shown.length === 1} />
          ))}
        </ol>
      )}
    </main>
  );
}

function Form(props: { shown: ShownEasier; run: Run; alone: boolean }) {
  const { shown, run, alone } = props;
  const { does, easier, people } = shown;
  const cue = does ? run.cues[does.move] : undefined;
  const whose = spokenOf(people.map(({ name, byNumber }) => ({ name, byNumber, count: 1 })));
  return (
    <li className="flex flex-wrap items-center gap-4 border-t-2 border-base-300 pt-2">
      <RunFigure does={does} className={alone ? 'h-[45vh] w-full max-w-3xl' : 'h-40 w-64'} />
      <div className="min-w-56 flex-1">
        {does?.name !== shown.name && <p className="quiet">{shown.name}</p>}
        <p className={`display leading-tight ${alone ? 'text-5xl' : 'text-3xl'}`}>
          {does?.name ?? (people.length === 0 ? shown.name : 'easy movement')}
        </p>
        {does?.dose && <p className="text-lg">{does.dose}</p>}
        {cue && <p className={alone ? 'text-2xl' : ''}>{cue.say}.</p>}
        {whose && <p className="quiet">{whose}</p>}
        {easier && <p data-easier>Too much: {easier.name}</p>}
      </div>
    </li>
  );
}
