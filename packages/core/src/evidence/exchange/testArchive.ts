import { zipSync, type Zippable } from 'fflate';
import { deflateRawSync } from 'node:zlib';

const CENTRAL_HEADER = [0x50, 0x4b, 0x01, 0x02];
const DEFLATED = 8;

/** An archive whose first file unpacks to so many bytes of nought, whatever its directory says of it. Used by tests only. */
export function swellingArchive(name: string, unpackedBytes: number, others: Zippable = {}): Uint8Array {
  const archive = zipSync({ [name]: [deflateRawSync(new Uint8Array(unpackedBytes)), { level: 0 }], ...others });
  // Put in as it is and then said to be deflated: the packer’s own way of making it takes half a minute.
  const central = archive.findIndex((_, at) => CENTRAL_HEADER.every((byte, i) => archive[at + i] === byte));
  archive[8] = DEFLATED;
  archive[central + 10] = DEFLATED;
  return archive;
}
