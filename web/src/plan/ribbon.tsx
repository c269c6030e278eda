import { clockText, lengthOf } from '@inner-rung/core/clock';
import type { Library } from '@inner-rung/core/ladder';
import { formName } from '@inner-rung/core/scale';
import { timelineOf } from '@inner-rung/core/session';
import type { Picture } from './use-scaled.ts';

/** The session to scale in minutes: work and rest, floor and standing, effort, landings. */
export function Ribbon(props: {
  picture: Picture;
  library: Library;
  station: number;
  onStation: (station: number) => void;
}) {
  const { picture, library } = props;
  const segments = timelineOf(picture.plan.block);
  const total = Math.max(1, lengthOf(segments));
  const x = (seconds: number) => (seconds / total) * 1000;
  const onFloor = (move: string) => {
    const posture = library.move(move)?.posture.work;
    return posture !== undefined && posture !== 'standing' && posture !== 'seated';
  };
  const top = Math.max(
    4,
    ...[...picture.version.original, ...picture.version.uses].map((use) => use?.metHi ?? 0),
  );
  const minutes = Math.floor(total / 60);
  const every = minutes > 40 ? 10 : minutes > 12 ? 5 : 1;
  return (
    <figure
      className="grid min-w-0 grid-cols-[5.6rem_1fr] gap-x-2"
      aria-label={`The session to scale: ${clockText(total)}`}
    >
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
        <svg
          viewBox="0 0 1000 102"
          preserveAspectRatio="none"
          className="absolute inset-0 h-full w-full"
          aria-hidden
        >
          {segments.map((segment) => {
            const use = segment.kind === 'work' ? picture.version.uses[segment.station] : null;
            const left = x(segment.startSeconds);
            const width = x(segment.lengthSeconds);
            const met = use ? (use.metLo + use.metHi) / 2 : 2;
            const height = (met / top) * 52;
            const was = segment.kind === 'work' ? picture.version.original[segment.station] : null;
            const wasHeight = was ? ((was.metLo + was.metHi) / 2 / top) * 52 : 0;
            const work = segment.kind === 'work';
            const chosen = work && segment.station === props.station;
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
                        : `var(--lane-${use?.lane ?? 0})`
                      : 'var(--color-base-300)'
                  }
                  stroke={work ? 'var(--line)' : 'none'}
                  strokeWidth={1}
                  vectorEffect="non-scaling-stroke"
                />
                {was && Math.abs(wasHeight - height) > 2 && (
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
                  fill={use && onFloor(use.move) ? 'var(--line)' : 'var(--color-base-200)'}
                />
                {use && use.lightPerMinute + use.highPerMinute > 0 && (
                  <rect
                    x={left + 1.5}
                    y={use.highPerMinute > 0 ? 72 : 75}
                    width={Math.max(0.5, width - 3)}
                    height={use.highPerMinute > 0 ? 9 : 4}
                    fill="var(--line)"
                    opacity={0.85}
                  />
                )}
              </g>
            );
          })}
          {Array.from({ length: minutes + 1 }, (_, m) => (
            <path
              key={x(m * 60)}
              d={`M${x(m * 60)} 86v${m % every === 0 ? 6 : 3}`}
              stroke="var(--quiet)"
              strokeWidth={1}
              vectorEffect="non-scaling-stroke"
            />
          ))}
        </svg>
        {segments
          .filter((segment) => segment.kind === 'work' && segment.lengthSeconds / total > 0.012)
          .map((segment) => (
            <button
              type="button"
              key={segment.startSeconds}
              tabIndex={-1}
              className="absolute top-0 h-[54px] cursor-pointer overflow-hidden text-transparent"
              style={{ left: `${x(segment.startSeconds) / 10}%`, width: `${x(segment.lengthSeconds) / 10}%` }}
              title={`${segment.station + 1}. ${formName(library, picture.version.uses[segment.station]?.move ?? '')}, from ${clockText(segment.startSeconds)}`}
              onClick={() => props.onStation(segment.station)}
            >
              Station {segment.station + 1}, round {segment.round + 1}
            </button>
          ))}
        {Array.from({ length: Math.floor(minutes / every) + 1 }, (_, k) => k * every).map((m) => (
          <span
            key={m}
            className="quiet absolute bottom-[-4px] -translate-x-1/2 text-[11px]"
            style={{ left: `${Math.max(0.4, x(m * 60) / 10)}%` }}
            aria-hidden
          >
            {m}
          </span>
        ))}
      </div>
    </figure>
  );
}
