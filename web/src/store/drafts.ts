import { openRecord } from '@inner-rung/core/record';
import { PLAN, type Plan } from '@inner-rung/core/session';

/** Edits not yet on the server, kept in the browser, one draft a tab so that two tabs never mix. */
interface Draft {
  readonly base: number;
  readonly at: number;
  readonly plan: Plan;
}

/** This browser tab's own name, kept as long as the tab is. */
export const tabId = (() => {
  const known = sessionStorage.getItem('inner-rung/tab');
  if (known) return known;
  const made = crypto.randomUUID?.() ?? `t${Date.now()}-${Math.random()}`;
  sessionStorage.setItem('inner-rung/tab', made);
  return made;
})();

const prefix = (id: string) => `inner-rung/draft/${id}/`;
/** A draft of another tab this old belongs to a tab that has closed, or whose server was away. */
const ORPHAN_MS = 5000;

export function keepDraft(plan: Plan, base: number): void {
  localStorage.setItem(
    prefix(plan.id) + tabId,
    JSON.stringify({ base, at: Date.now(), plan } satisfies Draft),
  );
}

export function dropDraft(id: string): void {
  localStorage.removeItem(prefix(id) + tabId);
}

/** This tab's draft, else the newest that a closed tab left behind; that one becomes this tab's. */
export function findDraft(id: string): Draft | null {
  const read = (key: string): Draft | null => {
    try {
      const raw = JSON.parse(localStorage.getItem(key) ?? 'null') as Draft | null;
      const plan = raw && openRecord(PLAN, raw.plan);
      return raw && plan?.ok ? { base: raw.base, at: raw.at, plan: plan.value } : null;
    } catch {
      return null;
    }
  };
  const own = read(prefix(id) + tabId);
  if (own) return own;
  const orphans = Object.keys(localStorage)
    .filter((key) => key.startsWith(prefix(id)))
    .flatMap((key) => {
      const draft = read(key);
      return draft && Date.now() - draft.at > ORPHAN_MS ? [{ key, draft }] : [];
    })
    .sort((a, b) => b.draft.at - a.draft.at);
  const newest = orphans[0];
  if (!newest) return null;
  localStorage.removeItem(newest.key);
  keepDraft(newest.draft.plan, newest.draft.base);
  return newest.draft;
}
