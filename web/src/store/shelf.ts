import { openRecord, type RecordKind } from '@inner-rung/core/record';
import { createListenerMiddleware, createSlice, type PayloadAction, type Reducer } from '@reduxjs/toolkit';
import undoable, { excludeAction, type StateWithHistory } from 'redux-undo';
import type { Stored } from './api.ts';
import { tabId } from './drafts.ts';
import { createUnanswered } from './unanswered.ts';

type Docs<T> = Readonly<Record<string, T>>;

/** One step: what is put and what is taken away, and its name for whoever undoes it. */
export interface Step<T> {
  readonly says: string;
  readonly put?: readonly T[];
  readonly remove?: readonly string[];
}

export type ShelfSave =
  | { readonly is: 'loading' | 'saved' | 'saving' | 'away' }
  | { readonly is: 'refused'; readonly why: string }
  | { readonly is: 'elsewhere'; readonly id: string; readonly revision: number };

interface SaveSlice<T> {
  readonly base: Readonly<Record<string, number>>;
  readonly saved: Docs<T>;
  readonly save: ShelfSave;
}

interface Store {
  getState: () => unknown;
  dispatch: (action: { type: string }) => unknown;
}

const PAUSE_MS = 300;
const RETRY_MS = 2500;
const ORPHAN_MS = 5000;
/** Steps of one name that follow each other this closely are one step of undo: a typed name, a dragged height. */
const SAME_STEP_MS = 900;

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

interface Draft<T> {
  readonly at: number;
  /** Null: taken away here, not yet on the server. */
  readonly docs: Readonly<Record<string, T | null>>;
  readonly base: Readonly<Record<string, number>>;
}

/**
 * A shelf of documents of one kind, all in the browser: edited by named steps that can be undone, saved
 * one by one by revision, and kept in local storage while the server is away.
 */
