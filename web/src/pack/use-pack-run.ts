import { type Run, type RunEvent, runEventSchema } from '@inner-rung/core/run';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { type LiveRun, type Pressed, takingBack } from '../run/use-run.ts';
import { newId } from '../store/day.ts';
import { storage } from '../store/storage.ts';

/** What a pack carries: the run, what had happened when it was made, and its clock then. */
export interface Packed {
  readonly run: Run;
  readonly events: readonly RunEvent[];
  /** Milliseconds of the run's clock when the pack was made, and the wall's time then (ms since 1970). */
  readonly now: number;
  readonly madeAt: number;
}

interface Kept {
  readonly events: readonly RunEvent[];
  /** The latest moment of the run's clock that was seen: it never goes back. */
  readonly latest: number;
}

const KEEP_MS = 1000;
const keyOf = (id: string) => `inner-rung/pack/${id}`;

/** Whether this browser keeps anything for a page from its storage. */
export function canKeep(): boolean {
  const keeps = storage.set('inner-rung/pack/try', '1');
  storage.remove('inner-rung/pack/try');
  return keeps;
}

/** A run on this device alone: nobody else is told, everything is kept in the browser. */
export function usePackRun(packed: Packed): LiveRun {
  const { run } = packed;
  const [held] = useState(() => storage.read<Kept>(keyOf(run.id)));
  const [events, setEvents] = useState<readonly RunEvent[]>(held?.events ?? packed.events);
  const [mine, setMine] = useState<readonly (readonly string[])[]>([]);
  // From here on a steady clock counts; a device whose time was set back goes on from the latest moment seen.
  const ahead = useRef(
    Math.max(held?.latest ?? 0, packed.now + (Date.now() - packed.madeAt)) - performance.now(),
  );
  const now = useCallback(() => Math.max(0, Math.round(performance.now() + ahead.current)), []);
  const kept = useRef(events);
  kept.current = events;
  useEffect(() => {
    const keep = () => {
      // Where nothing is kept the page says so.
      storage.set(keyOf(run.id), JSON.stringify({ events: kept.current, latest: now() }));
    };
    keep();
    const every = setInterval(keep, KEEP_MS);
    // A phone that slept: its steady clock may have stood still, the wall's hasn't.
    const wake = () => {
      if (document.visibilityState === 'visible')
        ahead.current = Math.max(
          ahead.current,
          packed.now + (Date.now() - packed.madeAt) - performance.now(),
        );
      else keep();
    };
    document.addEventListener('visibilitychange', wake);
    addEventListener('pagehide', keep);
    return () => {
      clearInterval(every);
      document.removeEventListener('visibilitychange', wake);
      removeEventListener('pagehide', keep);
    };
  }, [run.id, now, packed]);
  const press = useCallback(
    (...pressed: Pressed[]) => {
      const at = now();
      const made = pressed.map((one) => runEventSchema.parse({ ...one, id: newId('press'), at }));
      setEvents((list) => [...list, ...made]);
      if (made.some((event) => event.kind !== 'undo'))
        setMine((list) => [...list, made.map((event) => event.id)]);
    },
    [now],
  );
  return useMemo(
    (): LiveRun => ({
      run,
      events,
      began: packed.madeAt - packed.now,
      now,
      press,
      ...takingBack(events, mine, press),
      away: false,
      waiting: 0,
    }),
    [run, events, packed, now, press, mine],
  );
}
