import { Pause, Play, Plus, RotateCcw, SkipForward, Volume2 } from 'lucide-react';
import { Chip } from '../ui/choice.tsx';
import { Act } from './coach-parts.tsx';
import type { lookAt } from './use-live.ts';
import type { LiveRun } from './use-run.ts';

/** What is heard of a run on this device. */
export const HEARD = { volume: 0.5, speech: false, pulse: false };

export function Heard(props: { heard: typeof HEARD; onHeard: (heard: Partial<typeof HEARD>) => void }) {
  const { heard } = props;
  return (
    <>
      <Chip on={heard.volume > 0} onTurn={() => props.onHeard({ volume: heard.volume > 0 ? 0 : 0.5 })}>
        <Volume2 size={17} className="mr-1 inline" aria-hidden />
        Sound
      </Chip>
      {heard.volume > 0 && (
        <input
          type="range"
          aria-label="How loud"
          className="range range-sm w-24"
          min={0.05}
          max={1}
          step={0.05}
          value={heard.volume}
          onChange={(event) => props.onHeard({ volume: Number(event.target.value) })}
        />
      )}
      <Chip on={heard.speech} onTurn={() => props.onHeard({ speech: !heard.speech })}>
        Voice
      </Chip>
      <Chip on={heard.pulse} onTurn={() => props.onHeard({ pulse: !heard.pulse })}>
        Beat
      </Chip>
    </>
  );
}

/** The clock's buttons, each in its fixed place. */
export function ClockButtons(props: {
  is: ReturnType<typeof lookAt>['here']['is'];
  working: boolean;
  /** The stretch they are meant for, so that a press that comes late does nothing. */
  during: string;
  press: LiveRun['press'];
  onGo: () => void;
  onSwap: (() => void) | null;
}) {
  return (
    <div className="grid grid-cols-2 gap-2">
      <button type="button" className="btn btn-primary btn-lg touch col-span-2 text-xl" onClick={props.onGo}>
        {props.is === 'running' ? <Pause aria-hidden /> : <Play aria-hidden />}
        {props.is === 'before' ? 'Go' : props.is === 'running' ? 'Pause' : 'Go on'}
      </button>
      {(props.is === 'running' || props.is === 'paused') && (
        <>
          <Act onClick={() => props.press({ kind: 'next', during: props.during })}>
            <SkipForward size={17} aria-hidden /> {props.working ? 'Skip on' : 'We’re ready'}
          </Act>
          <Act onClick={() => props.press({ kind: 'add', seconds: 10, during: props.during })}>
            <Plus size={17} aria-hidden /> 10 s more
          </Act>
          <Act onClick={() => props.press({ kind: 'pause', why: 'drink' })}>Drink</Act>
          <Act onClick={() => props.press({ kind: 'again', during: props.during })}>
            <RotateCcw size={17} aria-hidden /> Once more
          </Act>
          <Act onClick={() => props.press({ kind: 'one more round', during: props.during })}>
            One more round
          </Act>
          <Act onClick={() => props.press({ kind: 'end after this round', during: props.during })}>
            End after this round
          </Act>
          {props.onSwap && <Act onClick={props.onSwap}>Another move for all</Act>}
        </>
      )}
    </div>
  );
}

/** The clock beneath the people on a phone. */
export function ClockBar(props: {
  left: string;
  says: string;
  running: boolean;
  working: boolean;
  onGo: () => void;
}) {
  return (
    <section
      aria-label="The clock in short"
      className={`sticky bottom-0 flex items-center gap-3 border-t-2 border-base-300 px-3 py-1.5 lg:hidden ${props.working && props.running ? 'bg-base-content text-base-100' : 'bg-base-200'}`}
      data-clock-bar
    >
      <span className="display min-w-16 shrink-0 text-4xl leading-none tabular-nums" aria-hidden>
        {props.left}
      </span>
      <span className="min-w-0 flex-1 truncate leading-tight">{props.says}</span>
      <button type="button" className="btn btn-primary touch" onClick={props.onGo}>
        {props.running ? 'Hold the clock' : 'Let it run'}
      </button>
    </section>
  );
}
