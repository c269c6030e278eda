import { PLAN, type Plan } from '@inner-rung/core/session';
import { createListenerMiddleware, createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { dropDraft, findDraft, keepDraft } from './drafts.ts';
import { planEvents, planHistory } from './plan-slice.ts';
import { createUnanswered } from './unanswered.ts';

type SaveState =
  | { readonly is: 'saved' }
  | { readonly is: 'saving' }
  | { readonly is: 'away' }
  | { readonly is: 'refused'; readonly why: string }
  /** Saved from elsewhere meanwhile; nothing of ours is sent until the trainer chooses. */
  | { readonly is: 'elsewhere'; readonly revision: number };

const slice = createSlice({
  name: 'sync',
  initialState: { base: 0, save: { is: 'saved' } as SaveState },
  reducers: {
    baseSet: (state, { payload }: PayloadAction<number>) => {
      state.base = payload;
    },
    saveStateSet: (state, { payload }: PayloadAction<SaveState>) => {
      state.save = payload;
    },
  },
});
const { baseSet, saveStateSet } = slice.actions;
export const syncReducer = slice.reducer;

interface Holds {
  plan: { present: Plan | null };
  sync: ReturnType<typeof slice.reducer>;
}
interface Store {
  getState: () => unknown;
  dispatch: (action: { type: string }) => unknown;
}

const PAUSE_MS = 350;
const RETRY_MS = 2500;
let pumping = false;
let sent: Plan | null = null;
const unanswered = createUnanswered(PLAN);
const addressOf = (id: string) => `/api/plans/${id}`;

const holds = (store: Store) => store.getState() as Holds;
const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

async function put(plan: Plan, headers: Record<string, string>): Promise<Response | null> {
  try {
    return await fetch(addressOf(plan.id), {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json', ...headers },
      body: JSON.stringify(plan),
    });
  } catch {
    return null;
  }
}

/** Saves until what is open is what is saved. One loop at a time; while the server is away it waits. */
async function pump(store: Store): Promise<void> {
  if (pumping) return;
  pumping = true;
  try {
    for (;;) {
      const { plan, sync } = holds(store);
      const open = plan.present;
      if (!open || open === sent || sync.save.is === 'elsewhere') return;
      if (sync.save.is !== 'away') store.dispatch(saveStateSet({ is: 'saving' }));
      const address = addressOf(open.id);
      const response = await put(
        open,
        sync.base === 0 ? { 'If-None-Match': '*' } : { 'If-Match': `"${sync.base}"` },
      );
      if (!response || response.status >= 500) {
        unanswered.add(address, sync.base, open);
        // It isn't known what stands there now.
        if (sent?.id === open.id) sent = null;
      }
      if (holds(store).plan.present?.id !== open.id) continue;
      if (!response || response.status >= 500) {
        store.dispatch(saveStateSet({ is: 'away' }));
        await pause(RETRY_MS);
      } else if (response.ok) {
        const { revision } = (await response.json()) as { revision: number };
        unanswered.settle(address);
        sent = open;
        store.dispatch(baseSet(revision));
        if (holds(store).plan.present === open) {
          dropDraft(open.id);
          store.dispatch(saveStateSet({ is: 'saved' }));
        }
      } else {
        const problem = (await response.json()) as { detail: string; field?: string; revision?: number };
        const ours =
          response.status === 412
            ? await unanswered.standing(address, sync.base, problem.revision ?? 0)
            : null;
        unanswered.settle(address);
        if (holds(store).plan.present?.id !== open.id) continue;
        if (ours && ours !== 'gone') {
          store.dispatch(baseSet(ours.revision));
          continue;
        }
        store.dispatch(
          saveStateSet(
            response.status === 412
              ? { is: 'elsewhere', revision: problem.revision ?? 0 }
              : { is: 'refused', why: `${problem.field ? `${problem.field}: ` : ''}${problem.detail}` },
          ),
        );
        if (response.status !== 412) sent = open;
      }
    }
  } finally {
    pumping = false;
  }
}

export const saving = createListenerMiddleware();
const edits: readonly string[] = [
  ...Object.values(planEvents)
    .map((event) => event.type as string)
    .filter((type) => type !== planEvents.planOpened.type),
  planHistory.undo().type,
  planHistory.redo().type,
];
saving.startListening({
  predicate: (action) => edits.includes(action.type),
  effect: async (_action, store) => {
    const { plan, sync } = holds(store);
    if (!plan.present) return;
    // Undone and done again before anything was sent: what is open is what is saved, and the draft in between goes.
    if (plan.present === sent && !pumping) {
      store.cancelActiveListeners();
      if (sync.save.is !== 'elsewhere') {
        dropDraft(plan.present.id);
        store.dispatch(saveStateSet({ is: 'saved' }));
      }
      return;
    }
    keepDraft(plan.present, sync.base);
    if (sync.save.is === 'elsewhere') return;
    store.cancelActiveListeners();
    await store.delay(PAUSE_MS);
    void pump(store);
  },
});

/** Opens a stored plan, with this browser's unsaved edits on top when there are any. */
export function openPlan(store: Store, plan: Plan, revision: number): void {
  const draft = findDraft(plan.id);
  const differs = draft && JSON.stringify(draft.plan) !== JSON.stringify(plan);
  store.dispatch(planEvents.planOpened(differs ? draft.plan : plan));
  store.dispatch(planHistory.clear());
  sent = differs ? null : holds(store).plan.present;
  if (!differs) {
    if (draft) dropDraft(plan.id);
    store.dispatch(baseSet(revision));
    store.dispatch(saveStateSet({ is: 'saved' }));
    return;
  }
  store.dispatch(baseSet(draft.base));
  store.dispatch(saveStateSet(draft.base === revision ? { is: 'saving' } : { is: 'elsewhere', revision }));
  void pump(store);
}

/** Opens a plan that isn't on the server yet, and saves it. */
export function openNewPlan(store: Store, plan: Plan): void {
  store.dispatch(planEvents.planOpened(plan));
  store.dispatch(planHistory.clear());
  store.dispatch(baseSet(0));
  store.dispatch(saveStateSet({ is: 'saving' }));
  keepDraft(plan, 0);
  sent = null;
  void pump(store);
}

/** Saves what is open here over what was saved elsewhere; the other stays in the earlier revisions. */
export function takeOver(store: Store): void {
  const { sync } = holds(store);
  if (sync.save.is !== 'elsewhere') return;
  store.dispatch(baseSet(sync.save.revision));
  store.dispatch(saveStateSet({ is: 'saving' }));
  sent = null;
  void pump(store);
}

/** Drops what is open here for what was saved elsewhere; gone where it was deleted there. */
export async function loadTheirs(store: Store): Promise<'open' | 'gone' | null> {
  const open = holds(store).plan.present;
  if (!open) return null;
  const response = await fetch(addressOf(open.id));
  if (response.status === 404) {
    // Deleted there: so it is here.
    dropDraft(open.id);
    store.dispatch(planEvents.planOpened(null));
    store.dispatch(planHistory.clear());
    store.dispatch(saveStateSet({ is: 'saved' }));
    return 'gone';
  }
  if (!response.ok) return null;
  const stored = (await response.json()) as { revision: number; body: Plan };
  dropDraft(open.id);
  openPlan(store, stored.body, stored.revision);
  return 'open';
}
