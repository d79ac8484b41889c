import { armResult, findMethod } from '@anvilstone/core/evidence';
import type { Campaign, MethodResult, Trial } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { notFound } from '../http/problems.ts';
import { campaignTable } from './repository.ts';

/** Every mean by one method, newest first: what came out last month beside what comes out now. */
export async function resultsByMethod(db: Knex, methodId: string): Promise<MethodResult[]> {
  if (!findMethod(methodId)) throw notFound('test method', methodId);
  return resultsOf(db, (campaign) => campaign.methodId === methodId);
}

/** Every mean of the campaigns of one part, newest first: what was predicted beside what was measured. */
export const resultsOfPart = (db: Knex, partId: string): Promise<MethodResult[]> =>
  resultsOf(db, (campaign) => campaign.partId === partId);

/** Each arm in the first outcome of its method, which is what was predicted. */
async function resultsOf(db: Knex, wanted: (campaign: Campaign) => boolean): Promise<MethodResult[]> {
  const campaigns = (await campaignTable.all(db)).map(({ document }) => document).filter(wanted);
  const rows = (await db('trials')
    .whereIn(
      'campaign_id',
      campaigns.map(({ id }) => id),
    )
    .select('document')) as { document: Trial }[];
  const trials = rows.map(({ document }) => document);
  return campaigns
    .flatMap((campaign) =>
      resultsOfCampaign(
        campaign,
        trials.filter((one) => one.campaignId === campaign.id),
      ),
    )
    .sort((a, b) => (a.lastAt < b.lastAt ? 1 : -1));
}

function resultsOfCampaign(campaign: Campaign, trials: readonly Trial[]): MethodResult[] {
  const [outcome] = findMethod(campaign.methodId)?.outcomes ?? [];
  if (!outcome) return [];
  return campaign.arms.flatMap((arm): MethodResult[] => {
    const { summary, replicates } = armResult(campaign, arm, outcome, trials);
    if (!summary) return [];
    const times = replicates.map(({ trial }) => trial.at).sort();
    return [
      {
        campaignId: campaign.id,
        methodId: campaign.methodId,
        ...(campaign.checkId === undefined ? {} : { checkId: campaign.checkId }),
        armId: arm.id,
        gradeId: arm.gradeId,
        orientation: arm.orientation,
        outcomeId: outcome.id,
        lastAt: times.at(-1)!,
        n: summary.n,
        mean: summary.mean,
        sd: summary.sd,
        low: summary.meanInterval?.low ?? null,
        high: summary.meanInterval?.high ?? null,
        predicted: arm.predicted ?? null,
        accepted: campaign.accepted.some((one) => one.armId === arm.id && one.outcomeId === outcome.id),
      },
    ];
  });
}
