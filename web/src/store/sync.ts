import { PLAN, type Plan } from '@inner-rung/core/session';
import { createSlice, type Middleware, type PayloadAction } from '@reduxjs/toolkit';
import { dropDraft, findDraft, keepDraft } from './drafts.ts';
import { type Docs, empty, type Machine, unsaved } from './machine.ts';
import { planEvents, planHistory } from './plan-slice.ts';
import { createSaver, type Holds } from './saver.ts';
import { stepsTo } from './steps.ts';

/** The open session's machine: the same as a shelf's, with one document. */
const slice = createSlice({
  name: 'sync',
  initialState: empty<Plan>(),
  reducers: { put: (_state, { payload }: PayloadAction<Machine<Plan>>) => payload as never },
});
export const syncReducer = slice.reducer;

interface State {
  plan: { present: Plan | null };
  sync: Machine<Plan>;
}
interface Store {
  getState: () => unknown;
  dispatch: (action: { type: string }) => unknown;
}

const saver = createSaver('plans', PLAN);
const stateOf = (store: Store) => store.getState() as State;
const docsOf = (store: Store): Docs<Plan> => {
  const { present } = stateOf(store).plan;
  return present ? { [present.id]: present } : {};
};
const holds = (store: Store): Holds<Plan> => ({
  docs: () => docsOf(store),
  machine: () => stateOf(store).sync,
  put: (machine) => {
    if (machine !== stateOf(store).sync) store.dispatch(slice.actions.put(machine));
  },
  take: (_, plan) => {
    store.dispatch(planEvents.planOpened(plan));
    store.dispatch(planHistory.clear());
  },
  keep: () => {
    const { plan, sync } = stateOf(store);
    const open = plan.present;
    if (!open) return;
    if (unsaved(sync, docsOf(store)).includes(open.id))
      keepDraft(open, sync.base[open.id] ?? 0, sync.saved[open.id] ?? null);
    else dropDraft(open.id);
  },
});

const edits: readonly string[] = [
  ...Object.values(planEvents)
    .map((event) => event.type as string)
    .filter((type) => type !== planEvents.planOpened.type),
  planHistory.undo().type,
  planHistory.redo().type,
];
/** Every edit of the open session is the machine's to save. */
export const saving: Middleware = (store) => (next) => (action) => {
  const done = next(action);
  if (edits.includes((action as { type: string }).type) && stateOf(store as Store).plan.present)
    saver.tell(holds(store as Store), { is: 'edited' });
  return done;
};

const shown = (store: Store, plan: Plan | null) => {
  store.dispatch(planEvents.planOpened(plan));
  store.dispatch(planHistory.clear());
  const steps = plan && stepsTo(plan);
  if (steps) store.dispatch(planHistory.restore(steps));
};

/** Opens a stored plan, with this browser's unsaved edits on top when there are any. */
export function openPlan(store: Store, plan: Plan, revision: number): void {
  const draft = findDraft(plan.id);
  const differs = draft !== null && JSON.stringify(draft.plan) !== JSON.stringify(plan);
  shown(store, differs ? draft.plan : plan);
  // What is open is frozen on its way into the store: that very object is what is saved.
  const saved = differs ? plan : stateOf(store).plan.present!;
  // Somebody saved it meanwhile. Where it is known what ours was made from, both are put together once ours is sent.
  const behind = differs && draft.base !== revision;
  const was = behind ? draft.was : null;
  saver.tell(holds(store), {
    is: 'loaded',
    saved: { [plan.id]: was ?? saved },
    base: { [plan.id]: differs ? draft.base : revision },
    clash: behind && !was ? { id: plan.id, revision } : null,
  });
}

/** Opens a plan that isn't on the server yet, and saves it. */
export function openNewPlan(store: Store, plan: Plan): void {
  shown(store, plan);
  saver.tell(holds(store), { is: 'loaded', saved: {}, base: {}, clash: null });
}

/** Saves what is open here over what was saved elsewhere; the other stays in the earlier revisions. */
export const takeOver = (store: Store): void => saver.tell(holds(store), { is: 'keep mine' });

/** Drops what is open here for what was saved elsewhere; gone where it was deleted there. */
export async function loadTheirs(store: Store): Promise<'open' | 'gone' | null> {
  const open = stateOf(store).plan.present;
  if (!open) return null;
  const stored = await saver.theirs(open.id);
  if (stored === undefined) return null;
  dropDraft(open.id);
  if (stored === null) {
    // Deleted there: so it is here.
    shown(store, null);
    saver.tell(holds(store), { is: 'loaded', saved: {}, base: {}, clash: null });
    return 'gone';
  }
  openPlan(store, stored.body, stored.revision);
  return 'open';
}
