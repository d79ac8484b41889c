import { mergeDocuments, sameContent } from '@anvilstone/core/decisions';
import type { Brief, Part, ProblemIssue } from '@anvilstone/schema';
import { openBriefIssues } from './briefRules.ts';
import type { Unsaved } from './unsaved.ts';
import { createSlice, current, original, type PayloadAction } from '@reduxjs/toolkit';

/** Where the newest edit is: a closed union, so that every screen says the same thing. */
export type Saving =
  | { state: 'saved' }
  | { state: 'waiting' }
  | { state: 'saving' }
  | { state: 'offline' }
  | { state: 'refused'; issues: ProblemIssue[]; detail: string }
  | { state: 'conflict'; newer: Part };

/** taken: nothing of one’s own was waiting; merged: both are in. */
interface News {
  how: 'taken' | 'merged';
  who: string | null;
}
interface Step {
  brief: Brief;
}
/** The one open brief, with its undo history. `partId` null: none is open. */
export interface Draft {
  partId: string | null;
  revision: number;
  brief: Brief | null;
  /** The brief as the server has it at this revision; null: not known. */
  base: Brief | null;
  /** The brief that is on its way to the server; null: none is. What was edited meanwhile may be the old one again. */
  sent: Brief | null;
  /** What came of somebody else’s newer brief, until the next edit. */
  news: News | null;
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
  base: null,
  sent: null,
  news: null,
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
    opened: (_state, { payload }: PayloadAction<{ part: Part; unsaved?: Unsaved | undefined }>) => ({
      ...empty,
      partId: payload.part.id,
      revision: payload.unsaved?.revision ?? payload.part.revision,
      brief: payload.unsaved?.brief ?? payload.part.brief,
      base: baseOf(payload.part, payload.unsaved),
      saving: { state: payload.unsaved ? 'waiting' : 'saved' },
    }),
    edited: {
      reducer(state, { payload, meta }: PayloadAction<Brief, string, { field: string; at: number }>) {
        if (!state.brief) return;
        const { field, at } = state.lastEdit;
        const continues = state.past.length > 0 && field === meta.field && meta.at - at < SAME_STEP_MS;
        if (!continues) state.past = [...state.past, { brief: state.brief }].slice(-MOST_STEPS);
        state.future = [];
        state.news = null;
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
      if (state.partId !== payload.partId) return;
      state.saving = payload.saving;
      state.sent = payload.saving.state === 'saving' ? state.brief : null;
    },
    /** The server has the brief of this revision; edits made meanwhile still wait. */
    saved(state, { payload }: PayloadAction<{ part: Part; brief: Brief }>) {
      if (state.partId !== payload.part.id) return;
      state.revision = payload.part.revision;
      state.base = payload.part.brief;
      state.sent = null;
      // `state` is a draft here, so the object itself has to be asked for.
      state.saving = original(state)?.brief === payload.brief ? { state: 'saved' } : { state: 'waiting' };
    },
    /**
     * Somebody else’s newer brief. What only one of the two has changed is taken from them; where both have changed the same, it waits for a
     * choice. What was here stays one undo away.
     */
    remoteChangeReceived(state, { payload }: PayloadAction<{ part: Part; who?: string | undefined }>) {
      const { part, who = null } = payload;
      if (state.partId !== part.id || !state.brief || part.revision <= state.revision) return;
      const { brief: mine, base, sent } = current(state) as Draft & { brief: Brief };
      if (sent && sameContent(sent, part.brief)) {
        // One’s own, told by the list before the save itself was answered.
        state.revision = part.revision;
        state.base = part.brief;
        return;
      }
      if (base && sameContent(mine, base)) {
        settle(state, part.brief, part, { how: 'taken', who });
        return;
      }
      const { merged, conflicts } = base
        ? mergeDocuments(base, mine, part.brief)
        : { merged: mine, conflicts: ['nothing to compare with'] };
      if (conflicts.length > 0 || breaksBrief(merged, mine)) state.saving = { state: 'conflict', newer: part };
      else settle(state, merged, part, { how: 'merged', who });
    },
    /** Whose is in where both have changed the same; the rest of both is in anyway. */
    conflictSettled(state, { payload }: PayloadAction<'mine' | 'newer'>) {
      if (state.saving.state !== 'conflict' || !state.brief) return;
      const { newer } = state.saving;
      const { brief: mine, base } = current(state) as Draft & { brief: Brief };
      const whole = payload === 'mine' ? mine : newer.brief;
      const merged = base
        ? mergeDocuments(base, mine, newer.brief, payload === 'mine' ? 'mine' : 'theirs').merged
        : whole;
      settle(state, breaksBrief(merged, mine) ? whole : merged, newer, null);
    },
  },
});

/** The brief as it is from now on, over the server’s newer one. */
function settle(state: Draft, brief: Brief, newer: Part, news: News | null): void {
  if (state.brief && !sameContent(state.brief, brief))
    state.past = [...state.past, { brief: state.brief }].slice(-MOST_STEPS);
  state.future = [];
  state.brief = brief;
  state.base = newer.brief;
  state.sent = null;
  state.revision = newer.revision;
  state.news = news;
  state.lastEdit = { field: '', at: 0 };
  state.saving = { state: sameContent(brief, newer.brief) ? 'saved' : 'waiting' };
}

/** Two edits that are sound each may contradict each other. */
const breaksBrief = (merged: Brief, mine: Brief) =>
  openBriefIssues(merged).length > 0 && openBriefIssues(mine).length === 0;

function baseOf(part: Part, unsaved: Unsaved | undefined): Brief | null {
  if (!unsaved || unsaved.revision === part.revision) return part.brief;
  return unsaved.base ?? null;
}

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

export const { opened, edited, undone, redone, savingChanged, saved, remoteChangeReceived, conflictSettled } =
  draft.actions;
export const draftReducer = draft.reducer;
