import { useCallback, useMemo, useState } from 'react';
import { storage } from '../store/storage.ts';

const PREFIX = 'inner-rung/form/';

/** What stands in a form before it is sent, kept in this browser so that a reload loses none of it. */
export function useDraft<T extends object>(
  key: string,
  empty: T,
): [T, (patch: Partial<T>) => void, () => void] {
  const [held, setHeld] = useState<{ key: string; value: T }>(() => ({ key, value: read(key, empty) }));
  // Another key has another draft, read once: whoever depends on it isn't told of a new one at every render.
  const other = useMemo(() => read(key, empty), [key, empty]);
  const value = held.key === key ? held.value : other;
  const put = useCallback(
    (patch: Partial<T>) =>
      setHeld((now) => {
        const next = { ...(now.key === key ? now.value : read(key, empty)), ...patch };
        storage.set(PREFIX + key, JSON.stringify(next));
        return { key, value: next };
      }),
    [key, empty],
  );
  const clear = useCallback(() => {
    storage.remove(PREFIX + key);
    setHeld({ key, value: empty });
  }, [key, empty]);
  return [value, put, clear];
}

function read<T extends object>(key: string, empty: T): T {
  return { ...empty, ...storage.read<Partial<T>>(PREFIX + key) };
}

/** Takes away every draft that has to do with somebody. */
export function dropDrafts(about: string): void {
  for (const key of storage.keys()) if (key.startsWith(PREFIX) && key.includes(about)) storage.remove(key);
}
