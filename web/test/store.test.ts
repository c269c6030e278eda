import { openRecord } from '@inner-rung/core/record';
import { ROOM, ROOM_EXAMPLE, type Room } from '@inner-rung/core/room';
import { PLAN, PLAN_EXAMPLE, type Plan } from '@inner-rung/core/session';
import { jest } from '@jest/globals';
import { combineReducers, configureStore } from '@reduxjs/toolkit';
import fc from 'fast-check';
import { FakeServer, type Fate, freshBrowser } from './fake-server.ts';

// A browser's storages stand before what reads them is loaded.
freshBrowser();
const { planEvents, planHistory, planReducer } = await import('../src/store/plan-slice.ts');
const { createShelf } = await import('../src/store/shelf.ts');
const sync = await import('../src/store/sync.ts');
const drafts = await import('../src/store/drafts.ts');

const copy = <T>(value: T): T => structuredClone(value);

/** Any small event on a session, its numbers now and then out of range. */
const anEvent = (() => {
  const at = fc.record({ block: fc.integer({ min: 0, max: 3 }), station: fc.integer({ min: 0, max: 12 }) });
  const move = fc.constantFrom('squat', 'plank', 'step-up', 'jumping-jack');
  const block = fc.integer({ min: 0, max: 3 });
  return fc.oneof(
    fc.string({ minLength: 1, maxLength: 20 }).map((t) => planEvents.titleChanged(`A ${t}`)),
    fc.record({ at, move }).map(({ at: where, move: id }) => planEvents.moveChosen({ ...where, move: id })),
    fc
      .record({ at, words: fc.string({ maxLength: 230 }) })
      .map(({ at: where, words }) => planEvents.wordsPut({ ...where, words })),
    fc
      .record({ at, words: fc.string({ maxLength: 230 }), person: fc.constantFrom('maud', 'jory') })
      .map(({ at: where, ...rest }) => planEvents.wordsForPut({ ...where, ...rest })),
    fc
      .record({ block, after: fc.integer({ min: -1, max: 12 }), n: fc.integer({ min: 1, max: 45 }), move })
      .map(({ n, move: id, ...rest }) =>
        planEvents.stationsAdded({
          ...rest,
          stations: Array.from({ length: n }, () => ({ move: id, sides: 'swap at half' as const })),
        }),
      ),
    at.map((where) => planEvents.stationCopied(where)),
    at.map((where) => planEvents.stationRemoved(where)),
    fc.record({ from: at, to: at }).map((fromTo) => planEvents.stationMoved(fromTo)),
    fc
      .record({ block, by: fc.constantFrom(-1 as const, 1 as const) })
      .map((shift) => planEvents.blockShifted(shift)),
    block.map((n) => planEvents.blockRemoved(n)),
    fc.integer({ min: 0, max: 4 }).map((where) => {
      const { id: _, ...bare } = PLAN_EXAMPLE.blocks[0]!;
      return planEvents.blockAdded({ at: where, block: bare });
    }),
    fc
      .record({
        person: fc.constantFrom('maud', 'jory'),
        level: fc.constantFrom(0 as const, 2 as const, null),
      })
      .map((given) => planEvents.levelGiven(given)),
    fc.constantFrom('mat' as const, 'chair' as const).map((what) => planEvents.borrowed({ what })),
    fc.integer({ min: 2, max: 5 }).map((n) => planEvents.lanesCounted(n)),
    fc
      .record({ at, lane: fc.integer({ min: 0, max: 1 }) })
      .map(({ at: where, lane }) =>
        planEvents.lanePinned({ ...where, lane, count: 3, form: { move: 'squat' } }),
      ),
    fc.constantFrom('maud', null).map((person) => planEvents.personPicked(person)),
  );
})();

