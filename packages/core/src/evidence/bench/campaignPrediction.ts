import type { Brief, Campaign, CampaignArm, Grade, CompanyRules, Library } from '@anvilstone/schema';
import { findMethod } from './methods/index.ts';
import type { Predicted } from './methods/testMethod.ts';
import { predictPart } from './partPrediction.ts';
import { predictCoupon } from './testPlan.ts';

export interface PredictionInputs {
  grade: Grade;
  rules: CompanyRules;
  library: Pick<Library, 'machines' | 'agents'>;
  /** Of the part, where the part itself is tested. */
  brief: Brief | undefined;
}

/**
 * What each specimen of an arm is expected to give, in the first outcome of the method; coupons in the moisture state of the specimens, or
 * dry where there are none yet.
 */
export function predictArm(
  campaign: Campaign,
  arm: CampaignArm,
  { grade, rules, library, brief }: PredictionInputs,
): Predicted {
  const method = findMethod(campaign.methodId);
  if (!method) return { known: false, gaps: ['The method is not known here'] };
  if (method.tests === 'part') {
    if (!brief || campaign.loadCaseId === undefined)
      return { known: false, gaps: ['The campaign does not say which part and which of its loads is tested'] };
    return predictPart(brief, campaign.loadCaseId, library, grade, arm.orientation, rules);
  }
  const moisture = campaign.specimens.find(({ armId }) => armId === arm.id)?.conditioning ?? 'dry';
  return predictCoupon(method, grade, arm.orientation, campaign.setUp, { moisture }, rules);
}
