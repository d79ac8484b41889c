import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { Writable } from 'node:stream';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import request from 'supertest';
import { restoreArchive } from '../restore.ts';
import { archiveOf, ended, exportsOf, PHOTO, post, twoServers, type TwoServers } from '../testArchives.ts';
import type { ArchiveManifest } from './format.ts';
import { writeArchive } from './write.ts';

// Decisions are frozen and computed again, each some seconds where all cores are busy.
jest.setTimeout(120_000);

let both: TwoServers;
let here: TwoServers['here'];
let fresh: TwoServers['fresh'];
let restored: TwoServers['restored'];
let folder: string;
beforeAll(async () => {
  both = await twoServers();
  ({ here, fresh, restored, folder } = both);
}, 180_000);
afterAll(() => both.close());

/** A zip with one file of our name in it, made of what is given and by the length that it is to claim. */
function packedToHarm(manifest: Partial<ArchiveManifest>, table: Uint8Array): Buffer {
  const name = 'tables/parts.ndjson';
  const sha256 = createHash('sha256').update(table).digest('hex');
  const files = [{ name, table: 'parts', rows: 1, bytes: table.length, sha256 }];
  const text = JSON.stringify({ holdsKey: false, engineVersion: '', files, ...manifest });
  return Buffer.from(zipSync({ 'manifest.json': strToU8(text), [name]: table }, { level: 9 }));
}

describe('an archive that is packed to do harm', () => {
  const check = (zip: Buffer) =>
    request(fresh.app).post('/api/v1/workshop/archive/check').set('Content-Type', 'application/zip').send(zip);
  const refusedBecause = async (zip: Buffer) =>
    (JSON.parse((await check(zip).expect(422)).text) as { detail: string }).detail;

  test('is refused before it is unpacked: of a hundred megabytes of nothing, by its list of files', async () => {
    const { manifest } = await archiveOf(here, false);
    const zip = packedToHarm({ ...manifest, files: undefined } as never, new Uint8Array(100e6));
    expect(zip.length).toBeLessThan(500e3);
    expect(await refusedBecause(zip)).toMatch(/packed 300 times and more/);
  });
  test('one file within another', async () => {
    const { zip } = await archiveOf(here, false);
    const forged = Buffer.from(zip);
    // Entries of its list: signature, and at 42 where the file begins. Every one but the first says that it is where the first is.
    const ENTRY = Buffer.from([0x50, 0x4b, 0x01, 0x02]);
    for (let at = forged.indexOf(ENTRY); at >= 0; at = forged.indexOf(ENTRY, at + 4)) forged.writeUInt32LE(0, at + 42);
    expect(await refusedBecause(forged)).toMatch(/lies within another file|cannot be unpacked/);
  });
  test('a file that is longer than its list says', async () => {
    const { zip } = await archiveOf(here, false);
    const forged = Buffer.from(zip);
    const name = Buffer.from('tables/parts.ndjson');
    const entry = forged.lastIndexOf(name) - 46;
    forged.writeUInt32LE(forged.readUInt32LE(entry + 24) - 1, entry + 24);
    expect(await refusedBecause(forged)).toMatch(/not as long as its manifest says/);
  });
  test('one that names a file elsewhere', async () => {
    const { manifest } = await archiveOf(here, false);
    const files = [{ name: '../../etc/passwd', table: 'parts', rows: 1, sha256: '0'.repeat(64) }];
    expect(await refusedBecause(packedToHarm({ ...manifest, files }, strToU8('{}')))).toMatch(
      /names a file that is no table/,
    );
  });
});

test('an archive of the version before is still taken in: every byte of it in its lines', async () => {
  const { zip } = await archiveOf(here);
  const files = unzipSync(zip);
  const manifest = JSON.parse(strFromU8(files['manifest.json']!)) as ArchiveManifest;
  const old: Record<string, Uint8Array> = {};
  manifest.format = 'anvilstone-workshop/1';
  for (const file of manifest.files) {
    const text = strFromU8(files[file.name]!).replaceAll(/\{"blob": "([0-9a-f]{64})"\}/g, (_, sha: string) =>
      JSON.stringify(`\\x${Buffer.from(files[`blobs/${sha}`]!).toString('hex')}`),
    );
    old[file.name] = strToU8(text);
    file.sha256 = createHash('sha256').update(old[file.name]!).digest('hex');
    delete file.bytes;
  }
  old['manifest.json'] = strToU8(JSON.stringify(manifest));
  await restored(fresh, Buffer.from(zipSync(old)));
  expect((await archiveOf(fresh)).zip.equals(zip)).toBe(true);
});

test('large values are files of their own, as they are, each once', async () => {
  const { zip } = await archiveOf(here);
  const blobs = Object.entries(unzipSync(zip)).filter(([name]) => name.startsWith('blobs/'));
  const sha256 = createHash('sha256').update(PHOTO).digest('hex');
  expect(blobs.filter(([name]) => name === `blobs/${sha256}`)).toHaveLength(1);
  expect(Buffer.from(blobs.find(([name]) => name === `blobs/${sha256}`)![1]).equals(PHOTO)).toBe(true);
  const broken = Buffer.from(zip);
  const at = broken.indexOf(PHOTO.subarray(1_000_000, 1_000_100));
  broken[at] = broken[at]! ^ 1;
  const refused = await ended(fresh, await post(fresh, '?mode=merge', broken).expect(202));
  expect(refused.failure).toMatch(/blobs\/[0-9a-f]+ (does not agree with its digest|cannot be unpacked)/);
});

describe('while it is taken in', () => {
  test('others read what was there before, and it can be stopped: then nothing was changed', async () => {
    const { zip } = await archiveOf(here);
    await restored(fresh, zip);
    const path = join(folder, 'stopped.zip');
    await writeFile(path, zip);
    const abort = new AbortController();
    const seen: number[] = [];
    const before = await exportsOf(fresh);
    await expect(
      restoreArchive(fresh.db, path, {
        mode: 'replace',
        signal: abort.signal,
        report: (share) => seen.push(share),
        async holdOn() {
          // Everything is written, and not yet said to be so.
          expect(await exportsOf(fresh)).toEqual(before);
          abort.abort();
          abort.signal.throwIfAborted();
        },
      }),
    ).rejects.toThrow(/abort/i);
    expect(await exportsOf(fresh)).toEqual(before);
    expect(seen).toEqual([...seen].sort((a, b) => a - b));
    expect(seen.at(-1)).toBeCloseTo(1, 6);
  });
  test('a second one has to wait', async () => {
    const { zip } = await archiveOf(here, false);
    const [one, other] = await Promise.all([post(fresh, '?mode=merge', zip), post(fresh, '?mode=merge', zip)]);
    expect([one.status, other.status].sort()).toEqual([202, 409]);
    await ended(fresh, one.status === 202 ? one : other);
  });
});

test('a sink that breaks lets go of the database, and a backup that is stopped leaves nothing', async () => {
  const sink = new Writable({ write: (_chunk, _encoding, done) => done(new Error('the disk is full')) });
  await expect(writeArchive(here.db, sink, { withKey: false })).rejects.toThrow('the disk is full');
  const abort = new AbortController();
  const path = join(folder, 'stopped');
  await expect(
    writeArchive(here.db, createWriteStream(path), {
      withKey: false,
      signal: abort.signal,
      report: () => abort.abort(),
    }),
  ).rejects.toThrow(/abort/i);
  const { rows } = await here.db.raw<{ rows: unknown[] }>(
    `select 1 from pg_stat_activity where datname = current_database() and state like 'idle in transaction%'`,
  );
  expect(rows).toEqual([]);
});
