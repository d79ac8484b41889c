import { findMethod, observationsOf } from '@anvilstone/core/evidence';
import { InputError } from '@anvilstone/core/foundations';
import type { AcceptanceRequest, Campaign, CampaignRecord, EvidenceImpact, Observation } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { findGrade } from '../grades/repository.ts';
import { soundGrade } from '../grades/service.ts';
import { conflict, invalidInput, notFound } from '../http/problems.ts';
import { groundsOf } from './grounds.ts';
import { impactOf } from './impact.ts';
import { saveEvidence, withObservations } from './takeEvidence.ts';
import { campaignTable, trialsOf } from './repository.ts';

type Wanted = Pick<AcceptanceRequest, 'armId' | 'outcomeId'>;

/** The observations that a result would become, with what it would change in every part; nothing is saved. */
export async function previewAcceptance(
  db: Knex,
  campaignId: string,
  wanted: Wanted,
  now: Date,
): Promise<{ observations: Observation[]; impact: EvidenceImpact; gradeRevision: number }> {
  const { grade, observations, gradeRevision } = await resultOf(db, campaignId, wanted, now);
  return { observations, gradeRevision, impact: await impactOf(db, withObservations(grade, observations)) };
}

/**
 * Writes a result into its grade, marks every part whose answer moves as out of date with the reason, and notes it in the campaign: all or
 * nothing.
 */
export async function acceptResult(
  db: Knex,
  campaignId: string,
  request: AcceptanceRequest,
  now: Date,
): Promise<CampaignRecord> {
  const { campaign, revision, grade, observations } = await resultOf(db, campaignId, request, now);
  if (revision !== request.campaignRevision) throw conflict('campaign', { campaign, revision });
  const changed = soundGrade(withObservations(grade, observations));
  const impact = await impactOf(db, changed);
  return db.transaction(async (trx) => {
    const saved = await saveEvidence(trx, changed, request.gradeRevision, impact, {
      at: now.toISOString(),
      cause: `${campaign.title} (campaign ${campaign.id}): ${grade.name} was tested`,
    });
    const acceptance = {
      armId: request.armId,
      outcomeId: request.outcomeId,
      at: now.toISOString(),
      by: request.by,
      observationIds: observations.map(({ id }) => id),
      gradeRevision: saved.revision,
    };
    const others = campaign.accepted.filter(
      (one) => one.armId !== request.armId || one.outcomeId !== request.outcomeId,
    );
    const kept = await campaignTable.save(trx, { ...campaign, accepted: [...others, acceptance] }, revision);
    // It was locked by nobody: whoever came between has the newer one.
    if (!kept) throw conflict('campaign', { campaign, revision });
    return { campaign: kept.document, revision: kept.revision };
  });
}

async function resultOf(db: Knex, campaignId: string, { armId, outcomeId }: Wanted, now: Date) {
  const found = await campaignTable.find(db, campaignId);
  if (!found) throw notFound('campaign', campaignId);
  const campaign: Campaign = found.document;
  const arm = campaign.arms.find(({ id }) => id === armId);
  const outcome = findMethod(campaign.methodId)?.outcomes.find(({ id }) => id === outcomeId);
  if (!arm) throw invalidInput([{ pointer: '/armId', detail: `The campaign has no arm “${armId}”` }]);
  if (!outcome) throw invalidInput([{ pointer: '/outcomeId', detail: `The method gives no “${outcomeId}”` }]);
  const record = await findGrade(db, arm.gradeId);
  if (!record) throw notFound('grade', arm.gradeId);
  const grounds = await groundsOf(db, campaign, arm);
  const trials = (await trialsOf(db, campaignId)).map(({ trial }) => trial);
  try {
    const observations = observationsOf(campaign, arm, outcome, trials, now.toISOString().slice(0, 10), grounds);
    return { campaign, revision: found.revision, grade: record.grade, gradeRevision: record.revision, observations };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    throw invalidInput([{ pointer: '/outcomeId', detail: error.message }]);
  }
}
