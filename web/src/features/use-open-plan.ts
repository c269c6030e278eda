import type { Plan } from '@inner-rung/core/session';
import { useEffect, useState } from 'react';
import { useStore } from 'react-redux';
import { useApp } from '../store/index.ts';
import type { Stored } from '../store/machine.ts';
import { openPlan } from '../store/sync.ts';
import { useReady } from '../store/use-ready.ts';

/** Fetches a plan and opens it in the store, unless it is open or what asked has gone meanwhile. */
export async function fetchPlan(
  store: ReturnType<typeof useStore>,
  id: string,
  isWanted = () => true,
): Promise<'gone' | 'away' | null> {
  if ((store.getState() as { plan: { present: Plan | null } }).plan.present?.id === id) return null;
  try {
    const response = await fetch(`/api/plans/${encodeURIComponent(id)}`);
    if (!response.ok) return response.status >= 500 ? 'away' : 'gone';
    const stored = (await response.json()) as Stored<Plan>;
    if (isWanted()) openPlan(store, stored.body, stored.revision);
    return null;
  } catch {
    return 'away';
  }
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
