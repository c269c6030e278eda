import { useState } from 'react';
import { type Give, tenth, useStopwatch } from './stopwatch.ts';

export function Stages(props: { seconds: number; stages: readonly string[]; onResult: Give }) {
  const [held, setHeld] = useState<readonly number[]>([]);
  const give = (next: readonly number[]) => {
    setHeld(next);
    props.onResult(
      next.length === 0 ? null : { value: tenth(next.reduce((sum, s) => sum + s, 0)), parts: [...next] },
    );
  };
  const at = held.length;
  const over = at >= props.stages.length || (held.at(-1) ?? props.seconds) < props.seconds;
  const clock = useStopwatch(props.seconds, () => give([...held, props.seconds]));
  return (
    <div className="grid gap-2">
      <ol className="grid gap-1">
        {props.stages.map((stage, i) => (
          <li
            key={stage}
            className={`flex items-center gap-3 border-l-4 px-3 py-1 ${i === at && !over ? 'border-primary text-lg font-semibold' : 'border-base-300'}`}
          >
            <span className="flex-1">{stage}</span>
            <span className="display">
              {i < at ? `${held[i]} s` : i === at && clock.runs ? clock.seconds.toFixed(1) : ''}
            </span>
          </li>
        ))}
      </ol>
      {!over ? (
        <button
          type="button"
          className="btn btn-primary display h-20 text-3xl"
          onClick={() =>
            clock.runs ? give([...held, tenth(Math.min(props.seconds, clock.stop()))]) : clock.start()
          }
        >
          {clock.runs ? 'Stepped or touched' : `Let go: ${props.stages[at]}`}
        </button>
      ) : (
        <button type="button" className="btn touch justify-self-start" onClick={() => give([])}>
          Once more from the first
        </button>
      )}
      <details>
        <summary className="touch flex cursor-pointer items-center underline underline-offset-4">
          Type the seconds
        </summary>
        <div className="flex flex-wrap gap-2">
          {props.stages.map((stage, i) => (
            <label key={stage} className="block">
              <span className="quiet block text-sm">{stage}</span>
              <input
                className="input touch w-20 text-right"
                inputMode="decimal"
                value={held[i] ?? ''}
                onChange={(event) => {
                  const value = Number(event.target.value.replace(',', '.'));
                  if (!Number.isFinite(value) || value < 0) return;
                  const next = props.stages.map((_, k) => held[k] ?? 0);
                  next[i] = Math.min(props.seconds, value);
                  give(next);
                }}
              />
            </label>
          ))}
        </div>
      </details>
    </div>
  );
}
