import type { Settings } from '@inner-rung/core/move';
import { AS_WRITTEN, type Dials, nextStationId, type Plan, type Station } from '@inner-rung/core/session';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import undoable, { excludeAction } from 'redux-undo';

/** The open circuit, or null while none is open. Small named events; undo replays states around them. */
const slice = createSlice({
  name: 'plan',
  initialState: null as Plan | null,
  reducers: {
    planOpened: (_plan, { payload }: PayloadAction<Plan | null>) => payload,
    titleChanged: (plan, { payload }: PayloadAction<string>) => {
      if (plan) plan.title = payload;
    },
    moveChosen: (
      plan,
      { payload }: PayloadAction<{ station: number; move: string; settings?: Settings }>,
    ) => {
      const station = plan?.block.stations[payload.station];
      if (!station) return;
      station.move = payload.move;
      delete station.typed;
      if (payload.settings && Object.keys(payload.settings).length > 0) station.settings = payload.settings;
      else delete station.settings;
    },
    stationAdded: (plan, { payload }: PayloadAction<{ after: number; move: string }>) => {
      plan?.block.stations.splice(payload.after + 1, 0, {
        id: nextStationId(plan.block.stations),
        move: payload.move,
        sides: 'swap at half',
      });
    },
    stationRemoved: (plan, { payload }: PayloadAction<number>) => {
      plan?.block.stations.splice(payload, 1);
    },
    stationShifted: (plan, { payload }: PayloadAction<{ station: number; by: -1 | 1 }>) => {
      if (!plan) return;
      const { stations } = plan.block;
      const to = payload.station + payload.by;
      const [moved] = stations.splice(payload.station, 1);
      if (moved) stations.splice(Math.max(0, Math.min(stations.length, to)), 0, moved);
    },
    stationsOrdered: (plan, { payload }: PayloadAction<readonly number[]>) => {
      if (!plan || payload.length !== plan.block.stations.length) return;
      plan.block.stations = payload.map((i) => plan.block.stations[i]!);
    },
    sidesChanged: (plan, { payload }: PayloadAction<{ station: number; sides: Station['sides'] }>) => {
      const station = plan?.block.stations[payload.station];
      if (station) station.sides = payload.sides;
    },
    formatChanged: (plan, { payload }: PayloadAction<Partial<Plan['block']['format']>>) => {
      if (plan) Object.assign(plan.block.format, payload);
    },
    dialTurned: (plan, { payload }: PayloadAction<Partial<Dials>>) => {
      if (plan) Object.assign(plan.dials, payload);
    },
    writtenForChanged: (plan, { payload }: PayloadAction<Plan['writtenFor']>) => {
      if (plan) plan.writtenFor = payload;
    },
    personPicked: (plan, { payload }: PayloadAction<string | null>) => {
      if (!plan) return;
      plan.person = payload;
      plan.dials = payload ? { ...plan.dials, ability: 'own rungs' } : AS_WRITTEN;
    },
    roomPicked: (plan, { payload }: PayloadAction<string>) => {
      if (plan) plan.room = payload;
    },
    circuitPasted: (
      plan,
      {
        payload,
      }: PayloadAction<{
        title: string | null;
        format: Partial<Plan['block']['format']>;
        stations: Station[];
      }>,
    ) => {
      if (!plan) return;
      if (payload.title) plan.title = payload.title;
      Object.assign(plan.block.format, payload.format);
      plan.block.stations = payload.stations;
    },
  },
});

export const planEvents = slice.actions;

/** Events that follow each other this closely are one step of undo: a dragged dial, a typed title. */
const SAME_STEP_MS = 800;
let last = { type: '', at: 0, group: 0 };

/** Undo is each part's own: a circuit's undo never reaches into the ladders. */
export const planHistory = {
  undo: () => ({ type: 'plan/undo' }),
  redo: () => ({ type: 'plan/redo' }),
  clear: () => ({ type: 'plan/clear' }),
};

export const planReducer = undoable(slice.reducer, {
  limit: 200,
  undoType: 'plan/undo',
  redoType: 'plan/redo',
  clearHistoryType: 'plan/clear',
  filter: excludeAction([slice.actions.planOpened.type]),
  syncFilter: true,
  groupBy: (action) => {
    const now = Date.now();
    const same =
      action.type === last.type &&
      now - last.at < SAME_STEP_MS &&
      (action.type === planEvents.dialTurned.type ||
        action.type === planEvents.titleChanged.type ||
        action.type === planEvents.formatChanged.type);
    last = { type: action.type, at: now, group: same ? last.group : last.group + 1 };
    return last.group;
  },
});
