import { clockText, SEGMENT_KINDS } from '@inner-rung/core/clock';
import { formsAt, groupsIn, isLed, type Present } from '@inner-rung/core/run';
import { blockName } from '@inner-rung/core/session';
import { useSearchParams } from 'react-router';
import { Badge } from './badge.tsx';
import { RunFigure } from './run-figure.tsx';
import { groupsWithSomebody, RunFloor } from './run-floor.tsx';
import { useAwake } from './sounds.ts';
import { beatNow, lookAt, saysOf, secondsLeft, useLive } from './use-live.ts';
import { type LiveRun, useTick } from './use-run.ts';
import { WithRun } from './with-run.tsx';

/**
 * The run on a wall, read from eight metres: what is, how long, what is next; whose is which by first names or numbers
 * where the trainer chose that, and nothing private.
 */
export default function WallScreen() {
  return <WithRun>{(_, live) => <Wall live={live} />}</WithRun>;
}

const LANES = [0, 1, 2, 3] as const;
/** Forms that can be read from eight metres at once. */
const MOST_SHOWN = 4;

/** Who does a form: by first names, those known by number alone counted; or each by number, colour and shape. */
function Whose(props: { whose: string | null; people: readonly Present[]; all: readonly Present[] }) {
  const { whose, people, all } = props;
  if (whose === 'numbers')
    return (
      <span className="mt-[0.3vw] flex flex-wrap gap-[0.5vw]" data-whose>
        {people.map((one) => (
          <Badge key={one.id} n={all.indexOf(one) + 1} className="h-[3.4vw] w-[3.4vw]" />
        ))}
      </span>
    );
  if (whose !== 'names') return null;
  const named = people.filter((one) => !one.byNumber).map((one) => one.name);
  const others = people.length - named.length;
  const more = others === 0 ? [] : [named.length === 0 ? `${others} of you` : `${others} more`];
  return (
    <span className="block text-[2.2vw] leading-tight font-normal" data-whose>
      {[...named, ...more].join(', ')}
    </span>
  );
}

function Wall(props: { live: LiveRun }) {
  const { live } = props;
  const { run } = live;
  const whose = useSearchParams()[0].get('whose');
  useTick(10);
  const all = useLive(live);
  useAwake(true);
  const { here, now, working, next } = lookAt(live, all);
  const beat = beatNow(now, next, here.into);
  const entry = beat?.entry ?? null;
  const around = now ? groupsIn(run, now.segment.block) > 1 : false;
  const block = now && run.plan.blocks[now.segment.block];
  const shown =
    entry === null
      ? []
      : formsAt(run, all.people, entry)
          .flatMap(({ does, lanes, people }) => (does ? [{ does, lanes, people }] : []))
          .slice(0, MOST_SHOWN);
  const written = entry === null ? '' : (all.names[entry] ?? '');
  const nextName = around ? 'one station on' : saysOf(run, all, next);
  const laneEnds = now?.segment.laneEnds;
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
          className={`display leading-[0.85] tabular-nums ${around ? 'text-[19vw]' : 'text-[34vw]'}`}
          role="timer"
          data-seconds
        >
          {here.is === 'over' ? '✓' : secondsLeft(here.left)}
        </p>
        <div className="min-w-0">
          <p className="text-[3vw] leading-tight font-semibold">
            {here.is === 'before'
              ? 'Soon'
              : here.is === 'over'
                ? 'That was it. Well done.'
                : here.is === 'paused'
                  ? 'Standing still'
                  : working
                    ? [
                        now?.segment.side
                          ? `${now.segment.side} side`
                          : `round ${(now?.segment.round ?? 0) + 1}`,
                        now?.segment.note,
                        beat?.rep && block && isLed(block.format) ? `rep ${beat.rep} of ${beat.of}` : '',
                      ]
                        .filter(Boolean)
                        .join(' · ')
                    : now
                      ? `${SEGMENT_KINDS[now.segment.kind]}, then`
                      : ''}
          </p>
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
            (shown.length === 0 ? (
              <p className="display text-[6vw] leading-[1.02]">{written}</p>
            ) : (
              <ul>
                {shown.map(({ does, lanes, people }) => (
                  <li
                    key={does.name}
                    className={`display flex items-center gap-[1.2vw] leading-[1.05] ${shown.length > 2 ? 'text-[3.8vw]' : 'text-[5.2vw]'}`}
                  >
                    <span className="flex gap-[0.3vw]" aria-hidden>
                      {LANES.filter((lane) => lanes.has(lane)).map((lane) => (
                        <span
                          key={lane}
                          className="inline-block h-[2.6vw] w-[1.3vw] rounded-sm border border-current"
                          style={{ background: `var(--lane-${lane})` }}
                        />
                      ))}
                    </span>
                    <span className="min-w-0 flex-1">
                      {does.name}
                      <Whose whose={whose} people={people} all={all.people} />
                    </span>
                    <RunFigure
                      does={does}
                      className={
                        shown.length > 2 ? 'my-[0.4vw] h-[7vw] w-[13vw]' : 'my-[0.4vw] h-[10vw] w-[17vw]'
                      }
                    />
                  </li>
                ))}
              </ul>
            ))}
          {laneEnds && working && (
            <p className="mt-[1vw] text-[2.6vw]">
              {LANES.filter((lane) => laneEnds[lane]! < now!.segment.lengthSeconds)
                .map((lane) => (here.into >= laneEnds[lane]! ? `lane ${lane + 1} done, keep moving` : ''))
                .filter(Boolean)
                .join(' · ')}
            </p>
          )}
        </div>
      </div>
      <footer className="display text-[3.6vw] leading-tight">
        {here.is !== 'over' && working && nextName ? `Next: ${nextName}` : ' '}
      </footer>
    </main>
  );
}