const planOf = (state: unknown) => (state as { plan: { present: Plan } }).plan.present;
const planStore = () => {
  const store = configureStore({
    reducer: combineReducers({ plan: planReducer }),
    middleware: (standard) => standard({ serializableCheck: false, immutableCheck: false }),
  });
  store.dispatch(planEvents.planOpened(copy(PLAN_EXAMPLE)));
  store.dispatch(planHistory.clear());
  return store;
};

describe('editing a session', () => {
  test('whatever is done to it, it stays a session that can be saved', () => {
    fc.assert(
      fc.property(fc.array(anEvent, { maxLength: 30 }), (events) => {
        const store = planStore();
        for (const event of events) {
          store.dispatch(event);
          const opened = openRecord(PLAN, planOf(store.getState()));
          if (!opened.ok) throw new Error(`${event.type}: ${opened.where}: ${opened.message}`);
        }
      }),
      { numRuns: 300 },
    );
  });
  test('a block that is full takes no more stations, however they come', () => {
    const store = planStore();
    const full = () => planOf(store.getState()).blocks[0]!.stations.length;
    const { id: _, ...another } = PLAN_EXAMPLE.blocks[0]!;
    store.dispatch(planEvents.blockAdded({ at: 1, block: another }));
    store.dispatch(
      planEvents.stationsAdded({
        block: 0,
        after: 0,
        stations: Array.from({ length: 60 }, () => ({ move: 'squat', sides: 'swap at half' as const })),
      }),
    );
    expect(full()).toBe(40);
    store.dispatch(planEvents.stationCopied({ block: 0, station: 3 }));
    store.dispatch(planEvents.stationMoved({ from: { block: 1, station: 0 }, to: { block: 0, station: 0 } }));
    expect(full()).toBe(40);
    expect(planOf(store.getState()).blocks[1]!.stations).toHaveLength(another.stations.length);
    // Within it they still go to and fro.
    store.dispatch(
      planEvents.stationMoved({ from: { block: 0, station: 39 }, to: { block: 0, station: 0 } }),
    );
    expect(full()).toBe(40);
  });
  test('undone to the end it is as it was opened; done again to the end it is as it was left', () => {
    fc.assert(
      fc.property(fc.array(anEvent, { minLength: 1, maxLength: 30 }), (events) => {
        const store = planStore();
        for (const event of events) store.dispatch(event);
        const left = planOf(store.getState());
        for (let i = 0; i <= events.length; i++) store.dispatch(planHistory.undo());
        expect(planOf(store.getState())).toEqual(PLAN_EXAMPLE);
        for (let i = 0; i <= events.length; i++) store.dispatch(planHistory.redo());
        expect(planOf(store.getState())).toBe(left);
      }),
      { numRuns: 200 },
    );
  });
});

interface RoomState {
  readonly is: string;
  readonly docs: Readonly<Record<string, Room>>;
}

/** Lets what waits for time or an answer have it. */
const settle = (ms: number) => jest.advanceTimersByTimeAsync(ms);
/** Longer than any pause before saving, and than some dozens of tries. */
const LONG = 120_000;

