import type { Part } from '@anvilstone/schema';
import {
  createListenerMiddleware,
  type ListenerEffectAPI,
  type ThunkDispatch,
  type UnknownAction,
} from '@reduxjs/toolkit';
import { api } from '../api/api.ts';
import { openBriefIssues } from './briefRules.ts';
import { remoteChangeReceived, saved, savingChanged, type Draft, type Saving } from './draft.ts';
import { whoIn } from '../outbox/queueRequest.ts';
import { asProblem } from '../api/problem.ts';
import { forgetUnsaved, storeUnsaved } from './unsaved.ts';

const DEBOUNCE_MS = 500;
const RETRY_MS = 3000;

interface WithDraft {
  draft: Draft;
}
type Api = ListenerEffectAPI<WithDraft, ThunkDispatch<WithDraft, unknown, UnknownAction>>;

/**
 * Saves the open brief by itself: a moment after the last edit, again while the server is away, never over a newer one.
 * One save at a time; an edit made meanwhile is saved next. Each edit is first kept on this computer.
 */
export function makeAutosave() {
  const listener = createListenerMiddleware<WithDraft>();
  let running = false;
  listener.startListening({
    predicate: (_action, current, before) => current.draft !== before.draft && current.draft.saving.state === 'waiting',
    async effect(_action, store) {
      const { partId, brief, revision, base } = store.getState().draft;
      if (partId && brief)
        storeUnsaved(partId, { brief, revision, ...(base ? { base } : {}) }, whoIn(store.getState()));
      if (running) return;
      running = true;
      try {
        // What was edited in the moment between its last look and this line waits for nobody else.
        do await saveUntilQuiet(store);
        while (store.getState().draft.brief && store.getState().draft.saving.state === 'waiting');
      } finally {
        running = false;
      }
    },
  });
  return listener;
}

async function saveUntilQuiet(store: Api): Promise<void> {
  for (;;) {
    const { partId, brief, revision, saving } = store.getState().draft;
    if (!partId || !brief || (saving.state !== 'waiting' && saving.state !== 'offline')) return;
    await store.delay(saving.state === 'offline' ? RETRY_MS : DEBOUNCE_MS);
    const now = store.getState().draft;
    // Still typing. When another part was opened meanwhile, this one is saved all the same.
    if (now.partId === partId && now.brief !== brief) continue;
    const report = (next: Saving) => store.dispatch(savingChanged({ partId, saving: next }));
    const issues = openBriefIssues(brief);
    if (issues.length > 0) {
      report({
        state: 'refused',
        issues,
        detail: 'Correct the marked fields; until then the changes are stored on this computer.',
      });
      continue;
    }
    report({ state: 'saving' });
    try {
      const part = await store.dispatch(api.endpoints.savePart.initiate({ id: partId, brief, revision })).unwrap();
      forgetUnsaved(partId, whoIn(store.getState()));
      store.dispatch(saved({ part, brief }));
    } catch (error) {
      const failure = afterFailure(error);
      // Who may not change anything tries things out, and is told so: nothing waits to be sent for them.
      if (asProblem(error).status === 403) forgetUnsaved(partId, whoIn(store.getState()));
      if (failure.state === 'conflict' && store.getState().draft.partId === partId) {
        // What can be brought together is, and is saved next.
        store.dispatch(remoteChangeReceived({ part: failure.newer }));
        if (store.getState().draft.saving.state === 'saved') forgetUnsaved(partId, whoIn(store.getState()));
        continue;
      }
      // What was refused has been edited since: the newer brief is waiting and gets its own answer.
      const newest = store.getState().draft;
      const isOutdated = newest.partId === partId && newest.brief !== brief && newest.saving.state === 'waiting';
      if (failure.state !== 'refused' || !isOutdated) report(failure);
    }
  }
}

function afterFailure(error: unknown): Saving {
  const problem = asProblem(error);
  if (problem.status === 409 && problem.current) return { state: 'conflict', newer: problem.current as Part };
  // Not signed in any more, or asked to wait: the same edit goes through later.
  if (problem.status === 401 || problem.status === 429) return { state: 'offline' };
  if (problem.status >= 400 && problem.status < 500) {
    const issues = (problem.errors ?? []).map((issue) => ({
      ...issue,
      pointer: issue.pointer.replace(/^\/brief/, ''),
    }));
    return { state: 'refused', issues, detail: problem.detail };
  }
  return { state: 'offline' };
}
