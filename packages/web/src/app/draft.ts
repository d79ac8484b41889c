import type { Brief, Part, ProblemIssue } from '@anvilstone/schema';
import { createSlice, original, type PayloadAction } from '@reduxjs/toolkit';

/** Where the newest edit is: a closed union, so that every screen says the same thing. */
export type Saving =
  | { state: 'saved' }
  | { state: 'waiting' }
  | { state: 'saving' }
  | { state: 'offline' }
  | { state: 'refused'; issues: ProblemIssue[]; detail: string }
  | { state: 'conflict'; newer: Part };

interface Step {
  brief: Brief;
}
/** The one open brief, with its undo history. `partId` null: none is open. */
export interface Draft {
  partId: string | null;
  revision: number;
  brief: Brief | null;
  past: Step[];
  future: Step[];
  saving: Saving;
  lastEdit: { field: string; at: number };
}

const MOST_STEPS = 200;
/** Keystrokes in one field closer together than this are one step to undo. */
const SAME_STEP_MS = 1200;

const empty: Draft = {
  partId: null,
  revision: 0,
  brief: null,
  past: [],
  future: [],
  saving: { state: 'saved' },
  lastEdit: { field: '', at: 0 },
};

const draft = createSlice({
  name: 'draft',
  initialState: empty,
  reducers: {
    /** `unsaved` is an edit of an earlier visit that never reached the server. */
    opened: (
      _state,
      { payload }: PayloadAction<{ part: Part; unsaved?: { brief: Brief; revision: number } | undefined }>,
    ) => ({
      ...empty,
      partId: payload.part.id,
      revision: payload.unsaved?.revision ?? payload.part.revision,
      brief: payload.unsaved?.brief ?? payload.part.brief,
      saving: { state: payload.unsaved ? 'waiting' : 'saved' },
    }),
    edited: {
      reducer(state, { payload, meta }: PayloadAction<Brief, string, { field: string; at: number }>) {
        if (!state.brief) return;
        const { field, at } = state.lastEdit;
        const continues = state.past.length > 0 && field === meta.field && meta.at - at < SAME_STEP_MS;
        if (!continues) state.past = [...state.past, { brief: state.brief }].slice(-MOST_STEPS);
        state.future = [];
        state.brief = payload;
        state.lastEdit = meta;
        waitUnlessInConflict(state);
      },
      prepare: (brief: Brief, field: string) => ({ payload: brief, meta: { field, at: Date.now() } }),
    },
    undone: (state) => move(state, 'past', 'future'),
    redone: (state) => move(state, 'future', 'past'),
    /** What became of a save. Edits made while it ran still wait, unless the save was refused or met a newer brief. */
    savingChanged: (state, { payload }: PayloadAction<{ partId: string; saving: Saving }>) => {
      if (state.partId === payload.partId) state.saving = payload.saving;
    },
    /** The server has the brief of this revision; edits made meanwhile still wait. */
    saved(state, { payload }: PayloadAction<{ part: Part; brief: Brief }>) {
      if (state.partId !== payload.part.id) return;
      state.revision = payload.part.revision;
      // `state` is a draft here, so the object itself has to be asked for.
      state.saving = original(state)?.brief === payload.brief ? { state: 'saved' } : { state: 'waiting' };
    },
    conflictSettled(state, { payload }: PayloadAction<'mine' | 'newer'>) {
      if (state.saving.state !== 'conflict' || !state.brief) return;
      const { newer } = state.saving;
      state.revision = newer.revision;
      if (payload === 'mine') {
        state.saving = { state: 'waiting' };
        return;
      }
      // What was mine stays one undo away.
      state.past = [...state.past, { brief: state.brief }];
      state.brief = newer.brief;
      state.saving = { state: 'saved' };
    },
  },
});

function move(state: Draft, from: 'past' | 'future', to: 'past' | 'future'): void {
  const step = state[from].at(-1);
  if (!step || !state.brief) return;
  state[from] = state[from].slice(0, -1);
  state[to] = [...state[to], { brief: state.brief }];
  state.brief = step.brief;
  state.lastEdit = { field: '', at: 0 };
  waitUnlessInConflict(state);
}

function waitUnlessInConflict(state: Draft): void {
  if (state.saving.state !== 'conflict') state.saving = { state: 'waiting' };
}

export const { opened, edited, undone, redone, savingChanged, saved, conflictSettled } = draft.actions;
export const draftReducer = draft.reducer;
