import { advantageOf, findMethod, foundIn } from '@anvilstone/core/evidence';
import type { Campaign, TrialRecord } from '@anvilstone/schema';
import { skipToken } from '@reduxjs/toolkit/query';
import { useAddress } from '../../../sync/address/useAddress.ts';
import { useAppSelector } from '../../../sync/store/store.ts';
import { amount } from '../../../ui/amount.ts';
import { Button } from '../../../ui/Button.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';
import type { Workshop } from '../../../workers/workshop.ts';
import { Empty } from '../../../ui/Empty.tsx';
import { Attachments } from './Attachments.tsx';
import { useCurveQuery, useEndRunMutation } from '../benchApi.ts';
import { CurveChart } from './CurveChart.tsx';
import { MethodCautions } from '../plan/MethodCard.tsx';
import { TrialCard } from './TrialCard.tsx';
import { TypedReading } from './TypedReading.tsx';
import type { EditCampaign } from '../useSavedCampaign.ts';
import { WaysIn } from './WaysIn.tsx';
import { STATE_WORDS, WAY_WORDS } from '../words.ts';

const LIVE_MS = 400;

/** One specimen after the other: from the gauges, out of a file, or typed in. */
export function TestTab({
  campaign,
  trials,
  library,
}: {
  campaign: Campaign;
  trials: readonly TrialRecord[];
  library: Workshop;
  edit: EditCampaign;
}) {
  const [search, set] = useAddress();
  const method = findMethod(campaign.methodId);
  const last = (specimenId: string) => trials.findLast(({ trial }) => trial.specimenId === specimenId);
  const open = campaign.specimens.find(({ id }) => {
    const state = last(id)?.trial.state;
    return state === undefined || state === 'abandoned' || state === 'running';
  });
  const chosen = campaign.specimens.find(({ id }) => id === search.get('specimen')) ?? open ?? campaign.specimens[0];
  if (!method) return <p>This method is of a newer version: it cannot be tested here.</p>;
  if (!chosen)
    return (
      <Empty>
        No specimens yet: <Button onClick={() => set({ show: 'specimens' })}>make them first</Button>
      </Empty>
    );
  const record = last(chosen.id);
  const arm = campaign.arms.find(({ id }) => id === chosen.armId);
  const grade = library.grades.find(({ id }) => id === arm?.gradeId);
  const untested = !record || record.trial.state === 'abandoned';
  return (
    <div className="grid grid-cols-[13rem_minmax(0,1fr)] narrow:grid-cols-1 items-start gap-4">
      <ol
        aria-label="Specimens"
        className="max-h-[32rem] overflow-y-auto rounded-md border border-line bg-surface text-sm"
      >
        {campaign.specimens.map(({ id }) => {
          const trial = last(id)?.trial;
          return (
            <li key={id} className="border-b border-line last:border-0">
              <button
                type="button"
                aria-current={id === chosen.id}
                className="flex w-full justify-between gap-2 border-l-3 border-transparent px-3 py-1.5 text-left hover:bg-sunken aria-[current=true]:border-ember aria-[current=true]:font-semibold"
                onClick={() => set({ specimen: id }, true)}
              >
                {id}
                <span className="text-xs font-normal text-quiet">
                  {trial
                    ? `${trial.excluded ? 'left out' : STATE_WORDS[trial.state]}${trial.overRange && !trial.corrected ? ', ≥' : ''}`
                    : ''}
                </span>
              </button>
            </li>
          );
        })}
      </ol>
      <div className="flex flex-col gap-4">
        <Panel
          title={`${chosen.id}: ${grade?.name ?? arm?.gradeId}, ${arm ? WAY_WORDS[arm.orientation] : ''}`}
          aside={
            !untested && open && open.id !== chosen.id ? (
              <Button onClick={() => set({ specimen: open.id }, true)}>Next: {open.id}</Button>
            ) : undefined
          }
        >
          {untested && (
            <>
              <MethodCautions method={method} />
              {record?.trial.state === 'abandoned' && (
                <p className="mt-2 text-sm text-unknown">Tried before without a result; that try is kept.</p>
              )}
              {(method.capture === 'force' || method.capture === 'time') && (
                <WaysIn campaign={campaign} specimen={chosen} />
              )}
              <TypedReading key={chosen.id} campaign={campaign} specimen={chosen} method={method} />
            </>
          )}
          {!untested && <Trial record={record} campaign={campaign} />}
        </Panel>
        {record && !untested && record.trial.state !== 'running' && (
          <TrialCard key={record.trial.id} record={record} method={method} />
        )}
        <Attachments campaignId={campaign.id} aboutId={chosen.id} />
      </div>
    </div>
  );
}

function Trial({ record: { trial }, campaign }: { record: TrialRecord; campaign: Campaign }) {
  const running = trial.state === 'running';
  const method = findMethod(campaign.methodId)!;
  const hasCurve = trial.source !== 'typed' && method.capture !== 'number';
  const { data: curve, error } = useCurveQuery(hasCurve ? trial.id : skipToken, {
    pollingInterval: running ? LIVE_MS : 0,
    // The last look of a run that has ended shows all of it.
    refetchOnMountOrArgChange: true,
  });
  const [end, { error: notEnded, isLoading }] = useEndRunMutation();
  const units = useAppSelector((state) => state.settings.units);
  const lastForce = curve?.forceN.at(-1);
  const lastMoved = curve?.movedMm.at(-1);
  const kind = method.capture === 'time' ? 'time' : 'force';
  const capacityN = campaign.setUp.gaugeCapacityN;
  return (
    <>
      {running && (
        <div className="mb-2 flex items-center gap-4">
          <p className="text-lg font-semibold" role="status" aria-live="off">
            {kind === 'force' && lastForce !== null && lastForce !== undefined ? amount(lastForce, 'N', units) : ''}
            {kind === 'time' && lastMoved !== null && lastMoved !== undefined ? amount(lastMoved, 'mm', units) : ''}
            {!curve?.readings && 'Waiting for the first reading …'}
          </p>
          <span className="grow" />
          <Button disabled={isLoading} onClick={() => void end({ trialId: trial.id, as: 'done' })}>
            {kind === 'force' ? 'It has broken: keep it' : 'End it here and keep it'}
          </Button>
          <Button look="quiet" disabled={isLoading} onClick={() => void end({ trialId: trial.id, as: 'abandoned' })}>
            Came to no result
          </Button>
        </div>
      )}
      {notEnded !== undefined && <ProblemNotice error={notEnded} />}
      {error !== undefined && <ProblemNotice error={error} />}
      {hasCurve && curve && (
        <CurveChart
          curves={[{ id: trial.specimenId, curve, ...(running ? {} : { found: foundIn(trial) }) }]}
          kind={kind}
          capacityN={capacityN === undefined ? undefined : capacityN * advantageOf(campaign.setUp)}
        />
      )}
      {!hasCurve && <p className="text-sm text-quiet">Typed in: there is no curve.</p>}
    </>
  );
}
