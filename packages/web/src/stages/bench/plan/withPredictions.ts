import { predictArm } from '@anvilstone/core/evidence';
import type { Brief, Campaign } from '@anvilstone/schema';
import type { Workshop } from '../../../workers/workshop.ts';

/**
 * The campaign with what is expected of each arm now, in the first outcome of the method. What was expected of an arm that has been tested
 * stays as it was written down.
 */
export function withPredictions(
  campaign: Campaign,
  library: Workshop,
  brief: Brief | undefined,
  testedArmIds: readonly string[],
): Campaign {
  const arms = campaign.arms.map((arm) => {
    if (testedArmIds.includes(arm.id)) return arm;
    const grade = library.grades.find(({ id }) => id === arm.gradeId);
    const predicted = grade && predictArm(campaign, arm, { grade, rules: library.rules, library, brief });
    return { ...arm, predicted: predicted?.known ? Number(predicted.value.toPrecision(4)) : null };
  });
  return { ...campaign, arms };
}
