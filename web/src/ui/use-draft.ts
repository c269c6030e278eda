import { useCallback, useMemo, useState } from 'react';

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
        localStorage.setItem(PREFIX + key, JSON.stringify(next));
        return { key, value: next };
      }),
    [key, empty],
  );
  const clear = useCallback(() => {
    localStorage.removeItem(PREFIX + key);
    setHeld({ key, value: empty });
  }, [key, empty]);
  return [value, put, clear];
}

function read<T extends object>(key: string, empty: T): T {
  try {
    return { ...empty, ...(JSON.parse(localStorage.getItem(PREFIX + key) ?? '{}') as Partial<T>) };
  } catch {
    return empty;
  }
}

/** Takes away every draft that has to do with somebody. */
export function dropDrafts(about: string): void {
  for (const key of Object.keys(localStorage))
    if (key.startsWith(PREFIX) && key.includes(about)) localStorage.removeItem(key);
}
