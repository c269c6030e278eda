import { clockText, SEGMENT_KINDS, type Segment } from '@inner-rung/core/clock';
import type { Use } from '@inner-rung/core/engine';
import type { Library } from '@inner-rung/core/ladder';
import { blockName, entriesOf, factsIn, readSegment, timelineOf } from '@inner-rung/core/session';
import { formName, restingName } from '@inner-rung/core/words';
import { useMemo, useState } from 'react';
import type { Picture } from '../features/use-scaled.ts';

/** What a stretch asks on the whole, of a list of uses by entry. */
function askOf(segment: Segment, uses: readonly (Use | null)[]) {
  let met = 0;
  let busy = 0;
  let lane = 0;
  let light = 0;
  let hard = 0;
  for (const doing of segment.does) {
    const use = uses[doing.entry];
    const seconds = Math.max(0.1, doing.seconds);
    met += seconds * (use ? (use.metLo + use.metHi) / 2 : 2);
    busy += seconds;
    lane = Math.max(lane, use?.lane ?? 0);
    light = Math.max(light, use?.lightPerMinute ?? 0);
    hard = Math.max(hard, use?.highPerMinute ?? 0);
  }
  return { met: busy > 0 ? met / busy : 2, lane, light, hard };
}

/** The session to scale in minutes: work and rest, floor and standing, effort, landings; read where one points. */
export function Ribbon(props: {
  picture: Picture;
  library: Library;
  block: number;
  station: number;
  onStation: (block: number, station: number) => void;
}) {
  const { picture, library } = props;
  const { plan, version } = picture;
  const facts = useMemo(() => factsIn(library), [library]);
  const timeline = useMemo(() => timelineOf(plan, facts), [plan, facts]);
  const entries = useMemo(() => entriesOf(plan.blocks), [plan.blocks]);
  const [zoomed, setZoomed] = useState(false);
  const [at, setAt] = useState<number | null>(null);
  const zoom = zoomed && plan.blocks.length > 1;
  const part = timeline.blocks[props.block];
  const from = zoom && part ? part.startSeconds : 0;
  const total = Math.max(1, zoom && part ? part.lengthSeconds : timeline.lengthSeconds);
  const segments = useMemo(
    () => timeline.segments.filter((s) => !zoom || s.block === props.block),
    [timeline, zoom, props.block],
  );
  const x = (seconds: number) => ((seconds - from) / total) * 1000;
  const onFloor = (move: string) => {
    const posture = library.move(move)?.posture.work;
    return posture !== undefined && posture !== 'standing' && posture !== 'seated';
  };
  const top = Math.max(4, ...[...version.original, ...version.uses].map((use) => use?.metHi ?? 0));
  const minutes = Math.floor(total / 60);
  const every = minutes > 40 ? 10 : minutes > 12 ? 5 : 1;
  const nameOf = (entry: number) => {
    const use = version.uses[entry];
    return use ? formName(library, use.move, use.settings) : restingName(library, entries[entry]!.move);
  };
  const stationOf = (segment: Segment) => {
    const [first] = segment.does;
    return first ? entries[first.entry]!.inBlock : -1;
  };
  const index = at === null ? -1 : Math.min(segments.length - 1, at);
  const pointed = segments[index];
  const says = pointed ? readSegment(plan, pointed, nameOf) : '';
  const choose = (segment: Segment | undefined) => {
    if (segment) props.onStation(segment.block, Math.max(0, stationOf(segment)));
  };
  return (
    <figure className="min-w-0" aria-label={`The session to scale: ${clockText(timeline.lengthSeconds)}`}>
      <div className="flex min-h-6 items-baseline gap-3 text-sm leading-tight">
        <p className="min-w-0 flex-1 truncate" aria-live="polite" data-read>
          {says || <span className="quiet">Point at the ribbon, or use its arrow keys, to read it.</span>}
        </p>
        {plan.blocks.length > 1 && (
          <button
            type="button"
            aria-pressed={zoomed}
            className="underline underline-offset-4"
            onClick={() => {
              setZoomed(!zoomed);
              setAt(null);
            }}
          >
            {zoomed ? 'Whole session' : 'This block alone'}
          </button>
        )}
      </div>
      <div className="grid min-w-0 grid-cols-[5.6rem_1fr] gap-x-2">
        <div
          className="quiet grid grid-rows-[54px_15px_15px_18px] items-center text-xs leading-tight"
          aria-hidden
        >
          <span>
            Effort
            <br />┄ as written
          </span>
          <span>On the floor</span>
          <span>Landings</span>
          <span>Minutes</span>
        </div>
        <div className="relative h-[102px] min-w-0">
          <div
            className="absolute inset-0 rounded focus-visible:outline-3 focus-visible:outline-primary"
            role="slider"
            tabIndex={0}
            aria-label="Along the session"
            aria-valuemin={0}
            aria-valuemax={Math.max(0, segments.length - 1)}
            aria-valuenow={Math.max(0, index)}
            aria-valuetext={says || 'start'}
            onKeyDown={(event) => {
              const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
              if (event.key === 'Enter') choose(pointed);
              if (!step) return;
              event.stopPropagation();
              event.preventDefault();
              setAt(Math.max(0, Math.min(segments.length - 1, index + step)));
            }}
          />
          <svg
            viewBox="0 0 1000 102"
            preserveAspectRatio="none"
            className="absolute inset-0 h-full w-full"
            aria-hidden
          >
            {segments.map((segment, i) => {
              const work = segment.kind === 'work';
              const now = askOf(segment, version.uses);
              const was = askOf(segment, version.original);
              const left = x(segment.startSeconds);
              const width = (segment.lengthSeconds / total) * 1000;
              const height = (now.met / top) * 52;
              const wasHeight = work ? (was.met / top) * 52 : 0;
              const chosen = work && segment.block === props.block && stationOf(segment) === props.station;
              const down = segment.does.some((doing) => {
                const use = version.uses[doing.entry];
                return use ? onFloor(use.move) : false;
              });
              return (
                <g key={segment.startSeconds}>
                  <rect
                    x={left + 0.6}
                    y={54 - height}
                    width={Math.max(0.5, width - 1.2)}
                    height={height}
                    fill={
                      work
                        ? chosen
                          ? 'var(--color-primary)'
                          : `var(--lane-${now.lane})`
                        : 'var(--color-base-300)'
                    }
                    stroke={work || i === index ? 'var(--line)' : 'none'}
                    strokeWidth={i === index ? 3 : 1}
                    vectorEffect="non-scaling-stroke"
                  />
                  {work && Math.abs(wasHeight - height) > 2 && (
                    <path
                      d={`M${left + 0.6} ${54 - wasHeight}h${Math.max(0.5, width - 1.2)}`}
                      stroke="var(--line)"
                      strokeWidth={1.5}
                      strokeDasharray="2 3"
                      vectorEffect="non-scaling-stroke"
                    />
                  )}
                  <rect
                    x={left + 0.6}
                    y={57}
                    width={Math.max(0.5, width - 1.2)}
                    height={10}
                    fill={down ? 'var(--line)' : 'var(--color-base-200)'}
                  />
                  {now.light + now.hard > 0 && work && (
                    <rect
                      x={left + 1.5}
                      y={now.hard > 0 ? 72 : 75}
                      width={Math.max(0.5, width - 3)}
                      height={now.hard > 0 ? 9 : 4}
                      fill="var(--line)"
                      opacity={0.85}
                    />
                  )}
                </g>
              );
            })}
            {!zoom &&
              plan.blocks.length > 1 &&
              timeline.blocks.map((block, b) => (
                <path
                  key={plan.blocks[b]!.id}
                  d={`M${x(block.startSeconds)} 0v84`}
                  stroke="var(--line)"
                  strokeWidth={b === 0 ? 0 : 2}
                  vectorEffect="non-scaling-stroke"
                />
              ))}
            {Array.from({ length: minutes + 1 }, (_, m) => m).map((m) => (
              <path
                key={m}
                d={`M${x(from + m * 60)} 86v${m % every === 0 ? 6 : 3}`}
                stroke="var(--quiet)"
                strokeWidth={1}
                vectorEffect="non-scaling-stroke"
              />
            ))}
          </svg>
          {segments
            .filter((segment) => segment.lengthSeconds / total > 0.004)
            .map((segment) => (
              <button
                type="button"
                key={segment.startSeconds}
                tabIndex={-1}
                className="absolute top-0 h-[84px] cursor-pointer overflow-hidden text-transparent"
                style={{
                  left: `${x(segment.startSeconds) / 10}%`,
                  width: `${(segment.lengthSeconds / total) * 100}%`,
                }}
                onMouseEnter={() => setAt(segments.indexOf(segment))}
                onClick={() => choose(segment)}
              >
                {segment.kind === 'work'
                  ? `Station ${stationOf(segment) + 1}, round ${segment.round + 1}`
                  : `${SEGMENT_KINDS[segment.kind]}, ${blockName(plan.blocks, segment.block)}`}
              </button>
            ))}
          {Array.from({ length: Math.floor(minutes / every) + 1 }, (_, k) => k * every).map((m) => (
            <span
              key={m}
              className="quiet absolute bottom-[-4px] -translate-x-1/2 text-[11px]"
              style={{ left: `${Math.max(0.4, x(from + m * 60) / 10)}%` }}
              aria-hidden
            >
              {m}
            </span>
          ))}
        </div>
      </div>
    </figure>
  );
}
