import type { SessionRecord } from '@inner-rung/core/log';
import { useEffect, useMemo } from 'react';
import { records, store, useApp } from './index.ts';

/** What was recorded of sessions, fetched with the first screen that asks; `ready` once it is here. */
export function useRecords(): {
  readonly docs: Readonly<Record<string, SessionRecord>>;
  readonly all: readonly SessionRecord[];
  readonly ready: boolean;
} {
  const docs = useApp(records.docs);
  const ready = useApp((state) => records.saveState(state).is !== 'loading');
  useEffect(() => {
    records.load(store).catch(() => undefined);
  }, []);
  const all = useMemo(() => Object.values(docs), [docs]);
  return { docs, all, ready };
}
