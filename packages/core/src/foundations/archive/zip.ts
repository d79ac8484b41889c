import { Unzip, UnzipInflate, unzipSync, zipSync } from 'fflate';
import { FileError } from '../input/FileError.ts';
import { LIMITS } from '../input/limits.ts';

const megabytes = (bytes: number) => Math.round(bytes / 1e6);

/** Names in an archive, as its directory lists them. @throws FileError broken, or too many entries */
export function zipEntryNames(bytes: Uint8Array): string[] {
  const names: string[] = [];
  try {
    unzipSync(bytes, {
      filter: ({ name }) => {
        names.push(name);
        return false;
      },
    });
  } catch (error) {
    throw new FileError(`The archive is broken: ${(error as Error).message}.`);
  }
  if (names.length > LIMITS.archiveEntries) {
    throw new FileError(`The archive holds ${names.length} files; at most ${LIMITS.archiveEntries} are read.`);
  }
  return names;
}

/**
 * Unpacks while counting, and stops as soon as the limit is passed: what the directory says about sizes is not believed.
 * Only the entries `wanted` are kept.
 * @throws FileError broken, or larger than the limit when unpacked
 */
export function unpack(bytes: Uint8Array, wanted: (name: string) => boolean = () => true): Map<string, Uint8Array> {
  zipEntryNames(bytes);
  const files = new Map<string, Uint8Array>();
  let total = 0;
  const unzip = new Unzip((file) => {
    const chunks: Uint8Array[] = [];
    file.ondata = (error, chunk, final) => {
      if (error) throw new FileError(`The archive is broken: ${error.message}.`);
      total += chunk.length;
      if (total > LIMITS.unpackedBytes) {
        throw new FileError(
          `The archive unpacks to more than ${megabytes(LIMITS.unpackedBytes)} MB. A library is some megabytes: this is not one, or it is an attack.`,
        );
      }
      if (wanted(file.name)) chunks.push(chunk);
      if (final && wanted(file.name)) files.set(file.name, joined(chunks));
    };
    file.start();
  });
  unzip.register(UnzipInflate);
  // In pieces, so that an entry that swells is stopped after the piece that swells it.
  try {
    for (let from = 0; from < bytes.length; from += PIECE) {
      unzip.push(bytes.subarray(from, from + PIECE), from + PIECE >= bytes.length);
    }
  } catch (error) {
    if (error instanceof FileError) throw error;
    throw new FileError(`The archive is broken: ${(error as Error).message}.`);
  }
  return files;
}
const PIECE = 65_536;

/**
 * The same archive, with nothing in it but what was counted when it was unpacked: a library that goes by the archive's directory can be led
 * by it to what lies hidden within other entries.
 * @throws FileError as `unpack`
 */
export const repacked = (bytes: Uint8Array, wanted: (name: string) => boolean): Uint8Array =>
  zipSync(Object.fromEntries(unpack(bytes, wanted)), { level: 0 });

function joined(chunks: readonly Uint8Array[]): Uint8Array {
  const all = new Uint8Array(chunks.reduce((sum, chunk) => sum + chunk.length, 0));
  let at = 0;
  for (const chunk of chunks) {
    all.set(chunk, at);
    at += chunk.length;
  }
  return all;
}
