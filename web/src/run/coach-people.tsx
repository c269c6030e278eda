import {
  countWords,
  doingOf,
  forecast,
  groupsIn,
  type MidSetWay,
  type Present,
  positionAt,
  type Run,
  type RunClock,
  repsInRound,
  type Stretch,
  switchTo,
} from '@inner-rung/core/run';
import { entriesOf } from '@inner-rung/core/session';
import { HeartPulse, OctagonX, Replace } from 'lucide-react';
import { memo, useCallback, useRef, useState } from 'react';
import { Badge } from './badge.tsx';
import { groupOf } from './run-floor.tsx';
import { StopDialog } from './stop-note.tsx';
import type { HeartSeen } from './straps.tsx';
import type { LiveRun, Pressed } from './use-run.ts';

const WAY_WORDS: readonly (readonly [MidSetWay, string])[] = [
  ['down', 'easier'],
  ['up', 'harder'],
  ['wrist', 'wrist'],
  ['knee', 'knee'],
  ['back', 'back'],
];

/** Always there and always in the same place, so that no other comes under the thumb; what leads nowhere is dimmed. */
const FIXED: ReadonlySet<MidSetWay> = new Set(['down', 'up']);
/** Does this way lead anywhere from what was planned for them here? It keeps its place while they are on it. */
const isWay = (person: Present, entry: number, way: MidSetWay): boolean =>
  (person.doing[entry] ?? []).some(
    (_, i, list) =>
      switchTo(
        { cast: person.cast, doing: withList(person.doing, entry, list.slice(0, i + 1)) },
        entry,
        way,
      ) !== undefined,
  );
const withList = (doing: Present['doing'], entry: number, list: Present['doing'][number]) =>
  doing.map((one, i) => (i === entry ? list : one));
/** Two presses closer than this are one, in milliseconds. Estimate. */
const CALM_MS = 400;

/** Seconds of a stretch that had gone by when somebody was last counted. */
const countedAt = (clock: RunClock, at: number) => positionAt(clock, at).into;

/** Everybody with what they do now; a row is drawn anew only when something of its own changed. */
export const People = memo(function People(props: {
  run: Run;
  clock: RunClock;
  people: readonly Present[];
  entry: number | null;
  /** The stretch that is counted in rounds and reps by each, while it is under way. */
  counted: Stretch | null;
  hearts: ReadonlyMap<string, HeartSeen> | null;
  press: LiveRun['press'];
  onSwap: ((person: string, entry: number) => void) | null;
  /** Whether the wall shows people by number, so that each has theirs here. */
  badges: boolean;
}) {
  const { run, people, entry, counted, press } = props;
  const [stopping, setStopping] = useState<string | null>(null);
  const stop = useCallback((id: string) => setStopping(id), []);
  if (people.length === 0)
    return <p className="quiet text-lg">Nobody is named: the session runs as it is written.</p>;
  const groups = counted || entry === null ? 1 : groupsIn(run, entriesOf(run.plan.blocks)[entry]?.block ?? 0);
  return (
    <>
      {counted && <ByLane people={people} run={run} entry={entry} counted={counted} press={press} />}
      <ul className="divide-y-2 divide-base-300">
        {people.map((person, i) => (
          <Row
            key={person.id}
            run={run}
            clock={props.clock}
            person={person}
            badge={props.badges ? i + 1 : null}
            entry={entry}
            counted={counted}
            group={groupOf(person, groups)}
            heart={props.hearts?.get(person.id)}
            press={press}
            onSwap={props.onSwap}
            onStop={stop}
          />
        ))}
      </ul>
      {stopping && (
        <StopDialog
          name={people.find((p) => p.id === stopping)?.name ?? ''}
          onSign={(sign) => {
            press({ kind: 'sign', person: stopping, sign });
            setStopping(null);
          }}
          onClose={() => setStopping(null)}
        />
      )}
    </>
  );
});

/** A round more for a whole lane, or for all: one tap where they go through it together. */
function ByLane(props: {
  people: readonly Present[];
  run: Run;
  entry: number | null;
  counted: Stretch;
  press: LiveRun['press'];
}) {
  const { people, run, entry, counted } = props;
  const here = people.filter((p) => p.is === 'here');
  const laneOf = (p: Present) => (entry === null ? null : (doingOf(run, p, entry).does?.lane ?? null));
  const lanes = [...new Set(here.map(laneOf))].filter((lane) => lane !== null).sort();
  const { block } = counted.segment;
  const more = (list: readonly Present[]) =>
    props.press(
      ...list.map(
        (p): Pressed => ({
          kind: 'count',
          person: p.id,
          block,
          rounds: (p.counts.get(block)?.rounds ?? 0) + 1,
          reps: 0,
        }),
      ),
    );
  return (
    <fieldset className="mb-2 flex flex-wrap items-center gap-2">
      <legend className="quiet text-sm">A round more for</legend>
      <button type="button" className="btn btn-sm touch" onClick={() => more(here)}>
        everybody
      </button>
      {lanes.length > 1 &&
        lanes.map((lane) => (
          <button
            key={lane}
            type="button"
            className="btn btn-sm touch"
            onClick={() => more(here.filter((p) => laneOf(p) === lane))}
          >
            lane {lane + 1}
          </button>
        ))}
    </fieldset>
  );
}

const HEART_SAYS = { over: 'over', under: 'under', in: 'in band' } as const;

