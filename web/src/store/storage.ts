/** As much of a browser's storage as is used. */
export interface Storage {
  getItem(key: string): string | null;
  setItem(key: string, value: string): void;
  removeItem(key: string): void;
}

/** Whether this browser keeps what it is told to: `full` and `denied` are said where work isn't on the server yet. */
export type Keeping = 'keeps' | 'full' | 'denied';

/** What may go when a browser's storage is full: keys of what can be had again, the one to go first before the others. */
export type MakesRoom = (keys: readonly string[], read: (key: string) => string | null) => readonly string[];

/**
 * A browser's storage that never throws: where it is denied nothing is kept, where it is full it makes room by what
 * can be had again, and either is told to whoever listens. `open` may throw itself, as it does where storage is denied.
 */
export function createStorage(open: () => Storage & object, makesRoom: MakesRoom) {
  const listeners = new Set<() => void>();
  let keeping: Keeping = 'keeps';
  const tell = (now: Keeping) => {
    if (now === keeping) return;
    keeping = now;
    for (const listener of listeners) listener();
  };
  let held: (Storage & object) | null = null;
  const opened = (): (Storage & object) | null => {
    if (held) return held;
    try {
      held = open();
    } catch {
      tell('denied');
    }
    return held;
  };
  const keys = (): string[] => {
    try {
      return Object.keys(opened() ?? {});
    } catch {
      return [];
    }
  };
  const get = (key: string): string | null => {
    try {
      return opened()?.getItem(key) ?? null;
    } catch {
      return null;
    }
  };
  const remove = (key: string): void => {
    try {
      opened()?.removeItem(key);
    } catch {
      // What can't be removed wasn't kept.
    }
  };
  const put = (key: string, value: string): boolean => {
    try {
      const storage = opened();
      storage?.setItem(key, value);
      return storage !== null;
    } catch {
      return false;
    }
  };

  return {
    keys,
    get,
    remove,
    /** Whether it is kept. */
    set(key: string, value: string): boolean {
      if (put(key, value)) {
        tell('keeps');
        return true;
      }
      if (!opened()) return false;
      for (const other of makesRoom(keys(), get)) {
        if (other === key) continue;
        remove(other);
        if (put(key, value)) {
          tell('keeps');
          return true;
        }
      }
      tell(keys().length === 0 ? 'denied' : 'full');
      return false;
    },
    /** JSON that was kept; null where there is none, or none that can be read. */
    read<T>(key: string): T | null {
      try {
        return JSON.parse(get(key) ?? 'null') as T | null;
      } catch {
        return null;
      }
    },
    keeping: (): Keeping => keeping,
    listen(listener: () => void): () => void {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
  };
}

const RUN = /^inner-rung\/run\/([^/]+)$/;

/**
 * Runs that are over and of which the server has every press: it gives them again. The oldest goes first; a run that
 * goes on, or has presses that weren't sent, stays.
 */
export const finishedRuns: MakesRoom = (keys, read) =>
  keys
    .flatMap((key) => {
      const id = RUN.exec(key)?.[1];
      if (!id) return [];
      try {
        const { run, events } = JSON.parse(read(key) ?? 'null') as {
          run: { on: string };
          events: { kind: string }[];
        };
        const pressed = JSON.parse(read(`${key}/pressed`) ?? '[]') as unknown[];
        const over = events.some((event) => event.kind === 'finish') && pressed.length === 0;
        return over ? [{ key, on: run.on }] : [];
      } catch {
        return [{ key, on: '' }];
      }
    })
    .sort((a, b) => (a.on < b.on ? -1 : 1))
    .map(({ key }) => key);

/** This browser's own. */
export const storage = createStorage(() => globalThis.localStorage, finishedRuns);
/** The same for as long as the tab is open. */
export const tabStorage = createStorage(
  () => globalThis.sessionStorage,
  () => [],
);

/** This browser tab's own name, kept as long as the tab is. */
export const tabId = (() => {
  const known = tabStorage.get('inner-rung/tab');
  if (known) return known;
  const made = globalThis.crypto?.randomUUID?.() ?? `t${Date.now()}-${Math.random()}`;
  tabStorage.set('inner-rung/tab', made);
  return made;
})();
