import { openRecord } from '@inner-rung/core/record';
import { PLAN, type Plan } from '@inner-rung/core/session';
import { keyOf } from './signer.ts';
import { storage, tabId } from './storage.ts';

/** Edits not yet on the server, kept in the browser, one draft a tab so that two tabs never mix. */
interface Draft {
  readonly base: number;
  readonly at: number;
  readonly plan: Plan;
  /** What it was made from; null where that isn't known. */
  readonly was: Plan | null;
}

const prefix = (id: string) => `${keyOf('draft')}${id}/`;
/** A draft of another tab this old belongs to a tab that has closed, or whose server was away. */
const ORPHAN_MS = 5000;

export function keepDraft(plan: Plan, base: number, was: Plan | null): void {
  storage.set(prefix(plan.id) + tabId, JSON.stringify({ base, at: Date.now(), plan, was } satisfies Draft));
}

export function dropDraft(id: string): void {
  storage.remove(prefix(id) + tabId);
}

/** This tab's draft, else the newest that a closed tab left behind; that one becomes this tab's. */
export function findDraft(id: string): Draft | null {
  const read = (key: string): Draft | null => {
    const raw = storage.read<Draft>(key);
    const plan = raw && openRecord(PLAN, raw.plan);
    const was = raw && openRecord(PLAN, raw.was);
    return raw && plan?.ok
      ? { base: raw.base, at: raw.at, plan: plan.value, was: was?.ok ? was.value : null }
      : null;
  };
  const own = read(prefix(id) + tabId);
  if (own) return own;
  const orphans = storage
    .keys()
    .filter((key) => key.startsWith(prefix(id)))
    .flatMap((key) => {
      const draft = read(key);
      return draft && Date.now() - draft.at > ORPHAN_MS ? [{ key, draft }] : [];
    })
    .sort((a, b) => b.draft.at - a.draft.at);
  const newest = orphans[0];
  if (!newest) return null;
  storage.remove(newest.key);
  keepDraft(newest.draft.plan, newest.draft.base, newest.draft.was);
  return newest.draft;
}