const Row = memo(function Row(props: {
  run: Run;
  clock: RunClock;
  person: Present;
  badge: number | null;
  entry: number | null;
  counted: Stretch | null;
  group: string | null;
  heart: HeartSeen | undefined;
  press: LiveRun['press'];
  onSwap: ((person: string, entry: number) => void) | null;
  onStop: (person: string) => void;
}) {
  const { run, person, entry, counted, heart, press, onSwap } = props;
  const own = entry === null ? null : doingOf(run, person, entry);
  const does = own?.does ?? null;
  const changed = own !== null && (person.doing[own.entry]?.length ?? 0) > 1;
  const block = counted?.segment.block;
  const count = block === undefined ? null : (person.counts.get(block) ?? { rounds: 0, reps: 0, at: 0 });
  const comes =
    counted && count
      ? forecast(counted.segment, count, countedAt(props.clock, count.at), counted.seconds)
      : null;
  const isHere = person.is === 'here';
  const pressed = useRef(0);
  return (
    <li
      data-person={person.id}
      className={`flex flex-wrap items-center gap-x-3 gap-y-1 py-1.5 ${isHere ? '' : 'opacity-60'}`}
    >
      <div className="min-w-48 flex-1">
        <p className="leading-tight font-semibold">
          {props.group && (
            <span className="display mr-2 inline-grid h-6 w-6 place-items-center rounded-full bg-primary text-sm text-primary-content">
              {props.group}
            </span>
          )}
          {props.badge && <Badge n={props.badge} className="mr-2 inline h-6 w-6" />}
          {person.name}
          {person.is === 'gone' && ', gone'}
          {person.is === 'out' && `, out: ${person.sign?.sign}`}
          {isHere && heart && (
            <span
              className={`ml-3 inline-flex items-center gap-1 font-normal tabular-nums ${heart.is === 'over' ? 'font-semibold text-error' : ''}`}
              data-heart={heart.is ?? 'none'}
            >
              <HeartPulse size={16} aria-hidden />
              {heart.bpm ?? 'no signal'}
              {heart.is && heart.is !== 'in' && `, ${HEART_SAYS[heart.is]}`}
            </span>
          )}
        </p>
        {isHere && own !== null && (
          <p className={`leading-tight ${changed ? 'text-primary' : ''}`} data-does>
            {does ? does.name : 'easy movement'}
            {does?.dose && <span className="quiet"> · {does.dose}</span>}
          </p>
        )}
        {isHere && person.cautions.length === 1 && (
          <p className="quiet text-sm leading-tight">{person.cautions[0]}</p>
        )}
        {isHere && person.cautions.length > 1 && (
          <details className="quiet text-sm leading-tight" data-cautions>
            <summary className="cursor-pointer">
              {person.cautions[0]} <span className="underline">and {person.cautions.length - 1} more</span>
            </summary>
            <ul className="ml-4 list-disc">
              {person.cautions.slice(1).map((line) => (
                <li key={line}>{line}</li>
              ))}
            </ul>
          </details>
        )}
        {isHere && comes && (
          <p className="quiet text-sm leading-tight" data-forecast>
            at this pace {countWords(comes)}
          </p>
        )}
      </div>
      {isHere && counted && count && block !== undefined && (
        <div className="flex items-center gap-1">
          <button
            type="button"
            className="btn touch"
            onClick={() =>
              press({ kind: 'count', person: person.id, block, rounds: count.rounds + 1, reps: 0 })
            }
          >
            <span className="inline-block min-w-20 tabular-nums">{count.rounds} rounds +1</span>
            <span className="sr-only"> for {person.name}</span>
          </button>
          {repsInRound(counted.segment) !== null && (
            <button
              type="button"
              className="btn btn-ghost touch"
              aria-label={`A rep more for ${person.name}`}
              onClick={() =>
                press({
                  kind: 'count',
                  person: person.id,
                  block,
                  rounds: count.rounds,
                  reps: count.reps + 1,
                })
              }
            >
              +{count.reps}
            </button>
          )}
        </div>
      )}
      {isHere && own !== null && (
        <div className="flex flex-wrap gap-1">
          {WAY_WORDS.filter(([way]) => FIXED.has(way) || isWay(person, own.entry, way)).map(([way, says]) => (
            <button
              key={way}
              type="button"
              className="btn btn-sm touch"
              aria-label={`${says} for ${person.name}`}
              disabled={switchTo(person, own.entry, way) === undefined}
              onClick={() => {
                // A second press of the same thumb means the first.
                if (Date.now() - pressed.current < CALM_MS) return;
                pressed.current = Date.now();
                press({ kind: 'switch', person: person.id, entry: own.entry, way });
              }}
            >
              {says}
            </button>
          ))}
        </div>
      )}
      {isHere && (
        <div className="flex gap-1">
          {onSwap && own !== null && (
            <button
              type="button"
              className="btn btn-sm touch btn-ghost"
              aria-label={`Another move for ${person.name}`}
              onClick={() => onSwap(person.id, own.entry)}
            >
              <Replace size={17} aria-hidden />
            </button>
          )}
          <button
            type="button"
            className="btn btn-sm touch btn-ghost"
            aria-label={`${person.name} leaves`}
            onClick={() => press({ kind: 'leave', person: person.id })}
          >
            leaves
          </button>
          <button
            type="button"
            className="btn btn-sm touch text-error"
            aria-label={`Stop sign for ${person.name}`}
            onClick={() => props.onStop(person.id)}
          >
            <OctagonX size={18} aria-hidden />
          </button>
        </div>
      )}
    </li>
  );
});
