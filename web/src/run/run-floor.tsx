import { groupsAt, type Present, type Run, type Stretch } from '@inner-rung/core/run';
import { entriesOf } from '@inner-rung/core/session';
import { FLOOR, lanePoint, ringPath, stationAngle, wrap } from '../features/floor-shape.ts';

const GROUP_LANE = 3.1;
const NEXT_LANE = 2.1;
const LETTERS = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ';
const groupName = (group: number): string => LETTERS[group % LETTERS.length]!;

/** The floor while groups go round: where each is, and which way they go next. No names. */
export function RunFloor(props: {
  run: Run;
  names: readonly string[];
  now: Stretch;
  /** The work that comes after, where there is any. */
  next: Stretch | null;
  dark: boolean;
  /** Groups somebody is in. */
  groups: ReadonlySet<number>;
  /** Read from across a hall. */
  large?: boolean;
}) {
  const { run, names, now, next } = props;
  const block = now.segment.block;
  const { stations } = run.plan.blocks[block]!;
  const there = groupsAt(run, now.segment);
  const onwards = next && next.segment.block === block ? groupsAt(run, next.segment) : [];
  const at = there.flatMap((station, g) => (props.groups.has(g) ? [{ g, station, to: onwards[g] }] : []));
  const font = props.large ? 44 : 29;
  const entries = entriesOf(run.plan.blocks);
  const called = stations.map((_, i) => {
    const entry = entries.findIndex((e) => e.block === block && e.inBlock === i && e.part === 0);
    return names[entry] ?? '';
  });
  const line = props.dark ? 'var(--color-base-100)' : 'var(--line)';
  return (
    <svg
      viewBox={
        props.large
          ? `-120 0 ${FLOOR.width + 240} ${FLOOR.height}`
          : `-60 20 ${FLOOR.width + 120} ${FLOOR.height - 40}`
      }
      className="block h-full max-h-full w-full"
      role="img"
      aria-label={at
        .map(
          ({ g, station, to }) =>
            `Group ${groupName(g)} at ${called[station]}${to === undefined ? '' : `, then to ${called[to]}`}`,
        )
        .join('; ')}
    >
      {[4, 0].map((lane) => (
        <path key={lane} d={ringPath(lane)} fill="none" stroke={line} strokeWidth={3} />
      ))}
      {stations.map((station, i) => {
        const angle = stationAngle(i, stations.length);
        const rim = lanePoint(3.95, angle);
        const side =
          Math.abs(rim.x - FLOOR.width / 2) < 60 ? 'middle' : rim.x > FLOOR.width / 2 ? 'start' : 'end';
        const dy = -Math.cos(angle);
        const lines = wrap(called[i]!, side === 'middle' ? 24 : 13, 2);
        return (
          <text
            key={station.id}
            textAnchor={side}
            y={rim.y + (side === 'middle' ? (dy < 0 ? -10 - (lines.length - 1) * font : font + 5) : 8)}
            fill={line}
            fontSize={font}
            fontWeight={650}
            fontFamily="var(--font-display)"
          >
            {lines.map((text, k) => (
              <tspan
                key={text}
                x={rim.x + (side === 'start' ? 16 : side === 'end' ? -16 : 0)}
                dy={k === 0 ? 0 : font}
              >
                {text}
              </tspan>
            ))}
          </text>
        );
      })}
      {at.map(({ g, station, to }) => {
        const here = lanePoint(GROUP_LANE, stationAngle(station, stations.length));
        const goes = to === undefined ? null : lanePoint(NEXT_LANE, stationAngle(to, stations.length));
        return (
          <g key={groupName(g)} data-group={groupName(g)} data-at={station}>
            {goes && (
              <path
                d={`M${here.x} ${here.y}L${goes.x} ${goes.y}`}
                stroke={line}
                strokeWidth={3}
                strokeDasharray="4 9"
              />
            )}
            <circle cx={here.x} cy={here.y} r={props.large ? 46 : 34} fill="var(--color-primary)" />
            <text
              x={here.x}
              y={here.y + (props.large ? 20 : 15)}
              textAnchor="middle"
              fontSize={props.large ? 58 : 42}
              fontWeight={800}
              fontFamily="var(--font-display)"
              fill="var(--color-primary-content)"
            >
              {groupName(g)}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

/** Groups of a block that somebody who is here goes with. */
export const groupsWithSomebody = (people: readonly Present[], groups: number): ReadonlySet<number> =>
  new Set(
    people.length === 0
      ? Array.from({ length: groups }, (_, g) => g)
      : people.flatMap((p) => (p.is === 'here' ? [p.cast.group % groups] : [])),
  );

/** The letter of the group somebody goes with; null where nobody goes round. */
export const groupOf = (person: Present, groups: number): string | null =>
  groups > 1 ? groupName(person.cast.group % groups) : null;
