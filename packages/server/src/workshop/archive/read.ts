import { createHash } from 'node:crypto';
import { once } from 'node:events';
import type { Readable } from 'node:stream';
import { promisify } from 'node:util';
import { open as openZip, type Entry, type Options, type ZipFile } from 'yauzl';
import { migrations } from '../../db/migrations/index.ts';
import {
  ARCHIVE_FORMAT,
  blobFile,
  FORMATS,
  IS_BLOB,
  IS_TABLE,
  MANIFEST,
  MOST_ARCHIVE_BYTES,
  MOST_LINE_BYTES,
  refuse,
  type ArchiveManifest,
} from './format.ts';

const MOST_MANIFEST_BYTES = 1_000_000;
/** JSON lines of ours come to a tenth or a twentieth of their size; nothing but an attack comes to less than this. */
const MOST_PACKED = 300;
const FEW_BYTES = 10_000_000;
/** Before the name in the head of an entry. */
const HEAD_BYTES = 30;
const NEWLINE = 10;

export interface Archive {
  manifest: ArchiveManifest;
  /**
   * Reads every file of it and compares it with its digest.
   * @throws HttpProblem 422: damaged or changed
   */
  verify(progress?: (share: number) => void, signal?: AbortSignal): Promise<void>;
  /** Lines of a table, none for one that it does not hold. */
  lines(table: string): AsyncGenerator<string>;
  /** @throws HttpProblem 422: it is not in it */
  blob(sha256: string): Promise<Buffer>;
  close(): void;
}

/**
 * Opens an archive where it lies, and reads its list of files and its manifest: cheap, whatever its size.
 * @throws HttpProblem 422: no archive of ours, or of a newer version, or packed to do harm
 */
export async function openArchive(path: string): Promise<Archive> {
  const zip = await opened(path);
  try {
    const entries = await entriesOf(zip);
    const read = promisify(zip.openReadStream.bind(zip)) as (entry: Entry) => Promise<Readable>;
    const manifest = await manifestOf(entries.get(MANIFEST), read);
    for (const { name, bytes } of manifest.files) {
      const entry = entries.get(name);
      if (!entry) throw refuse(`It is damaged: ${name} is missing`);
      if (bytes !== undefined && bytes !== entry.uncompressedSize)
        throw refuse(`It was changed or is damaged: ${name} is not as long as its manifest says`);
    }
    return { manifest, ...reading(zip, entries, manifest, read) };
  } catch (error) {
    zip.close();
    throw error;
  }
}

function reading(
  zip: ZipFile,
  entries: ReadonlyMap<string, Entry>,
  manifest: ArchiveManifest,
  read: (entry: Entry) => Promise<Readable>,
): Omit<Archive, 'manifest'> {
  const listed = new Map(manifest.files.map(({ name, table }) => [table, name]));
  const digests = new Map(manifest.files.map(({ name, sha256 }) => [name, sha256]));
  for (const name of entries.keys()) if (IS_BLOB.test(name)) digests.set(name, name.slice(blobFile('').length));
  const chunksOf = async (entry: Entry): Promise<AsyncIterable<Buffer>> => (await read(entry)) as AsyncIterable<Buffer>;
  return {
    async verify(progress, signal) {
      const whole = [...digests.keys()].reduce((sum, name) => sum + entries.get(name)!.uncompressedSize, 0) || 1;
      let done = 0;
      for (const [name, sha256] of digests) {
        const digest = createHash('sha256');
        try {
          for await (const chunk of await chunksOf(entries.get(name)!)) {
            digest.update(chunk);
            done += chunk.length;
            progress?.(done / whole);
            signal?.throwIfAborted();
          }
        } catch (error) {
          signal?.throwIfAborted();
          throw refuse(`It is damaged: ${name} cannot be unpacked (${(error as Error).message})`);
        }
        if (digest.digest('hex') !== sha256)
          throw refuse(`It was changed or is damaged: ${name} does not agree with its digest`);
      }
    },
    async *lines(table) {
      const entry = entries.get(listed.get(table) ?? '');
      if (entry) yield* linesIn(await chunksOf(entry), table);
    },
    async blob(sha256) {
      const entry = entries.get(blobFile(sha256));
      if (!entry) throw refuse(`It is damaged: ${blobFile(sha256)} is missing`);
      const chunks: Buffer[] = [];
      for await (const chunk of await chunksOf(entry)) chunks.push(chunk);
      return Buffer.concat(chunks);
    },
    close: () => zip.close(),
  };
}

