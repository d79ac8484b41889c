import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { execFile } from 'node:child_process';
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import { promisify } from 'node:util';
import { mkdtemp, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Writable } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import type { DecisionSummary, Job } from '@anvilstone/schema';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { pino } from 'pino';
import request from 'supertest';
import { testServer } from '../testServer.ts';
import { receivedFiles } from '../http/receiveFile.ts';
import type { ArchiveManifest } from './archive/format.ts';
import { writeArchive } from './archive/write.ts';
import { backupService } from './backups.ts';
import { restoreArchive, type RestoreReport } from './restore.ts';
import { archivedTables } from './tables.ts';

type Server = Awaited<ReturnType<typeof testServer>>;
// Decisions are frozen and computed again, each some seconds where all cores are busy.
jest.setTimeout(120_000);

const PHOTO = Buffer.from(Array.from({ length: 2_300_001 }, (_, i) => (i * 31 + (i >> 8)) % 256));
let here: Server;
let fresh: Server;
let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'anvilstone-archives-'));
  here = await testServer({ demo: true, records: true });
  fresh = await testServer();
  // A photo, bytes of every value: what is not text has to come back too.
  await here.db.raw(`insert into finding_photos (id, finding_id, at, document, content)
    select '0a7c1d00-0000-4000-8000-0000000000f1', id, '2026-03-01T10:20:30.123456Z', '{"name":"ä \\" \\\\ .png"}', decode('000102ff0a0d80', 'hex')
    from service_findings order by id limit 1`);
  // Large ones have files of their own: two alike one file.
  for (const id of [2, 3])
    await here.db.raw(
      `insert into finding_photos (id, finding_id, at, document, content)
       select ?, id, '2026-03-01T10:20:30Z', '{"name":"large"}', ?::bytea from service_findings order by id limit 1`,
      [`0a7c1d00-0000-4000-8000-0000000000f${id}`, PHOTO],
    );
  // What was decided is worked out anew, which takes a while where all cores are busy.
}, 180_000);
afterAll(async () => {
  await here.close();
  await fresh.close();
  await rm(folder, { recursive: true, force: true });
});

const DECISION_EXPORTS = ['json', 'csv', 'html'];
const exportsOf = async (server: Server): Promise<string[]> => {
  const get = async (path: string) => (await request(server.app).get(path).expect(200)).text;
  const decisions = JSON.parse(await get('/api/v1/decisions')) as DecisionSummary[];
  const records = await Promise.all(
    decisions.flatMap(({ id }) => DECISION_EXPORTS.map((kind) => get(`/api/v1/decisions/${id}/export.${kind}`))),
  );
  const lists = [
    'parts',
    'library',
    'machines',
    'spools',
    'campaigns',
    'installations',
    'service-findings',
    'company-rules',
  ];
  return [...records, ...(await Promise.all(lists.map((path) => get(`/api/v1/${path}`))))];
};
const post = (server: Server, query: string, zip: Buffer) =>
  request(server.app).post(`/api/v1/workshop/archive${query}`).set('Content-Type', 'application/zip').send(zip);

async function archiveOf(server: Server, withKey = true): Promise<{ zip: Buffer; manifest: ArchiveManifest }> {
  const chunks: Buffer[] = [];
  const sink = new Writable({
    write(chunk: Buffer, _encoding, done) {
      chunks.push(chunk);
      done();
    },
  });
  const manifest = await writeArchive(server.db, sink, { withKey });
  return { zip: Buffer.concat(chunks), manifest };
}
async function restored(server: Server, zip: Buffer): Promise<RestoreReport> {
  const path = join(folder, 'restored.zip');
  await writeFile(path, zip);
  return restoreArchive(server.db, path, { mode: 'replace' });
}
/** The job that takes it in, when it is over. */
async function ended(server: Server, { text }: { text: string }): Promise<Job> {
  const { id } = JSON.parse(text) as Job;
  for (;;) {
    await server.jobs.idle();
    const job = await server.jobs.get(id);
    if (job.state !== 'waiting' && job.state !== 'running') return job;
  }
}

