import { useEffect, useRef, useState } from 'react';

/** What a test has come to so far; null while there is no result. */
export interface Result {
  readonly value: number;
  readonly parts?: number[];
}

export type Give = (result: Result | null) => void;

export const tenth = (seconds: number) => Math.round(seconds * 10) / 10;

/** A clock that can be started and stopped; `seconds` is how long it has run. */
export function useStopwatch(limit: number | null, onLimit?: () => void) {
  const [started, setStarted] = useState<number | null>(null);
  const [seconds, setSeconds] = useState(0);
  const ended = useRef(onLimit);
  ended.current = onLimit;
  useEffect(() => {
    if (started === null) return;
    const beat = setInterval(() => {
      const ran = (performance.now() - started) / 1000;
      if (limit !== null && ran >= limit) {
        setSeconds(limit);
        setStarted(null);
        ended.current?.();
      } else setSeconds(ran);
    }, 50);
    return () => clearInterval(beat);
  }, [started, limit]);
  return {
    seconds,
    runs: started !== null,
    start: () => {
      setSeconds(0);
      setStarted(performance.now());
    },
    stop: (): number => {
      const ran = started === null ? seconds : (performance.now() - started) / 1000;
      setSeconds(ran);
      setStarted(null);
      return ran;
    },
  };
}
