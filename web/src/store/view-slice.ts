import type { English } from '@inner-rung/core/words';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { storage } from './storage.ts';

export interface View {
  /** The open block, the first circuit where none was chosen, and the chosen station in it. */
  block: number | null;
  station: number;
  shows: 'floor' | 'sheet' | 'build';
  theme: 'system' | 'paper' | 'hall';
  type: 'usual' | 'large' | 'larger';
  /** Single-letter keys; Ctrl and arrow keys always work. */
  letterKeys: boolean;
  units: { mass: 'kg' | 'lb'; length: 'cm' | 'in'; glucose: 'mmol/L' | 'mg/dL' };
  /** Which English the moves are named in; null as the library and each session have them. */
  english: English | null;
  /** The group whose people the plan offers; null for everybody. */
  group: string | null;
}

const KEY = 'inner-rung/view';
const start: View = {
  block: null,
  station: 0,
  shows: 'floor',
  theme: 'system',
  type: 'usual',
  letterKeys: true,
  units: { mass: 'kg', length: 'cm', glucose: 'mmol/L' },
  english: null,
  group: null,
};

function remembered(): View {
  return { ...start, ...storage.read<Partial<View>>(KEY), block: null, station: 0 };
}

const slice = createSlice({
  name: 'view',
  initialState: remembered,
  reducers: {
    stationPicked: (view, { payload }: PayloadAction<{ block: number | null; station: number }>) => {
      view.block = payload.block;
      view.station = payload.station;
    },
    viewChosen: (view, { payload }: PayloadAction<View['shows']>) => {
      view.shows = payload;
    },
    themeChosen: (view, { payload }: PayloadAction<View['theme']>) => {
      view.theme = payload;
    },
    typeChosen: (view, { payload }: PayloadAction<View['type']>) => {
      view.type = payload;
    },
    unitsChosen: (view, { payload }: PayloadAction<Partial<View['units']>>) => {
      Object.assign(view.units, payload);
    },
    groupChosen: (view, { payload }: PayloadAction<string | null>) => {
      view.group = payload;
    },
    englishChosen: (view, { payload }: PayloadAction<English | null>) => {
      view.english = payload;
    },
    letterKeysSet: (view, { payload }: PayloadAction<boolean>) => {
      view.letterKeys = payload;
    },
  },
});
export const {
  stationPicked,
  viewChosen,
  themeChosen,
  typeChosen,
  letterKeysSet,
  unitsChosen,
  groupChosen,
  englishChosen,
} = slice.actions;
export const viewReducer = slice.reducer;

export function rememberView(view: View): void {
  storage.set(KEY, JSON.stringify(view));
}
