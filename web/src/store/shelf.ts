import { openRecord, type RecordKind } from '@inner-rung/core/record';
import { createSlice, type Middleware, type PayloadAction, type Reducer } from '@reduxjs/toolkit';
import undoable, { excludeAction, type StateWithHistory } from 'redux-undo';
import { type Docs, empty, type Machine, type SaveState, type Stored, unsaved } from './machine.ts';
import { createSaver, type Holds } from './saver.ts';
import { keyOf } from './signer.ts';
import { storage, tabId } from './storage.ts';

/** One step: what is put and what is taken away, and its name for whoever undoes it. */
export interface Step<T> {
  readonly says: string;
  readonly put?: readonly T[];
  readonly remove?: readonly string[];
}

interface Store {
  getState: () => unknown;
  dispatch: (action: { type: string }) => unknown;
}

const ORPHAN_MS = 5000;
/** Steps of one name that follow each other this closely are one step of undo: a typed name, a dragged height. */
const SAME_STEP_MS = 900;

interface Draft<T> {
  readonly at: number;
  /** Null: taken away here, not yet on the server. */
  readonly docs: Readonly<Record<string, T | null>>;
  readonly base: Readonly<Record<string, number>>;
  /** What they were made from, so that they can be put together with what somebody else saves; none in old drafts. */
  readonly was?: Readonly<Record<string, T>>;
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
    initialState: empty<T>(),
    reducers: { put: (_state, { payload }: PayloadAction<Machine<T>>) => payload as never },
  });
  const { put } = saveSlice.actions;

  const held = <H>(store: Store, key: string) => (store.getState() as Record<string, H>)[key]!;
  const docsOf = (store: Store) => held<StateWithHistory<Docs<T>>>(store, name).present;
  const machineOf = (store: Store) => held<Machine<T>>(store, `${name}Save`);
  const saver = createSaver(path, record);
  const holds = (store: Store): Holds<T> => ({
    docs: () => docsOf(store),
    machine: () => machineOf(store),
    put: (machine) => {
      if (machine !== machineOf(store)) store.dispatch(put(machine as never));
    },
    take: (id, doc) => shown(store, { ...docsOf(store), [id]: doc }),
    keep: () => keepDraft(store),
  });
  /** These documents are what is open; the steps that led to others are let go of. */
  const shown = (store: Store, docs: Docs<T>) => {
    store.dispatch(slice.actions.opened(docs as never));
    store.dispatch({ type: clearType });
  };

  const draftKey = (tab: string) => `${keyOf('shelf')}${name}/${tab}`;
  const keepDraft = (store: Store) => {
    const machine = machineOf(store);
    const docs = docsOf(store);
    const ids = machine.save.is === 'loading' ? [] : unsaved(machine, docs);
    if (ids.length === 0) return storage.remove(draftKey(tabId));
    const draft: Draft<T> = {
      at: Date.now(),
      docs: Object.fromEntries(ids.map((id) => [id, docs[id] ?? null])),
      base: Object.fromEntries(ids.map((id) => [id, machine.base[id] ?? 0])),
      was: Object.fromEntries(
        ids.flatMap((id) => (machine.saved[id] === undefined ? [] : [[id, machine.saved[id]]])),
      ),
    };
    storage.set(draftKey(tabId), JSON.stringify(draft));
  };
  /** This tab's unsaved work, else what a closed tab left behind; that becomes this tab's. */
  const findDraft = (): Draft<T> | null => {
    const drafts = storage
      .keys()
      .filter((key) => key.startsWith(draftKey('')))
      .flatMap((key) => {
        const draft = storage.read<Draft<T>>(key);
        return draft ? [{ key, draft }] : [];
      });
    const own = drafts.find((d) => d.key === draftKey(tabId));
    const orphan = drafts
      .filter((d) => Date.now() - d.draft.at > ORPHAN_MS)
      .sort((a, b) => b.draft.at - a.draft.at)[0];
    const found = own ?? orphan;
    if (found && found !== own) storage.remove(found.key);
    return found?.draft ?? null;
  };

  const edits: readonly string[] = [slice.actions.stepped.type, undoType, redoType];
  const middleware: Middleware = (store) => (next) => (action) => {
    const done = next(action);
    if (edits.includes((action as { type: string }).type))
      saver.tell(holds(store as Store), { is: 'edited' });
    return done;
  };

  let loading: Promise<void> | null = null;
  /** Fetches the shelf once, with this browser's unsaved work on top. Rejects while the server is away. */
  function load(store: Store): Promise<void> {
    loading ??= (async () => {
      const response = await fetch(`/api/${path}`);
      if (!response.ok) throw new Error(`${path}: ${response.status}`);
      const list = (await response.json()) as Stored<T>[];
      const saved: Record<string, T> = Object.fromEntries(list.map((s) => [s.id, s.body]));
      const base: Record<string, number> = Object.fromEntries(list.map((s) => [s.id, s.revision]));
      const docs = { ...saved } as Record<string, T>;
      let clash: { id: string; revision: number } | null = null;
      const draft = findDraft();
      for (const [id, raw] of Object.entries(draft?.docs ?? {})) {
        const doc = raw === null ? null : openRecord(record, raw);
        if (doc !== null && !doc.ok) continue;
        if (JSON.stringify(doc?.value ?? null) === JSON.stringify(saved[id] ?? null)) continue;
        if ((draft!.base[id] ?? 0) !== (base[id] ?? 0)) {
          // Somebody saved it meanwhile. Where it is known what ours was made from, both are put together once ours is sent.
          const was = openRecord(record, draft!.was?.[id]);
          if (doc !== null && was.ok && saved[id] !== undefined) saved[id] = was.value;
          else clash = { id, revision: base[id] ?? 0 };
        }
        base[id] = draft!.base[id] ?? 0;
        if (doc === null) delete docs[id];
        else docs[id] = doc.value;
      }
      shown(store, docs);
      saver.tell(holds(store), { is: 'loaded', saved, base, clash });
    })().catch((error: unknown) => {
      loading = null;
      throw error;
    });
    return loading;
  }

  /** Somebody else saved meanwhile: this browser's stands from now on, theirs is in the earlier revisions. */
  const takeOver = (store: Store): void => saver.tell(holds(store), { is: 'keep mine' });
  /** Somebody else saved meanwhile: theirs stands, this browser's is dropped. */
  async function loadTheirs(store: Store): Promise<void> {
    const { save } = machineOf(store);
    if (save.is !== 'elsewhere') return;
    const stored = await saver.theirs(save.id);
    if (stored === undefined) return;
    const docs = { ...docsOf(store) } as Record<string, T>;
    if (stored) docs[save.id] = stored.body;
    else delete docs[save.id];
    shown(store, docs);
    saver.tell(holds(store), { is: 'theirs', stored });
  }
  /** Both stay: theirs where it was, this browser's beside it under a name of its own. */
  async function keepAsCopy(store: Store, copy: (mine: T) => T): Promise<void> {
    const { save } = machineOf(store);
    const mine = save.is === 'elsewhere' ? docsOf(store)[save.id] : undefined;
    await loadTheirs(store);
    if (mine && machineOf(store).save.is !== 'elsewhere')
      store.dispatch(slice.actions.stepped({ says: 'Mine kept as a copy', put: [copy(mine)] } as never));
  }

  const stateOf = (state: unknown) => state as Record<string, unknown>;
  return {
    name,
    docs: (state: unknown) => (stateOf(state)[name] as StateWithHistory<Docs<T>>).present,
    canUndo: (state: unknown) => (stateOf(state)[name] as StateWithHistory<Docs<T>>).past.length > 0,
    canRedo: (state: unknown) => (stateOf(state)[name] as StateWithHistory<Docs<T>>).future.length > 0,
    saveState: (state: unknown) => (stateOf(state)[`${name}Save`] as Machine<T>).save as SaveState,
    reducer,
    saveReducer: saveSlice.reducer,
    middleware,
    step: (step: Step<T>) => slice.actions.stepped(step as never),
    undo: () => ({ type: undoType }),
    redo: () => ({ type: redoType }),
    load,
    takeOver,
    loadTheirs,
    keepAsCopy,
  };
}
export type Shelf<T extends { id: string; version: number }> = ReturnType<typeof createShelf<T>>;