export function createShelf<T extends { id: string; version: number }>(
  name: string,
  path: string,
  record: RecordKind<T>,
) {
  const slice = createSlice({
    name,
    initialState: {} as Docs<T>,
    reducers: {
      opened: (_docs, { payload }: PayloadAction<Docs<T>>) => payload as never,
      stepped: (docs, { payload }: PayloadAction<Step<T>>) => {
        const next = { ...(docs as Docs<T>) } as Record<string, T>;
        for (const doc of payload.put ?? []) next[doc.id] = doc;
        for (const id of payload.remove ?? []) delete next[id];
        return next as never;
      },
    },
  });
  let last = { says: '', at: 0, group: 0 };
  const undoType = `${name}/undo`;
  const redoType = `${name}/redo`;
  const clearType = `${name}/clear`;
  const reducer = undoable(slice.reducer as unknown as Reducer<Docs<T>>, {
    limit: 200,
    filter: excludeAction([slice.actions.opened.type]),
    syncFilter: true,
    undoType,
    redoType,
    clearHistoryType: clearType,
    groupBy: (action) => {
      const now = Date.now();
      const says = (action as { payload?: Step<T> }).payload?.says ?? action.type;
      const same = says === last.says && says.endsWith('…') && now - last.at < SAME_STEP_MS;
      last = { says, at: now, group: same ? last.group : last.group + 1 };
      return last.group;
    },
  });

  const saveSlice = createSlice({
    name: `${name}Save`,
    initialState: { base: {}, saved: {}, save: { is: 'loading' } } as SaveSlice<T>,
    reducers: {
      loaded: (_state, { payload }: PayloadAction<SaveSlice<T>>) => payload as never,
      stateSet: (state, { payload }: PayloadAction<ShelfSave>) => {
        state.save = payload as never;
      },
      kept: (state, { payload }: PayloadAction<{ id: string; doc: T | undefined; revision: number }>) => {
        const saved = { ...(state.saved as Docs<T>) } as Record<string, T>;
        const base = { ...state.base };
        if (payload.doc) {
          saved[payload.id] = payload.doc;
          base[payload.id] = payload.revision;
        } else {
          delete saved[payload.id];
          delete base[payload.id];
        }
        state.saved = saved as never;
        state.base = base;
      },
    },
  });
  const { loaded, stateSet, kept } = saveSlice.actions;

  const held = <H>(store: Store, key: string) => (store.getState() as Record<string, H>)[key]!;
  const docsOf = (store: Store) => held<StateWithHistory<Docs<T>>>(store, name).present;
  const saveOf = (store: Store) => held<SaveSlice<T>>(store, `${name}Save`);

  const unanswered = createUnanswered(record);
  const addressOf = (id: string) => `/api/${path}/${id}`;
  const idAt = (address: string) => address.slice(addressOf('').length);

  const draftKey = (tab: string) => `inner-rung/shelf/${name}/${tab}`;
  const dirty = (store: Store): string[] => {
    const docs = docsOf(store);
    const { saved } = saveOf(store);
    const changed = [...new Set([...Object.keys(docs), ...Object.keys(saved)])].filter(
      (id) => docs[id] !== saved[id],
    );
    // Sent without an answer, and put back or taken away since: what stands on the server isn't known.
    const unsure = unanswered
      .addresses()
      .map(idAt)
      .filter((id) => !changed.includes(id));
    return [...changed, ...unsure];
  };
  const keepDraft = (store: Store) => {
    const ids = dirty(store);
    if (ids.length === 0) return localStorage.removeItem(draftKey(tabId));
    const docs = docsOf(store);
    const { base } = saveOf(store);
    const draft: Draft<T> = {
      at: Date.now(),
      docs: Object.fromEntries(ids.map((id) => [id, docs[id] ?? null])),
      base: Object.fromEntries(ids.map((id) => [id, base[id] ?? 0])),
    };
    localStorage.setItem(draftKey(tabId), JSON.stringify(draft));
  };
  /** This tab's unsaved work, else what a closed tab left behind; that becomes this tab's. */
  const findDraft = (): Draft<T> | null => {
    const keys = Object.keys(localStorage).filter((key) => key.startsWith(draftKey('')));
    const drafts = keys.flatMap((key) => {
      try {
        return [{ key, draft: JSON.parse(localStorage.getItem(key) ?? '') as Draft<T> }];
      } catch {
        return [];
      }
    });
    const own = drafts.find((d) => d.key === draftKey(tabId));
    const orphan = drafts
      .filter((d) => Date.now() - d.draft.at > ORPHAN_MS)
      .sort((a, b) => b.draft.at - a.draft.at)[0];
    const found = own ?? orphan;
    if (found && found !== own) localStorage.removeItem(found.key);
    return found?.draft ?? null;
  };

  let pumping = false;
  async function pump(store: Store): Promise<void> {
    if (pumping) return;
    pumping = true;
    try {
      for (;;) {
        const { base, save } = saveOf(store);
        const [id] = dirty(store);
        if (save.is === 'elsewhere' || save.is === 'loading') return;
        if (id === undefined) {
          keepDraft(store);
          if (save.is !== 'saved') store.dispatch(stateSet({ is: 'saved' }));
          return;
        }
        if (save.is !== 'away') store.dispatch(stateSet({ is: 'saving' }));
        const doc = docsOf(store)[id];
        const revision = base[id] ?? 0;
        const address = addressOf(id);
        const asks = !doc && revision === 0;
        let response: Response | null = null;
        try {
          response = await fetch(address, {
            method: asks ? 'GET' : doc ? 'PUT' : 'DELETE',
            headers: {
              'Content-Type': 'application/json',
              ...(revision === 0 ? { 'If-None-Match': '*' } : { 'If-Match': `"${revision}"` }),
            },
            ...(doc ? { body: JSON.stringify(doc) } : {}),
          });
        } catch {
          response = null;
        }
        if (!response || response.status >= 500) {
          if (!asks) unanswered.add(address, revision, doc ?? null);
          store.dispatch(stateSet({ is: 'away' }));
          await pause(RETRY_MS);
        } else if (asks) {
          const stored = response.ok ? ((await response.json()) as Stored<T>) : null;
          // What is ours is taken away as anything else is; what isn't was never ours to take.
          if (stored && unanswered.isOurs(address, stored.body))
            store.dispatch(kept({ id, doc: stored.body, revision: stored.revision }));
          unanswered.settle(address);
        } else if (response.ok) {
          unanswered.settle(address);
          const next = doc ? ((await response.json()) as { revision: number }).revision : 0;
          store.dispatch(kept({ id, doc, revision: next }));
        } else {
          const problem = (await response.json()) as { detail: string; field?: string; revision?: number };
          const ours =
            response.status === 412
              ? await unanswered.standing(address, revision, problem.revision ?? 0)
              : null;
          unanswered.settle(address);
          if (ours === 'gone') store.dispatch(kept({ id, doc: undefined, revision: 0 }));
          else if (ours) store.dispatch(kept({ id, doc: ours.body, revision: ours.revision }));
          else if (response.status === 412)
            store.dispatch(stateSet({ is: 'elsewhere', id, revision: problem.revision ?? 0 }));
          else {
            store.dispatch(
              stateSet({
                is: 'refused',
                why: `${problem.field ? `${problem.field}: ` : ''}${problem.detail}`,
              }),
            );
            return;
          }
        }
      }
    } finally {
      pumping = false;
    }
  }

  const listener = createListenerMiddleware();
  listener.startListening({
    predicate: (action) => [slice.actions.stepped.type, undoType, redoType].includes(action.type),
    effect: async (_action, store) => {
      keepDraft(store);
      store.cancelActiveListeners();
      await store.delay(PAUSE_MS);
      void pump(store);
    },
  });

  let loading: Promise<void> | null = null;
  /** Fetches the shelf once, with this browser's unsaved work on top. Rejects while the server is away. */
  function load(store: Store): Promise<void> {
    loading ??= (async () => {
      const response = await fetch(`/api/${path}`);
      if (!response.ok) throw new Error(`${path}: ${response.status}`);
      const list = (await response.json()) as Stored<T>[];
      const saved = Object.fromEntries(list.map((s) => [s.id, s.body])) as Docs<T>;
      const base: Record<string, number> = Object.fromEntries(list.map((s) => [s.id, s.revision]));
      const docs = { ...saved } as Record<string, T>;
      let save: ShelfSave = { is: 'saved' };
      const draft = findDraft();
      for (const [id, raw] of Object.entries(draft?.docs ?? {})) {
        const doc = raw === null ? null : openRecord(record, raw);
        if (doc !== null && !doc.ok) continue;
        if (JSON.stringify(doc?.value ?? null) === JSON.stringify(saved[id] ?? null)) continue;
        if ((draft!.base[id] ?? 0) !== (base[id] ?? 0))
          save = { is: 'elsewhere', id, revision: base[id] ?? 0 };
        base[id] = draft!.base[id] ?? 0;
        if (doc === null) delete docs[id];
        else docs[id] = doc.value;
      }
      store.dispatch(slice.actions.opened(docs as never));
      store.dispatch({ type: clearType });
      store.dispatch(loaded({ base, saved, save } as never));
      keepDraft(store);
      void pump(store);
    })().catch((error: unknown) => {
      loading = null;
      throw error;
    });
    return loading;
  }

  /** Somebody else saved meanwhile: this browser's stands from now on, theirs is in the earlier revisions. */
  function takeOver(store: Store): void {
    const { save, base, saved } = saveOf(store);
    if (save.is !== 'elsewhere') return;
    store.dispatch(
      loaded({ base: { ...base, [save.id]: save.revision }, saved, save: { is: 'saving' } } as never),
    );
    void pump(store);
  }
  /** Somebody else saved meanwhile: theirs stands, this browser's is dropped. */
  async function loadTheirs(store: Store): Promise<void> {
    const { save, base, saved } = saveOf(store);
    if (save.is !== 'elsewhere') return;
    const response = await fetch(addressOf(save.id));
    if (!response.ok && response.status !== 404) return;
    const docs = { ...docsOf(store) } as Record<string, T>;
    const nextSaved = { ...saved } as Record<string, T>;
    const nextBase = { ...base };
    if (response.ok) {
      const stored = (await response.json()) as Stored<T>;
      docs[save.id] = stored.body;
      nextSaved[save.id] = stored.body;
      nextBase[save.id] = stored.revision;
    } else {
      delete docs[save.id];
      delete nextSaved[save.id];
      delete nextBase[save.id];
    }
    store.dispatch(slice.actions.opened(docs as never));
    store.dispatch({ type: clearType });
    store.dispatch(loaded({ base: nextBase, saved: nextSaved, save: { is: 'saved' } } as never));
    keepDraft(store);
    void pump(store);
  }

  const stateOf = (state: unknown) => state as Record<string, unknown>;
  return {
    name,
    docs: (state: unknown) => (stateOf(state)[name] as StateWithHistory<Docs<T>>).present,
    canUndo: (state: unknown) => (stateOf(state)[name] as StateWithHistory<Docs<T>>).past.length > 0,
    canRedo: (state: unknown) => (stateOf(state)[name] as StateWithHistory<Docs<T>>).future.length > 0,
    saveState: (state: unknown) => (stateOf(state)[`${name}Save`] as SaveSlice<T>).save,
    reducer,
    saveReducer: saveSlice.reducer,
    middleware: listener.middleware,
    step: (step: Step<T>) => slice.actions.stepped(step as never),
    undo: () => ({ type: undoType }),
    redo: () => ({ type: redoType }),
    load,
    takeOver,
    loadTheirs,
  };
}
export type Shelf<T extends { id: string; version: number }> = ReturnType<typeof createShelf<T>>;
