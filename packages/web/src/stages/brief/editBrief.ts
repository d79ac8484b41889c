import { mergeDocuments } from '@anvilstone/core/decisions';
import type { Brief } from '@anvilstone/schema';
import { useCallback, useContext } from 'react';
import { edited } from '../../sync/drafts/draft.ts';
import { useAppSelector, useAppStore } from '../../sync/store/store.ts';
import { BriefLensContext, putBack } from './briefLens.ts';
import { issueIn } from '../../sync/api/problem.ts';

/** `from` is the brief that the change was worked out from, where that is not the one on the screen. */
export type EditBrief = (brief: Brief, field: string, from?: Brief) => void;

/**
 * Changes the open brief. `field` names what is changed, so that typing in one field is one step to undo. What was edited since the
 * change was worked out stays: a proposal of the worker may be older than the last edit, and so may a screen that is slow.
 */
export function useEdit(): EditBrief {
  const store = useAppStore();
  const shown = useAppSelector(({ draft }) => draft.brief);
  const lens = useContext(BriefLensContext);
  return useCallback(
    (change, field, from = shown ?? change) => {
      const brief = lens && shown ? putBack(shown, lens, change) : change;
      const newest = store.getState().draft.brief;
      const next = newest && newest !== from ? mergeDocuments(from, brief, newest).merged : brief;
      store.dispatch(edited(next, field));
    },
    [store, shown, lens],
  );
}

/** What the server or the brief itself says is wrong at a place, in words. */
export function useIssue(ofModel: string): string | undefined {
  const lens = useContext(BriefLensContext);
  const pointer = lens && !ofModel.startsWith('/asks') ? `${lens.pointer}${ofModel}` : ofModel;
  return useAppSelector(({ draft }) => {
    if (draft.saving.state !== 'refused') return undefined;
    return issueIn(draft.saving.issues)(pointer);
  });
}
