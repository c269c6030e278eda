import type { Plan } from '@inner-rung/core/session';
import { useEffect, useState } from 'react';
import { useStore } from 'react-redux';
import { useApp } from '../store/index.ts';
import type { Stored } from '../store/machine.ts';
import { openPlan } from '../store/sync.ts';
import { useReady } from '../store/use-ready.ts';

/** Opens the plan of the address in the store, once. */
export function useOpenPlan(id: string): { plan: Plan | null; missing: 'gone' | 'away' | null } {
  const store = useStore();
  const plan = useApp((state) => state.plan.present);
  const [missing, setMissing] = useState<'gone' | 'away' | null>(null);
  useEffect(() => {
    setMissing(null);
    if ((store.getState() as { plan: { present: Plan | null } }).plan.present?.id === id) return;
    let dropped = false;
    fetch(`/api/plans/${encodeURIComponent(id)}`)
      .then(async (response) => {
        if (dropped) return;
        if (!response.ok) return setMissing(response.status >= 500 ? 'away' : 'gone');
        const stored = (await response.json()) as Stored<Plan>;
        openPlan(store, stored.body, stored.revision);
      })
      .catch(() => {
        if (!dropped) setMissing('away');
      });
    return () => {
      dropped = true;
    };
  }, [id, store]);
  const ready = useReady(plan?.id === id);
  return { plan: ready ? plan : null, missing };
}
