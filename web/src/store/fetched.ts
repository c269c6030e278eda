import { useSyncExternalStore } from 'react';

/** What was asked of the server, as far as the answer is here. */
export interface Fetched<T> {
  /** The newest answer; while another is on its way, the one before. */
  readonly data: T | undefined;
  readonly failed: boolean;
}

/**
 * Something of the server's that is only read: fetched once for all who show it, and anew with each page that comes to
 * show it, unless it never changes while the server runs. What is edited here is a shelf's.
 */
export function fetched<T>(path: string, read: (answer: Response) => Promise<T>, changes = true) {
  let now: Fetched<T> = { data: undefined, failed: false };
  let asked: Promise<void> | null = null;
  const listeners = new Set<() => void>();
  const put = (next: Fetched<T>) => {
    now = next;
    for (const listener of listeners) listener();
  };
  const ask = (): Promise<void> => {
    asked ??= fetch(`/api/${path}`)
      .then(async (answer) => {
        if (!answer.ok) throw new Error(`${path}: ${answer.status}`);
        put({ data: await read(answer), failed: false });
      })
      .catch(() => put({ ...now, failed: true }))
      .finally(() => {
        asked = null;
      });
    return asked;
  };
  const subscribe = (listener: () => void) => {
    listeners.add(listener);
    if (changes || now.data === undefined) void ask();
    return () => void listeners.delete(listener);
  };
  return {
    use: (): Fetched<T> => useSyncExternalStore(subscribe, () => now),
    /** Done once there is an answer or it failed; asks where nothing is here yet. */
    here: (): Promise<void> => (now.data === undefined ? ask() : Promise.resolve()),
    /** Asks anew, for something that changes seldom and has just been changed here. */
    again: (): void => void ask(),
    /** What is known to have changed, without asking again. */
    change(by: (data: T) => T): void {
      if (now.data !== undefined) put({ ...now, data: by(now.data) });
    },
  };
}
