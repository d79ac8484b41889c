import { PageHeading } from '../../ui/PageHeading.tsx';
import { stageChanges } from '@anvilstone/core/decisions';
import { PROOF_TEST_CAUTION } from '@anvilstone/core/machines';
import type { Brief, StageMark } from '@anvilstone/schema';
import { lazy, Suspense, useMemo } from 'react';
import { Link, NavLink, useLocation } from 'react-router';
import { api, useDecisionsQuery } from '../../sync/api/api.ts';
import { remoteChangeReceived, redone, undone, type Saving } from '../../sync/drafts/draft.ts';
import { useAppDispatch, useAppSelector } from '../../sync/store/store.ts';
import { useCampaignsQuery } from '../bench/benchApi.ts';
import { useNoticesOf } from '../bench/testing/useNoticesOf.ts';
import { useInstallationsOfPartQuery } from '../service/serviceApi.ts';
import { Present } from '../../team/Present.tsx';
import { Button } from '../../ui/Button.tsx';
import type { ScreeningSummary } from '../../workers/leaders.ts';
import { PartActions } from './list/PartActions.tsx';
import { useStageMarksQuery } from './stageMarksApi.ts';
import { stages } from './stages.ts';

/** Comparing what was with what is comes when somebody asks for it. */
const HistoryButton = lazy(async () => ({
  default: (await import('../../team/history/HistoryButton.tsx')).HistoryButton,
}));

/** Title, saving, undo, and the strip of stages with where each one stands. */
export function PartHeader({
  brief,
  partId,
  screening,
  now,
}: {
  brief: Brief;
  partId: string;
  screening: ScreeningSummary | undefined;
  /** What stages rest on now; undefined: not worked out yet. */
  now: Omit<StageMark, 'at' | 'stage'> | undefined;
}) {
  const { saving, past, future, revision, news } = useAppSelector((state) => state.draft);
  const dispatch = useAppDispatch();
  const { data: decisions } = useDecisionsQuery(partId);
  const { data: campaigns } = useCampaignsQuery();
  const notices = useNoticesOf(partId);
  const mine = campaigns?.filter(({ campaign }) => campaign.partId === partId).length ?? 0;
  const { data: installations } = useInstallationsOfPartQuery(partId);
  const inService = installations?.length ?? 0;
  const passing = screening?.counts.pass;
  const newest = decisions?.[0];
  const { data: marks } = useStageMarksQuery(partId);
  const settled = useMemo(
    () =>
      Object.fromEntries(
        (marks ?? []).map((mark) => [
          mark.stage,
          now && stageChanges(mark, now).length > 0 ? '! out of date' : '✓ settled',
        ]),
      ),
    [marks, now],
  );
  const takeNewer = async () => {
    const found = await dispatch(
      api.endpoints.part.initiate(partId, { forceRefetch: true, subscribe: false }),
    ).unwrap();
    dispatch(remoteChangeReceived({ part: found }));
  };
  const { pathname } = useLocation();
  const stage = stages.find(({ id }) => pathname.endsWith(`/${id}`));
  const stageWords: Record<string, string> = {
    brief: brief.failureCouldHurt === 'unanswered' ? 'in progress' : 'done',
    shortlist:
      notices.length > 0
        ? 'out of date'
        : passing === undefined
          ? '…'
          : passing === 0
            ? 'none passes'
            : `${passing} pass`,
    compare: passing === undefined || passing === 0 ? '' : passing === 1 ? 'one passes' : 'ready',
    bench: mine > 0 ? `${mine} campaign${mine === 1 ? '' : 's'}` : '',
    decision: !newest
      ? 'empty'
      : newest.partRevision === revision && saving.state === 'saved'
        ? `no. ${newest.number}`
        : 'brief changed since',
    service: inService === 0 ? '' : `${inService} in service`,
  };
  return (
    <header className="sticky top-0 z-20 border-b border-line bg-surface px-5 pt-3 narrow:static">
      <div className="flex items-center gap-3 narrow:flex-wrap">
        <Link to="/parts" className="no-print text-sm text-quiet hover:text-ink">
          Parts
        </Link>
        <PageHeading className="min-w-0 truncate text-lg" stage={stage?.title}>
          {brief.title}
        </PageHeading>
        <div className="grow" />
        <Present place={`part/${partId}`} />
        {news && (
          <p role="status" className="no-print text-sm text-pass">
            {news.who ?? 'Somebody else'} changed this just now{news.how === 'merged' ? ': both are merged' : ''}
          </p>
        )}
        <SavingState saving={saving} />
        <div className="no-print flex gap-1">
          <PartActions brief={brief} />
          <Suspense>
            <HistoryButton kind="parts" record={partId} title={brief.title} onPutBack={() => void takeNewer()} />
          </Suspense>
          <Button look="quiet" disabled={past.length === 0} onClick={() => dispatch(undone())} title="Ctrl-Z">
            Undo
          </Button>
          <Button look="quiet" disabled={future.length === 0} onClick={() => dispatch(redone())} title="Ctrl-Shift-Z">
            Redo
          </Button>
        </div>
      </div>
      {brief.failureCouldHurt === 'yes' && <p className="mt-1 text-sm font-semibold text-fail">{PROOF_TEST_CAUTION}</p>}
      <nav aria-label="Stages" className="no-print mt-2 flex narrow:flex-wrap">
        {stages.map(({ id, title, question }, index) => (
          <NavLink
            key={id}
            to={`/parts/${partId}/${id}`}
            title={question}
            className={({ isActive }) =>
              `-mb-px flex items-baseline gap-2 border-b-3 px-4 py-1.5 max-xl:gap-1 max-xl:px-2.5 ${isActive ? 'border-ember font-semibold' : 'border-transparent text-quiet hover:text-ink'}`
            }
          >
            <span className="text-xs text-quiet">{index + 1}</span>
            {title}
            <span className="text-xs font-normal text-quiet">{settled[id] ?? stageWords[id]}</span>
          </NavLink>
        ))}
      </nav>
    </header>
  );
}

const WORDS: Record<Saving['state'], string> = {
  saved: 'Saved',
  waiting: 'Saving …',
  saving: 'Saving …',
  offline: 'Server unreachable: stored on this computer, retrying',
  refused: 'Not saved',
  conflict: 'Changed elsewhere: choose below',
};

function SavingState({ saving }: { saving: Saving }) {
  const trouble = saving.state === 'offline' || saving.state === 'refused' || saving.state === 'conflict';
  return (
    <p
      role="status"
      className={`no-print text-sm ${trouble ? 'font-semibold text-fail' : 'text-quiet'}`}
      title={saving.state === 'refused' ? saving.detail : undefined}
    >
      {WORDS[saving.state]}
      {saving.state === 'refused' &&
        `: ${saving.issues.length === 1 ? '1 field to correct' : saving.issues.length > 1 ? `${saving.issues.length} fields to correct` : saving.detail}`}
    </p>
  );
}
