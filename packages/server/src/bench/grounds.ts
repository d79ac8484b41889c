import { predictArm, type Predicted } from '@anvilstone/core/bench';
import type { Campaign, CampaignArm } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { ownAgents } from '../agents/repository.ts';
import { findGrade } from '../grades/repository.ts';
import { houseRulesInForce } from '../houseRules/repository.ts';
import { machinesAtHand } from '../machines/repository.ts';
import { findPart } from '../parts/repository.ts';

/** What an arm’s specimens are expected to give, by the library and rules as they are now. */
export async function predictedNow(db: Knex, campaign: Campaign, arm: CampaignArm): Promise<Predicted> {
  const [record, { rules }, machines, agents, part] = await Promise.all([
    findGrade(db, arm.gradeId),
    houseRulesInForce(db),
    machinesAtHand(db),
    ownAgents(db),
    campaign.partId === undefined ? undefined : findPart(db, campaign.partId),
  ]);
  if (!record) return { known: false, gaps: [`There is no grade “${arm.gradeId}” any more`] };
  return predictArm(campaign, arm, { grade: record.grade, rules, library: { machines, agents }, brief: part?.brief });
}
