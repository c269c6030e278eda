import { openRecord } from '@inner-rung/core/record';
import { PLAN, type Plan } from '@inner-rung/core/session';
import { tabStorage } from './storage.ts';

/** Where the open session came from and where undoing left it, oldest first, as its history has them. */
export interface Steps {
  readonly past: readonly Plan[];
  readonly future: readonly Plan[];
}

interface History {
  readonly past: readonly (Plan | null)[];
  readonly future: readonly (Plan | null)[];
}

const KEY = 'inner-rung/steps';
/** Kept of each: who reloads wants the last few back, and a tab's storage is small. */
const MOST = 40;

interface Kept extends Steps {
  readonly present: string;
}

/** Keeps the steps of the open session for as long as this tab is open; none is kept of none. */
export function keepSteps(present: Plan | null, history: History): void {
  // Before a session was opened there was none, which is no step.
  const [past, future] = [history.past, history.future].map((plans) =>
    plans.filter((plan) => plan !== null),
  ) as [Plan[], Plan[]];
  if (!present || past.length + future.length === 0) return tabStorage.remove(KEY);
  const kept: Kept = {
    present: JSON.stringify(present),
    past: past.slice(-MOST),
    future: future.slice(0, MOST),
  };
  tabStorage.set(KEY, JSON.stringify(kept));
}

/** The steps that led to just this, if this tab was here; null where something else stood here last. */
export function stepsTo(present: Plan): Steps | null {
  const kept = tabStorage.read<Kept>(KEY);
  if (kept?.present !== JSON.stringify(present)) return null;
  const opened = (plans: readonly unknown[]) =>
    plans.flatMap((plan) => {
      const one = openRecord(PLAN, plan);
      return one.ok ? [one.value as Plan] : [];
    });
  const [past, future] = [opened(kept.past), opened(kept.future)];
  // A step that can't be read any more is none to go back over.
  return past.length === kept.past.length && future.length === kept.future.length ? { past, future } : null;
}

/** Where somebody was erased no earlier state may bring them back. */
export const dropSteps = (): void => tabStorage.remove(KEY);
