import {
  fillerEffect,
  rankArms,
  welch,
  type ArmPair,
  type ArmResult,
  type Outcome,
  type WelchComparison,
} from '@anvilstone/core/evidence';
import { inSentence } from '@anvilstone/core/foundations';
import { pairsOf } from '@anvilstone/core/materials';
import { useMemo, useState } from 'react';
import { useAppSelector } from '../../../sync/store/store.ts';
import { Choice } from '../../../ui/fields.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import type { Workshop } from '../../../workers/workshop.ts';
import { RankingChart } from './RankingChart.tsx';
import { outcomeText, WAY_WORDS } from '../words.ts';

/** A change of mass in a fluid is judged by its size; most gain. */
const LESS_IS_BETTER: ReadonlySet<string | undefined> = new Set(['wearRate', 'waterSaturation', 'chemicalResistance']);

/** Arms by their means, each held against the best or any other, and what a filler does where its neat partner was tested too. */
export function RankingPanel({
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
  const [against, setAgainst] = useState('');
  const ranked = rankArms(results, LESS_IS_BETTER.has(outcome.property));
  const reference = (ranked.find(({ result }) => result.arm.id === against) ?? ranked[0])?.result;
  const pairs = useMemo(() => filledPairs(results, library), [results, library]);
  const show = (value: number) => outcomeText(value, outcome, units);
  return (
    <Panel title={`Ranking by ${inSentence(outcome.title)}`}>
      <div className="grid grid-cols-[minmax(0,1fr)_22rem] narrow:grid-cols-1 gap-5">
        <RankingChart ranked={ranked} outcome={outcome} nameOf={nameOf} />
        <div className="text-sm">
          {ranked.length > 1 && (
            <Choice
              label="Compared with"
              value={reference?.arm.id ?? ''}
              options={ranked.map(({ result }) => ({ value: result.arm.id, label: nameOf(result.arm.id) }))}
              onChange={setAgainst}
            />
          )}
          <ol className="mt-2 list-decimal pl-5">
            {ranked.map(({ result }) => (
              <li key={result.arm.id} className="py-0.5">
                <strong className="font-semibold">{nameOf(result.arm.id)}</strong>, {WAY_WORDS[result.arm.orientation]}:{' '}
                {show(result.summary!.mean)}
                {reference && result !== reference && (
                  <span className="block text-quiet">
                    {differenceWords(welch(reference, result), reference.arm.id, show)}
                  </span>
                )}
              </li>
            ))}
          </ol>
          {ranked.length > 1 && (
            <p className="mt-2 text-xs text-quiet">
              Differences by Welch, 95 %. Of {ranked.length - 1} at once, one in twenty is random.
            </p>
          )}
          <FillerWords pairs={pairs} />
        </div>
      </div>
    </Panel>
  );
}

function differenceWords(found: WelchComparison | undefined, name: string, show: (value: number) => string): string {
  if (!found) return 'too few readings to compare: three of each at least';
  const { difference, interval, undecided, enough } = found;
  if (undecided)
    return `too few to tell it from ${name}${enough === null ? '; 200 of each would not do either' : `: about ${enough} of each would`}`;
  const [low, high] = [Math.abs(interval.low), Math.abs(interval.high)].sort((a, b) => a - b);
  return `${show(Math.abs(difference))} ${difference > 0 ? 'below' : 'above'} ${name}, between ${show(low!)} and ${show(high!)}`;
}

function FillerWords({ pairs }: { pairs: readonly ArmPair[] }) {
  if (pairs.length === 0) return null;
  const effect = fillerEffect(pairs);
  const { length } = pairs;
  return (
    <p className="mt-2 border-t border-line pt-2">
      {effect
        ? `Filled over neat, ${effect.pairs} pairs of one maker each: × ${effect.ratio.toFixed(2)}, between ${effect.interval.low.toFixed(2)} and ${effect.interval.high.toFixed(2)}.${effect.undecided ? ` Too few to tell${effect.enough === null ? '' : `; about ${effect.enough} pairs would`}.` : ''}`
        : `Filled against neat: ${length === 1 ? 'one pair says' : `${length} pairs say`} nothing about what a filler does. Two makers at least, with three readings on each side.`}
    </p>
  );
}

/** A filled arm with the neat one of its maker and family, printed the same build orientation. */
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
