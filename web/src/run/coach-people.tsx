import {
  alike,
  doingOf,
  groupsIn,
  type MoveNow,
  type Present,
  type Run,
  type RunClock,
  type Stretch,
} from '@inner-rung/core/run';
import { entriesOf } from '@inner-rung/core/session';
import { memo, useCallback, useMemo, useState } from 'react';
import { Row } from './coach-row.tsx';
import { groupOf } from './run-floor.tsx';
import { StopDialog } from './stop-note.tsx';
import type { HeartSeen } from './straps.tsx';
import type { LiveRun, Pressed } from './use-run.ts';
import { WhichMove } from './which-move.tsx';

/** Everybody with what they do now; a row is drawn anew only when something of its own changed. */
export const People = memo(function People(props: {
  run: Run;
  /** What is done in the stretch, where it is more than one thing. */
  moves: readonly MoveNow[];
  /** Which of them the buttons of everybody are for. */
  onPick: (entry: number) => void;
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
  const groups = counted || entry === null ? 1 : groupsIn(run, entriesOf(run.plan.blocks)[entry]?.block ?? 0);
  /** Those whom the coach has taken apart from others like them. */
  const [apart, setApart] = useState<readonly string[]>([]);
  const block = counted?.segment.block ?? null;
  const rows = useMemo(() => {
    const entries =
      props.moves.length > 0 ? props.moves.map((move) => move.entry) : entry === null ? [] : [entry];
    const single = props.badges || props.hearts !== null;
    return alike(people, entries, block, groups > 1).flatMap((row) =>
      single || row.some(({ id }) => apart.includes(id)) ? row.map((one) => [one]) : [row],
    );
  }, [people, props.moves, entry, block, apart, props.badges, props.hearts, groups]);
  const stop = useCallback((id: string) => setStopping(id), []);
  if (people.length === 0)
    return <p className="quiet text-lg">Nobody is named: the session runs as it is written.</p>;
  return (
    <>
      <div className="flex flex-wrap gap-x-6">
        {props.moves.length > 1 && <WhichMove moves={props.moves} entry={entry} onPick={props.onPick} />}
        {counted && <ByLane people={people} run={run} entry={entry} counted={counted} press={press} />}
      </div>
      <ul className="divide-y-2 divide-base-300">
        {rows.map(([person, ...others]) => (
          <Row
            key={person!.id}
            run={run}
            clock={props.clock}
            person={person!}
            others={others}
            onApart={
              others.length > 0 ? () => setApart([...apart, person!.id, ...others.map(({ id }) => id)]) : null
            }
            badge={props.badges ? people.indexOf(person!) + 1 : null}
            entry={entry}
            moves={props.moves}
            counted={counted}
            group={groupOf(person!, groups)}
            heart={props.hearts?.get(person!.id)}
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