/** The same archive with one file of it changed; `seal`: its digest made to agree again. */
function changed(zip: Buffer, name: string, change: (text: string) => string, seal = false): Buffer {
  const files = unzipSync(zip);
  files[name] = strToU8(change(strFromU8(files[name]!)));
  if (seal) {
    const manifest = JSON.parse(strFromU8(files['manifest.json']!)) as ArchiveManifest;
    const listed = manifest.files.find((one) => one.name === name)!;
    listed.sha256 = createHash('sha256').update(files[name]).digest('hex');
    listed.bytes = files[name].length;
    files['manifest.json'] = strToU8(JSON.stringify(manifest));
  }
  return Buffer.from(zipSync(files));
}

test('a backup put back into an empty database gives identical exports, and the identical backup', async () => {
  const { zip, manifest } = await archiveOf(here);
  expect(manifest.files.find(({ table }) => table === 'decisions')!.rows).toBe(4);
  const report = await restored(fresh, zip);
  expect(report.tables.every(({ inArchive, added }) => inArchive === added)).toBe(true);
  expect((await archiveOf(fresh)).zip.equals(zip)).toBe(true);
  expect(await exportsOf(fresh)).toEqual(await exportsOf(here));
});

test('by the command line: backup of one installation, restore into another', async () => {
  const folder = await mkdtemp(join(tmpdir(), 'anvilstone-cli-backup-'));
  const [a, b] = [here.app.listen(0, '127.0.0.1'), fresh.app.listen(0, '127.0.0.1')];
  await Promise.all([once(a, 'listening'), once(b, 'listening')]);
  const address = (server: typeof a) => `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const cli = (...args: string[]) =>
    promisify(execFile)('node', [join(import.meta.dirname, '../../../cli/bin/anvilstone.mjs'), ...args]);
  try {
    const file = join(folder, 'b.zip');
    await cli('backup', '--out', file, '--server', address(a));
    const { stdout } = await cli('restore', file, '--replace', '--server', address(b));
    expect(stdout).toMatch(/decisions\s+4 taken in/);
    expect(await exportsOf(fresh)).toEqual(await exportsOf(here));
  } finally {
    a.close();
    b.close();
    await rm(folder, { recursive: true, force: true });
  }
});

test('numbers go on after the highest that came back', async () => {
  await restored(fresh, (await archiveOf(here)).zip);
  const part = JSON.parse(
    (await request(fresh.app).get('/api/v1/parts/0a7c1d00-0000-4000-8000-000000000003')).text,
  ) as { revision: number };
  const made = await request(fresh.app)
    .post('/api/v1/parts/0a7c1d00-0000-4000-8000-000000000003/decisions')
    .send({
      partRevision: part.revision,
      gradeId: 'tm-asa',
      orientation: 'XZ',
      reasons: 'Still the one for the sun.',
      openRisks: '',
      decidedBy: 'A. Tester',
    })
    .expect(201);
  expect((JSON.parse(made.text) as { number: number }).number).toBe(5);
});

test('every table of the database is in it, but those that are named as left out', async () => {
  const names = (await archivedTables(here.db, true)).map(({ name }) => name);
  const { rows } = await here.db.raw<{ rows: { table_name: string }[] }>(
    `select table_name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE'`,
  );
  const left = rows.map(({ table_name }) => table_name).filter((name) => !names.includes(name));
  expect(left.sort()).toEqual([
    'answered_once',
    'imports',
    'jobs',
    'knex_migrations',
    'knex_migrations_lock',
    'trial_runs',
  ]);
});

