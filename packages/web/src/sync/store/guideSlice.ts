import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

interface Guide {
  /** Of the look around, from 0; null: nobody is being shown around. */
  step: number | null;
}

const guide = createSlice({
  name: 'guide',
  initialState: (): Guide => ({ step: null }),
  reducers: {
    lookBegun: (state) => {
      state.step = 0;
    },
    lookWentTo: (state, { payload }: PayloadAction<number>) => {
      state.step = payload;
    },
    lookEnded: (state) => {
      state.step = null;
    },
  },
});

export const { lookBegun, lookWentTo, lookEnded } = guide.actions;
export const guideReducer = guide.reducer;
