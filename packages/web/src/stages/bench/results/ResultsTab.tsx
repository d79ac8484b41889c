import { armResult, findMethod } from '@anvilstone/core/evidence';
import type { Campaign, TrialRecord } from '@anvilstone/schema';
import { useAddress } from '../../../sync/address/useAddress.ts';
import { Choice } from '../../../ui/fields.tsx';
import type { Workshop } from '../../../workers/workshop.ts';
import { Empty } from '../../../ui/Empty.tsx';
import { ArmPanel } from '../specimens/ArmPanel.tsx';
import { CreepPanel } from './CreepPanel.tsx';
import { RankingPanel } from './RankingPanel.tsx';
import { WeibullChart } from './WeibullChart.tsx';

/** What comes of it: every reading, what may be said on so many, which arm is better, and what it would change. */
export function ResultsTab({
  campaign,
  revision,
  trials,
  library,
}: {
  campaign: Campaign;
  revision: number;
  trials: readonly TrialRecord[];
  library: Workshop;
}) {
  const [search, set] = useAddress();
  const method = findMethod(campaign.methodId);
  const outcome = method?.outcomes.find(({ id }) => id === search.get('outcome')) ?? method?.outcomes[0];
  const results = outcome
    ? campaign.arms.map((arm) =>
        armResult(
          campaign,
          arm,
          outcome,
          trials.map(({ trial }) => trial),
        ),
      )
    : [];
  if (!method || !outcome) return <p>This method is of a newer version: its results cannot be read here.</p>;
  const nameOf = (armId: string) => {
    const arm = campaign.arms.find(({ id }) => id === armId);
    return `${armId} ${library.grades.find(({ id }) => id === arm?.gradeId)?.name ?? arm?.gradeId ?? ''}`;
  };
  const tested = results.some(({ replicates }) => replicates.length > 0);
  return (
    <div className="flex flex-col gap-4">
      <div className="w-72">
        <Choice
          label="Result"
          value={outcome.id}
          options={method.outcomes.map(({ id, title }) => ({ value: id, label: title }))}
          onChange={(id) => set({ outcome: id }, true)}
        />
      </div>
      {!tested && <Empty>Nothing has been tested yet. What is expected stands in the plan.</Empty>}
      {tested && results.length > 1 && (
        <RankingPanel results={results} outcome={outcome} nameOf={nameOf} library={library} />
      )}
      {results
        .filter(({ replicates }) => replicates.length > 0)
        .map((result) => (
          <ArmPanel
            key={result.arm.id}
            campaign={campaign}
            revision={revision}
            result={result}
            name={nameOf(result.arm.id)}
          />
        ))}
      {outcome.breaks && results.some(({ weibull, claim }) => weibull && claim !== 'none') && (
        <WeibullChart results={results} nameOf={nameOf} />
      )}
      {method.capture === 'time' && <CreepPanel campaign={campaign} trials={trials} nameOf={nameOf} />}
    </div>
  );
}
