import { fork, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { request as ask } from 'node:http';
import { fileURLToPath } from 'node:url';
import type { ImportJob, Job, LiveEvent, Part } from '@anvilstone/schema';
import knex, { type Knex } from 'knex';
import request from 'supertest';

const BUILDING = new URL('../../../scripts/buildServer.mjs', import.meta.url);
const ROOT = fileURLToPath(new URL('../../..', import.meta.url));
const PATIENCE_MS = 60_000;
const ROWS = 8000;

interface Process {
  child: ChildProcess;
  origin: string;
}
const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** Begins a process of its own on the database, as an operator would. */
function begin(role: string, databaseUrl: string, main: string): Promise<Process> {
  const child = fork(main, ['--port', '0'], {
    cwd: ROOT,
    execArgv: [],
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: {
      ...process.env,
      ANVILSTONE_DATABASE_URL: databaseUrl,
      ANVILSTONE_ROLE: role,
      ANVILSTONE_LOG_LEVEL: 'silent',
      ANVILSTONE_JOB_SILENT_SECONDS: '3',
      NODE_OPTIONS: '',
    },
  });
  return new Promise((resolve, reject) => {
    child.once('exit', (code) => reject(new Error(`${role} ended with ${code}`)));
    child.on('message', (said: { ready: boolean; port?: number; message?: string }) =>
      said.ready
        ? resolve({ child, origin: `http://127.0.0.1:${said.port}` })
        : reject(new Error(`${role}: ${said.message}`)),
    );
  });
}

/** What is told to a page that is open at this process. */
function listen(origin: string): { heard: LiveEvent[]; close(): void } {
  const heard: LiveEvent[] = [];
  const open = ask(`${origin}/api/v1/live`, (response) => {
    response.setEncoding('utf8').on('data', (text: string) => {
      for (const [, data] of text.matchAll(/^data: (\[.*\])$/gm)) heard.push(...(JSON.parse(data!) as LiveEvent[]));
    });
    response.on('error', () => undefined);
  });
  open.on('error', () => undefined).end();
  return { heard, close: () => open.destroy() };
}

async function firstPart({ origin }: Process): Promise<Part> {
  const [first] = json<{ id: string }[]>(await request(origin).get('/api/v1/parts').expect(200));
  return json<Part>(await request(origin).get(`/api/v1/parts/${first!.id}`).expect(200));
}

async function until<T>(look: () => Promise<T | undefined>): Promise<T> {
  const end = Date.now() + PATIENCE_MS;
  while (Date.now() < end) {
    const found = await look();
    if (found !== undefined) return found;
    await pause(40);
  }
  throw new Error('It did not come to that');
}

describe('two web and two worker processes on one database', () => {
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  let root: Knex;
  let web: [Process, Process];
  let workers: [Process, Process];
  const running = () => [...(web ?? []), ...(workers ?? [])];

  beforeAll(async () => {
    const admin = process.env.ANVILSTONE_TEST_POSTGRES!;
    root = knex({ client: 'pg', connection: admin });
    await root.raw(`create database ${name}`);
    const url = Object.assign(new URL(admin), { pathname: `/${name}` }).href;
    const { buildServer, builtServer } = (await import(BUILDING.href)) as {
      buildServer(): Promise<void>;
      builtServer: string;
    };
    await buildServer();
    // All at once, on an empty database: one of them makes the tables and brings the sample project.
    const [a, b, c, d] = await Promise.all(
      ['web', 'web', 'worker', 'worker'].map((role) => begin(role, url, builtServer)),
    );
    web = [a!, b!];
    workers = [c!, d!];
  }, 180_000);
  afterAll(async () => {
    for (const { child } of running()) child.kill('SIGKILL');
    await root.raw(`drop database ${name} with (force)`);
    await root.destroy();
  });
  jest.setTimeout(PATIENCE_MS * 2);

  test('each says that it is ready; a worker answers for nothing else', async () => {
    for (const { origin } of running()) await request(origin).get('/ready').expect(200, { status: 'ready' });
    for (const { origin } of workers) await request(origin).get('/api/v1/parts').expect(404);
    for (const { origin } of web)
      expect(json<unknown[]>(await request(origin).get('/api/v1/parts')).length).toBeGreaterThan(8);
  });

  test('what is changed at one is heard at the other, and no edit is lost between them', async () => {
    const [one, other] = web;
    const { heard, close } = listen(other.origin);
    await pause(300);
    let made = await firstPart(one);
    let accepted = 0;
    let refused = 0;
    const edit = async ({ origin }: Process, n: number) => {
      const brief = { ...made.brief, purpose: `${made.brief.purpose.slice(0, 40)} ${n}` };
      const answer = await request(origin).put(`/api/v1/parts/${made.id}`).send({ brief, revision: made.revision });
      if (answer.status === 200) accepted += 1;
      else if (answer.status === 409) refused += 1;
      else throw new Error(`${answer.status} ${answer.text}`);
      return answer;
    };
    const before = made.revision;
    for (let n = 0; n < 15; n++) {
      // Both at once from the same revision: one is taken, the other is told of it.
      await Promise.all(web.map((process, i) => edit(process, 2 * n + i)));
      made = json<Part>(await request(web[n % 2]!.origin).get(`/api/v1/parts/${made.id}`));
    }
    expect([accepted, refused]).toEqual([15, 15]);
    expect(made.revision).toBe(before + accepted);
    await until(() => Promise.resolve(heard.some(({ record }) => record === made.id) ? true : undefined));
    close();
  });

  test('the same request at both is done once', async () => {
    const { brief } = await firstPart(web[0]);
    const key = randomUUID();
    const answers = await Promise.all(
      web.map(({ origin }) =>
        request(origin)
          .post('/api/v1/parts')
          .set('Idempotency-Key', key)
          .send({ brief: { ...brief, title: 'Sent to both' } }),
      ),
    );
    expect(answers.map(({ status }) => status)).toEqual([201, 201]);
    const [a, b] = answers.map((one) => json<Part>(one).id);
    expect(a).toBe(b);
  });

  test('a worker that is killed in the middle of an import loses nothing: the other begins it again, and it goes in once', async () => {
    const lines = Array.from({ length: ROWS }, (_, i) => `Bulk ${i},Made-up Works,PETG,1.27,${40 + (i % 9)}`);
    const file = `Grade,Maker,Family,Density (g/cm³),Tensile strength (MPa)\n${lines.join('\n')}\n`;
    const { id } = json<ImportJob>(
      await request(web[0].origin)
        .post('/api/v1/imports?fileName=bulk.csv')
        .set('Content-Type', 'text/csv')
        .send(file)
        .expect(202),
    );
    await until(async () => {
      const job = json<ImportJob>(await request(web[1].origin).get(`/api/v1/imports/${id}`));
      return job.state === 'ready' ? job : undefined;
    });
    await request(web[1].origin).post(`/api/v1/imports/${id}/commit`).expect(202);
    const writing = await until(async () =>
      json<Job[]>(await request(web[0].origin).get('/api/v1/jobs')).find(
        ({ kind, state }) => kind === 'import-write' && state === 'running',
      ),
    );
    const pid = Number(writing.worker!.split('-').at(-2));
    const killed = workers.find(({ child }) => child.pid === pid)!;
    killed.child.kill('SIGKILL');
    const over = await until(async () => {
      const job = json<Job>(await request(web[1].origin).get(`/api/v1/jobs/${writing.id}`));
      return job.state === 'done' || job.state === 'failed' ? job : undefined;
    });
    expect(over).toMatchObject({ state: 'done', failure: null, attempt: 2 });
    expect(over.worker).not.toBe(writing.worker);
    expect(json<ImportJob>(await request(web[0].origin).get(`/api/v1/imports/${id}`)).state).toBe('done');
    const { total } = json<{ total: number }>(
      await request(web[0].origin).get('/api/v1/grades?maker=Made-up%20Works&limit=1'),
    );
    expect(total).toBe(ROWS);
  });

  test('when a web process is killed the other goes on with what it had taken', async () => {
    web[0].child.kill('SIGKILL');
    const { brief, revision, id } = await firstPart(web[1]);
    await request(web[1].origin).put(`/api/v1/parts/${id}`).send({ brief, revision }).expect(200);
  });
});
