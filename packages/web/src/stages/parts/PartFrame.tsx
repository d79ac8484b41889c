import { briefIssues } from '@anvilstone/core/evaluation';
import { skipToken } from '@reduxjs/toolkit/query';

import { lazy, Suspense, useEffect, useMemo } from 'react';
import { Outlet, useLocation, useParams } from 'react-router';
import { usePartQuery } from '../../sync/api/api.ts';
import { setBriefRules } from '../../sync/drafts/briefRules.ts';
import { opened, redone, undone } from '../../sync/drafts/draft.ts';
import { useAppDispatch, useAppSelector, useAppStore } from '../../sync/store/store.ts';
import { findUnsaved } from '../../sync/drafts/unsaved.ts';
import { NoticePanel } from '../bench/testing/NoticePanel.tsx';
import { whoIn } from '../../sync/outbox/queueRequest.ts';
import { Loading } from '../../ui/Loading.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';

import { useAnswer } from '../../workers/useAnswer.ts';
import { useLibrary } from '../../workers/useLibrary.ts';
import type { PartContext } from './partContext.ts';
import { ConflictPanel } from './ConflictPanel.tsx';
import { PartHeader } from './PartHeader.tsx';
import { restsOn } from './restsOn.ts';

setBriefRules(briefIssues);

/** Below the stage, and after it: comparing what it rested on is no part of the first look. */
const StageStrip = lazy(async () => ({ default: (await import('./StageStrip.tsx')).StageStrip }));

/** One part: opens its brief, evaluates it in the worker after every change, and hands both to the stage shown. */
export function PartFrame() {
  const { partId } = useParams();
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const { currentData: part, error } = usePartQuery(partId ?? skipToken, { refetchOnMountOrArgChange: true });
  const draft = useAppSelector((state) => state.draft);
  const { library, error: libraryError } = useLibrary();
  const brief = draft.partId === partId ? draft.brief : null;

  useEffect(() => {
    if (part && draft.partId !== part.id)
      dispatch(opened({ part, unsaved: findUnsaved(part.id, whoIn(store.getState())) }));
  }, [part, draft.partId, dispatch, store]);
  useUndoKeys();

  const screening = useAnswer(library, 'screening', brief ? [brief] : undefined);

  const now = useMemo(
    () => (brief && library ? restsOn(brief, library, screening.value) : undefined),
    [brief, library, screening.value],
  );
  const stageId = useLocation().pathname.split('/').at(-1) ?? '';
  const problem = (brief ? undefined : error) ?? libraryError;
  if (problem) {
    return (
      <main className="p-5">
        <ProblemNotice error={problem} />
      </main>
    );
  }
  if (!brief || !library || !partId) return <Loading what="the part" />;
  return (
    <>
      <PartHeader brief={brief} partId={partId} screening={screening.value} now={now} />
      <main className="p-5">
        {draft.saving.state === 'conflict' && (
          <ConflictPanel newer={draft.saving.newer} mine={brief} base={draft.base} />
        )}
        <NoticePanel partId={partId} />
        <Suspense>
          <StageStrip place="above" partId={partId} stageId={stageId} now={now} />
        </Suspense>
        <Outlet context={{ partId, brief, library, screening } satisfies PartContext} />
        <Suspense>
          <StageStrip place="below" partId={partId} stageId={stageId} now={now} />
        </Suspense>
      </main>
    </>
  );
}

/** Ctrl-Z and Ctrl-Shift-Z (or Ctrl-Y) outside of text being typed, where the browser has an undo of its own. */
function useUndoKeys(): void {
  const dispatch = useAppDispatch();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
      if (typing || !(event.ctrlKey || event.metaKey)) return;
      const key = event.key.toLowerCase();
      const redo = key === 'y' || (key === 'z' && event.shiftKey);
      if (key !== 'z' && !redo) return;
      event.preventDefault();
      dispatch(redo ? redone() : undone());
    };
    globalThis.addEventListener('keydown', onKey);
    return () => globalThis.removeEventListener('keydown', onKey);
  }, [dispatch]);
}
