import { randomUUID } from 'node:crypto';
import { lampArm } from '@anvilstone/core/education/sample';
import type { Part, Problem, RecordedChange } from '@anvilstone/schema';
import request from 'supertest';
import { testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.close());
const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;
const titled = (title: string) => ({ brief: { ...lampArm, title } });
const send = (key: string, body: object) =>
  request(server.app).post('/api/v1/parts').set('Idempotency-Key', key).send(body);
const countOf = async (title: string) =>
  json<Part[]>(await request(server.app).get('/api/v1/parts')).filter(({ brief }) => brief.title === title).length;

test('sent again with its key, a part is made once and answered the same', async () => {
  const key = randomUUID();
  const first = await send(key, titled('Once')).expect(201);
  const second = await send(key, titled('Once')).expect(201);
  expect(second.text).toBe(first.text);
  expect([first.headers['idempotent-replay'], second.headers['idempotent-replay']]).toEqual([undefined, 'yes']);
  expect(second.headers.location).toBe(first.headers.location);
  expect(await countOf('Once')).toBe(1);
  await send(randomUUID(), titled('Once')).expect(201);
  expect(await countOf('Once')).toBe(2);
});

test('ten at once with one key make one', async () => {
  const key = randomUUID();
  const answers = await Promise.all(Array.from({ length: 10 }, () => send(key, titled('Ten at once')).expect(201)));
  expect(new Set(answers.map(({ text }) => json<Part>({ text }).id)).size).toBe(1);
  expect(await countOf('Ten at once')).toBe(1);
});

test('a key of another request is refused, and so is one that is none', async () => {
  const key = randomUUID();
  await send(key, titled('Mine')).expect(201);
  expect(json<Problem>(await send(key, titled('Another')).expect(422)).type).toMatch('key-used');
  await send('x', titled('Another')).expect(422);
  expect(await countOf('Another')).toBe(0);
});

test('what was refused leaves the key free, and nothing behind', async () => {
  const key = randomUUID();
  await send(key, { brief: { ...lampArm, title: '' } }).expect(422);
  await send(key, titled('At last')).expect(201);
  expect(await countOf('At last')).toBe(1);
});

test('what fails halfway is done again whole: neither the part nor its answer was kept', async () => {
  const key = randomUUID();
  // The answer cannot be kept: so the part must not be, either.
  await server.db.raw(
    `create function refuse() returns trigger language plpgsql as $$ begin raise exception 'disk full' using errcode = '53100'; end $$;
     create trigger refuse before update on answered_once for each row execute function refuse()`,
  );
  await send(key, titled('Halfway')).expect(503);
  await server.db.raw('drop function refuse() cascade');
  expect(await countOf('Halfway')).toBe(0);
  const changes = json<RecordedChange[]>(await request(server.app).get('/api/v1/changes?most=200'));
  expect(changes.map(({ title }) => title)).not.toContain('Halfway');
  await send(key, titled('Halfway')).expect(201);
  expect(await countOf('Halfway')).toBe(1);
});
