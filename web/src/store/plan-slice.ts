import type { Format } from '@inner-rung/core/clock';
import type { FormRef, Settings } from '@inner-rung/core/move';
import type { RoomItem } from '@inner-rung/core/room';
import {
  AS_WRITTEN,
  type Block,
  type Dials,
  MOST_NOTES,
  MOST_STATIONS,
  nextStationId,
  type Plan,
  type Station,
} from '@inner-rung/core/session';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import undoable, { excludeAction } from 'redux-undo';
import type { Steps } from './steps.ts';

/** A station's place: its block and where it stands in it. */
export interface StationAt {
  readonly block: number;
  readonly station: number;
}

const freshBlockId = (plan: Plan, base: string): string => {
  const used = new Set(plan.blocks.map((b) => b.id));
  let n = plan.blocks.length + 1;
  while (used.has(`${base}-${n}`)) n++;
  return `${base}-${n}`;
};
const patched = <T extends object>(target: T, patch: Partial<T>) => {
  for (const [key, value] of Object.entries(patch))
    if (value === undefined) delete (target as Record<string, unknown>)[key];
    else (target as Record<string, unknown>)[key] = value;
};

/** The open session, or null while none is open. Small named events; undo replays states around them. */
const slice = createSlice({
  name: 'plan',
  initialState: null as Plan | null,
  reducers: {
    planOpened: (_plan, { payload }: PayloadAction<Plan | null>) => payload,
    titleChanged: (plan, { payload }: PayloadAction<string>) => {
      if (plan) plan.title = payload;
    },
    planPatched: (
      plan,
      {
        payload,
      }: PayloadAction<
        Partial<Pick<Plan, 'forWhom' | 'bookedMinutes' | 'aim' | 'tags' | 'notes' | 'writtenFor'>>
      >,
    ) => {
      if (plan) patched(plan, payload);
    },
    moveChosen: (plan, { payload }: PayloadAction<StationAt & { move: string; settings?: Settings }>) => {
      const station = plan?.blocks[payload.block]?.stations[payload.station];
      if (!station) return;
      station.move = payload.move;
      delete station.typed;
      delete station.ways;
      delete station.byRound;
      if (payload.settings && Object.keys(payload.settings).length > 0) station.settings = payload.settings;
      else delete station.settings;
    },
    /** What stands on paper at a station; the move's own cue again where there are no words. */
    wordsPut: (plan, { payload }: PayloadAction<StationAt & { words: string }>) => {
      const station = plan?.blocks[payload.block]?.stations[payload.station];
      if (!station) return;
      if (payload.words.trim()) station.words = payload.words.trim().slice(0, 200);
      else delete station.words;
    },
    /** The same on one person's card alone. */
    wordsForPut: (plan, { payload }: PayloadAction<StationAt & { person: string; words: string }>) => {
      const block = plan?.blocks[payload.block];
      const station = block?.stations[payload.station];
      if (!plan || !block || !station) return;
      const others = (plan.wordsFor ?? []).filter(
        (one) => one.block !== block.id || one.station !== station.id || one.person !== payload.person,
      );
      const words = payload.words.trim().slice(0, 200);
      const all = words
        ? [...others, { block: block.id, station: station.id, person: payload.person, words }]
        : others;
      if (all.length > 0) plan.wordsFor = all;
      else delete plan.wordsFor;
    },
    /** One or several at once, so that a typed list is one step of undo. */
    stationsAdded: (
      plan,
      {
        payload,
      }: PayloadAction<{
        block: number;
        after: number;
        stations: readonly Omit<Station, 'id'>[];
      }>,
    ) => {
      const block = plan?.blocks[payload.block];
      if (!block) return;
      payload.stations.slice(0, MOST_STATIONS - block.stations.length).forEach((station, i) => {
        block.stations.splice(payload.after + 1 + i, 0, { ...station, id: nextStationId(block.stations) });
      });
    },
    stationCopied: (plan, { payload }: PayloadAction<StationAt>) => {
      const block = plan?.blocks[payload.block];
      const station = block?.stations[payload.station];
      if (block && station && block.stations.length < MOST_STATIONS)
        block.stations.splice(payload.station + 1, 0, { ...station, id: nextStationId(block.stations) });
    },
    stationRemoved: (plan, { payload }: PayloadAction<StationAt>) => {
      plan?.blocks[payload.block]?.stations.splice(payload.station, 1);
    },
    /** To another place in its block, or into another one. */
    stationMoved: (plan, { payload }: PayloadAction<{ from: StationAt; to: StationAt }>) => {
      const source = plan?.blocks[payload.from.block];
      const target = plan?.blocks[payload.to.block];
      const station = source?.stations[payload.from.station];
      if (!source || !target || !station) return;
      if (source !== target && target.stations.length >= MOST_STATIONS) return;
      source.stations.splice(payload.from.station, 1);
      const id =
        source !== target && target.stations.some((s) => s.id === station.id)
          ? nextStationId(target.stations)
          : station.id;
      const to = Math.max(0, Math.min(target.stations.length, payload.to.station));
      target.stations.splice(to, 0, { ...station, id });
    },
    stationsOrdered: (plan, { payload }: PayloadAction<{ block: number; order: readonly number[] }>) => {
      const block = plan?.blocks[payload.block];
      if (!block || payload.order.length !== block.stations.length) return;
      block.stations = payload.order.map((i) => block.stations[i]!);
    },
    stationPatched: (plan, { payload }: PayloadAction<StationAt & { patch: Partial<Station> }>) => {
      const station = plan?.blocks[payload.block]?.stations[payload.station];
      if (station) patched(station, payload.patch);
    },
    formatChanged: (plan, { payload }: PayloadAction<{ block: number; format: Format }>) => {
      const block = plan?.blocks[payload.block];
      if (block) block.format = payload.format;
    },
    blockPatched: (plan, { payload }: PayloadAction<{ block: number; patch: Partial<Block> }>) => {
      const block = plan?.blocks[payload.block];
      if (block) patched(block, payload.patch);
    },
    blockSet: (plan, { payload }: PayloadAction<{ block: number; becomes: Block }>) => {
      if (plan?.blocks[payload.block]) plan.blocks[payload.block] = payload.becomes;
    },
    blockAdded: (plan, { payload }: PayloadAction<{ at: number; block: Omit<Block, 'id'> }>) => {
      if (!plan || plan.blocks.length >= 20) return;
      plan.blocks.splice(payload.at, 0, {
        ...payload.block,
        id: freshBlockId(plan, payload.block.role ?? 'circuit'),
      });
    },
    blockRemoved: (plan, { payload }: PayloadAction<number>) => {
      if (plan && plan.blocks.length > 1) plan.blocks.splice(payload, 1);
    },
    blockShifted: (plan, { payload }: PayloadAction<{ block: number; by: -1 | 1 }>) => {
      if (!plan) return;
      const to = payload.block + payload.by;
      if (to < 0 || to >= plan.blocks.length) return;
      const [moved] = plan.blocks.splice(payload.block, 1);
      if (moved) plan.blocks.splice(to, 0, moved);
    },
    findingAccepted: (
      plan,
      { payload }: PayloadAction<{ check: string; at: string; why: string | null }>,
    ) => {
      if (!plan) return;
      const others = (plan.accepted ?? []).filter((a) => a.check !== payload.check || a.at !== payload.at);
      plan.accepted =
        payload.why === null
          ? others
          : [...others, { check: payload.check, at: payload.at, why: payload.why }].slice(-100);
    },
    /** A wish for the class page; one for the same thing takes the earlier's place. */
    wished: (plan, { payload }: PayloadAction<NonNullable<Plan['wishes']>[number]>) => {
      if (!plan) return;
      const others = (plan.wishes ?? []).filter(
        (wish) =>
          wish.block !== payload.block ||
          wish.station !== payload.station ||
          wish.kind !== payload.kind ||
          wish.person !== payload.person ||
          (payload.kind !== 'give' && JSON.stringify(wish.form) !== JSON.stringify(payload.form)),
      );
      plan.wishes = [...others, payload].slice(-200);
    },
    unwished: (plan, { payload }: PayloadAction<number>) => {
      plan?.wishes?.splice(payload, 1);
    },
    /** A level of their own for this session; null is as they are. */
    levelGiven: (plan, { payload }: PayloadAction<{ person: string; level: 0 | 1 | 2 | 3 | null }>) => {
      if (!plan) return;
      const others = (plan.levels ?? []).filter((one) => one.person !== payload.person);
      plan.levels =
        payload.level === null
          ? others
          : [...others, { person: payload.person, level: payload.level }].slice(-200);
    },
    /** One piece more than the room has. */
    borrowed: (plan, { payload }: PayloadAction<Pick<RoomItem, 'what' | 'size'>>) => {
      if (!plan) return;
      const list = plan.borrowed ?? [];
      const same = list.find((one) => one.what === payload.what && one.size === payload.size);
      if (same) same.count = Math.min(200, same.count + 1);
      else
        list.push({
          what: payload.what,
          count: 1,
          ...(payload.size === undefined ? {} : { size: payload.size }),
        });
      plan.borrowed = list.slice(-40);
    },
    givenBack: (plan, { payload }: PayloadAction<number>) => {
      plan?.borrowed?.splice(payload, 1);
    },
    /** How many lanes; what was put into a lane that is gone goes with it. */
    lanesCounted: (plan, { payload }: PayloadAction<number>) => {
      if (!plan) return;
      const pins = (plan.lanes?.pins ?? []).filter((pin) => pin.lane < payload);
      plan.lanes = { count: payload, pins };
    },
    /** A form put into a lane by hand; null leaves the place to be worked out again. */
    lanePinned: (
      plan,
      { payload }: PayloadAction<StationAt & { lane: number; count: number; form: FormRef | null }>,
    ) => {
      const block = plan?.blocks[payload.block];
      const station = block?.stations[payload.station];
      if (!plan || !block || !station) return;
      const others = (plan.lanes?.pins ?? []).filter(
        (pin) => pin.block !== block.id || pin.station !== station.id || pin.lane !== payload.lane,
      );
      const own = payload.form
        ? [{ block: block.id, station: station.id, lane: payload.lane, form: payload.form }]
        : [];
      plan.lanes = { count: payload.count, pins: [...others, ...own].slice(-400) };
    },
    dialTurned: (plan, { payload }: PayloadAction<Partial<Dials>>) => {
      if (plan) patched(plan.dials, payload);
    },
    personPicked: (plan, { payload }: PayloadAction<string | null>) => {
      if (!plan) return;
      plan.person = payload;
      plan.dials = payload
        ? { ...plan.dials, ability: 'own rungs' }
        : { ...AS_WRITTEN, ...(plan.dials.keep ? { keep: plan.dials.keep } : {}) };
    },
    roomPicked: (plan, { payload }: PayloadAction<string>) => {
      if (plan) plan.room = payload;
    },
    /** One block takes the place of the open one; several become the session. */
    sessionPasted: (
      plan,
      {
        payload,
      }: PayloadAction<{ title: string | null; notes: string; block: number; blocks: readonly Block[] }>,
    ) => {
      if (!plan || payload.blocks.length === 0) return;
      if (payload.title) plan.title = payload.title;
      if (payload.notes)
        plan.notes = [plan.notes, payload.notes].filter(Boolean).join('\n').slice(0, MOST_NOTES);
      const [first] = payload.blocks;
      const open = plan.blocks[payload.block];
      if (payload.blocks.length === 1 && first && open) {
        open.format = first.format;
        open.stations = first.stations;
        if (first.role) open.role = first.role;
      } else plan.blocks = [...payload.blocks];
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
  /** What was kept of it in this tab, put back. */
  restore: (steps: Steps) => ({ type: 'plan/restore', steps }),
};

const undoing = undoable(slice.reducer, {
  limit: 200,
  undoType: 'plan/undo',
  redoType: 'plan/redo',
  clearHistoryType: 'plan/clear',
  filter: excludeAction([slice.actions.planOpened.type]),
  syncFilter: true,
  groupBy: (action) => {
    const now = Date.now();
    const typed: readonly string[] = [
      planEvents.dialTurned.type,
      planEvents.titleChanged.type,
      planEvents.formatChanged.type,
      planEvents.stationPatched.type,
      planEvents.blockPatched.type,
      planEvents.planPatched.type,
    ];
    const same =
      action.type === last.type && now - last.at < SAME_STEP_MS && typed.includes(action.type as string);
    last = { type: action.type as string, at: now, group: same ? last.group : last.group + 1 };
    return last.group;
  },
});

export const planReducer: typeof undoing = (state, action) => {
  if ((action as { type: string }).type !== 'plan/restore' || !state) return undoing(state, action);
  const { past, future } = (action as unknown as ReturnType<typeof planHistory.restore>).steps;
  return { ...state, past: [...past], future: [...future] };
};
