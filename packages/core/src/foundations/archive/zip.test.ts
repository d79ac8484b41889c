import { strToU8, unzipSync, zipSync } from 'fflate';
import { repacked, unpack } from './zip.ts';

const NOTHING = new Uint8Array(20_000_000);
const ENTRY = [0x50, 0x4b, 0x01, 0x02];
const [COMPRESSED, UNPACKED, METHOD, OFFSET] = [20, 24, 10, 42];

/** A small cover, stored as it is; its directory leads into it, to a file of twenty megabytes that lies within. */
function hidden(): Uint8Array {
  const inner = zipSync({ 'cover.xml': NOTHING });
  const innerSize = inner.length;
  const outer = zipSync({ 'a.xml': strToU8('<a/>'), 'cover.xml': [inner, { level: 0 }] });
  const view = new DataView(outer.buffer, outer.byteOffset, outer.byteLength);
  let at = outer.length - 4;
  // The last entry of the directory is the cover’s.
  while (!ENTRY.every((byte, i) => outer[at + i] === byte)) at -= 1;
  view.setUint16(at + METHOD, 8, true);
  view.setUint32(at + COMPRESSED, innerSize, true);
  view.setUint32(at + UNPACKED, NOTHING.length, true);
  view.setUint32(at + OFFSET, view.getUint32(at + OFFSET, true) + 30 + 'cover.xml'.length, true);
  return outer;
}

test('what lies hidden within another entry is what the directory leads to, and is not handed on', () => {
  const forged = hidden();
  expect(forged.length).toBeLessThan(25_000);
  // A reader that goes by the directory pays for it.
  expect(unzipSync(forged)['cover.xml']).toHaveLength(NOTHING.length);
  const safe = repacked(forged, () => true);
  expect(safe.length).toBeLessThan(25_000);
  const files = unzipSync(safe);
  expect(Object.keys(files)).toEqual(['a.xml', 'cover.xml']);
  expect(files['cover.xml']!.length).toBeLessThan(25_000);
});

test('only what is wanted is in it', () => {
  const safe = repacked(zipSync({ 'a.xml': strToU8('<a/>'), 'b.png': strToU8('b') }), (name) => name.endsWith('.xml'));
  expect([...unpack(safe).keys()]).toEqual(['a.xml']);
});
