import { randomUUID } from 'node:crypto';
import { checkDecisionFile, fingerprintOf } from '@anvilstone/core/decisions';
import type { DecisionFile, FileCheck, ReceivedRecord } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { conflict, invalidInput, notFound } from '../http/problems.ts';
import { installationPublicKey } from './installationKey.ts';

interface ReceivedRow {
  id: string;
  received_at: Date;
  received_by: string;
  public_key: string;
  verdict: string;
  document: DecisionFile;
}

/** A record from elsewhere, checked; nothing is kept. */
export async function checkReceived(db: Knex, document: unknown): Promise<FileCheck> {
  const [own, keys] = await Promise.all([
    installationPublicKey(db),
    db('received_records').distinct('public_key') as unknown as Promise<{ public_key: string }[]>,
  ]);
  return checkDecisionFile(document, { own, known: keys.map(({ public_key }) => public_key) });
}

/**
 * Keeps a record of another installation as it came. One that was tampered with is refused: what it says is nobody’s word.
 * @throws HttpProblem 422: unreadable or tampered with; 409: kept already
 */
export async function keepReceived(db: Knex, document: unknown, by: string, now: Date): Promise<ReceivedRecord> {
  const check = await checkReceived(db, document);
  if (check.verdict === 'unreadable' || check.verdict === 'tampered')
    throw invalidInput(
      check.findings.map((detail) => ({ pointer: '/file', detail })),
      'It was not kept.',
    );
  const file = document as DecisionFile;
  const rows = await db('received_records')
    .insert({
      id: randomUUID(),
      received_at: now,
      received_by: by,
      public_key: file.seal.publicKey,
      digest: file.seal.digest,
      verdict: check.verdict,
      document: JSON.stringify(file),
    })
    .onConflict('digest')
    .ignore()
    .returning('*');
  if (rows[0]) return toRecord(rows[0] as ReceivedRow);
  const kept = (await db('received_records').where({ digest: file.seal.digest }).first()) as ReceivedRow;
  throw conflict('record', toRecord(kept));
}

export async function receivedRecords(db: Knex): Promise<ReceivedRecord[]> {
  const rows = (await db('received_records').orderBy('received_at', 'desc')) as ReceivedRow[];
  return rows.map(toRecord);
}

export async function receivedFile(db: Knex, id: string): Promise<DecisionFile> {
  const row = (await db('received_records').where({ id }).first('document')) as
    | Pick<ReceivedRow, 'document'>
    | undefined;
  if (!row) throw notFound('record', id);
  return row.document;
}

function toRecord({ id, received_at, received_by, public_key, verdict, document }: ReceivedRow): ReceivedRecord {
  const { decision } = document;
  return {
    id,
    receivedAt: received_at.toISOString(),
    receivedBy: received_by,
    fingerprint: fingerprintOf(public_key),
    number: decision.number,
    title: decision.brief.title,
    gradeName: decision.grades.find((one) => one.id === decision.gradeId)?.name ?? decision.gradeId,
    decidedAt: decision.decidedAt,
    decidedBy: decision.decidedBy,
    verdict,
  };
}
