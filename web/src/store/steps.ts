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
  const past = history.past.filter((plan) => plan !== null).slice(-MOST);
  const future = history.future.filter((plan) => plan !== null).slice(0, MOST);
  if (!present || past.length + future.length === 0) tabStorage.remove(KEY);
  else tabStorage.set(KEY, JSON.stringify({ present: JSON.stringify(present), past, future } satisfies Kept));
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

/** Every earlier or undone state that is kept, as it lies there. */
export const keptSteps = (): readonly unknown[] => {
  const kept = tabStorage.read<Kept>(KEY);
  return kept ? [...kept.past, ...kept.future] : [];
};

/** Where somebody was erased no earlier state may bring them back. */
export const dropSteps = (): void => tabStorage.remove(KEY);
