import type { UnitSystem } from '@anvilstone/core/foundations';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

type Theme = 'light' | 'dark';
export interface Settings {
  units: UnitSystem;
  theme: Theme;
  /** Whether newcomers’ things are still offered: false once they were taken or sent away. */
  offersLook: boolean;
}

const KEY = 'anvilstone-settings';

function stored(): Partial<Settings> {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<Settings>;
  } catch {
    return {};
  }
}

function initial(): Settings {
  const { units, theme, offersLook } = stored();
  const prefersDark = globalThis.matchMedia?.('(prefers-color-scheme: dark)').matches ?? false;
  return {
    units: units === 'inchPound' ? 'inchPound' : 'metric',
    theme: theme === 'light' || theme === 'dark' ? theme : prefersDark ? 'dark' : 'light',
    offersLook: offersLook !== false,
  };
}

const settings = createSlice({
  name: 'settings',
  initialState: initial,
  reducers: {
    unitsChosen: (state, { payload }: PayloadAction<UnitSystem>) => {
      state.units = payload;
    },
    themeChosen: (state, { payload }: PayloadAction<Theme>) => {
      state.theme = payload;
    },
    lookSentAway: (state) => {
      state.offersLook = false;
    },
  },
});

export const { unitsChosen, themeChosen, lookSentAway } = settings.actions;
export const settingsReducer = settings.reducer;

export function keepSettings(value: Settings): void {
  localStorage.setItem(KEY, JSON.stringify(value));
}
