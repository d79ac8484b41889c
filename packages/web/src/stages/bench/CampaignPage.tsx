import { PageHeading } from '../../ui/PageHeading.tsx';
import { findMethod } from '@anvilstone/core/evidence';
import type { CampaignRecord, TrialRecord } from '@anvilstone/schema';
import { Tabs } from 'radix-ui';
import { skipToken } from '@reduxjs/toolkit/query';
import { useCallback, useMemo } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { usePartsQuery } from '../../sync/api/api.ts';
import { useAddress } from '../../sync/address/useAddress.ts';
import { HistoryButton } from '../../team/history/HistoryButton.tsx';
import { ConfirmRemoval } from '../../ui/ConfirmRemoval.tsx';
import { Loading } from '../../ui/Loading.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { changedByBoth, ChangedElsewhere } from '../../ui/ChangedElsewhere.tsx';
import { tabLook } from '../../ui/tabLook.ts';
import { useLibrary } from '../../workers/useLibrary.ts';
import type { Workshop } from '../../workers/workshop.ts';
import { useCampaignQuery, useRemoveCampaignMutation, useTrialsQuery } from './benchApi.ts';
import { Expectations, useBriefOf } from './plan/Expectations.tsx';
import { AppearanceTab } from './appearance/AppearanceTab.tsx';
import { MethodCard } from './plan/MethodCard.tsx';
import { PlanFields } from './plan/PlanFields.tsx';
import { ResultsTab } from './results/ResultsTab.tsx';
import { SpecimensTab } from './specimens/SpecimensTab.tsx';
import { TestTab } from './testing/TestTab.tsx';
import { useSavedCampaign, type EditCampaign } from './useSavedCampaign.ts';
import { withPredictions } from './plan/withPredictions.ts';

/** While something runs the list of trials is asked for again and again. */
const AGAIN_MS = 1000;

/** One campaign: its plan, its specimens, testing them, and what comes of it. */
export function CampaignPage() {
  const { campaignId } = useParams();
  const { currentData: record, error } = useCampaignQuery(campaignId ?? skipToken);
  const { currentData: trials } = useTrialsQuery(campaignId ?? skipToken);
  const { library, error: noLibrary } = useLibrary();
  // A server that is away for a while takes nothing off the screen that is there.
  const problem = record && library && trials ? undefined : (error ?? noLibrary);
  if (problem !== undefined)
    return (
      <main className="p-5">
        <ProblemNotice error={problem} />
        <Link to="/bench" className="mt-2 inline-block underline">
          All campaigns
        </Link>
      </main>
    );
  if (!record || !library || !trials) return <Loading what="the campaign" />;
  return <Shown key={record.campaign.id} record={record} trials={trials} library={library} />;
}

type TabId = 'plan' | 'specimens' | 'capture' | 'looks' | 'results' | 'method';

