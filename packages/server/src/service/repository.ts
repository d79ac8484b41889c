import type { FindingPhoto, FindingRecord, Installation, InstallationRecord, ServiceFinding } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { revisionedTable, type Revisioned } from '../db/revisionedTable.ts';

export const installationTable = revisionedTable<Installation>('installations');
export const findingTable = revisionedTable<ServiceFinding>('service_findings');

export async function installationsOf(db: Knex, partId: string): Promise<InstallationRecord[]> {
  const rows = (await db('installations')
    .where({ part_id: partId })
    .orderBy('id')
    .select('document', 'revision')) as Revisioned<Installation>[];
  return rows.map(({ document, revision }) => ({ installation: document, revision }));
}

/** In the order in which they were made. */
export async function findingsOf(db: Knex, partId: string): Promise<FindingRecord[]> {
  const rows = (await db('service_findings')
    .join('installations', 'installations.id', 'service_findings.installation_id')
    .where({ part_id: partId })
    .orderByRaw(`service_findings.document ->> 'at', service_findings.id`)
    .select('service_findings.document', 'service_findings.revision')) as Revisioned<ServiceFinding>[];
  return rows.map(({ document, revision }) => ({ finding: document, revision }));
}

export async function photosOf(db: Knex, findingId: string): Promise<FindingPhoto[]> {
  const rows = (await db('finding_photos').where({ finding_id: findingId }).orderBy('at').select('document')) as {
    document: FindingPhoto;
  }[];
  return rows.map(({ document }) => document);
}

export async function keepPhoto(db: Knex, document: FindingPhoto, content: Buffer): Promise<void> {
  const { id, findingId, at } = document;
  await db('finding_photos').insert({ id, finding_id: findingId, at, document: JSON.stringify(document), content });
}

export async function findPhoto(
  db: Knex,
  id: string,
): Promise<{ document: FindingPhoto; content: Buffer } | undefined> {
  return (await db('finding_photos').where({ id }).first('document', 'content')) as
    | { document: FindingPhoto; content: Buffer }
    | undefined;
}

export const removePhoto = async (db: Knex, id: string): Promise<boolean> =>
  (await db('finding_photos').where({ id }).delete()) > 0;