describe('a shelf saved to a server that isn’t always there', () => {
  beforeEach(() => {
    jest.useFakeTimers();
    localStorage.clear();
  });
  afterEach(() => jest.useRealTimers());

  let count = 0;
  /** A browser tab with a shelf of rooms of its own. */
  const tab = async (server: FakeServer, name = `rooms${++count}`) => {
    server.install();
    const rooms = createShelf<Room>(name, 'rooms', ROOM);
    const store = configureStore({
      reducer: combineReducers({ [rooms.name]: rooms.reducer, [`${rooms.name}Save`]: rooms.saveReducer }),
      middleware: (standard) =>
        standard({ serializableCheck: false, immutableCheck: false }).prepend(rooms.middleware),
    });
    await rooms.load(store);
    const seen = (): RoomState => ({
      is: rooms.saveState(store.getState()).is,
      docs: rooms.docs(store.getState()),
    });
    return { rooms, store, seen };
  };
  const room = (id: string, name: string): Room => ({ ...ROOM_EXAMPLE, id, name });

  test('whatever becomes of each sending, in the end the server has what is open, once each, and says saved', async () => {
    const anAct = fc.oneof(
      fc
        .record({
          id: fc.constantFrom('hall', 'attic', 'yard'),
          name: fc.string({ minLength: 1, maxLength: 8 }),
        })
        .map(({ id, name }) => ({ does: 'put' as const, doc: room(id, `R${name}`) })),
      fc.constantFrom('hall', 'attic', 'yard').map((id) => ({ does: 'remove' as const, id })),
      fc.constant({ does: 'undo' as const }),
      fc.constant({ does: 'redo' as const }),
      fc.integer({ min: 0, max: 4000 }).map((ms) => ({ does: 'wait' as const, ms })),
    );
    const fates = fc.array(fc.constantFrom<Fate>('answered', 'never arrives', 'answer lost', 'falls over'), {
      maxLength: 12,
    });
    await fc.assert(
      fc.asyncProperty(fc.array(anAct, { minLength: 1, maxLength: 14 }), fates, async (acts, how) => {
        localStorage.clear();
        const server = new FakeServer();
        const { rooms, store, seen } = await tab(server);
        server.fates = [...how];
        for (const act of acts) {
          if (act.does === 'put') store.dispatch(rooms.step({ says: 'A room', put: [act.doc] }));
          else if (act.does === 'remove') store.dispatch(rooms.step({ says: 'Gone', remove: [act.id] }));
          else if (act.does === 'wait') await settle(act.ms);
          else store.dispatch(act.does === 'undo' ? rooms.undo() : rooms.redo());
        }
        await settle(LONG);
        expect(seen().is).toBe('saved');
        expect(server.bodies('rooms')).toEqual(seen().docs);
        // Nothing waits in the browser any more.
        expect(Object.keys(localStorage).filter((key) => key.includes(`/${rooms.name}/`))).toEqual([]);
      }),
      { numRuns: 150 },
    );
  });
  test('while the server is away edits are kept in the browser, and a tab opened later goes on from them', async () => {
    const server = new FakeServer();
    const first = await tab(server);
    server.fates = Array.from({ length: 50 }, () => 'never arrives' as const);
    first.store.dispatch(first.rooms.step({ says: 'A room', put: [room('hall', 'Not sent yet')] }));
    await settle(1000);
    expect(first.seen().is).toBe('away');
    expect(server.bodies('rooms')).toEqual({});
    const kept = Object.entries(localStorage).find(([key]) => key.includes(`/${first.rooms.name}/`));
    expect(kept?.[1]).toContain('Not sent yet');
    // The page is loaded anew while the first is gone: what wasn't sent is there, and is sent.
    server.fates = [];
    const second = await tab(server, first.rooms.name);
    expect(second.seen().docs['hall']).toMatchObject({ name: 'Not sent yet' });
    await settle(LONG);
    expect(second.seen().is).toBe('saved');
    expect(server.bodies('rooms')['hall']).toMatchObject({ name: 'Not sent yet' });
  });
  test('saved from elsewhere meanwhile: nothing of ours is sent until it is chosen; either can be', async () => {
    for (const choice of ['ours', 'theirs'] as const) {
      const server = new FakeServer();
      server.elsewhere('rooms/hall', room('hall', 'As it was'));
      const { rooms, store, seen } = await tab(server);
      server.elsewhere('rooms/hall', room('hall', 'Theirs'));
      store.dispatch(rooms.step({ says: 'A name', put: [room('hall', 'Ours')] }));
      await settle(LONG);
      expect(seen().is).toBe('elsewhere');
      expect(server.bodies('rooms')['hall']).toMatchObject({ name: 'Theirs' });
      if (choice === 'ours') rooms.takeOver(store);
      else await rooms.loadTheirs(store);
      await settle(LONG);
      const name = choice === 'ours' ? 'Ours' : 'Theirs';
      expect(seen()).toMatchObject({ is: 'saved', docs: { hall: { name } } });
      expect(server.bodies('rooms')['hall']).toMatchObject({ name });
    }
  });
  test('each in their own field: both stand, what is open is what the server has, and undo takes back none of theirs', async () => {
    const server = new FakeServer();
    server.elsewhere('rooms/hall', room('hall', 'As it was'));
    const { rooms, store, seen } = await tab(server);
    server.elsewhere('rooms/hall', { ...room('hall', 'As it was'), notes: 'Theirs' });
    store.dispatch(rooms.step({ says: 'A name', put: [room('hall', 'Ours')] }));
    await settle(LONG);
    expect(rooms.saveState(store.getState())).toEqual({ is: 'saved', merged: true });
    expect(seen().docs['hall']).toMatchObject({ name: 'Ours', notes: 'Theirs' });
    expect(server.bodies('rooms')).toEqual(seen().docs);
    store.dispatch(rooms.undo());
    await settle(LONG);
    expect(server.bodies('rooms')['hall']).toMatchObject({ notes: 'Theirs' });
  });
  test('away for a week with work unsaved, while others went on: put together when it is back', async () => {
    const server = new FakeServer();
    server.elsewhere('rooms/hall', room('hall', 'As it was'));
    server.elsewhere('rooms/attic', room('attic', 'Attic'));
    const first = await tab(server);
    server.fates = Array.from({ length: 500 }, () => 'never arrives' as const);
    const step = { says: 'Names', put: [room('hall', 'Ours'), room('attic', 'Ours too')] };
    first.store.dispatch(first.rooms.step(step));
    await settle(5000);
    server.elsewhere('rooms/hall', { ...room('hall', 'As it was'), notes: 'Theirs' });
    server.elsewhere('rooms/hall', { ...room('hall', 'As it was'), notes: 'Theirs again' });
    jest.setSystemTime(Date.now() + 7 * 24 * 3_600_000);
    // The page is opened anew.
    server.fates = [];
    const second = await tab(server, first.rooms.name);
    await settle(LONG);
    expect(second.seen().is).toBe('saved');
    expect(server.bodies('rooms')['hall']).toMatchObject({ name: 'Ours', notes: 'Theirs again' });
    expect(server.bodies('rooms')['attic']).toMatchObject({ name: 'Ours too' });
    expect(second.seen().docs).toEqual(server.bodies('rooms'));
    expect(Object.keys(localStorage).filter((key) => key.includes('/shelf/'))).toEqual([]);
  });
  test('deleted elsewhere meanwhile: let go, or saved again', async () => {
    for (const choice of ['ours', 'theirs'] as const) {
      const server = new FakeServer();
      server.elsewhere('rooms/hall', room('hall', 'As it was'));
      const { rooms, store, seen } = await tab(server);
      server.docs.delete('rooms/hall');
      store.dispatch(rooms.step({ says: 'A name', put: [room('hall', 'Ours')] }));
      await settle(LONG);
      expect(rooms.saveState(store.getState())).toEqual({ is: 'elsewhere', id: 'hall', revision: 0 });
      if (choice === 'ours') rooms.takeOver(store);
      else await rooms.loadTheirs(store);
      await settle(LONG);
      expect(seen().is).toBe('saved');
      expect(server.bodies('rooms')).toEqual(seen().docs);
      expect(Object.keys(seen().docs)).toEqual(choice === 'ours' ? ['hall'] : []);
    }
  });
  test('taken away with the answer lost, and put back before it is sent again', async () => {
    const server = new FakeServer();
    const { rooms, store, seen } = await tab(server);
    store.dispatch(rooms.step({ says: 'A room', put: [room('hall', 'Stays')] }));
    await settle(1000);
    server.fates = ['answer lost'];
    store.dispatch(rooms.step({ says: 'Gone', remove: ['hall'] }));
    await settle(1000);
    expect(server.bodies('rooms')).toEqual({});
    store.dispatch(rooms.undo());
    await settle(LONG);
    expect(seen().is).toBe('saved');
    expect(server.bodies('rooms')).toEqual(seen().docs);
    expect(Object.keys(seen().docs)).toEqual(['hall']);
  });
  test('a lost answer isn’t taken for somebody else’s work, though more was written since', async () => {
    const server = new FakeServer();
    const { rooms, store, seen } = await tab(server);
    server.fates = ['answer lost', 'never arrives'];
    store.dispatch(rooms.step({ says: 'A room', put: [room('hall', 'First')] }));
    await settle(500);
    expect(server.bodies('rooms')['hall']).toMatchObject({ name: 'First' });
    store.dispatch(rooms.step({ says: 'Another name', put: [room('hall', 'Second')] }));
    await settle(LONG);
    expect(seen().is).toBe('saved');
    expect(server.bodies('rooms')['hall']).toMatchObject({ name: 'Second' });
    // Had somebody else gone on from it meanwhile, it would be theirs.
    server.fates = ['answer lost'];
    store.dispatch(rooms.step({ says: 'A third', put: [room('hall', 'Third')] }));
    await settle(500);
    server.elsewhere('rooms/hall', room('hall', 'Theirs'));
    await settle(LONG);
    expect(seen().is).toBe('elsewhere');
  });
});