describe('an archive to be given away', () => {
  test('holds everything but the key', async () => {
    const reply = await request(here.app)
      .get('/api/v1/workshop/archive.zip')
      .buffer(true)
      .parse((res, done) => {
        const chunks: Buffer[] = [];
        res.on('data', (chunk: Buffer) => chunks.push(chunk));
        res.on('end', () => done(null, Buffer.concat(chunks)));
      })
      .expect(200);
    const files = unzipSync(reply.body as Buffer);
    const { private_key } = (await here.db('installation_keys').first()) as { private_key: string };
    expect(Object.keys(files)).not.toContain('tables/installation_keys.ndjson');
    expect(Object.values(files).some((one) => strFromU8(one).includes(private_key))).toBe(false);
  });
  test('merged: what is here stays, what is not is added, once', async () => {
    const other = await testServer({ demo: true });
    try {
      await other.db.raw(
        `update parts set brief = jsonb_set(brief, '{title}', '"Ours"') where id = '0a7c1d00-0000-4000-8000-000000000002'`,
      );
      const { zip } = await archiveOf(here, false);
      const merged = async () =>
        (await ended(other, await post(other, '?mode=merge', zip).expect(202))).result as RestoreReport;
      const first = await merged();
      const of = (table: string) => first.tables.find((one) => one.table === table)!;
      expect(of('parts')).toMatchObject({ inArchive: 11, added: 0, kept: 11 });
      expect(of('decisions')).toMatchObject({ added: 4 });
      expect(of('service_findings').added).toBeGreaterThan(5);
      const again = await merged();
      expect(again.tables.every(({ added }) => added === 0)).toBe(true);
      const part = await request(other.app).get('/api/v1/parts/0a7c1d00-0000-4000-8000-000000000002');
      expect(part.text).toContain('"Ours"');
    } finally {
      await other.close();
    }
  });
});

