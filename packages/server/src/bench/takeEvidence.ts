import { randomUUID } from 'node:crypto';
import type { EvidenceImpact, Grade, Observation } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { findGrade, saveGrade } from '../grades/repository.ts';
import { conflict } from '../http/problems.ts';
import { keepNotice } from './repository.ts';

/** In the place of the same results accepted before, else after all others. */
export function withObservations(grade: Grade, observations: readonly Observation[]): Grade {
  const newer = new Map(observations.map((one) => [one.id, one]));
  const kept = grade.observations.map((one) => newer.get(one.id) ?? one);
  const known = new Set(grade.observations.map(({ id }) => id));
  return { ...grade, observations: [...kept, ...observations.filter(({ id }) => !known.has(id))] };
}

const MOST_CAUSE = 200;

/**
 * Writes a grade with what was learned of it, and marks every part whose answer moves as out of date with the reason. Call it within a transaction.
 * @throws HttpProblem 409: the grade has changed since it was read
 */
export async function saveEvidence(
  trx: Knex,
  changed: Grade,
  revision: number,
  { parts }: EvidenceImpact,
  { at, cause }: { at: string; cause: string },
): Promise<{ revision: number }> {
  const saved = await saveGrade(trx, changed, revision, 'edited');
  if (!saved) throw conflict('grade', await findGrade(trx, changed.id));
  for (const { partId, changes } of parts)
    if (changes.length > 0)
      await keepNotice(trx, { id: randomUUID(), partId, at, cause: cause.slice(0, MOST_CAUSE), changes });
  return saved;
}