async function opened(path: string): Promise<ZipFile> {
  const options: Options = { lazyEntries: true, autoClose: false, validateEntrySizes: true };
  try {
    return (await promisify<string, Options, ZipFile>(openZip)(path, options)) as ZipFile;
  } catch (error) {
    throw refuse(`It is no archive that can be unpacked: ${(error as Error).message}`, 'an Anvilstone archive (.zip)');
  }
}

/** Its files by name. What is not of ours is left alone; what is packed to do harm is refused before any of it is unpacked. */
async function entriesOf(zip: ZipFile): Promise<Map<string, Entry>> {
  const entries = new Map<string, Entry>();
  let unpacked = 0;
  zip.on('entry', (entry: Entry) => {
    const { fileName, uncompressedSize, compressedSize } = entry;
    if (fileName === MANIFEST || IS_TABLE.test(fileName) || IS_BLOB.test(fileName)) {
      entries.set(fileName, entry);
      unpacked += uncompressedSize;
      if (uncompressedSize > FEW_BYTES && uncompressedSize > MOST_PACKED * compressedSize)
        zip.emit('error', new Error(`${fileName} is packed ${MOST_PACKED} times and more`));
      else if (unpacked > MOST_ARCHIVE_BYTES * 2) zip.emit('error', new Error('it is too large when unpacked'));
    }
    zip.readEntry();
  });
  const ended = once(zip, 'end');
  zip.readEntry();
  try {
    await ended;
  } catch (error) {
    throw refuse(`It is no archive that can be unpacked: ${(error as Error).message}`, 'an Anvilstone archive (.zip)');
  }
  let end = 0;
  for (const entry of [...entries.values()].sort(
    (a, b) => a.relativeOffsetOfLocalHeader - b.relativeOffsetOfLocalHeader,
  )) {
    if (entry.relativeOffsetOfLocalHeader < end)
      throw refuse(`It is no archive that can be unpacked: ${entry.fileName} lies within another file of it`);
    end = entry.relativeOffsetOfLocalHeader + HEAD_BYTES + entry.fileNameLength + entry.compressedSize;
  }
  return entries;
}

async function manifestOf(
  entry: Entry | undefined,
  read: (entry: Entry) => Promise<Readable>,
): Promise<ArchiveManifest> {
  if (!entry) throw refuse(`It has no ${MANIFEST}`, 'an Anvilstone archive (.zip)');
  if (entry.uncompressedSize > MOST_MANIFEST_BYTES) throw refuse(`Its ${MANIFEST} is too long`);
  let manifest: ArchiveManifest;
  try {
    const chunks: Buffer[] = [];
    for await (const chunk of (await read(entry)) as AsyncIterable<Buffer>) chunks.push(chunk);
    manifest = JSON.parse(Buffer.concat(chunks).toString('utf8')) as ArchiveManifest;
  } catch {
    throw refuse(`Its ${MANIFEST} is not JSON`);
  }
  if (
    !FORMATS.includes((manifest as Partial<ArchiveManifest> | null)?.format as never) ||
    !Array.isArray(manifest.files)
  )
    throw refuse('Not an archive that this version can read', ARCHIVE_FORMAT);
  if (!manifest.files.every(({ name }) => IS_TABLE.test(name)))
    throw refuse(`Its ${MANIFEST} names a file that is no table`);
  if (!migrations.some(({ name }) => name === manifest.shape))
    throw refuse(`It was taken from a newer version (${manifest.shape})`, 'the same version here first');
  return manifest;
}

/** Lines, without more of the file in memory than the longest of them. */
async function* linesIn(chunks: AsyncIterable<Buffer>, table: string): AsyncGenerator<string> {
  let rest: Buffer[] = [];
  let length = 0;
  for await (const chunk of chunks) {
    let from = 0;
    for (let at = chunk.indexOf(NEWLINE); at >= 0; at = chunk.indexOf(NEWLINE, from)) {
      const line = rest.length === 0 ? chunk.subarray(from, at) : Buffer.concat([...rest, chunk.subarray(from, at)]);
      if (line.length > 0) yield line.toString('utf8');
      rest = [];
      length = 0;
      from = at + 1;
    }
    if (from < chunk.length) {
      rest.push(chunk.subarray(from));
      length += chunk.length - from;
      if (length > MOST_LINE_BYTES) throw refuse(`${table} holds a line of over ${MOST_LINE_BYTES / 1e6} MB`);
    }
  }
  if (rest.length > 0) yield Buffer.concat(rest).toString('utf8');
}
