import { createHash } from 'node:crypto';
import { Readable, type Writable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { ENGINE_VERSION } from '@anvilstone/core/evaluation';
import type { Knex } from 'knex';
import { ZipFile } from 'yazl';
import { installationKey } from '../../decisions/installationKey.ts';
import { archivedTables, shapeOf, type ArchivedTable } from '../tables.ts';
import {
  ARCHIVE_FORMAT,
  blobFile,
  fileOf,
  INLINE_BYTES,
  MANIFEST,
  MOST_ARCHIVE_BYTES,
  type ArchiveManifest,
} from './format.ts';

/** So many bytes are fetched at a time; a first few rows tell how large they are. */
const BYTES_AT_A_TIME = 1_000_000;
const FIRST_ROWS = 8;
const MOST_ROWS = 2000;
/** Level 6 of deflate: level 9 takes three times as long for two per cent. */
const LEVEL = 6;
/** Nothing in an archive says when it was made: the same workshop gives the same bytes. */
const SAME_FOR_ALL = { mtime: new Date(1980, 0, 1), mode: 0o100600, forceDosTimestamp: true };

export interface WriteOptions {
  withKey: boolean;
  signal?: AbortSignal;
  /** How far it is, 0 … 1, and at what. */
  report?: (progress: number, line: string) => void;
}

/**
 * The whole workshop as a zip: one file of JSON lines a table in the order of its key, photos and other large values as files of their
 * own, and a manifest with a digest of each table. Read within one snapshot, so that what is written meanwhile is either wholly in it or
 * not at all. It goes to `sink` as it is made: memory does not grow with it.
 * @throws AbortError when the signal was given; whatever the sink throws
 */
export async function writeArchive(db: Knex, sink: Writable, options: WriteOptions): Promise<ArchiveManifest> {
  const { withKey, signal } = options;
  // Made now if none has been needed yet: records that are sealed after the restore are then this installation’s too.
  if (withKey) await installationKey(db);
  const entries = zipInto(sink, signal);
  try {
    const manifest = await db.transaction((trx) => addTables(trx, entries, options), {
      isolationLevel: 'repeatable read',
      readOnly: true,
    });
    await entries.add(MANIFEST, [Buffer.from(`${JSON.stringify(manifest, null, 2)}\n`)], true);
    await entries.end();
    return manifest;
  } catch (error) {
    throw await entries.abandon(error as Error);
  }
}

interface Entries {
  /** Resolves when all of it has been asked for: what comes after it may be read then. */
  add(name: string, chunks: AsyncIterable<Buffer> | Iterable<Buffer>, compress: boolean): Promise<void>;
  /** Resolves when the sink has everything. */
  end(): Promise<void>;
  /** Lets go of the sink. Resolves to what went wrong first. */
  abandon(error: Error): Promise<Error>;
}

/** Entries of a zip, one after the other, as fast as the sink takes them. */
function zipInto(sink: Writable, signal: AbortSignal | undefined): Entries {
  const zip = new ZipFile();
  const out = zip.outputStream as Readable;
  zip.on('error', (error: Error) => out.destroy(error));
  let current: Readable | undefined;
  let broken: Error | undefined;
  const written = pipeline(out, limited, sink, ...(signal ? [{ signal }] : [])).catch((error: Error) => {
    broken = error;
    // Nobody asks for the rest of it any more.
    current?.destroy(error);
  });
  return {
    add(name, chunks, compress) {
      const stream = Readable.from(chunks, { objectMode: false, highWaterMark: BYTES_AT_A_TIME });
      current = stream;
      return new Promise((resolve, reject) => {
        if (broken) return reject(broken);
        stream.once('end', resolve);
        stream.once('error', reject);
        zip.addReadStream(stream, name, {
          ...SAME_FOR_ALL,
          compress,
          ...(compress ? { compressionLevel: LEVEL } : {}),
        });
      });
    },
    async end() {
      zip.end();
      await written;
      if (broken) throw broken;
    },
    async abandon(error) {
      out.destroy(error);
      await written;
      return broken ?? error;
    },
  };
}

async function* limited(chunks: AsyncIterable<Buffer>): AsyncGenerator<Buffer> {
  let bytes = 0;
  for await (const chunk of chunks) {
    bytes += chunk.length;
    if (bytes > MOST_ARCHIVE_BYTES) throw new Error(`It is larger than ${MOST_ARCHIVE_BYTES / 1e9} GB`);
    yield chunk;
  }
}

async function addTables(trx: Knex.Transaction, entries: Entries, { withKey, report }: WriteOptions) {
  // Moments are written as UTC, whatever the server is set to.
  await trx.raw(`set local timezone = 'UTC'`);
  const tables = await archivedTables(trx, withKey);
  const sizes = await sizesOf(trx, tables);
  const whole = sizes.reduce((sum, size) => sum + size, 0) || 1;
  const files: ArchiveManifest['files'] = [];
  const blobs = new Set<string>();
  let before = 0;
  for (const [i, table] of tables.entries()) {
    report?.(before / whole, table.name);
    const found: Blob[] = [];
    const lines = linesOf(trx, table, found);
    await entries.add(fileOf(table.name), lines.chunks(), true);
    files.push({ name: fileOf(table.name), table: table.name, ...lines.sum() });
    let done = 0;
    for (const blob of found) {
      if (!blobs.has(blob.sha256)) await entries.add(blobFile(blob.sha256), slices(trx, table, blob), false);
      blobs.add(blob.sha256);
      done += blob.bytes;
      report?.(Math.min(1, (before + Math.min(done, sizes[i]!)) / whole), table.name);
    }
    before += sizes[i]!;
  }
  return {
    format: ARCHIVE_FORMAT,
    shape: await shapeOf(trx),
    engineVersion: ENGINE_VERSION,
    holdsKey: withKey,
    files,
  } satisfies ArchiveManifest;
}

/** A value that stands in a file of its own, and where it is. */
interface Blob {
  sha256: string;
  bytes: number;
  column: string;
  key: readonly unknown[];
}

/** Lines of a table, a megabyte at a time, the large values in them named; these are added to `found`. */
function linesOf(trx: Knex.Transaction, table: ArchivedTable, found: Blob[]) {
  const digest = createHash('sha256');
  let [rows, bytes] = [0, 0];
  const isLarge = (column: string) => trx.raw('octet_length(??) > ?', [column, INLINE_BYTES]).toQuery();
  const named = (column: string) =>
    trx.raw(
      `case when ${isLarge(column)} then jsonb_build_object('blob', encode(sha256(??), 'hex')) else to_jsonb(??) end`,
      [column, column],
    );
  const valueOf = (column: string) =>
    (table.binaries.includes(column) ? named(column) : trx.raw('??', [column])).toQuery();
  const blobsOf = table.binaries.map((column) =>
    trx
      .raw(
        `case when ${isLarge(column)} then jsonb_build_object('sha256', encode(sha256(??), 'hex'), 'bytes', octet_length(??), 'column', ?::text, 'key', jsonb_build_array(${table.key.map(() => '??::text').join(', ')})) end`,
        [column, column, column, ...table.key],
      )
      .toQuery(),
  );
  async function* chunks(): AsyncGenerator<Buffer> {
    let next = FIRST_ROWS;
    const line = `jsonb_build_object(${table.columns.map((column) => `'${column}', ${valueOf(column)}`).join(', ')})::text`;
    const blobs = blobsOf.length === 0 ? 'null' : `jsonb_build_array(${blobsOf.join(', ')})`;
    // A cursor: a library of thousands, or years of readings, never stand in memory at once.
    await trx.raw(
      `declare archive_rows no scroll cursor for select ${line} as line, ${blobs} as blobs from ?? order by ${table.key.map(() => '??').join(', ')}`,
      [table.name, ...table.key],
    );
    for (;;) {
      const { rows: batch } = await trx.raw<{ rows: { line: string; blobs: (Blob | null)[] | null }[] }>(
        `fetch ${next} from archive_rows`,
      );
      if (batch.length === 0) break;
      const chunk = Buffer.from(batch.map(({ line: text }) => `${text}\n`).join(''));
      for (const { blobs: own } of batch) found.push(...(own ?? []).filter((one) => one !== null));
      digest.update(chunk);
      rows += batch.length;
      bytes += chunk.length;
      yield chunk;
      next = Math.min(MOST_ROWS, Math.max(1, Math.floor((BYTES_AT_A_TIME * batch.length) / chunk.length)));
    }
    await trx.raw('close archive_rows');
  }
  return { chunks, sum: () => ({ rows, bytes, sha256: digest.digest('hex') }) };
}

/** A large value, a megabyte at a time. */
async function* slices(
  trx: Knex.Transaction,
  table: ArchivedTable,
  { bytes, column, key }: Blob,
): AsyncGenerator<Buffer> {
  const where = table.key.map(() => '?? = ?').join(' and ');
  for (let from = 0; from < bytes; from += BYTES_AT_A_TIME) {
    const { rows } = await trx.raw<{ rows: { slice: Buffer }[] }>(
      `select substring(?? from ? for ?) as slice from ?? where ${where}`,
      [column, from + 1, BYTES_AT_A_TIME, table.name, ...table.key.flatMap((name, i) => [name, key[i]])] as never,
    );
    yield rows[0]!.slice;
  }
}

async function sizesOf(trx: Knex.Transaction, tables: readonly ArchivedTable[]): Promise<number[]> {
  const { rows } = await trx.raw<{ rows: { bytes: string }[] }>(
    `select pg_total_relation_size(to_regclass(quote_ident(name))) as bytes from unnest(?::text[]) with ordinality as t (name, place) order by place`,
    [tables.map(({ name }) => name)],
  );
  return rows.map(({ bytes }) => Number(bytes));
}
