import { type Run, type RunEvent, runEventSchema, withEvents } from '@inner-rung/core/run';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { newId } from '../store/day.ts';
import { storage } from '../store/storage.ts';

export type Pressed = RunEvent extends infer E ? (E extends RunEvent ? Omit<E, 'id' | 'at'> : never) : never;

interface Kept {
  readonly run: Run;
  readonly events: readonly RunEvent[];
  /** The run's clock less this device's, in milliseconds, as last seen: what is left when the server is away. */
  readonly ahead: number;
  /** As in a live run. What was kept before this was known has none. */
  readonly began?: number;
}

export interface LiveRun {
  readonly run: Run;
  readonly events: readonly RunEvent[];
  /** The wall's time when the run's clock stood at 0 (ms since 1970); undefined until the server has said it. */
  readonly began: number | undefined;
  /** Milliseconds on the run's clock. */
  readonly now: () => number;
  /** Several pressed at once are taken back at once. */
  readonly press: (...events: Pressed[]) => void;
  readonly undo: () => void;
  /** What can be taken back: the last thing pressed here. */
  readonly last: RunEvent | null;
  readonly away: boolean;
  /** Presses that the server hasn't got yet. */
  readonly waiting: number;
}

const key = (id: string) => `inner-rung/run/${id}`;
const queueKey = (id: string) => `inner-rung/run/${id}/pressed`;
const AGAIN_MS = 1500;
const LOOK_AT_CLOCK_MS = 30_000;
const PINGS = 4;

/**
 * A run as it happens, on this device: what others press is heard as it is pressed, what is pressed here holds at
 * once and is sent as soon as the server is there. Everything is kept in the browser, so that a reload with the
 * server away goes on at the right second. `at` is where it is read. Null while it is fetched, 'gone' where there is
 * none, or none any more.
 */
