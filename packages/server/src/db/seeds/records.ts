import { digestOf } from '@anvilstone/core/decisions';
import { sampleService, type SampleDecision } from '@anvilstone/core/education/sample';
import type { Decision } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { decisionService } from '../../decisions/service.ts';
import { findPart } from '../../parts/repository.ts';
import { previewFindingEvidence, takeFindingEvidence } from '../../service/reading.ts';
import { findingTable, installationTable } from '../../service/repository.ts';

/**
 * What was decided, what became of it in service and what that taught, in the order in which it happened: each decision knows only what was known
 * that day. A workshop that has decisions already keeps them as they are.
 */
export async function seedRecords(trx: Knex, now: Date): Promise<void> {
  if (await trx('decisions').first('id')) return;
  const story = sampleService(now);
  const made = new Map<string, Decision>();
  for (const one of story.before) made.set(one.id, await decide(trx, one));
  for (const { installation, decision } of story.installations)
    await installationTable.save(trx, { ...installation, decisionId: made.get(decision)!.id }, 0);
  for (const finding of story.findings) await findingTable.save(trx, finding, 0);
  for (const { findingId, by, at } of story.taken) {
    const { gradeRevision } = await previewFindingEvidence(trx, findingId);
    await takeFindingEvidence(trx, findingId, { by, findingRevision: 1, gradeRevision }, new Date(at));
  }
  for (const one of story.after) await decide(trx, one);
}

async function decide(trx: Knex, { partId, at, request, signed }: SampleDecision): Promise<Decision> {
  const decisions = decisionService(trx, () => new Date(at));
  const part = (await findPart(trx, partId))!;
  const decision = await decisions.freeze(partId, { ...request, partRevision: part.revision });
  if (signed)
    await decisionService(trx, () => new Date(signed.at)).sign(decision.id, {
      ...signed.request,
      decisionDigest: digestOf(decision),
    });
  return decision;
}