describe('the open session saved to a server that isn’t always there', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());
  const opened = (server: FakeServer) => {
    localStorage.clear();
    server.install();
    const store = configureStore({
      reducer: combineReducers({ plan: planReducer, sync: sync.syncReducer }),
      middleware: (standard) =>
        standard({ serializableCheck: false, immutableCheck: false }).prepend(sync.saving),
    });
    sync.openNewPlan(store, copy(PLAN_EXAMPLE));
    return store;
  };
  const saveOf = (state: unknown) => (state as { sync: { save: { is: string } } }).sync.save;

  test('whatever becomes of each sending, in the end the server has what is open', async () => {
    const fates = fc.array(fc.constantFrom<Fate>('answered', 'never arrives', 'answer lost', 'falls over'), {
      maxLength: 10,
    });
    const anAct = fc.oneof(
      anEvent,
      fc.constant(planHistory.undo()),
      fc.constant(planHistory.redo()),
      fc.integer({ min: 0, max: 4000 }),
    );
    await fc.assert(
      fc.asyncProperty(fc.array(anAct, { maxLength: 14 }), fates, async (acts, how) => {
        const server = new FakeServer();
        server.fates = [...how];
        const store = opened(server);
        for (const act of acts) {
          if (typeof act === 'number') await settle(act);
          else store.dispatch(act);
        }
        await settle(LONG);
        expect(saveOf(store.getState())).toEqual({ is: 'saved' });
        const open = planOf(store.getState());
        expect(server.bodies('plans')[open.id]).toEqual(open);
        expect(Object.keys(localStorage).filter((key) => key.includes('/draft/'))).toEqual([]);
      }),
      { numRuns: 120 },
    );
  });
  test('a station changed here, another elsewhere: one session with both', async () => {
    const server = new FakeServer();
    const store = opened(server);
    await settle(LONG);
    const was = planOf(store.getState());
    const theirs = copy(was);
    server.elsewhere(`plans/${was.id}`, { ...theirs, title: 'Renamed elsewhere' });
    store.dispatch(planEvents.stationCopied({ block: 0, station: 0 }));
    await settle(LONG);
    expect(saveOf(store.getState())).toEqual({ is: 'saved', merged: true });
    const open = planOf(store.getState());
    expect(open.title).toBe('Renamed elsewhere');
    expect(open.blocks[0]!.stations).toHaveLength(was.blocks[0]!.stations.length + 1);
    expect(server.bodies('plans')[open.id]).toEqual(open);
  });
  test('a draft from before somebody else’s save goes on from what it was made of', async () => {
    const server = new FakeServer();
    const store = opened(server);
    await settle(LONG);
    server.fates = Array.from({ length: 500 }, () => 'never arrives' as const);
    store.dispatch(planEvents.titleChanged('Mine, away'));
    await settle(3000);
    const was = server.bodies('plans')[PLAN_EXAMPLE.id] as Plan;
    server.elsewhere(`plans/${was.id}`, { ...copy(was), forWhom: 'older' });
    server.fates = [];
    const standing = server.docs.get(`plans/${was.id}`)!;
    sync.openPlan(store, standing.body as Plan, standing.revision);
    await settle(LONG);
    expect(saveOf(store.getState())).toMatchObject({ is: 'saved' });
    expect(server.bodies('plans')[was.id]).toMatchObject({ title: 'Mine, away', forWhom: 'older' });
  });
  test('deleted elsewhere: said as such; let go, nothing is open any more', async () => {
    const server = new FakeServer();
    const store = opened(server);
    await settle(LONG);
    server.docs.clear();
    store.dispatch(planEvents.titleChanged('Mine'));
    await settle(LONG);
    expect(saveOf(store.getState())).toMatchObject({ is: 'elsewhere', revision: 0 });
    expect(await sync.loadTheirs(store)).toBe('gone');
    expect(planOf(store.getState())).toBeNull();
    expect(server.bodies('plans')).toEqual({});
    expect(Object.keys(localStorage).filter((key) => key.includes('/draft/'))).toEqual([]);
  });
});

