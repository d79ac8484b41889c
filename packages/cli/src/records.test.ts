import { mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { newPrivateKey, sealOf, inputsOfChoice } from '@anvilstone/core/decisions';
import { lampArm, sampleLibrary } from '@anvilstone/core/education/sample';
import { ENGINE_VERSION } from '@anvilstone/core/evaluation';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import type { Decision, DecisionFile, Problem } from '@anvilstone/schema';
import { main } from './main.ts';

async function run(args: string[], files: Record<string, Uint8Array> = {}) {
  const [out, errors]: [string[], string[]] = [[], []];
  const read = (path: string) =>
    path in files ? Promise.resolve(Buffer.from(files[path]!)) : Promise.reject(new Error('no such file'));
  const code = await main(args, {
    readFile: async (path) => (await read(path)).toString('utf8'),
    readBytes: read,
    writeFile: (path, contents) => {
      files[path] = typeof contents === 'string' ? Buffer.from(contents) : contents;
      return Promise.resolve();
    },
    out: (text) => out.push(text),
    error: (text) => errors.push(text),
  });
  return { code, out: out.join('\n'), detail: errors[0] ? (JSON.parse(errors[0]) as Problem).detail : '' };
}

describe('verify', () => {
  const grades = sampleLibrary.grades.filter(({ id }) => ['tm-asa', 'ne-petg'].includes(id));
  const { machines } = sampleLibrary;
  const decision = JSON.parse(
    JSON.stringify({
      format: 'anvilstone-decision/2',
      id: '0a7c1d00-0000-4000-8000-0000000000aa',
      number: 1,
      partId: '0a7c1d00-0000-4000-8000-000000000003',
      partRevision: 1,
      decidedAt: '2026-09-14T09:30:00.000Z',
      decidedBy: 'Tester',
      gradeId: 'tm-asa',
      orientation: 'XZ',
      reasons: 'Stands the sun.',
      openRisks: '',
      engineVersion: ENGINE_VERSION,
      brief: lampArm,
      rules: defaultCompanyRules,
      machines,
      ...inputsOfChoice(lampArm, { grades, machines }, defaultCompanyRules, {
        gradeId: 'tm-asa',
        orientation: 'XZ',
        schoolId: 'cheapest-that-passes',
        limits: '',
        notes: [],
        testsDone: [],
      }),
    }),
  ) as Decision;
  const file: DecisionFile = {
    format: 'anvilstone-decision-record/1',
    decision,
    signOffs: [],
    seal: sealOf(decision, [], newPrivateKey()),
  };
  const bytes = (document: unknown) => Buffer.from(JSON.stringify(document));
  test('an untouched record: intact, exit 0, and whose key to ask for', async () => {
    const { code, out } = await run(['verify', 'r.json'], { 'r.json': bytes(file) });
    expect(code).toBe(0);
    expect(out).toMatch(/^Intact\n[^]*every number agrees[^]*Key ([0-9A-F]{4}-){5}/);
  });
  test('a changed one: exit 1, in words and as JSON', async () => {
    const forged = { ...file, decision: { ...decision, decidedBy: 'Somebody else' } };
    const { code, out } = await run(['verify', 'r.json', '--json'], { 'r.json': bytes(forged) });
    expect(code).toBe(1);
    expect(JSON.parse(out)).toMatchObject({ verdict: 'tampered', differences: [] });
  });
  test('anything else is told apart', async () => {
    expect((await run(['verify', 'r.json'], { 'r.json': bytes({}) })).out).toMatch(/^No decision record/);
    expect((await run(['verify'])).detail).toMatch(/name one/);
  });
});

describe('backup and restore', () => {
  let server: Server;
  let address: string;
  let folder: string;
  let looks = 0;
  const at = (name: string) => join(folder, name);
  const asked: { url: string; bytes: number }[] = [];
  const result = { tables: [{ table: 'parts', inArchive: 3, added: 1, kept: 2 }] };
  beforeAll(async () => {
    folder = await mkdtemp(join(tmpdir(), 'anvilstone-cli-'));
    await Promise.all(['archive', 'bad', 'bent'].map((text) => writeFile(at(`${text}.zip`), text)));
    server = createServer((req, res) => {
      const chunks: Buffer[] = [];
      req.on('data', (chunk: Buffer) => chunks.push(chunk));
      req.on('end', () => {
        asked.push({ url: req.url!, bytes: Buffer.concat(chunks).length });
        if (req.url === '/api/v1/jobs/broken-off')
          return res.end(
            JSON.stringify({ id: 'broken-off', state: 'failed', failure: 'It does not agree with its digest.' }),
          );
        // Not done at the first look.
        if (req.url === '/api/v1/jobs/j')
          return res.end(JSON.stringify({ id: 'j', state: looks++ === 0 ? 'running' : 'done', result }));
        if (req.url === '/cut/api/v1/workshop/archive.zip?key=with') {
          res.write('PK-half');
          return setTimeout(() => res.destroy(), 20);
        }
        if (req.method === 'GET') return res.end('PK-archive');
        res.statusCode = 202;
        if (Buffer.concat(chunks).toString() === 'bent')
          return res.end(JSON.stringify({ id: 'broken-off', state: 'waiting' }));
        if (chunks.length > 0 && Buffer.concat(chunks).toString() === 'bad') {
          res.statusCode = 422;
          return res.end(JSON.stringify({ detail: 'It was changed or is damaged.' }));
        }
        return res.end(JSON.stringify({ id: 'j', state: 'waiting' }));
      });
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    address = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  });
  afterAll(async () => {
    await new Promise((resolve) => server.close(resolve));
    await rm(folder, { recursive: true, force: true });
  });

  test('a backup is written as it came, with the key unless asked otherwise', async () => {
    const { code, out } = await run(['backup', '--out', at('b.zip'), '--server', address]);
    expect(code).toBe(0);
    expect(await readFile(at('b.zip'), 'utf8')).toBe('PK-archive');
    expect(out).toMatch(/keep it private/);
    await run(['backup', '--out', at('b.zip'), '--without-key', '--server', address]);
    expect(asked.map(({ url }) => url)).toEqual([
      '/api/v1/workshop/archive.zip?key=with',
      '/api/v1/workshop/archive.zip',
    ]);
  });
  test('one that is cut off on its way is none, and what was there stays', async () => {
    const cut = await run(['backup', '--out', at('archive.zip'), '--server', `${address}/cut`]);
    expect(cut.code).toBe(1);
    expect(cut.detail).toMatch(/archive\.zip was not written/);
    expect(await readFile(at('archive.zip'), 'utf8')).toBe('archive');
    expect(await readdir(folder)).not.toContain('archive.zip.part');
  });
  test('a restore says how, waits for it, and says what became of it', async () => {
    const restore = (name: string, ...how: string[]) => run(['restore', at(name), ...how, '--server', address]);
    const { out } = await restore('archive.zip', '--merge');
    expect(out).toMatch(/parts\s+1 taken in, 2 there already/);
    expect(asked).toContainEqual({ url: '/api/v1/workshop/archive?mode=merge', bytes: 7 });
    expect(looks).toBe(2);
    await restore('archive.zip', '--replace');
    expect(asked.map(({ url }) => url)).toContain('/api/v1/workshop/archive?mode=replace&confirm=replace%20everything');
    expect((await restore('archive.zip')).detail).toMatch(/--replace .* or --merge/);
    expect((await restore('bad.zip', '--merge')).detail).toMatch(/damaged/);
    expect((await restore('bent.zip', '--merge')).detail).toBe('It does not agree with its digest.');
    expect((await restore('none.zip', '--merge')).detail).toMatch(/cannot be read/);
  });
  test('nobody at the address, and no address', async () => {
    expect((await run(['backup', '--out', at('n.zip'), '--server', 'http://127.0.0.1:1'])).detail).toMatch(
      /nobody answers at/,
    );
    expect((await run(['backup', '--out', at('n.zip'), '--server', 'here'])).detail).toMatch(/no address/);
  });
});
