import { armResult, findMethod } from '@anvilstone/core/bench';
import type { MethodResult, Trial } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { notFound } from '../http/problems.ts';
import { campaignTable } from './repository.ts';

/** Every mean by one method in its first outcome, newest first: what came out last month beside what comes out now. */
export async function resultsByMethod(db: Knex, methodId: string): Promise<MethodResult[]> {
  const [outcome] = findMethod(methodId)?.outcomes ?? [];
  if (!findMethod(methodId)) throw notFound('test method', methodId);
  if (!outcome) return [];
  const campaigns = (await campaignTable.all(db))
    .map(({ document }) => document)
    .filter((one) => one.methodId === methodId);
  const rows = (await db('trials')
    .whereIn(
      'campaign_id',
      campaigns.map(({ id }) => id),
    )
    .select('document')) as { document: Trial }[];
  const trials = rows.map(({ document }) => document);
  return campaigns
    .flatMap((campaign) =>
      campaign.arms.flatMap((arm): MethodResult[] => {
        const { summary, replicates } = armResult(
          campaign,
          arm,
          outcome,
          trials.filter((one) => one.campaignId === campaign.id),
        );
        if (!summary) return [];
        const times = replicates.map(({ trial }) => trial.at).sort();
        return [
          {
            campaignId: campaign.id,
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
      }),
    )
    .sort((a, b) => (a.lastAt < b.lastAt ? 1 : -1));
}
