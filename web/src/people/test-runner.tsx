import type { TestCard } from '@inner-rung/core/person';
import { useEffect, useRef, useState } from 'react';
import { Choice, Tick } from '../ui/choice.tsx';
import { useDraft } from '../ui/use-draft.ts';
import { type Give, type Result, tenth, useStopwatch } from './stopwatch.ts';
import { Stages } from './test-stages.tsx';

/** The counter, timer or question a test is taken with. */
export function TestRunner(props: { card: TestCard; draft: string; onResult: Give }) {
  const { takes } = props.card;
  switch (takes.by) {
    case 'counter':
      return (
        <Counter seconds={takes.seconds} unit={takes.unit} draft={props.draft} onResult={props.onResult} />
      );
    case 'stopwatch':
      return <Stopwatch draft={props.draft} onResult={props.onResult} />;
    case 'number':
      return <Figure unit={takes.unit} draft={props.draft} onResult={props.onResult} />;
    case 'stages':
      return <Stages seconds={takes.seconds} stages={takes.stages} onResult={props.onResult} />;
    case 'choice':
      return <Picked choices={takes.choices} onResult={props.onResult} />;
    case 'ticks':
      return <Ticks ticks={takes.ticks} onResult={props.onResult} />;
    case 'rungs':
      return null;
  }
}

function Entry(props: { label: string; unit: string; value: string; onType: (text: string) => void }) {
  return (
    <label className="flex flex-wrap items-center gap-2">
      <span>{props.label}</span>
      <input
        className="input touch w-24 text-right text-lg"
        inputMode="decimal"
        value={props.value}
        onChange={(event) => props.onType(event.target.value)}
      />
      <span>{props.unit}</span>
    </label>
  );
}

const resultOf = (text: string): Result | null => {
  const value = Number(text.replace(',', '.'));
  return text.trim() === '' || !Number.isFinite(value) ? null : { value };
};

const NOTHING_TYPED = { text: '' };

/** A result as typed or counted, kept in this browser until it is kept for good. */
function useTyped(draft: string, onResult: Give) {
  const [{ text }, put] = useDraft(draft, NOTHING_TYPED);
  const give = useRef(onResult);
  give.current = onResult;
  // What a reload found typed is a result at once.
  useEffect(() => give.current(resultOf(text)), [text]);
  return { text, type: (next: string) => put({ text: next }) };
}

function Counter(props: { seconds: number; unit: string; draft: string; onResult: Give }) {
  const typed = useTyped(props.draft, props.onResult);
  const clock = useStopwatch(props.seconds);
  const [count, setCount] = useState(0);
  const left = Math.ceil(props.seconds - clock.seconds);
  const set = (n: number) => {
    setCount(n);
    typed.type(String(n));
  };
  return (
    <div className="grid gap-3">
      <div className="flex items-stretch gap-3">
        <button
          type="button"
          className="btn btn-primary display h-28 min-w-0 flex-1 text-5xl"
          aria-label={clock.runs ? 'Count one' : 'Start the clock'}
          onClick={() => {
            if (clock.runs) set(count + 1);
            else {
              set(0);
              clock.start();
            }
          }}
        >
          {clock.runs ? count : 'Start'}
        </button>
        <p className="grid w-28 place-items-center border-2 border-base-300 text-center leading-none">
          <span>
            <span className="display block text-5xl" role="timer">
              {left}
            </span>
            s left
          </span>
        </p>
      </div>
      <p className="quiet text-sm">
        {clock.runs ? 'Tap at every one.' : 'Tap to start, then once for every one.'}
      </p>
      <Entry label="Result" unit={props.unit} value={typed.text} onType={typed.type} />
    </div>
  );
}

function Stopwatch(props: { draft: string; onResult: Give }) {
  const typed = useTyped(props.draft, props.onResult);
  const clock = useStopwatch(null);
  return (
    <div className="grid gap-3">
      <button
        type="button"
        className="btn btn-primary display h-28 text-5xl"
        aria-label={clock.runs ? 'Stop the clock' : 'Start the clock'}
        onClick={() => {
          if (clock.runs) typed.type(String(tenth(clock.stop())));
          else clock.start();
        }}
      >
        {clock.runs ? clock.seconds.toFixed(1) : clock.seconds > 0 ? 'Again' : 'Start'}
      </button>
      <Entry label="Result" unit="s" value={typed.text} onType={typed.type} />
    </div>
  );
}

function Figure(props: { unit: string; draft: string; onResult: Give }) {
  const typed = useTyped(props.draft, props.onResult);
  return <Entry label="Result" unit={props.unit} value={typed.text} onType={typed.type} />;
}

function Picked(props: { choices: readonly string[]; onResult: Give }) {
  const [value, setValue] = useState<string | null>(null);
  return (
    <Choice
      legend="How it went"
      name="picked"
      value={value}
      column
      of={props.choices.map((says) => ({ value: says, says }))}
      onChoose={(says) => {
        setValue(says);
        props.onResult({ value: props.choices.indexOf(says) });
      }}
    />
  );
}

function Ticks(props: { ticks: readonly string[]; onResult: Give }) {
  const [on, setOn] = useState<readonly string[]>([]);
  const give = (next: readonly string[]) => {
    setOn(next);
    props.onResult({ value: next.length, parts: props.ticks.map((t) => (next.includes(t) ? 1 : 0)) });
  };
  return (
    <div>
      {props.ticks.map((tick) => (
        <Tick
          key={tick}
          on={on.includes(tick)}
          onTurn={(now) => give(now ? [...on, tick] : on.filter((t) => t !== tick))}
        >
          {tick}
        </Tick>
      ))}
      {on.length === 0 && (
        <button type="button" className="btn btn-sm touch" onClick={() => give([])}>
          None of them yet
        </button>
      )}
    </div>
  );
}
