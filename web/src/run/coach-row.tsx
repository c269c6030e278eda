import {
  atLimit,
  countWords,
  doingOf,
  forecast,
  type MidSetWay,
  type MoveNow,
  type Present,
  positionAt,
  type Run,
  type RunClock,
  repsInRound,
  type Stretch,
  switchTo,
  toBeatIn,
} from '@inner-rung/core/run';
import { knownAs } from '@inner-rung/core/words';
import { HeartPulse, LogOut, OctagonX, Replace } from 'lucide-react';
import { memo, useRef } from 'react';
import { Badge } from './badge.tsx';
import { Cautions, Round } from './coach-row-parts.tsx';
import type { HeartSeen } from './straps.tsx';
import type { LiveRun, Pressed } from './use-run.ts';

const WAY_WORDS: readonly (readonly [MidSetWay, string])[] = [
  ['down', 'easier'],
  ['up', 'harder'],
  ['hold', 'hold'],
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

const HEART_SAYS = { over: 'over', under: 'under', in: 'in band' } as const;

/** One of them in a line: who, what they do now, what was counted, and every way on. */
export const Row = memo(function Row(props: {
  run: Run;
  clock: RunClock;
  person: Present;
  /** Others of whom the same is said: the row is for all of them. */
  others: readonly Present[];
  onApart: (() => void) | null;
  badge: number | null;
  entry: number | null;
  moves: readonly MoveNow[];
  counted: Stretch | null;
  group: string | null;
  heart: HeartSeen | undefined;
  press: LiveRun['press'];
  onSwap: ((person: string, entry: number) => void) | null;
  onStop: (person: string) => void;
}) {
  const { run, person, entry, counted, heart, onSwap, others } = props;
  /** One press for everybody in the row. */
  const press = (of: (id: string) => Pressed) => props.press(...[person, ...others].map(({ id }) => of(id)));
  const whom = others.length > 0 ? knownAs(others.length + 1, person.name) : person.name;
  const oneOf = others.length > 0 ? `one of the ${whom}` : whom;
  const own = entry === null ? null : doingOf(run, person, entry);
  const does = own?.does ?? null;
  const changed = own !== null && (person.doing[own.entry]?.length ?? 0) > 1;
  const limit = own !== null && atLimit(run, person, own.entry);
  const held = own === null ? null : person.cast.switches[own.entry]?.hold;
  const isHeld = held != null && held.name === does?.name;
  const block = counted?.segment.block;
  const count = block === undefined ? null : (person.counts.get(block) ?? { rounds: 0, reps: 0, at: 0 });
  const comes =
    counted && count
      ? forecast(counted.segment, count, countedAt(props.clock, count.at), counted.seconds)
      : null;
  const beat = block === undefined ? null : toBeatIn(run, person, block);
  const isHere = person.is === 'here';
  const pressed = useRef(0);
  return (
    <li
      data-person={person.id}
      className={`flex flex-wrap items-center gap-x-2 gap-y-1 py-1 ${isHere ? '' : 'opacity-60'}`}
    >
      <div className="min-w-44 flex-1">
        <div className="flex flex-wrap items-baseline gap-x-3">
          <p className="leading-tight font-semibold">
            {props.group && (
              <span className="display mr-2 inline-grid h-6 w-6 place-items-center rounded-full bg-primary text-sm text-primary-content">
                {props.group}
              </span>
            )}
            {props.badge && <Badge n={props.badge} className="mr-2 inline h-6 w-6" />}
            {whom}
            {props.onApart && (
              <button
                type="button"
                className="touch ml-2 text-sm font-normal underline"
                onClick={props.onApart}
              >
                one by one
              </button>
            )}
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
          {/* On the line of the name: twelve people are seen at once. */}
          {isHere && person.cautions.length > 0 && <Cautions lines={person.cautions} />}
        </div>
        {isHere && own !== null && props.moves.length > 1 && (
          <Round run={run} person={person} moves={props.moves} entry={own.entry} changed={changed} />
        )}
        {isHere && own !== null && props.moves.length <= 1 && (
          <p className={`leading-tight ${changed ? 'text-primary' : ''}`} data-does>
            {does ? does.name : 'easy movement'}
            {does?.dose && <span className="quiet"> · {does.dose}</span>}
            {limit && <span className="quiet"> · at their limit, stays</span>}
          </p>
        )}
        {isHere && (comes || beat) && (
          <p className="quiet text-sm leading-tight" data-forecast>
            {[comes && `at this pace ${countWords(comes)}`, beat && `to beat: ${countWords(beat)}`]
              .filter(Boolean)
              .join(' · ')}
          </p>
        )}
      </div>
      {isHere && counted && count && block !== undefined && (
        <div className="flex items-center gap-1">
          <button
            type="button"
            className="btn touch"
            onClick={() =>
              press((id) => ({ kind: 'count', person: id, block, rounds: count.rounds + 1, reps: 0 }))
            }
          >
            <span className="tabular-nums">
              {count.rounds} {count.rounds === 1 ? 'round' : 'rounds'} +1
            </span>
            <span className="sr-only"> for {whom}</span>
          </button>
          {repsInRound(counted.segment) !== null && (
            <button
              type="button"
              className="btn btn-ghost touch"
              aria-label={`A rep more for ${whom}`}
              onClick={() =>
                press((id) => ({
                  kind: 'count',
                  person: id,
                  block,
                  rounds: count.rounds,
                  reps: count.reps + 1,
                }))
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
              aria-label={`${way === 'hold' && isHeld ? 'move again' : says} for ${whom}`}
              disabled={switchTo(person, own.entry, way) === undefined}
              onClick={() => {
                // A second press of the same thumb means the first.
                if (Date.now() - pressed.current < CALM_MS) return;
                pressed.current = Date.now();
                press((id) => ({ kind: 'switch', person: id, entry: own.entry, way }));
              }}
            >
              {way === 'hold' && isHeld ? 'move' : says}
            </button>
          ))}
        </div>
      )}
      {person.is === 'gone' && (
        <button
          type="button"
          className="btn btn-sm touch"
          aria-label={`${oneOf} is back in`}
          onClick={() => props.press({ kind: 'back', person: person.id })}
        >
          back in
        </button>
      )}
      {isHere && (
        <div className="flex gap-1">
          {onSwap && own !== null && (
            <button
              type="button"
              className="btn btn-sm touch btn-ghost"
              aria-label={`Another move for ${oneOf}`}
              onClick={() => onSwap(person.id, own.entry)}
            >
              <Replace size={17} aria-hidden />
            </button>
          )}
          <button
            type="button"
            className="btn btn-sm touch btn-ghost"
            aria-label={`${oneOf} leaves`}
            title="leaves"
            onClick={() => props.press({ kind: 'leave', person: person.id })}
          >
            <LogOut size={17} aria-hidden />
          </button>
          <button
            type="button"
            className="btn btn-sm touch text-error"
            aria-label={`Stop sign for ${oneOf}`}
            onClick={() => props.onStop(person.id)}
          >
            <OctagonX size={18} aria-hidden />
          </button>
        </div>
      )}
    </li>
  );
});
