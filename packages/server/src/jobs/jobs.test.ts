import type { Job, RecordsCheck } from '@anvilstone/schema';
import { pino } from 'pino';
import request from 'supertest';
import { FIRST_SCHEMA } from '../db/connection.ts';
import { leasesOf } from '../db/leases.ts';
import { testServer } from '../testServer.ts';
import { JobRefusal, NotMine, type JobContext, type JobKind } from './kinds.ts';
import { jobService } from './service.ts';

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer({ demo: true, records: true, works: true });
}, 180_000);
afterAll(() => server.close());
jest.setTimeout(120_000);

const api = () => request(server.app);
const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
let count = 0;
/** A job of a kind of its own, so that the process under test knows how to do it. */
async function ask(run: JobKind<{ n: number }>['run'], more: Partial<JobKind<{ n: number }>> = {}): Promise<Job> {
  const kind = `kind-${++count}`;
  server.jobs.register({ id: kind, run, ...more });
  return server.jobs.add({ kind, subject: kind, title: `Job ${count}`, input: { n: count } });
}
async function until(id: string, state: Job['state']): Promise<Job> {
  for (let i = 0; i < 400; i++) {
    const job = json<Job>(await api().get(`/api/v1/jobs/${id}`).expect(200));
    if (job.state === state) return job;
    await pause(50);
  }
  throw new Error(`The job did not become ${state}`);
}
const never = ({ signal }: JobContext) =>
  new Promise<void>((_resolve, reject) => signal.addEventListener('abort', () => reject(new NotMine())));

test('is begun, says how far it is, and keeps what came of it and who asked', async () => {
  const asked = await ask(async ({ n }, { report }) => {
    report(0.4, 'at the fourth tenth');
    await pause(700);
    return { twice: 2 * n };
  });
  const seen = await until(asked.id, 'running');
  expect(seen.attempt).toBe(1);
  for (let i = 0; i < 40 && (await server.jobs.get(asked.id)).progress === 0; i++) await pause(20);
  expect(await server.jobs.get(asked.id)).toMatchObject({
    progress: expect.closeTo(0.4) as number,
    line: 'at the fourth tenth',
  });
  expect(await until(asked.id, 'done')).toMatchObject({
    progress: 1,
    line: '',
    failure: null,
    result: { twice: 2 * count },
    who: 'the server',
    worker: 'the test',
  });
  expect(json<Job[]>(await api().get('/api/v1/jobs'))[0]!.id).toBe(asked.id);
});

test('what goes wrong on the server’s side is tried again; what cannot go right is not', async () => {
  let tries = 0;
  const shaky = await ask(() => (++tries < 2 ? Promise.reject(new Error('once')) : Promise.resolve('came right')));
  expect(await until(shaky.id, 'done')).toMatchObject({ attempt: 2, result: 'came right' });
  const told: string[] = [];
  const hopeless = await ask(() => Promise.reject(new JobRefusal('Line 3 is no number')), {
    failed: (_input, failure) => Promise.resolve(void told.push(failure)),
  });
  expect(await until(hopeless.id, 'failed')).toMatchObject({ attempt: 1, failure: 'Line 3 is no number' });
  // It is told once the failure is stored, which may be seen before.
  for (let i = 0; i < 100 && told.length === 0; i++) await pause(20);
  expect(told).toEqual(['Line 3 is no number']);
  await api().post(`/api/v1/jobs/${shaky.id}/retry`).expect(409);
  await api().post(`/api/v1/jobs/${hopeless.id}/cancel`).expect(409);
  expect(json<Job>(await api().post(`/api/v1/jobs/${hopeless.id}/retry`).expect(200))).toMatchObject({ attempt: 0 });
  await until(hopeless.id, 'failed');
});

test('is cancelled while it is done and while it waits, and begun again by hand', async () => {
  const seen: string[] = [];
  const job = await ask((_input, context) => never(context), {
    cancelled: () => Promise.resolve(void seen.push('cancelled')),
    again: () => Promise.resolve(void seen.push('again')),
  });
  await until(job.id, 'running');
  expect(json<Job>(await api().post(`/api/v1/jobs/${job.id}/cancel`).expect(200)).state).toBe('cancelled');
  await server.jobs.idle();
  await api().post(`/api/v1/jobs/${job.id}/retry`).expect(200);
  await until(job.id, 'running');
  await api().post(`/api/v1/jobs/${job.id}/cancel`).expect(200);
  expect(seen).toEqual(['cancelled', 'again', 'cancelled']);
});

