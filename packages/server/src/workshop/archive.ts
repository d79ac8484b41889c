import { createHash } from 'node:crypto';
import { ENGINE_VERSION } from '@anvilstone/core/evaluation';
import { Zip, ZipDeflate } from 'fflate';
import type { Knex } from 'knex';
import { installationKey } from '../decisions/installationKey.ts';
import { archivedTables, shapeOf, type ArchivedTable } from './tables.ts';

export const ARCHIVE_FORMAT = 'anvilstone-workshop/1';
export const MANIFEST = 'manifest.json';

export interface ArchiveManifest {
  format: typeof ARCHIVE_FORMAT;
  /** Shape of the database that it was taken from. */
  shape: string;
  engineVersion: string;
  /** The key that seals records is in it: a backup, to be kept private, and not an archive to be given away. */
  holdsKey: boolean;
  files: { name: string; table: string; rows: number; sha256: string }[];
}

/** So many bytes are fetched at a time; a first few rows tell how large they are. */
const BYTES_AT_A_TIME = 2_000_000;
const FIRST_ROWS = 8;
const MOST_ROWS = 2000;
/** Level 6 of deflate: level 9 takes three times as long for two per cent. */
const LEVEL = 6;
/** Nothing in an archive says when it was made: the same workshop gives the same bytes. */
const NO_TIME = new Date(1980, 0, 1);
const fileOf = (table: string) => `tables/${table}.ndjson`;

/**
 * The whole workshop as a zip: one file of JSON lines a table in the order of its key, and a manifest with a digest of each. Read within one snapshot, so
 * that what is written meanwhile is either wholly in it or not at all.
 */
export async function writeArchive(
  db: Knex,
  options: { withKey: boolean },
): Promise<{ zip: Buffer; manifest: ArchiveManifest }> {
  // Made now if none has been needed yet: records that are sealed after the restore are then this installation’s too.
  if (options.withKey) await installationKey(db);
  const chunks: Uint8Array[] = [];
  let failed: Error | null = null;
  const zip = new Zip((error, chunk) => {
    failed ??= error;
    chunks.push(chunk);
  });
  const files: ArchiveManifest['files'] = [];
  const shape = await db.transaction(
    async (trx) => {
      // Moments are written as UTC, whatever the server is set to.
      await trx.raw(`set local timezone = 'UTC'`);
      for (const table of await archivedTables(trx, options.withKey)) files.push(await addTable(trx, zip, table));
      return shapeOf(trx);
    },
    { isolationLevel: 'repeatable read', readOnly: true },
  );
  const manifest: ArchiveManifest = {
    format: ARCHIVE_FORMAT,
    shape,
    engineVersion: ENGINE_VERSION,
    holdsKey: options.withKey,
    files,
  };
  const last = new ZipDeflate(MANIFEST, { level: LEVEL });
  last.mtime = NO_TIME;
  zip.add(last);
  last.push(new TextEncoder().encode(`${JSON.stringify(manifest, null, 2)}\n`), true);
  zip.end();
  if (failed) throw failed as Error;
  return { zip: Buffer.concat(chunks), manifest };
}

async function addTable(
  trx: Knex.Transaction,
  zip: Zip,
  table: ArchivedTable,
): Promise<ArchiveManifest['files'][number]> {
  const name = fileOf(table.name);
  const file = new ZipDeflate(name, { level: LEVEL });
  file.mtime = NO_TIME;
  zip.add(file);
  const digest = createHash('sha256');
  let [rows, next] = [0, FIRST_ROWS];
  // A cursor: a library of thousands, or years of readings, never stand in memory at once.
  await trx.raw(
    `declare archive_rows no scroll cursor for select jsonb_build_object(${table.columns.map(() => '?::text, ??').join(', ')})::text as line from ?? order by ${table.key.map(() => '??').join(', ')}`,
    [...table.columns.flatMap((column) => [column, column]), table.name, ...table.key],
  );
  for (;;) {
    const { rows: batch } = await trx.raw<{ rows: { line: string }[] }>(`fetch ${next} from archive_rows`);
    if (batch.length === 0) break;
    const bytes = new TextEncoder().encode(batch.map(({ line }) => `${line}\n`).join(''));
    digest.update(bytes);
    file.push(bytes);
    rows += batch.length;
    next = Math.min(MOST_ROWS, Math.max(1, Math.floor((BYTES_AT_A_TIME * batch.length) / bytes.length)));
  }
  await trx.raw('close archive_rows');
  file.push(new Uint8Array(0), true);
  return { name, table: table.name, rows, sha256: digest.digest('hex') };
}
