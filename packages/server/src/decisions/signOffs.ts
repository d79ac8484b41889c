import { randomUUID } from 'node:crypto';
import { digestOf } from '@anvilstone/core/decisions';
import type { Decision, SignOff, SignOffRequest } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { HttpProblem, invalidInput } from '../http/problems.ts';

/** In the order they were made. */
export async function signOffsOf(db: Knex, decisionId: string): Promise<SignOff[]> {
  const rows = (await db('decision_sign_offs')
    .where({ decision_id: decisionId })
    .orderBy(['at', 'id'])
    .select('document')) as { document: SignOff }[];
  return rows.map(({ document }) => document);
}

/**
 * Puts a signature under a decision; the database refuses to change or remove it later.
 * @throws HttpProblem 409: something else was signed than what is stored; 422: a part that could hurt someone without a proof test
 */
export async function sign(db: Knex, decision: Decision, request: SignOffRequest, now: Date): Promise<SignOff> {
  const digest = digestOf(decision);
  if (request.decisionDigest !== digest)
    throw new HttpProblem(
      409,
      'another-record',
      'This is not the record that is stored',
      `The signature names ${request.decisionDigest.slice(0, 12)}…, the record is ${digest.slice(0, 12)}…. Open the record again.`,
    );
  if (request.kind === 'signed' && decision.brief.failureCouldHurt === 'yes' && !request.proofTest?.trim())
    throw invalidInput([
      {
        pointer: '/proofTest',
        detail: 'A failure of this part could hurt someone',
        accepted: 'how every part is proof-tested before use',
      },
    ]);
  const made: SignOff = { ...request, id: randomUUID(), at: now.toISOString() };
  await db('decision_sign_offs').insert({
    id: made.id,
    decision_id: decision.id,
    at: made.at,
    document: JSON.stringify(made),
  });
  return made;
}
