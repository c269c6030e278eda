import { clockText } from '@inner-rung/core/clock';
import {
  calledAt,
  groupsIn,
  lanesDone,
  movesAt,
  moveWords,
  type Run,
  type Stretch,
} from '@inner-rung/core/run';
import { aimWords, blockName, laneDone } from '@inner-rung/core/session';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { groupsWithSomebody, RunFloor } from './run-floor.tsx';
import { useAwake } from './sounds.ts';
import { type Live, leftWords, lookAt, momentWords, saysOf, useLive } from './use-live.ts';
import { type LiveRun, useTick } from './use-run.ts';
import { AllMoves, OneMove } from './wall-moves.tsx';
import { WithRun } from './with-run.tsx';

/**
 * The run on a wall, read from eight metres: what is, how long, what is next; whose is which by first names or numbers
 * where the trainer chose that, and nothing private.
 */
export default function WallScreen() {
  return <WithRun>{(_, live) => <Wall live={live} />}</WithRun>;
}

/** The clock as large as its figures leave room for. */
const SIZES = {
  alone: (left: string) =>
    left.length > 4
      ? 'text-[15vw]'
      : left.length > 3
        ? 'text-[18vw]'
        : left.length > 2
          ? 'text-[24vw]'
          : 'text-[34vw]',
  beside: (left: string) => (left.length > 3 ? 'text-[13vw]' : 'text-[19vw]'),
};

/** What comes next by the forms that are done of it, where they are few; as it is written otherwise. */
function nextWords(run: Run, all: Live, next: Stretch | null): string {
  if (!next) return '';
  const moves = movesAt(run, all.people, next.segment);
  const [only] = moves;
  if (moves.length !== 1 || !only || only.forms.length === 0 || only.forms.length > 2)
    return saysOf(run, next);
  return only.forms.map(({ does }) => moveWords(only, does)).join(' or ');
}

function Wall(props: { live: LiveRun }) {
  const { live } = props;
  const { run } = live;
  const whose = useSearchParams()[0].get('whose');
  useTick(10);
  const all = useLive(live);
  useAwake(true);
  const look = lookAt(live, all);
  const { here, now, working, next, work, beat, together } = look;
  const around = now ? groupsIn(run, now.segment.block) > 1 : false;
  const { people } = all;
  const moves = useMemo(() => (work ? movesAt(run, people, work.segment) : []), [run, people, work]);
  // A round of several is on the wall whole: whoever is quick has to know what comes after.
  const whole = moves.length > 1;
  const nextName = around ? 'one station on' : nextWords(run, all, next);
  const left = here.is === 'over' ? '✓' : leftWords(here.left);
  const called = now && here.is === 'running' ? calledAt(all.calls[here.index] ?? [], here.into) : null;
  const done = now && working ? lanesDone(now.segment, here.into) : [];
  return (
    <main
      className={`grid h-dvh grid-rows-[auto_1fr_auto] overflow-hidden p-[2vw] ${working ? 'bg-base-content text-base-100' : 'bg-base-100 text-base-content'}`}
      data-is={here.is}
    >
      <header className="display flex items-baseline justify-between text-[3.2vw] leading-none">
        <h1 className="truncate">{run.plan.title}</h1>
        <p>
          {now && run.plan.blocks.length > 1 ? `${blockName(run.plan.blocks, now.segment.block)} · ` : ''}
          {clockText(here.toCome)} to go
        </p>
      </header>
      <div className="grid min-h-0 grid-cols-[auto_1fr] items-center gap-[4vw]">
        <p
          className={`display leading-[0.85] tabular-nums ${around || whole ? SIZES.beside(left) : SIZES.alone(left)}`}
          role="timer"
          data-seconds
        >
          {left}
        </p>
        <div className="min-w-0">
          <p className="text-[3vw] leading-tight font-semibold first-letter:uppercase">
            {momentWords(run, all, look, 'Soon')}
          </p>
          {run.plan.aim && !working && here.is !== 'over' && (
            <p className="text-[2.6vw] leading-tight" data-aim>
              Effort {aimWords(run.plan.aim)}
            </p>
          )}
          {here.is !== 'over' && around && now && (
            <div className="h-[66vh]">
              <RunFloor
                run={run}
                names={all.names}
                now={working ? now : (next ?? now)}
                next={working ? next : null}
                dark={working}
                groups={groupsWithSomebody(all.people, groupsIn(run, now.segment.block))}
                large
              />
            </div>
          )}
          {here.is !== 'over' &&
            !around &&
            (whole ? (
              <AllMoves
                moves={moves}
                at={together && working ? (beat?.doing ?? null) : null}
                whose={whose}
                all={all.people}
                done={done}
              />
            ) : (
              moves[0] && <OneMove move={moves[0]} whose={whose} all={all.people} done={done} />
            ))}
          {done.length > 0 && (
            <p className="mt-[1vw] text-[2.6vw]" data-lanes-done>
              {[...new Set(done.map(laneDone))].join(', ')}: keep moving
            </p>
          )}
        </div>
      </div>
      <footer className="display flex items-baseline justify-between gap-[2vw] text-[3.6vw] leading-tight">
        <span className="min-w-0 flex-1 truncate">
          {here.is !== 'over' && working && nextName ? `Next: ${nextName}` : '\u00a0'}
        </span>
        {called && (
          <strong
            className="rounded bg-primary px-[2vw] text-[6vw] leading-none text-primary-content"
            data-called
          >
            {called}
          </strong>
        )}
      </footer>
    </main>
  );
}
