import type { Plan } from '@inner-rung/core/session';
import { useEffect, useState } from 'react';
import { useStore } from 'react-redux';
import { useApp } from '../store/index.ts';
import type { Stored } from '../store/machine.ts';
import { openPlan } from '../store/sync.ts';
import { useReady } from '../store/use-ready.ts';

type Asked = { readonly stored: Stored<Plan> } | { readonly missing: 'gone' | 'away' };
/** What is on its way, so that whoever asks for the same meanwhile is given the same. */
const asked = new Map<string, Promise<Asked>>();
const ask = (id: string): Promise<Asked> => {
  const known = asked.get(id);
  if (known) return known;
  const now = fetch(`/api/plans/${encodeURIComponent(id)}`)
    .then(
      async (response): Promise<Asked> =>
        response.ok
          ? { stored: (await response.json()) as Stored<Plan> }
          : { missing: response.status >= 500 ? 'away' : 'gone' },
    )
    .catch((): Asked => ({ missing: 'away' }))
    .finally(() => asked.delete(id));
  asked.set(id, now);
  return now;
};

/**
 * Fetches a plan and opens it in the store, unless it is open there. An answer that comes when it isn't wanted any more
 * opens nothing: another may be open by then, or this one with edits.
 */
export async function fetchPlan(
  store: ReturnType<typeof useStore>,
  id: string,
  isWanted: () => boolean,
): Promise<'gone' | 'away' | null> {
  const isOpen = () => (store.getState() as { plan: { present: Plan | null } }).plan.present?.id === id;
  if (isOpen()) return null;
  const answer = await ask(id);
  if ('missing' in answer) return answer.missing;
  if (isWanted() && !isOpen()) openPlan(store, answer.stored.body, answer.stored.revision);
  return null;
}

/** Opens the plan of the address in the store, once. */
export function useOpenPlan(id: string): { plan: Plan | null; missing: 'gone' | 'away' | null } {
  const store = useStore();
  const plan = useApp((state) => state.plan.present);
  const [missing, setMissing] = useState<'gone' | 'away' | null>(null);
  useEffect(() => {
    setMissing(null);
    let dropped = false;
    void fetchPlan(store, id, () => !dropped).then((wrong) => {
      if (!dropped) setMissing(wrong);
    });
    return () => {
      dropped = true;
    };
  }, [id, store]);
  const ready = useReady(plan?.id === id);
  return { plan: ready ? plan : null, missing };
}
