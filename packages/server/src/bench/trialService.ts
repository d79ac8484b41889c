import { randomUUID } from 'node:crypto';
import { advantageOf, findMethod, readCurve, type ReadCurve } from '@anvilstone/core/evidence';
import { InputError } from '@anvilstone/core/foundations';
import type { Campaign, ProblemIssue, Trial, TrialRecord } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { conflict, invalidInput, notFound } from '../http/problems.ts';
import { findingsOf, knownMethod } from './findings.ts';
import { campaignTable, trialTable } from './repository.ts';
import { keepFileCurve } from './readings.ts';
import { refuseTestedAlready } from './runService.ts';

/** What was found and how is never changed: it is corrected beside it, with the reason. */
const FIXED = [
  'campaignId',
  'specimenId',
  'source',
  'found',
  'overRange',
  'advantage',
  'asRead',
  'events',
  'at',
] as const;

/**
 * Writes down a typed trial (revision 0), or what is said of one: corrected by hand, left out with a reason, where it broke.
 * @throws HttpProblem 422: what was found would be changed; 409: the specimen was tested, or the trial was changed by someone else
 */
export async function saveTrial(db: Knex, { trial, revision }: TrialRecord): Promise<TrialRecord> {
  return db.transaction(async (trx) => {
    const campaign = await campaignTable.find(trx, trial.campaignId, true);
    if (!campaign) throw notFound('campaign', trial.campaignId);
    const stored = await trialTable.find(trx, trial.id, true);
    const issues = stored ? issuesOfChange(stored.document, trial) : issuesOfTyped(campaign.document, trial);
    if (issues.length > 0) throw invalidInput(issues);
    if (!stored && trial.state !== 'abandoned') await refuseTestedAlready(trx, trial.campaignId, trial.specimenId);
    const saved = await trialTable.save(trx, trial, revision);
    if (saved) return { trial: saved.document, revision: saved.revision };
    throw stored
      ? conflict('trial', { trial: stored.document, revision: stored.revision })
      : notFound('trial', trial.id);
  });
}

function issuesOfChange(stored: Trial, trial: Trial): ProblemIssue[] {
  if (stored.state === 'running')
    return [{ pointer: '/trial/state', detail: 'It is running', accepted: 'a trial whose run has ended' }];
  const same = (a: unknown, b: unknown) => JSON.stringify(sorted(a)) === JSON.stringify(sorted(b));
  const changed = FIXED.filter((field) => !same(stored[field], trial[field]));
  return changed.map((field) => ({
    pointer: `/trial/${field}`,
    detail: 'What was read is not changed',
    accepted: 'the number corrected under “corrected”, with the reason',
  }));
}

/** jsonb keeps no order of its fields. */
function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, one]) => [key, sorted(one)]),
  );
}

function issuesOfTyped(campaign: Campaign, trial: Trial): ProblemIssue[] {
  const issues: ProblemIssue[] = [];
  if (!campaign.specimens.some(({ id }) => id === trial.specimenId))
    issues.push({ pointer: '/trial/specimenId', detail: `The campaign has no specimen “${trial.specimenId}”` });
  if (trial.source !== 'typed')
    issues.push({
      pointer: '/trial/source',
      detail: 'A new trial is typed',
      accepted: 'typed; gauges and files have their own ways in',
    });
  if (trial.state === 'running')
    issues.push({ pointer: '/trial/state', detail: 'A typed trial does not run', accepted: 'done or abandoned' });
  if (trial.state === 'done' && Object.keys(trial.found).length === 0)
    issues.push({
      pointer: '/trial/found',
      detail: 'Nothing was found',
      accepted: 'a number, or a trial without a result',
    });
  return issues;
}

/** Reads a specimen’s curve out of a file. @throws HttpProblem 422 with the line at fault */
export async function importCurve(
  db: Knex,
  campaignId: string,
  specimenId: string,
  text: string,
  now: Date,
): Promise<TrialRecord & { taken: readonly string[] }> {
  const curve = readOrRefuse(text);
  return db.transaction(async (trx) => {
    const found = await campaignTable.find(trx, campaignId, true);
    if (!found) throw notFound('campaign', campaignId);
    const { document: campaign } = found;
    if (!campaign.specimens.some(({ id }) => id === specimenId)) throw notFound('specimen', specimenId);
    await refuseTestedAlready(trx, campaignId, specimenId);
    const method = knownMethod(campaign.methodId);
    const advantage = method.capture === 'force' ? advantageOf(campaign.setUp) : 1;
    refuseWhatIsMissing(method.capture, curve);
    curve.forceN.forEach((value, i) => (curve.forceN[i] = value * advantage));
    const { found: findings, overRange } = findingsOf(method, curve);
    const temperatures = [...curve.temperatureC].filter((value) => !Number.isNaN(value));
    const trial: Trial = {
      id: randomUUID(),
      campaignId,
      specimenId,
      at: now.toISOString(),
      state: 'done',
      source: 'file',
      advantage,
      found: findings,
      ...(overRange ? { overRange } : {}),
      ...(temperatures.length > 0
        ? { temperatureC: Number((temperatures.reduce((a, b) => a + b) / temperatures.length).toFixed(1)) }
        : {}),
      events: [],
      sampleData: campaign.sampleData,
    };
    const saved = (await trialTable.save(trx, trial, 0))!;
    await keepFileCurve(trx, trial.id, curve);
    return { trial: saved.document, revision: saved.revision, taken: curve.taken };
  });
}