describe('what is refused, with nothing changed', () => {
  let zip: Buffer;
  const parts = async () => (await request(fresh.app).get('/api/v1/parts')).text;
  beforeAll(async () => (zip = (await archiveOf(here)).zip));
  const everything = '?mode=replace&confirm=replace everything';
  test.each<[string, () => Buffer, RegExp]>([
    ['no archive', () => Buffer.from('hello'), /no archive that can be unpacked/],
    ['one cut short', () => zip.subarray(0, zip.length / 2), /no archive that can be unpacked/],
    ['another zip', () => Buffer.from(zipSync({ 'a.txt': strToU8('a') })), /no manifest/],
    [
      'one whose file was changed',
      () => changed(zip, 'tables/parts.ndjson', (text) => text.replace('Lamp', 'Damp')),
      /digest/,
    ],
    [
      'one whose file was changed and whose digest was made to fit, where the database knows better',
      () =>
        changed(
          zip,
          'tables/decisions.ndjson',
          (text) => text.replaceAll(/"part_id": *"[^"]+"/g, '"part_id": "0a7c1d00-0000-4000-8000-00000000dead"'),
          true,
        ),
      /decisions cannot be taken in/,
    ],
    [
      'one of a newer version',
      () => changed(zip, 'manifest.json', (text) => text.replace(/"shape": "[^"]+"/, '"shape": "9999-later"')),
      /newer version/,
    ],
    [
      'one with a table that nobody knows',
      () => changed(zip, 'manifest.json', (text) => text.replace('"table": "parts"', '"table": "passwords"')),
      /does not know/,
    ],
  ])('%s', async (_what, make, said) => {
    const before = await parts();
    const answer = await post(fresh, everything, make());
    const why =
      answer.status === 422
        ? (JSON.parse(answer.text) as { detail: string }).detail
        : (await ended(fresh, answer)).failure;
    expect(why).toMatch(said);
    expect(await parts()).toBe(before);
    // The file is gone with it.
    expect(await readdir(receivedFiles())).toEqual([]);
  });
  test('replacing everything without saying so, and a way that is none', async () => {
    await post(fresh, '?mode=replace', zip).expect(422);
    await post(fresh, '?mode=overwrite', zip).expect(422);
  });
});

describe('backups by themselves', () => {
  let folder: string;
  beforeEach(async () => (folder = await mkdtemp(join(tmpdir(), 'anvilstone-backups-'))));
  afterEach(() => rm(folder, { recursive: true, force: true }));
  const silent = pino({ level: 'silent' });
  test('one when it is due, none when the newest is young, the oldest go', async () => {
    const backups = backupService(fresh.db, fresh.jobs, silent, { folder, keep: 2 });
    expect(await backups.isDue(new Date())).toBe(true);
    await backups.make();
    expect(await backups.isDue(new Date())).toBe(false);
    expect(await backups.isDue(new Date(Date.now() + 25 * 3.6e6))).toBe(true);
    expect(await readdir(folder)).toHaveLength(1);
    await backups.make(new Date('2099-01-01T00:00:00Z'));
    await backups.make(new Date('2099-01-02T00:00:00Z'));
    expect((await backups.state()).files.map(({ name }) => name)).toEqual([
      'anvilstone-20990102-000000.zip',
      'anvilstone-20990101-000000.zip',
    ]);
    const kept = await buffer((await backups.read('anvilstone-20990102-000000.zip'))!);
    expect((await archiveOf(fresh)).zip.equals(kept)).toBe(true);
  });
  test('those that somebody asks for push out none that are made by themselves, and put none off', async () => {
    const backups = backupService(fresh.db, fresh.jobs, silent, { folder, keep: 2 });
    await backups.make(new Date('2099-01-01T00:00:00Z'));
    for (let i = 0; i < 12; i++) await backups.make(new Date(Date.UTC(2099, 0, 2, 0, 0, i)), { byHand: true });
    const { files } = await backups.state();
    expect(files.filter(({ byHand }) => byHand)).toHaveLength(10);
    expect(files.filter(({ byHand }) => !byHand)).toHaveLength(1);
    expect(files[0]!.name).toBe('anvilstone-20990102-000011-by-hand.zip');
    const asked = await request(fresh.app).post('/api/v1/workshop/backups');
    expect([202, 409]).toContain(asked.status);
    await rm(join(folder, files.at(-1)!.name));
    expect(await backups.isDue(new Date())).toBe(true);
  });
  test('a clock that was wrong puts nothing off, and what is made after it stays', async () => {
    const backups = backupService(fresh.db, fresh.jobs, silent, { folder, keep: 2 });
    await backups.make(new Date('2099-01-01T00:00:00Z'));
    await backups.make(new Date('2099-01-02T00:00:00Z'));
    expect(await backups.isDue(new Date(Date.now() - 48 * 3.6e6))).toBe(true);
    const { name } = await backups.make(new Date('2026-11-27T06:00:00Z'));
    expect(await readdir(folder)).toContain(name);
    expect(await readdir(folder)).toHaveLength(2);
  });
  test('asked for once at a time, done as a job; what went wrong is told, and leaves no half a file', async () => {
    const blocked = join(folder, 'a-file');
    await writeFile(blocked, '');
    const backups = backupService(fresh.db, fresh.jobs, silent, { folder: join(blocked, 'below') });
    const asked = await backups.ask();
    expect((await backups.ask()).id).toBe(asked.id);
    await fresh.jobs.perform(asked.id);
    expect(await fresh.jobs.get(asked.id)).toMatchObject({ state: 'failed', attempt: 1 });
    await expect(backups.make()).rejects.toThrow();
    expect(await readdir(folder)).toEqual(['a-file']);
    const whole = backupService(fresh.db, fresh.jobs, silent, { folder });
    expect((await whole.state()).trouble).toMatch(/EEXIST|ENOTDIR/);
    await fresh.jobs.perform((await fresh.jobs.retry(asked.id)).id);
    expect(await fresh.jobs.get(asked.id)).toMatchObject({ state: 'done', failure: null });
    expect((await whole.state()).trouble).toBeNull();
    expect(await readdir(folder)).toHaveLength(2);
  });
  test('only backups can be read by name', async () => {
    const backups = backupService(fresh.db, fresh.jobs, silent, { folder });
    expect(await backups.read('../../etc/passwd')).toBeUndefined();
    expect(
      await backupService(fresh.db, fresh.jobs, silent, {}).read('anvilstone-20990102-000000.zip'),
    ).toBeUndefined();
  });
});

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
