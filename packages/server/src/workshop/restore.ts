import type { Knex } from 'knex';
import { isBlobReference, refuse, type ArchiveManifest } from './archive/format.ts';
import { openArchive, type Archive } from './archive/read.ts';
import { archivedTables, KEY_TABLE, LEFT_OUT, references, type ArchivedTable } from './tables.ts';

const ROWS_AT_A_TIME = 500;
const BYTES_AT_A_TIME = 2_000_000;
/** Of the time that it takes; the rest is writing. */
const VERIFYING_SHARE = 0.25;

export interface RestoreReport {
  mode: 'replace' | 'merge';
  tables: { table: string; inArchive: number; added: number; kept: number }[];
}

export interface RestoreOptions {
  mode: RestoreReport['mode'];
  signal?: AbortSignal;
  report?: (progress: number, line: string) => void;
  /** Asked at the end: throws where nothing may be written any more. */
  holdOn?: (trx: Knex.Transaction) => Promise<void>;
}

/** What an archive holds, after every file of it was compared with its digest. @throws HttpProblem 422 as `openArchive` */
export async function checkArchive(path: string): Promise<ArchiveManifest> {
  const archive = await openArchive(path);
  try {
    await archive.verify();
    return archive.manifest;
  } finally {
    archive.close();
  }
}

/**
 * Puts an archive back, all or nothing, as it is read. `replace`: whatever is here goes first; until it is over everybody still sees what
 * was here, and nobody can change it. `merge`: what is not here yet is added; what is here stays as it is, and is counted.
 * @throws HttpProblem 422 as `openArchive`, or a file of it holds what the database refuses; AbortError when the signal was given
 */
export async function restoreArchive(
  db: Knex,
  path: string,
  { mode, signal, report, holdOn }: RestoreOptions,
): Promise<RestoreReport> {
  const archive = await openArchive(path);
  try {
    await archive.verify((share) => report?.(VERIFYING_SHARE * share, 'Verifying checksums'), signal);
    return await db.transaction(async (trx) => {
      await trx.raw(`set local timezone = 'UTC'`);
      const { manifest } = archive;
      // The key goes with a backup that replaces everything, and never with what is merged in.
      const all = await archivedTables(trx, mode === 'replace' && manifest.holdsKey);
      const unknown = manifest.files.find(
        ({ table }) => table !== KEY_TABLE && !all.some(({ name }) => name === table),
      );
      if (unknown) throw refuse(`It holds what this version does not know: ${unknown.table}`);
      // What is merged into a history of its own becomes part of that one: as added now, by whoever does it.
      const bringsHistory = mode === 'replace' || (await trx('changes').first('id')) === undefined;
      if (bringsHistory) await trx.raw(`set local anvilstone.restoring = 'on'`);
      if (mode === 'replace') await empty(trx, all);
      const whole = manifest.files.reduce((sum, { rows }) => sum + rows, 0) || 1;
      const tables: RestoreReport['tables'] = [];
      let before = 0;
      for (const table of all) {
        const file = manifest.files.find((one) => one.table === table.name);
        if (!file || (!bringsHistory && table.name === 'changes')) continue;
        const loaded = await load(trx, table, archive, mode, (rows) => {
          signal?.throwIfAborted();
          report?.(VERIFYING_SHARE + ((1 - VERIFYING_SHARE) * (before + rows)) / whole, table.name);
        });
        tables.push(loaded);
        before += file.rows;
      }
      for (const table of all) await countOn(trx, table);
      // Every page that is open shows what is no longer there.
      await trx.raw(`select pg_notify('anvilstone', json_build_object('schema', current_schema(), 'kind', '*')::text)`);
      await holdOn?.(trx);
      return { mode, tables };
    });
  } finally {
    archive.close();
  }
}

/** Deleted and not truncated: whoever reads meanwhile is not kept waiting. */
async function empty(trx: Knex.Transaction, all: readonly ArchivedTable[]): Promise<void> {
  const names = all.map(({ name }) => name);
  await trx.raw(`lock table ${names.map(() => '??').join(', ')} in exclusive mode`, names);
  const refs = await references(trx);
  const depending = LEFT_OUT.filter((name) => refs.some(({ from, to }) => from === name && names.includes(to)));
  for (const name of [...depending, ...names.toReversed()]) await trx(name).delete();
}

async function load(
  trx: Knex.Transaction,
  table: ArchivedTable,
  archive: Archive,
  mode: RestoreReport['mode'],
  onRows: (rows: number) => void,
): Promise<RestoreReport['tables'][number]> {
  let [inArchive, added] = [0, 0];
  const insert = async (lines: readonly string[], blobs?: ReadonlyMap<string, Buffer>) => {
    const values = table.columns.map((column) => (blobs?.has(column) ? '?::bytea' : '??')).join(', ');
    const columns = table.columns.map(() => '??').join(', ');
    try {
      const { rowCount } = (await trx.raw(
        `insert into ?? (${columns}) overriding system value
         select ${values} from jsonb_populate_recordset(null::??, ?::jsonb)
         ${mode === 'merge' ? 'on conflict do nothing' : ''}`,
        [
          table.name,
          ...table.columns,
          ...table.columns.map((column) => blobs?.get(column) ?? column),
          table.name,
          `[${lines.join(',')}]`,
        ],
      )) as unknown as { rowCount: number };
      inArchive += lines.length;
      added += rowCount;
    } catch (error) {
      throw refuse(`${table.name} cannot be taken in: ${(error as Error).message.split(' - ').at(-1)}`);
    }
    onRows(inArchive);
  };
  let batch: string[] = [];
  let length = 0;
  const flush = async () => {
    if (batch.length > 0) await insert(batch);
    batch = [];
    length = 0;
  };
  for await (const line of archive.lines(table.name)) {
    const named = blobsIn(table, line);
    if (named) {
      const blobs = new Map<string, Buffer>();
      for (const [column, sha256] of named.blobs) blobs.set(column, await archive.blob(sha256));
      await insert([named.line], blobs);
      continue;
    }
    batch.push(line);
    length += line.length;
    if (batch.length >= ROWS_AT_A_TIME || length > BYTES_AT_A_TIME) await flush();
  }
  await flush();
  return { table: table.name, inArchive, added, kept: inArchive - added };
}

/** A line that names values in files of their own: those, and the line without them. */
function blobsIn({ binaries }: ArchivedTable, line: string) {
  if (binaries.length === 0 || !line.includes('"blob"')) return undefined;
  const row = JSON.parse(line) as Record<string, unknown>;
  const blobs: [column: string, sha256: string][] = [];
  for (const column of binaries) {
    const value = row[column];
    if (!isBlobReference(value)) continue;
    blobs.push([column, value.blob]);
    row[column] = null;
  }
  return blobs.length === 0 ? undefined : { blobs, line: JSON.stringify(row) };
}

/** Numbers that are given out go on after the highest that came in. */
async function countOn(trx: Knex.Transaction, { name, counters }: ArchivedTable): Promise<void> {
  for (const column of counters)
    await trx.raw(`select setval(pg_get_serial_sequence(?, ?), coalesce((select max(??) from ??), 0) + 1, false)`, [
      name,
      column,
      column,
      name,
    ]);
}