test('about one thing there is one open job, and a message that comes twice does it once', async () => {
  let runs = 0;
  const job = await ask(async () => {
    runs += 1;
    await pause(200);
  });
  const { kind, title } = job;
  const same = await server.jobs.add({ kind, subject: kind, title, input: { n: 0 } });
  expect(same.id).toBe(job.id);
  await Promise.all([server.jobs.perform(job.id), server.jobs.perform(job.id)]);
  await until(job.id, 'done');
  await server.jobs.perform(job.id);
  expect(runs).toBe(1);
  expect((await server.jobs.add({ kind, subject: kind, title, input: { n: 0 } })).id).not.toBe(job.id);
});

test('a process that says nothing any more loses its job to another, and may not write what came of it', async () => {
  const { db, shared } = server;
  let wrote = 0;
  const place = { schemaName: FIRST_SCHEMA, queue: shared.queue };
  const times = { beatS: 0.2, silentS: 1, unbegunS: 60 };
  const slow = jobService(db, pino({ level: 'silent' }), { ...place, worker: 'one that hangs' }, times);
  const kind: JobKind<null> = {
    id: 'fenced',
    run: (_input, { holdOn }) =>
      db.transaction(async (trx) => {
        await pause(100);
        await holdOn(trx);
        wrote += 1;
      }),
  };
  let letGo = () => {};
  const hangs = new Promise<void>((resolve) => (letGo = resolve));
  slow.register<null>({
    id: 'fenced',
    run: async (_input, context) => {
      await hangs;
      await kind.run(null as never, context);
    },
  });
  // Known to the other process only later: until then nobody but the one that hangs can begin it.
  const job = await db.transaction(async (trx) => {
    const [row] = (await trx('jobs')
      .insert({ kind: 'fenced', subject: 'fenced', title: 'Fenced', input: 'null', actor: '{"name":"x"}' })
      .returning('id')) as { id: string }[];
    return row!;
  });
  const done = slow.perform(job.id);
  await until(job.id, 'running');
  await slow.sweep();
  expect((await slow.get(job.id)).state).toBe('running');
  // Its heartbeat stops, as when its machine stands still.
  await db.raw(`update jobs set beat_at = now() - interval '1 hour' where id = ?`, [job.id]);
  server.jobs.register(kind);
  await slow.sweep();
  expect(await until(job.id, 'done')).toMatchObject({ attempt: 2, worker: 'the test' });
  letGo();
  await done;
  expect(wrote).toBe(1);
});

test('stopped in the middle it is put back for another process, and the try does not count', async () => {
  const { db, shared } = server;
  const leaving = jobService(db, pino({ level: 'silent' }), {
    schemaName: FIRST_SCHEMA,
    queue: shared.queue,
    worker: 'one that leaves',
  });
  leaving.register<null>({ id: 'handed-over', run: (_input, context) => never(context) });
  const [row] = (await db('jobs')
    .insert({ kind: 'handed-over', subject: 'handed-over', title: 'x', input: 'null', actor: '{"name":"x"}' })
    .returning('id')) as { id: string }[];
  void leaving.perform(row!.id);
  await until(row!.id, 'running');
  server.jobs.register<null>({ id: 'handed-over', run: () => Promise.resolve('done by another') });
  await leaving.stop();
  expect(await until(row!.id, 'done')).toMatchObject({ attempt: 1, worker: 'the test', result: 'done by another' });
});

test('every frozen record is computed again, and one that was changed underneath is named', async () => {
  const check = async () => {
    const asked = json<Job>(await api().post('/api/v1/decisions/check').expect(202));
    return (await until(asked.id, 'done')).result as RecordsCheck;
  };
  const whole = await check();
  expect(whole.differing).toEqual([]);
  expect(whole.checked).toBeGreaterThan(2);
  // What only somebody with the database’s own rights can do.
  await server.db.raw('alter table decisions disable trigger user');
  await server.db.raw(
    `update decisions set frozen = jsonb_set(frozen, '{brief,loadCases,0,forceN}', '1') where id =
       (select id from decisions order by decided_at limit 1)`,
  );
  const tampered = await check();
  expect(tampered.differing).toHaveLength(1);
  expect(tampered.differing[0]!.differences.join()).toMatch(/digest/);
});

test('a lease is one process’s until it ends or is given back', async () => {
  const [one, other] = ['one', 'other'].map((holder) => leasesOf(server.installation, holder)) as [
    ReturnType<typeof leasesOf>,
    ReturnType<typeof leasesOf>,
  ];
  expect(await one.take('the rig', 30)).toBe(true);
  expect(await one.take('the rig', 30)).toBe(true);
  expect(await other.take('the rig', 30)).toBe(false);
  await other.free('the rig');
  expect(await other.take('the rig', 30)).toBe(false);
  await one.free('the rig');
  expect(await other.take('the rig', 0.2)).toBe(true);
  await pause(400);
  expect(await one.take('the rig', 30)).toBe(true);
});