function Shown({
  record,
  trials,
  library,
}: {
  record: CampaignRecord;
  trials: readonly TrialRecord[];
  library: Workshop;
}) {
  const kept = useSavedCampaign(record);
  const { document: campaign, edit: keep } = kept;
  const brief = useBriefOf(campaign);
  const testedArmIds = useMemo(() => {
    const tested = new Set(trials.map(({ trial }) => trial.specimenId));
    return campaign.specimens.filter(({ id }) => tested.has(id)).map(({ armId }) => armId);
  }, [trials, campaign.specimens]);
  const edit = useCallback<EditCampaign>(
    (change) => keep((now) => withPredictions(change(now), library, brief, testedArmIds)),
    [keep, library, brief, testedArmIds],
  );
  const [search, set] = useAddress();
  const { data: parts } = usePartsQuery();
  const method = findMethod(campaign.methodId);
  const running = trials.some(({ trial }) => trial.state === 'running');
  useTrialsQuery(campaign.id, { pollingInterval: running ? AGAIN_MS : 0 });
  const looks = method?.capture === 'looks';
  const tabs: readonly { id: TabId; title: string }[] = [
    { id: 'plan', title: 'Plan' },
    { id: 'specimens', title: `Specimens ${campaign.specimens.length || ''}` },
    looks ? { id: 'looks', title: 'Appearance' } : { id: 'capture', title: running ? 'Test ●' : 'Test' },
    ...(looks ? [] : [{ id: 'results' as const, title: 'Results' }]),
    { id: 'method', title: 'Procedure' },
  ];
  const shown = tabs.find(({ id }) => id === search.get('show'))?.id ?? 'plan';
  const part = parts?.find(({ id }) => id === campaign.partId);
  return (
    <main className="p-5">
      <p className="text-sm">
        <Link to="/bench" className="text-quiet hover:underline">
          ← All campaigns
        </Link>
        {part && (
          <>
            {' · '}
            <Link to={`/parts/${part.id}/bench`} className="text-quiet hover:underline">
              {part.brief.title}
            </Link>
          </>
        )}
      </p>
      <div className="flex items-start justify-between gap-4">
        <div>
          <PageHeading>
            {campaign.id} <span className="font-normal">{campaign.title}</span>
          </PageHeading>
          <p className="text-sm text-quiet">
            {method?.title ?? `Method “${campaign.methodId}”, which is not known here`}
            {campaign.sampleData && <span className="text-unknown">, sample data</span>}
          </p>
        </div>
        <div className="flex items-center gap-3">
          <HistoryButton
            kind="campaigns"
            record={campaign.id}
            title={campaign.title}
            // What is being edited here would not know of it.
            onPutBack={() => location.reload()}
          />
          <span className="text-sm text-quiet" role="status">
            {
              {
                saved: 'Saved',
                saving: 'Saving …',
                refused: 'Not saved',
                away: 'Not saved: server not reachable',
                conflict: 'Not saved: changed by both',
              }[kept.state]
            }
          </span>
          {trials.length === 0 && campaign.inspections.length === 0 && (
            <Remove id={campaign.id} revision={kept.revision} />
          )}
        </div>
      </div>
      {kept.state === 'refused' && <ProblemNotice error={kept.error} />}
      {kept.conflict && (
        <ChangedElsewhere
          what="campaign"
          revision={kept.conflict.theirs.revision}
          how="Changed by both; changes made by only one of you are merged. Nothing has been overwritten."
          rows={changedByBoth('Campaign', kept.conflict.base, kept.conflict.mine, kept.conflict.theirs.document)}
          onSettle={kept.settle}
        />
      )}
      <Tabs.Root value={shown} onValueChange={(show) => set({ show }, true)}>
        <Tabs.List aria-label="Campaign" className="mt-2 mb-3 flex border-b border-line">
          {tabs.map(({ id, title }) => (
            <Tabs.Trigger key={id} value={id} className={tabLook}>
              {title}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <Tabs.Content value="plan" tabIndex={-1}>
          <div className="grid grid-cols-[minmax(0,1fr)_24rem] narrow:grid-cols-1 items-start gap-4">
            <PlanFields campaign={campaign} library={library} edit={edit} tested={trials.length > 0} />
            <Expectations campaign={campaign} library={library} edit={edit} />
          </div>
        </Tabs.Content>
        <Tabs.Content value="specimens" tabIndex={-1}>
          <SpecimensTab campaign={campaign} trials={trials} library={library} edit={edit} />
        </Tabs.Content>
        <Tabs.Content value="capture" tabIndex={-1}>
          <TestTab campaign={campaign} trials={trials} library={library} edit={edit} />
        </Tabs.Content>
        <Tabs.Content value="looks" tabIndex={-1}>
          <AppearanceTab campaign={campaign} library={library} edit={edit} />
        </Tabs.Content>
        <Tabs.Content value="results" tabIndex={-1}>
          <ResultsTab campaign={campaign} revision={kept.revision} trials={trials} library={library} />
        </Tabs.Content>
        <Tabs.Content value="method" tabIndex={-1}>
          {method && (
            <div className="rounded-md border border-line bg-surface p-4">
              <MethodCard method={method} />
            </div>
          )}
        </Tabs.Content>
      </Tabs.Root>
    </main>
  );
}

function Remove({ id, revision }: { id: string; revision: number }) {
  const [remove, { error }] = useRemoveCampaignMutation();
  const navigate = useNavigate();
  return (
    <ConfirmRemoval
      name={`campaign ${id}`}
      error={error}
      onRemove={() =>
        void remove({ id, revision })
          .unwrap()
          .then(() => navigate('/bench'))
          .catch(() => undefined)
      }
    >
      Nothing has been tested yet; its plan and specimens are deleted.
    </ConfirmRemoval>
  );
}
