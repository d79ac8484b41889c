import { createHash } from 'node:crypto';
import { unzipSync } from 'fflate';
import type { Knex } from 'knex';
import { migrations } from '../db/migrations/index.ts';
import { invalidInput } from '../http/problems.ts';
import { ARCHIVE_FORMAT, MANIFEST, type ArchiveManifest } from './archive.ts';
import { archivedTables, KEY_TABLE, type ArchivedTable } from './tables.ts';

/** More than this unpacked is no workshop of ours, or an attack. */
const MOST_UNPACKED = 3_000_000_000;
const ROWS_AT_A_TIME = 500;
const BYTES_AT_A_TIME = 2_000_000;

export interface RestoreReport {
  mode: 'replace' | 'merge';
  tables: { table: string; inArchive: number; added: number; kept: number }[];
}

interface ReadArchive {
  manifest: ArchiveManifest;
  files: ReadonlyMap<string, Uint8Array>;
}

const refuse = (detail: string, accepted?: string) =>
  invalidInput([{ pointer: '/file', detail, ...(accepted ? { accepted } : {}) }], 'Nothing was changed.');

/**
 * Unpacks an archive and checks every file of it against its digest, before anything is touched.
 * @throws HttpProblem 422: no archive of ours, damaged, changed, or of a newer version
 */
export function readArchive(zip: Uint8Array): ReadArchive {
  let unpacked: Record<string, Uint8Array>;
  let size = 0;
  try {
    unpacked = unzipSync(zip, {
      filter: ({ name, originalSize }) => {
        if (name !== MANIFEST && !/^tables\/[a-z_]+\.ndjson$/.test(name)) return false;
        size += originalSize;
        if (size > MOST_UNPACKED) throw new Error('too large when unpacked');
        return true;
      },
    });
  } catch (error) {
    throw refuse(`It is no archive that can be unpacked: ${(error as Error).message}`, 'an Anvilstone archive (.zip)');
  }
  const manifest = manifestOf(unpacked[MANIFEST]);
  const files = new Map<string, Uint8Array>();
  for (const { name, table, sha256 } of manifest.files) {
    const content = unpacked[name];
    if (!content) throw refuse(`It is damaged: ${name} is missing`);
    if (createHash('sha256').update(content).digest('hex') !== sha256)
      throw refuse(`It was changed or is damaged: ${name} does not agree with its digest`);
    files.set(table, content);
  }
  return { manifest, files };
}

function manifestOf(bytes: Uint8Array | undefined): ArchiveManifest {
  if (!bytes) throw refuse(`It has no ${MANIFEST}`, 'an Anvilstone archive (.zip)');
  let manifest: ArchiveManifest;
  try {
    manifest = JSON.parse(new TextDecoder().decode(bytes)) as ArchiveManifest;
  } catch {
    throw refuse(`Its ${MANIFEST} is not JSON`);
  }
  if ((manifest as Partial<ArchiveManifest> | null)?.format !== ARCHIVE_FORMAT || !Array.isArray(manifest.files))
    throw refuse('Not an archive that this version can read', ARCHIVE_FORMAT);
  if (!migrations.some(({ name }) => name === manifest.shape))
    throw refuse(`It was taken from a newer version (${manifest.shape})`, 'the same version here first');
  return manifest;
}

/**
 * Puts an archive back, all or nothing. `replace`: whatever is here goes first. `merge`: what is not here yet is added; what is here stays as
 * it is, and is counted.
 * @throws HttpProblem 422 as `readArchive`, or a file of it holds what the database refuses
 */
export async function restoreArchive(db: Knex, zip: Uint8Array, mode: RestoreReport['mode']): Promise<RestoreReport> {
  const { manifest, files } = readArchive(zip);
  return db.transaction(async (trx) => {
    await trx.raw(`set local timezone = 'UTC'`);
    // The key goes with a backup that replaces everything, and never with what is merged in.
    const all = await archivedTables(trx, mode === 'replace' && manifest.holdsKey);
    // What is merged into a history of its own becomes part of that one: as added now, by whoever does it.
    const bringsHistory = mode === 'replace' || (await trx('changes').first('id')) === undefined;
    if (bringsHistory) await trx.raw(`set local anvilstone.restoring = 'on'`);
    const unknown = manifest.files.filter(
      ({ table }) => table !== KEY_TABLE && !all.some(({ name }) => name === table),
    );
    if (unknown.length > 0) throw refuse(`It holds what this version does not know: ${unknown[0]!.table}`);
    if (mode === 'replace' && all.length > 0)
      await trx.raw(
        `truncate ${all.map(() => '??').join(', ')} cascade`,
        all.map(({ name }) => name),
      );
    const tables: RestoreReport['tables'] = [];
    for (const table of all) {
      const content = files.get(table.name);
      if (content && (bringsHistory || table.name !== 'changes')) tables.push(await load(trx, table, content, mode));
    }
    for (const table of all) await countOn(trx, table);
    // Every page that is open shows what is no longer there.
    await trx.raw(`select pg_notify('anvilstone', json_build_object('schema', current_schema(), 'kind', '*')::text)`);
    return { mode, tables };
  });
}

async function load(
  trx: Knex.Transaction,
  table: ArchivedTable,
  content: Uint8Array,
  mode: RestoreReport['mode'],
): Promise<RestoreReport['tables'][number]> {
  const columns = table.columns.map(() => '??').join(', ');
  let [inArchive, added] = [0, 0];
  const insert = async (lines: readonly string[]) => {
    try {
      const { rowCount } = (await trx.raw(
        `insert into ?? (${columns}) overriding system value
         select ${columns} from jsonb_populate_recordset(null::??, ?::jsonb)
         ${mode === 'merge' ? 'on conflict do nothing' : ''}`,
        [table.name, ...table.columns, ...table.columns, table.name, `[${lines.join(',')}]`],
      )) as unknown as { rowCount: number };
      inArchive += lines.length;
      added += rowCount;
    } catch (error) {
      throw refuse(`${table.name} cannot be taken in: ${(error as Error).message.split(' - ').at(-1)}`);
    }
  };
  for (const batch of batches(content)) await insert(batch);
  return { table: table.name, inArchive, added, kept: inArchive - added };
}

/** Lines of a file, some hundred at a time, without the whole of it as one string. */
function* batches(content: Uint8Array): Generator<string[]> {
  const decoder = new TextDecoder();
  let lines: string[] = [];
  let [from, first] = [0, 0];
  for (let at = content.indexOf(10); at >= 0; at = content.indexOf(10, from)) {
    if (at > from) lines.push(decoder.decode(content.subarray(from, at)));
    from = at + 1;
    if (lines.length === ROWS_AT_A_TIME || from - first > BYTES_AT_A_TIME) {
      yield lines;
      lines = [];
      first = from;
    }
  }
  if (lines.length > 0) yield lines;
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