export function useRun(id: string, at = `/api/runs/${id}`): LiveRun | 'gone' | null {
  const [kept, setKept] = useState<Kept | null>(() => storage.read<Kept>(key(id)));
  const [gone, setGone] = useState(false);
  const [away, setAway] = useState(false);
  const [queue, setQueue] = useState<readonly RunEvent[]>(() => storage.read<RunEvent[]>(queueKey(id)) ?? []);
  const [mine, setMine] = useState<readonly (readonly string[])[]>([]);
  // From here on a steady clock counts: the device's time may be set back meanwhile.
  const steady = useRef<{ ahead: number } | null>(null);
  const keptRef = useRef(kept);
  keptRef.current = kept;
  const queueRef = useRef(queue);
  queueRef.current = queue;
  /** What was heard since the last look at all of it began: that look may be older. */
  const heard = useRef<RunEvent[]>([]);
  const now = useCallback(
    () =>
      Math.max(
        0,
        Math.round(
          steady.current
            ? performance.now() + steady.current.ahead
            : Date.now() + (keptRef.current?.ahead ?? -Date.now()),
        ),
      ),
    [],
  );

  const lookAtClock = useCallback(async () => {
    let best = Number.POSITIVE_INFINITY;
    for (let i = 0; i < PINGS; i++) {
      const sent = performance.now();
      const answer = await fetch(`${at}/now`);
      const back = performance.now();
      if (!answer.ok) return;
      const { now: there } = (await answer.json()) as { now: number };
      // The answer was made about half way between; the quickest way there and back says it best.
      if (back - sent < best) {
        best = back - sent;
        steady.current = { ahead: there - (sent + back) / 2 };
      }
    }
  }, [at]);

  const fetchAll = useCallback(async () => {
    heard.current = [];
    try {
      const answer = await fetch(at);
      if (answer.status === 404 || answer.status === 410) {
        storage.remove(key(id));
        setKept(null);
        setGone(true);
        return;
      }
      if (!answer.ok) throw new Error('away');
      const { run, events, began } = (await answer.json()) as {
        run: Run;
        events: RunEvent[];
        began: number;
      };
      await lookAtClock();
      setAway(false);
      // Neither what came meanwhile nor what is still to be sent is lost by an answer made before it.
      setKept({
        run,
        began,
        events: withEvents(events, [...heard.current, ...queueRef.current]),
        ahead: now() - Date.now(),
      });
    } catch {
      setAway(true);
    }
  }, [id, at, lookAtClock, now]);

  useEffect(() => {
    void fetchAll();
    const stream = new EventSource(`${at}/stream`);
    let wasAway = false;
    stream.onmessage = ({ data }) => {
      const { events } = JSON.parse(data as string) as { events: RunEvent[] };
      heard.current.push(...events);
      setKept((held) => held && { ...held, events: [...held.events, ...events] });
    };
    stream.onopen = () => {
      // What was pressed meanwhile wasn't heard.
      if (wasAway) void fetchAll();
      wasAway = false;
      setAway(false);
    };
    stream.onerror = () => {
      wasAway = true;
      setAway(true);
    };
    const look = setInterval(() => void lookAtClock().catch(() => undefined), LOOK_AT_CLOCK_MS);
    // A phone that slept looks at once.
    const wake = () => document.visibilityState === 'visible' && void fetchAll();
    document.addEventListener('visibilitychange', wake);
    return () => {
      stream.close();
      clearInterval(look);
      document.removeEventListener('visibilitychange', wake);
    };
  }, [at, fetchAll, lookAtClock]);

  useEffect(() => {
    if (kept) storage.set(key(id), JSON.stringify(kept));
  }, [kept, id]);
  useEffect(() => {
    storage.set(queueKey(id), JSON.stringify(queue));
    if (queue.length === 0) return;
    let over = false;
    const send = async () => {
      try {
        const answer = await fetch(`${at}/events`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify(queue),
        });
        if (over) return;
        // What is refused is refused for good; what was away is sent again.
        if (answer.ok || answer.status === 422) {
          const sent = new Set(queue.map((e) => e.id));
          setQueue((left) => left.filter((e) => !sent.has(e.id)));
          setAway(false);
        } else setAway(true);
      } catch {
        if (!over) setAway(true);
      }
    };
    void send();
    const again = setInterval(() => void send(), AGAIN_MS);
    return () => {
      over = true;
      clearInterval(again);
    };
  }, [queue, id, at]);

  const press = useCallback(
    (...pressed: Pressed[]) => {
      const at = now();
      const made = pressed.map((one) => runEventSchema.parse({ ...one, id: newId('press'), at }));
      setKept((held) => held && { ...held, events: [...held.events, ...made] });
      setQueue((left) => [...left, ...made]);
      if (made.some((event) => event.kind !== 'undo'))
        setMine((list) => [...list, made.map((event) => event.id)]);
    },
    [now],
  );
  const events = kept?.events;
  const live = useMemo(
    (): LiveRun | null =>
      kept && events
        ? {
            run: kept.run,
            events,
            began: kept.began,
            now,
            press,
            ...takingBack(events, mine, press),
            away,
            waiting: queue.length,
          }
        : null,
    [kept, events, now, press, mine, away, queue.length],
  );
  return gone && !kept ? 'gone' : live;
}

/** The last thing pressed on this device that still holds, and taking it back with all that was pressed at once. */
export function takingBack(
  events: readonly RunEvent[],
  mine: readonly (readonly string[])[],
  press: LiveRun['press'],
): Pick<LiveRun, 'last' | 'undo'> {
  const undone = new Set(events.flatMap((e) => (e.kind === 'undo' ? [e.of] : [])));
  const ids = mine.findLast((list) => list.some((id) => !undone.has(id))) ?? [];
  return {
    last: events.find((e) => e.id === ids[0]) ?? null,
    undo: () => {
      if (ids.length > 0) press(...ids.map((of): Pressed => ({ kind: 'undo', of })));
    },
  };
}

/** Runs something at every frame while it is mounted, at most so many times a second. */
export function useTick(perSecond: number): number {
  const [tick, setTick] = useState(0);
  useEffect(() => {
    let frame = 0;
    let last = 0;
    const step = (time: number) => {
      if (time - last >= 1000 / perSecond) {
        last = time;
        setTick((n) => n + 1);
      }
      frame = requestAnimationFrame(step);
    };
    frame = requestAnimationFrame(step);
    return () => cancelAnimationFrame(frame);
  }, [perSecond]);
  return tick;
}
