import type { Conditioning } from '@anvilstone/schema';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

/** The condition at which the library is looked at. */
export interface LibraryAt {
  direction: 'in-plane' | 'across';
  conditioning: Conditioning;
  temperatureC: number;
}
/** How this user looks at the library; kept on this computer. */
export interface GradesView {
  columnIds: string[];
  at: LibraryAt;
}

const KEY = 'anvilstone-grades-view';
const standard: GradesView = {
  columnIds: [
    'tensileModulus',
    'tensileStrength',
    'elongationBreak',
    'charpyNotched',
    'heatDeflectionTemperature@0.45',
    'waterSaturation',
  ],
  at: { direction: 'in-plane', conditioning: 'dry', temperatureC: 23 },
};

function initial(): GradesView {
  try {
    const stored = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<GradesView>;
    return { columnIds: stored.columnIds ?? standard.columnIds, at: { ...standard.at, ...stored.at } };
  } catch {
    return standard;
  }
}

const gradesView = createSlice({
  name: 'gradesView',
  initialState: initial,
  reducers: {
    columnsChosen: (state, { payload }: PayloadAction<string[]>) => {
      state.columnIds = payload;
    },
    conditionChosen: (state, { payload }: PayloadAction<Partial<LibraryAt>>) => {
      Object.assign(state.at, payload);
    },
  },
});
export const { columnsChosen, conditionChosen } = gradesView.actions;
export const gradesViewReducer = gradesView.reducer;
export const standardColumnIds = standard.columnIds;

export function keepGradesView(view: GradesView): void {
  localStorage.setItem(KEY, JSON.stringify(view));
}
