import { createHash } from 'node:crypto';
import type { Knex } from 'knex';
import { inOneTransaction } from '../db/scope.ts';
import type { Reply } from './reply.ts';
import type { Principal } from './principal.ts';
import { HttpProblem, invalidInput } from './problems.ts';

const KEY = /^[\w-]{8,80}$/;
const KEPT_DAYS = 2;

interface Kept {
  request_sha256: string;
  status: number;
  body: string;
  headers: Record<string, string>;
}

/**
 * Does what a request asks once, however often it is sent with the same key: the answer is kept in the very transaction of what was done, so
 * that there is never one without the other. A second one that comes meanwhile waits for the first. What was refused is not kept, and may be
 * tried again.
 * @throws HttpProblem 422: no key, or one that came with another request; whatever `work` throws
 */
export async function once(
  db: Knex,
  { key, operation, asked, principal }: { key: string; operation: string; asked: unknown; principal: Principal },
  work: () => Promise<Reply>,
): Promise<Reply> {
  if (!KEY.test(key))
    throw invalidInput([
      {
        pointer: '/Idempotency-Key',
        detail: 'The Idempotency-Key cannot be used',
        accepted: '8 to 80 letters and digits',
      },
    ]);
  const sha = createHash('sha256')
    .update(JSON.stringify([operation, asked]))
    .digest('hex');
  const owner = principal.accountId ?? principal.kind;
  return inOneTransaction(db, async (trx) => {
    await trx('answered_once')
      .where('at', '<', trx.raw(`now() - make_interval(days => ?)`, [KEPT_DAYS]))
      .delete();
    const mine = (await trx('answered_once')
      .insert({ owner, key, request_sha256: sha, status: 0, body: '', headers: '{}' })
      .onConflict(['owner', 'key'])
      .ignore()
      .returning('key')) as unknown[];
    if (mine.length === 0) return again(trx, owner, key, sha);
    const reply = await work();
    await trx('answered_once')
      .where({ owner, key })
      .update({
        status: reply.status ?? 0,
        body: JSON.stringify(reply.body ?? null),
        headers: JSON.stringify(reply.headers ?? {}),
      });
    return reply;
  });
}

async function again(trx: Knex, owner: string, key: string, sha: string): Promise<Reply> {
  const kept = (await trx('answered_once').where({ owner, key }).first()) as Kept | undefined;
  if (kept?.request_sha256 !== sha)
    throw new HttpProblem(
      422,
      'key-used',
      'The key was used for something else',
      'An Idempotency-Key belongs to one request: take a new one for another. Nothing was changed.',
    );
  const body: unknown = JSON.parse(kept.body);
  return {
    ...(kept.status === 0 ? {} : { status: kept.status }),
    body: body ?? undefined,
    headers: { ...kept.headers, 'Idempotent-Replay': 'yes' },
  };
}