function readOrRefuse(text: string): ReadCurve {
  try {
    return readCurve(text);
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    throw invalidInput([{ pointer: '/file', detail: error.message }]);
  }
}

function refuseWhatIsMissing(capture: string, { forceN, movedMm, timeS, over }: ReadCurve): void {
  const none = (values: Float64Array) => values.every(Number.isNaN);
  const lacking =
    capture === 'time'
      ? [none(timeS) && 'time', none(movedMm) && 'movement'].filter(Boolean)
      : [none(forceN) && !over.includes(1) && 'force'].filter(Boolean);
  if (capture !== 'time' && capture !== 'force')
    throw invalidInput([{ pointer: '/file', detail: 'This method gives one number and no curve: type it in' }]);
  if (lacking.length > 0)
    throw invalidInput([{ pointer: '/file', detail: `The file has no column of the ${lacking.join(' or the ')}` }]);
  if (capture === 'force' && none(forceN))
    throw invalidInput([{ pointer: '/file', detail: 'Every force was past the range of the gauge: nothing was read' }]);
}

/** What a schema cannot see of a campaign. */
export async function campaignIssues(db: Knex, campaign: Campaign): Promise<ProblemIssue[]> {
  const issues: ProblemIssue[] = [];
  const method = findMethod(campaign.methodId);
  if (!method) issues.push({ pointer: '/campaign/methodId', detail: `There is no test method “${campaign.methodId}”` });
  const arms = new Set<string>();
  const known = new Set(
    (
      (await db('grades')
        .whereIn(
          'id',
          campaign.arms.map(({ gradeId }) => gradeId),
        )
        .select('id')) as { id: string }[]
    ).map(({ id }) => id),
  );
  campaign.arms.forEach(({ id, gradeId }, i) => {
    if (arms.has(id)) issues.push({ pointer: `/campaign/arms/${i}/id`, detail: `Arm ${id} is there twice` });
    if (!known.has(gradeId))
      issues.push({ pointer: `/campaign/arms/${i}/gradeId`, detail: `There is no grade “${gradeId}”` });
    arms.add(id);
  });
  const marks = new Set<string>();
  campaign.specimens.forEach(({ id, armId }, i) => {
    if (marks.has(id)) issues.push({ pointer: `/campaign/specimens/${i}/id`, detail: `Specimen ${id} is there twice` });
    if (!id.startsWith(`${campaign.id}-${armId}`) || !arms.has(armId))
      issues.push({
        pointer: `/campaign/specimens/${i}/id`,
        detail: `${id} is not a mark of arm ${armId} of ${campaign.id}`,
      });
    marks.add(id);
  });
  const stored = await campaignTable.find(db, campaign.id);
  if (stored) issues.push(...(await issuesAgainstTrials(db, stored.document, campaign)));
  return issues;
}

/** What has been tested stays: a specimen with a trial, its arm, and the method. */
async function issuesAgainstTrials(db: Knex, stored: Campaign, campaign: Campaign): Promise<ProblemIssue[]> {
  const rows = (await db('trials')
    .where({ campaign_id: campaign.id })
    .select(db.raw(`distinct document ->> 'specimenId' as id`))) as { id: string }[];
  if (rows.length === 0) return [];
  const issues: ProblemIssue[] = [];
  if (stored.methodId !== campaign.methodId)
    issues.push({
      pointer: '/campaign/methodId',
      detail: 'Specimens have been tested by the method: begin another campaign',
    });
  const { sizes = [] } = findMethod(stored.methodId) ?? {};
  for (const { id, title } of sizes)
    if (stored.setUp[id] !== campaign.setUp[id])
      issues.push({
        pointer: `/campaign/setUp/${id}`,
        detail: `${title}: specimens have been tested with it as it is`,
        accepted: 'what a specimen measures itself, or another campaign',
      });
  for (const { id } of rows) {
    const before = stored.specimens.find((one) => one.id === id);
    const after = campaign.specimens.find((one) => one.id === id);
    const arm = (of: Campaign, armId: string | undefined) => of.arms.find((one) => one.id === armId);
    if (!after) issues.push({ pointer: '/campaign/specimens', detail: `${id} has been tested and stays` });
    else if (arm(stored, before?.armId)?.gradeId !== arm(campaign, after.armId)?.gradeId)
      issues.push({ pointer: '/campaign/arms', detail: `${id} has been tested: its grade stays as it is` });
  }
  return issues;
}
