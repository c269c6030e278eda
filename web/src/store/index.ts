import { CHANGE, type Change } from '@inner-rung/core/ladder';
import { SESSION_RECORD, type SessionRecord } from '@inner-rung/core/log';
import { GROUP, type Group, PERSON, type Person, REVIEW, type Review } from '@inner-rung/core/person';
import { ROOM, type Room } from '@inner-rung/core/room';
import { configureStore } from '@reduxjs/toolkit';
import { useDispatch, useSelector } from 'react-redux';
import { planReducer } from './plan-slice.ts';
import { createShelf } from './shelf.ts';
import { keepSteps } from './steps.ts';
import { saving, syncReducer } from './sync.ts';
import { rememberView, viewReducer } from './view-slice.ts';

/** The trainer's own moves and ladders, and their changes to the reference. */
export const changes = createShelf<Change>('changes', 'changes', CHANGE);

export const people = createShelf<Person>('people', 'people', PERSON);
export const rooms = createShelf<Room>('rooms', 'rooms', ROOM);
export const records = createShelf<SessionRecord>('records', 'records', SESSION_RECORD);
/** Conditions that a clinician has read and signed. */
export const reviews = createShelf<Review>('reviews', 'reviews', REVIEW);
export const groups = createShelf<Group>('groups', 'groups', GROUP);

export const store = configureStore({
  reducer: {
    plan: planReducer,
    sync: syncReducer,
    view: viewReducer,
    changes: changes.reducer,
    changesSave: changes.saveReducer,
    people: people.reducer,
    peopleSave: people.saveReducer,
    rooms: rooms.reducer,
    roomsSave: rooms.saveReducer,
    groups: groups.reducer,
    groupsSave: groups.saveReducer,
    records: records.reducer,
    recordsSave: records.saveReducer,
    reviews: reviews.reducer,
    reviewsSave: reviews.saveReducer,
  },
  middleware: (standard) =>
    // The library and plans are checked by their schemas on the way in; walking them on every action isn't needed.
    standard({ serializableCheck: false, immutableCheck: false }).prepend(
      saving,
      changes.middleware,
      people.middleware,
      groups.middleware,
      rooms.middleware,
      records.middleware,
      reviews.middleware,
    ),
});
store.subscribe(() => rememberView(store.getState().view));
/** After a pause: writing it down takes longer than a letter that is typed. */
const STEPS_MS = 400;
let stepped = store.getState().plan;
let writing: ReturnType<typeof setTimeout> | undefined;
const writeSteps = () => keepSteps(stepped.present, stepped);
store.subscribe(() => {
  const { plan } = store.getState();
  if (plan === stepped) return;
  stepped = plan;
  clearTimeout(writing);
  writing = setTimeout(writeSteps, STEPS_MS);
});
globalThis.addEventListener?.('pagehide', writeSteps);

export type State = ReturnType<typeof store.getState>;
export const useApp = useSelector.withTypes<State>();
export const useSend = useDispatch.withTypes<typeof store.dispatch>();
