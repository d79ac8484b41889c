import type { Attachment, Campaign, PartNotice, Trial, TrialRecord } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { revisionedTable } from '../db/revisionedTable.ts';

export const campaignTable = revisionedTable<Campaign>('campaigns');
export const trialTable = revisionedTable<Trial>('trials');

export async function trialsOf(db: Knex, campaignId: string): Promise<TrialRecord[]> {
  const rows = (await db('trials')
    .where({ campaign_id: campaignId })
    .select('document', 'revision')
    .orderByRaw(`document ->> 'at', id`)) as { document: Trial; revision: number }[];
  return rows.map(({ document, revision }) => ({ trial: document, revision }));
}

/** How far every campaign is: trials that are done, by campaign. */
export async function doneCounts(db: Knex): Promise<Map<string, { done: number; running: number }>> {
  const { rows } = await db.raw<{ rows: { id: string; done: number; running: number }[] }>(
    `select campaign_id as id,
            count(distinct document ->> 'specimenId') filter (where document ->> 'state' = 'done')::int as done,
            count(*) filter (where document ->> 'state' = 'running')::int as running
     from trials group by campaign_id`,
  );
  return new Map(rows.map(({ id, ...counts }) => [id, counts]));
}

const ABOUT = ['document'] as const;

export async function attachmentsOf(db: Knex, campaignId: string): Promise<Attachment[]> {
  const rows = (await db('attachments')
    .where({ campaign_id: campaignId })
    .select(...ABOUT)
    .orderBy('at')) as { document: Attachment }[];
  return rows.map(({ document }) => document);
}

export async function keepAttachment(db: Knex, document: Attachment, content: Buffer): Promise<void> {
  const { id, campaignId, at } = document;
  await db('attachments').insert({ id, campaign_id: campaignId, at, document: JSON.stringify(document), content });
}

export async function findAttachment(
  db: Knex,
  id: string,
): Promise<{ document: Attachment; content: Buffer } | undefined> {
  return (await db('attachments').where({ id }).first('document', 'content')) as
    | { document: Attachment; content: Buffer }
    | undefined;
}

export const removeAttachment = async (db: Knex, id: string): Promise<boolean> =>
  (await db('attachments').where({ id }).delete()) > 0;

export async function allNotices(db: Knex): Promise<PartNotice[]> {
  const rows = (await db('part_notices').select('document').orderBy('at', 'desc')) as { document: PartNotice }[];
  return rows.map(({ document }) => document);
}

export async function keepNotice(db: Knex, notice: PartNotice): Promise<void> {
  const { id, partId, at } = notice;
  await db('part_notices').insert({ id, part_id: partId, at, document: JSON.stringify(notice) });
}

/** Somebody has looked: every notice of the part goes. How many there were. */
export const clearNotices = (db: Knex, partId: string): Promise<number> =>
  db('part_notices').where({ part_id: partId }).delete();
