import { clockText } from '@inner-rung/core/clock';
import type { Library } from '@inner-rung/core/ladder';
import { LEVELS } from '@inner-rung/core/person';
import { formName } from '@inner-rung/core/words';
import { useMemo } from 'react';
import { FLOOR, lanePoint, ringPath, stationAngle, walkPath, wrap } from '../features/floor-shape.ts';
import type { BlockPicture } from './block-picture.ts';

/** The circuit as it lies on the floor: stations round the loop, lanes inwards easier, a person as a line. */
export function Floor(props: {
  picture: BlockPicture;
  library: Library;
  who: string;
  formatWords: string;
  station: number;
  onStation: (station: number) => void;
  compact: boolean;
}) {
  const { picture, library, compact } = props;
  const { version, block } = picture;
  const n = block.stations.length;
  const rings = useMemo(() => [4, 3, 2, 1, 0].map((lane) => ringPath(lane)), []);
  const angles = block.stations.map((_, i) => stationAngle(i, n));
  const points = version.uses.map((use, i) => lanePoint(use ? use.lane : -0.9, angles[i]!));
  const written = version.original.map((use, i) => lanePoint(use ? use.lane : -0.9, angles[i]!));
  const changed = new Set(version.reasons.map((r) => r.station));
  const line = walkPath(points);
  const says = wrap(props.formatWords, 26, 2);
  return (
    // biome-ignore lint/a11y/useSemanticElements: a drawing can't be a fieldset
    <svg
      viewBox={
        compact ? `166 80 ${FLOOR.width - 332} ${FLOOR.height - 160}` : `0 0 ${FLOOR.width} ${FLOOR.height}`
      }
      className={compact ? 'block h-auto w-full' : 'block h-full max-h-full w-full'}
      role="group"
      aria-label={`The floor: ${n} stations, ${props.who}’s line through four lanes`}
    >
      {rings.map((d, i) => (
        <path
          key={d}
          d={d}
          fill={i === 4 ? 'var(--color-base-100)' : `var(--lane-${3 - i})`}
          stroke="var(--color-base-100)"
          strokeWidth={i === 4 ? 0 : 3}
        />
      ))}
      <path
        d={walkPath(written)}
        fill="none"
        stroke="var(--line)"
        strokeOpacity={0.55}
        strokeWidth={2}
        strokeDasharray="3 8"
        strokeLinecap="round"
      />
      {picture.others.map(({ id, uses }) => (
        <path
          key={id}
          d={walkPath(uses.map((use, i) => lanePoint(use ? use.lane : -0.9, angles[i]!)))}
          fill="none"
          stroke="var(--line)"
          strokeOpacity={0.22}
          strokeWidth={compact ? 5 : 3.5}
          strokeLinejoin="round"
          data-other
        />
      ))}
      <path
        className="slide-path"
        d={line}
        style={{ d: `path("${line}")` } as React.CSSProperties}
        fill="none"
        stroke="var(--line)"
        strokeWidth={compact ? 7 : 5}
        strokeLinejoin="round"
      />
      {block.stations.map((station, i) => {
        const use = version.uses[i] ?? null;
        const original = version.original[i] ?? null;
        const chosen = i === props.station;
        const angle = angles[i]!;
        const point = points[i]!;
        const resting = library.move(station.move) ? 'Easy movement' : formName(library, station.move);
        const name = use ? formName(library, use.move, use.settings) : resting;
        const short = use ? (library.move(use.move)?.name ?? use.move) : resting;
        const was = original ? formName(library, original.move) : formName(library, station.move);
        const isChanged = changed.has(i);
        const rim = lanePoint(3.85, angle);
        const dx = Math.sin(angle);
        const dy = -Math.cos(angle);
        const side =
          Math.abs(rim.x - FLOOR.width / 2) < 60 ? 'middle' : rim.x > FLOOR.width / 2 ? 'start' : 'end';
        const anchor = { x: rim.x + (side === 'middle' ? 0 : dx > 0 ? 14 : -14), y: rim.y };
        const lines = wrap(short, side === 'middle' ? 24 : 12, 3);
        const movesOn = isChanged && use?.move !== original?.move;
        const size = lines.length * 26 + (movesOn ? 22 : 0);
        // Labels hang below the loop, stand on top of it, and sit level with it at the sides.
        const hang = side === 'middle' ? Math.sign(dy) : Math.max(-0.85, Math.min(0.85, dy));
        const top = anchor.y - (size * (1 - hang)) / 2 + (side === 'middle' && dy < 0 ? 4 : 20);
        return (
          // biome-ignore lint/a11y/useSemanticElements: a button element can't stand inside a drawing
          <g
            key={station.id}
            role="button"
            tabIndex={0}
            aria-pressed={chosen}
            aria-label={`Station ${i + 1}: ${name}${isChanged ? `, for ${was}` : ''}, lane ${use ? LEVELS[use.lane].name : 'rest'}`}
            className="cursor-pointer"
            onClick={() => props.onStation(i)}
            onKeyDown={(event) => {
              if (event.key === 'Enter' || event.key === ' ') {
                event.preventDefault();
                props.onStation(i);
              }
            }}
          >
            {/* The whole spoke answers to a click or a thumb. */}
            <path
              d={`M${lanePoint(-0.4, angle).x} ${lanePoint(-0.4, angle).y}L${rim.x} ${rim.y}`}
              stroke="transparent"
              strokeWidth={compact ? 70 : 52}
              pointerEvents="stroke"
            />
            {[0, 1, 2, 3].map((lane) => {
              const at = lanePoint(lane, angle);
              return (
                <circle
                  key={lane}
                  cx={at.x}
                  cy={at.y}
                  r={4.5}
                  fill="var(--color-base-100)"
                  stroke="var(--line)"
                  strokeWidth={1.5}
                  opacity={0.75}
                />
              );
            })}
            <g className="slide" style={{ transform: `translate(${point.x}px, ${point.y}px)` }}>
              <circle r={compact ? 30 : 26} fill="transparent" />
              {chosen && (
                <circle r={compact ? 29 : 24} fill="none" stroke="var(--color-primary)" strokeWidth={5} />
              )}
              <circle
                r={compact ? 22 : 17}
                fill={isChanged ? 'var(--line)' : 'var(--color-base-100)'}
                stroke="var(--line)"
                strokeWidth={3.5}
              />
              <text
                textAnchor="middle"
                y={compact ? 9 : 7}
                fontSize={compact ? 25 : 19}
                fontWeight={750}
                fill={isChanged ? 'var(--color-base-100)' : 'var(--line)'}
              >
                {i + 1}
              </text>
            </g>
            {!compact && (
              <text textAnchor={side} x={anchor.x} y={top} fill="var(--line)">
                {lines.map((text, k) => (
                  <tspan
                    key={text}
                    x={anchor.x}
                    dy={k === 0 ? 0 : 26}
                    fontSize={25}
                    fontWeight={chosen ? 800 : 700}
                    fontFamily="var(--font-display)"
                    fill={chosen ? 'var(--color-primary)' : 'var(--line)'}
                  >
                    {text}
                  </tspan>
                ))}
                {movesOn && (
                  <tspan x={anchor.x} dy={22} fontSize={20} fill="var(--quiet)">
                    {wrap(`for ${was.charAt(0).toLowerCase()}${was.slice(1)}`, 20, 1)[0]}
                  </tspan>
                )}
              </text>
            )}
          </g>
        );
      })}
      <g textAnchor="middle" fill="var(--line)" pointerEvents="none">
        <text
          x={FLOOR.width / 2}
          y={FLOOR.height / 2 - 8}
          fontSize={compact ? 84 : 74}
          fontWeight={800}
          fontFamily="var(--font-display)"
        >
          {clockText(picture.sums.blocks[picture.at]!.lengthSeconds)}
        </text>
        {says.map((line, k) => (
          <text
            key={line}
            x={FLOOR.width / 2}
            y={FLOOR.height / 2 + 27 + k * (compact ? 30 : 25)}
            fontSize={compact ? 28 : 22}
          >
            {line}
          </text>
        ))}
        <text
          x={FLOOR.width / 2}
          y={FLOOR.height / 2 + (compact ? 62 : 58) + (says.length - 1) * (compact ? 30 : 25)}
          fontSize={compact ? 28 : 22}
          fontWeight={700}
          fill="var(--color-primary)"
        >
          {changed.size === 0 ? 'all as written' : `${changed.size} of ${n} changed`}
        </text>
      </g>
    </svg>
  );
}
