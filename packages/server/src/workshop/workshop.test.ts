import { createHash } from 'node:crypto';
import { execFile } from 'node:child_process';
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import { promisify } from 'node:util';
import { mkdtemp, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buffer } from 'node:stream/consumers';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { pino } from 'pino';
import request from 'supertest';
import { testServer } from '../testServer.ts';
import { receivedFiles } from '../http/receiveFile.ts';
import type { ArchiveManifest } from './archive/format.ts';
import { backupService } from './backups.ts';
import type { RestoreReport } from './restore.ts';
import { archivedTables } from './tables.ts';
import { archiveOf, ended, exportsOf, post, twoServers, type TwoServers } from './testArchives.ts';

// Decisions are frozen and computed again, each some seconds where all cores are busy.
jest.setTimeout(120_000);

let both: TwoServers;
let here: TwoServers['here'];
let fresh: TwoServers['fresh'];
let restored: TwoServers['restored'];
beforeAll(async () => {
  both = await twoServers();
  ({ here, fresh, restored } = both);
}, 180_000);
afterAll(() => both.close());

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
