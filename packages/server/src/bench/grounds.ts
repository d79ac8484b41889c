import { predictArm, type Predicted, type PredictionInputs } from '@anvilstone/core/evidence';
import type { Campaign, CampaignArm } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { ownAgents } from '../agents/repository.ts';
import { findGrade } from '../grades/repository.ts';
import { companyRulesInForce } from '../companyRules/repository.ts';
import { machinesAtHand } from '../machines/repository.ts';
import { findPart } from '../parts/repository.ts';

/** What a prediction for an arm reads: the library and rules as they are now. Undefined: its grade is gone. */
export async function groundsOf(db: Knex, campaign: Campaign, arm: CampaignArm): Promise<PredictionInputs | undefined> {
  const [record, { rules }, machines, agents, part] = await Promise.all([
    findGrade(db, arm.gradeId),
    companyRulesInForce(db),
    machinesAtHand(db),
    ownAgents(db),
    campaign.partId === undefined ? undefined : findPart(db, campaign.partId),
  ]);
  return record && { grade: record.grade, rules, library: { machines, agents }, brief: part?.brief };
}

/** What an arm’s specimens are expected to give, by the library and rules as they are now. */
export async function predictedNow(db: Knex, campaign: Campaign, arm: CampaignArm): Promise<Predicted> {
  const grounds = await groundsOf(db, campaign, arm);
  return grounds
    ? predictArm(campaign, arm, grounds)
    : { known: false, gaps: [`There is no grade “${arm.gradeId}” any more`] };
}
