import { pairsOf } from '@anvilstone/core';
import {
  armResult,
  fillerEffect,
  findMethod,
  rankArms,
  type ArmPair,
  type ArmResult,
  type Outcome,
} from '@anvilstone/core/bench';
import type { Campaign, TrialRecord } from '@anvilstone/schema';
import { useMemo } from 'react';
import { useAddress } from '../app/useAddress.ts';
import { useAppSelector } from '../app/store.ts';
import { Choice } from '../ui/fields.tsx';
import { Panel } from '../ui/Panel.tsx';
import type { Workshop } from '../workers/workshop.ts';
import { ArmPanel } from './ArmPanel.tsx';
import { CreepPanel } from './CreepPanel.tsx';
import { RankingChart } from './RankingChart.tsx';
import { WeibullChart } from './WeibullChart.tsx';
import { outcomeText, WAY_WORDS } from './words.ts';

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
      {!tested && (
        <p className="rounded-md border border-dashed border-line-strong p-8 text-center text-quiet">
          Nothing has been tested yet. What is expected stands in the plan.
        </p>
      )}
      {tested && results.length > 1 && (
        <Ranking results={results} outcome={outcome} nameOf={nameOf} library={library} />
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

function Ranking({
  results,
  outcome,
  nameOf,
  library,
}: {
  results: readonly ArmResult[];
  outcome: Outcome;
  nameOf: (armId: string) => string;
  library: Workshop;
}) {
  const units = useAppSelector((state) => state.settings.units);
  const ranked = rankArms(results, outcome.property === 'wearRate' || outcome.property === 'waterSaturation');
  const [first] = ranked;
  const pairs = useMemo(() => filledPairs(results, library), [results, library]);
  const effect = fillerEffect(pairs);
  return (
    <Panel title={`Ranking by ${outcome.title.toLowerCase()}`}>
      <div className="grid grid-cols-[minmax(0,1fr)_22rem] gap-5">
        <RankingChart ranked={ranked} outcome={outcome} nameOf={nameOf} />
        <div className="text-sm">
          <ol className="list-decimal pl-5">
            {ranked.map(({ result, mayBeFirst, againstFirst }, i) => (
              <li key={result.arm.id} className="py-0.5">
                <strong className="font-semibold">{nameOf(result.arm.id)}</strong>, {WAY_WORDS[result.arm.orientation]}:{' '}
                {outcomeText(result.summary!.mean, outcome, units)}
                {i > 0 && (
                  <span className="block text-quiet">
                    {!againstFirst
                      ? 'too few readings to compare'
                      : againstFirst.undecided
                        ? `too few to tell it from the first${againstFirst.enough === null ? '; 200 of each would not do either' : `: about ${againstFirst.enough} of each would`}`
                        : `${outcomeText(Math.abs(againstFirst.difference), outcome, units)} behind the first, between ${outcomeText(Math.min(Math.abs(againstFirst.interval.low), Math.abs(againstFirst.interval.high)), outcome, units)} and ${outcomeText(Math.max(Math.abs(againstFirst.interval.low), Math.abs(againstFirst.interval.high)), outcome, units)}`}
                  </span>
                )}
                {i > 0 && mayBeFirst && againstFirst && <span className="sr-only">It may be the best.</span>}
              </li>
            ))}
          </ol>
          {first && (
            <p className="mt-2 text-xs text-quiet">
              Differences by Welch, 95 %. Comparing {ranked.length} at once, one in twenty differences is chance.
            </p>
          )}
          {pairs.length > 0 && (
            <p className="mt-2 border-t border-line pt-2">
              {effect
                ? `Filled over neat, ${effect.pairs} pairs of one maker each: × ${effect.ratio.toFixed(2)}, between ${effect.interval.low.toFixed(2)} and ${effect.interval.high.toFixed(2)}.${effect.undecided ? ` Too few to tell${effect.enough === null ? '' : `; ${effect.enough} pairs would`}.` : ''}`
                : `Filled against neat: ${pairs.length === 1 ? 'one pair' : `${pairs.length} pairs`} with enough readings on both sides say nothing about what a filler does; two makers at least, three readings each.`}
            </p>
          )}
        </div>
      </div>
    </Panel>
  );
}

/** A filled arm with the neat one of its maker and family, printed the same way up. */
function filledPairs(results: readonly ArmResult[], library: Workshop): ArmPair[] {
  const gradeOf = (result: ArmResult) => library.grades.find(({ id }) => id === result.arm.gradeId);
  return results.flatMap((filled): ArmPair[] => {
    const grade = gradeOf(filled);
    if (!grade || grade.reinforcementId === null) return [];
    const bases = pairsOf(grade, library.grades).map((one) => one.grade.id);
    const neat = results.find(
      (one) => bases.includes(one.arm.gradeId) && one.arm.orientation === filled.arm.orientation,
    );
    return neat ? [{ filled, neat }] : [];
  });
}
