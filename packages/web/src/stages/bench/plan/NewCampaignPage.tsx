import { PageHeading } from '../../../ui/PageHeading.tsx';
import { findMethod, typicalSetUp } from '@anvilstone/core/evidence';
import { ORIENTATIONS, type Campaign } from '@anvilstone/schema';
import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { usePartQuery } from '../../../sync/api/api.ts';
import { skipToken } from '@reduxjs/toolkit/query';
import { Button } from '../../../ui/Button.tsx';
import { freshId } from '../../../ui/freshId.ts';
import { Loading } from '../../../ui/Loading.tsx';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';
import { useLibrary } from '../../../workers/useLibrary.ts';
import type { Workshop } from '../../../workers/workshop.ts';
import { useCampaignsQuery, useSaveCampaignMutation } from '../benchApi.ts';
import { Expectations, useBriefOf } from './Expectations.tsx';
import { withPredictions } from './withPredictions.ts';
import { useGaugeCapacity } from '../testing/useGaugeCapacity.ts';
import { PlanFields } from './PlanFields.tsx';

/** A campaign that is being thought out: nothing is kept until it is begun. */
export function NewCampaignPage() {
  const { data: campaigns, error } = useCampaignsQuery();
  const gauge = useGaugeCapacity();
  const { library } = useLibrary();
  const [search] = useSearchParams();
  const partId = search.get('part') ?? undefined;
  const { currentData: part, error: noPart } = usePartQuery(partId ?? skipToken);
  const problem = error ?? noPart;
  if (problem !== undefined)
    return (
      <main className="p-5">
        <ProblemNotice error={problem} />
      </main>
    );
  if (!campaigns || !library || gauge.waiting || (partId && !part)) return <Loading what="the bench" />;
  const taken = campaigns.map(({ campaign }) => campaign.id.toLowerCase());
  return (
    <Form
      library={library}
      first={firstDraft(search, library, seriesId(taken), gauge.capacityN, part?.brief.title)}
      backTo={partId ? `/parts/${partId}/bench` : '/bench'}
    />
  );
}

const seriesId = (taken: readonly string[]) =>
  freshId(
    'k',
    taken.map((id) => id.replace(/^k/, 'k-')),
  )
    .replace('-', '')
    .toUpperCase();

function firstDraft(
  search: URLSearchParams,
  library: Workshop,
  id: string,
  gaugeN: number | undefined,
  partTitle: string | undefined,
): Campaign {
  const method = findMethod(search.get('method') ?? '') ?? findMethod('pull-bar')!;
  const way = ORIENTATIONS.find((one) => one === search.get('way')) ?? 'ZX';
  const wanted = search.get('grades')?.split(',') ?? [];
  const known = wanted.filter((gradeId) => library.grades.some((grade) => grade.id === gradeId));
  const gradeIds = known.length > 0 ? known : library.grades.slice(0, 1).map((grade) => grade.id);
  const [partId, loadCaseId, checkId] = ['part', 'load', 'check'].map((name) => search.get(name));
  const perArm = Number(search.get('each'));
  const typical = typicalSetUp(method, undefined, gaugeN);
  const temperatureC = Number(search.get('temperature') ?? NaN);
  return {
    id,
    title: partTitle ? `${method.title}, for ${partTitle}`.slice(0, 200) : method.settles.slice(0, 200),
    methodId: method.id,
    ...(partId ? { partId } : {}),
    ...(loadCaseId ? { loadCaseId } : {}),
    ...(checkId ? { checkId } : {}),
    setUp: Number.isFinite(temperatureC) ? { ...typical, temperatureC } : typical,
    arms: gradeIds.map((gradeId, i) => ({ id: String.fromCharCode(65 + i), gradeId, orientation: way })),
    perArm: Number.isInteger(perArm) && perArm > 0 ? Math.min(perArm, 100) : 5,
    specimens: [],
    inspections: [],
    inspectOn: [],
    accepted: [],
    sampleData: false,
  };
}

function Form({ library, first, backTo }: { library: Workshop; first: Campaign; backTo: string }) {
  const [campaign, setCampaign] = useState(first);
  const [save, { error, isLoading }] = useSaveCampaignMutation();
  const navigate = useNavigate();
  const brief = useBriefOf(campaign);
  const ready = campaign.title.trim() !== '' && campaign.arms.length > 0;
  return (
    <main className="p-5">
      <p className="text-sm">
        <Link to={backTo} className="text-quiet hover:underline">
          ← Back
        </Link>
      </p>
      <div className="mb-4 flex items-start justify-between gap-4">
        <div>
          <PageHeading>New campaign {campaign.id}</PageHeading>
          <p className="text-quiet">The prediction is recorded before testing, so that it can be proved wrong.</p>
        </div>
        <Button
          look="primary"
          disabled={!ready || isLoading}
          onClick={() =>
            void save({ campaign: withPredictions(campaign, library, brief, []), revision: 0 })
              .unwrap()
              .then(({ campaign: { id } }) => navigate(`/bench/${id}?show=specimens`))
              .catch(() => undefined)
          }
        >
          Start
        </Button>
      </div>
      {error !== undefined && <ProblemNotice error={error} />}
      <div className="grid grid-cols-[minmax(0,1fr)_24rem] narrow:grid-cols-1 items-start gap-4">
        <PlanFields campaign={campaign} library={library} edit={(change) => setCampaign(change)} tested={false} />
        <Expectations campaign={campaign} library={library} edit={(change) => setCampaign(change)} />
      </div>
    </main>
  );
}