describe('what other tabs left unsaved', () => {
  const key = (tab: string) => `inner-rung/draft/${PLAN_EXAMPLE.id}/${tab}`;
  const left = (tab: string, title: string, secondsAgo: number, plan: object = PLAN_EXAMPLE) =>
    localStorage.setItem(
      key(tab),
      JSON.stringify({ base: 3, at: Date.now() - secondsAgo * 1000, plan: { ...plan, title } }),
    );
  beforeEach(() => localStorage.clear());

  test('the newest of closed tabs goes on here; the others stay where they are', () => {
    left('first', 'Older', 600);
    left('second', 'Newer', 60);
    expect(drafts.findDraft(PLAN_EXAMPLE.id)).toMatchObject({ base: 3, plan: { title: 'Newer' } });
    expect(localStorage.getItem(key('second'))).toBeNull();
    expect(localStorage.getItem(key('first'))).toContain('Older');
    // It is this tab's now, whatever is left by others later.
    left('third', 'Newest', 10);
    expect(drafts.findDraft(PLAN_EXAMPLE.id)?.plan.title).toBe('Newer');
    drafts.dropDraft(PLAN_EXAMPLE.id);
    expect(drafts.findDraft(PLAN_EXAMPLE.id)?.plan.title).toBe('Newest');
  });
  test('a tab that is still being written in keeps its own', () => {
    left('busy', 'Mine', 1);
    expect(drafts.findDraft(PLAN_EXAMPLE.id)).toBeNull();
    expect(localStorage.getItem(key('busy'))).toContain('Mine');
  });
  test('what can’t be read is passed over and left', () => {
    localStorage.setItem(key('torn'), '{"base": 1, "plan": {');
    left('strange', 'A session of nothing', 60, { ...PLAN_EXAMPLE, blocks: 'none' });
    expect(drafts.findDraft(PLAN_EXAMPLE.id)).toBeNull();
    expect(localStorage.getItem(key('torn'))).not.toBeNull();
    expect(localStorage.getItem(key('strange'))).not.toBeNull();
    left('whole', 'Whole', 60);
    expect(drafts.findDraft(PLAN_EXAMPLE.id)?.plan.title).toBe('Whole');
  });
  test('a draft of one session is none of another whose name begins alike', () => {
    left('tab', 'Mine', 60);
    expect(drafts.findDraft(PLAN_EXAMPLE.id.slice(0, -1))).toBeNull();
    expect(drafts.findDraft(`${PLAN_EXAMPLE.id}-2`)).toBeNull();
  });
});
