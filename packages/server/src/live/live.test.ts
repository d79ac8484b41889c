import { randomUUID } from 'node:crypto';
import { get } from 'node:http';
import { lampArm } from '@anvilstone/core/education/sample';
import type { LiveEvent, Part, PresentPerson } from '@anvilstone/schema';
import { listening, makeTeam } from '../accounts/testTeam.ts';
import { testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
let at: Awaited<ReturnType<typeof listening>>;
let team: Awaited<ReturnType<typeof makeTeam>>;
const streams: { stop(): void }[] = [];
beforeAll(async () => {
  server = await testServer();
  at = await listening(server.app);
  team = await makeTeam(at.origin);
});
afterAll(async () => {
  for (const { stop } of streams) stop();
  await at.close();
  await server.close();
});
const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;

/** Listens to what is told, as a page does. */
function listen(cookie: string | undefined, prefix = '') {
  const heard: LiveEvent[] = [];
  let status = 0;
  const request = get(
    `${at.origin}${prefix}/api/v1/live`,
    cookie ? { headers: { Cookie: cookie } } : {},
    (response) => {
      status = response.statusCode ?? 0;
      response.setEncoding('utf8');
      let text = '';
      response.on('data', (chunk: string) => {
        text += chunk;
        for (let end = text.indexOf('\n\n'); end >= 0; end = text.indexOf('\n\n')) {
          const [block, rest] = [text.slice(0, end), text.slice(end + 2)];
          text = rest;
          if (block.startsWith('data: ')) heard.push(...(JSON.parse(block.slice(6)) as LiveEvent[]));
        }
      });
      response.on('error', () => undefined);
    },
  );
  request.on('error', () => undefined);
  const one = { heard, status: () => status, stop: () => request.destroy() };
  streams.push(one);
  return one;
}
async function until(what: () => boolean): Promise<void> {
  for (let i = 0; i < 200 && !what(); i++) await new Promise((resolve) => setTimeout(resolve, 25));
  expect(what()).toBe(true);
}

test('a change is told to everybody of the workspace, with who made it on which page; to nobody else', async () => {
  await team
    .ask('post', '/api/v1/workspaces', team.cookies.administrator)
    .send({ slug: 'annex', title: 'Annex' })
    .expect(201);
  const elsewhere = listen(team.cookies.administrator, '/w/annex');
  const viewer = listen(team.cookies.viewer);
  const stranger = listen(undefined);
  const outsider = listen(team.cookies.viewer, '/w/annex');
  await until(() => [viewer, elsewhere].every((one) => one.status() === 200));
  await until(() => stranger.status() === 401 && outsider.status() === 404);

  const tab = randomUUID();
  const made = json<Part>(
    await team
      .ask('post', '/api/v1/parts', team.cookies.engineer)
      .set('Anvilstone-Tab', tab)
      .send({ brief: lampArm })
      .expect(201),
  );
  await until(() => viewer.heard.length > 0);
  expect(viewer.heard).toEqual([{ kind: 'parts', record: made.id, revision: 1, who: 'engineer-1 of the tests', tab }]);
  // Told in the order they were made, so that what comes later proves that nothing came before.
  await team.ask('post', '/w/annex/api/v1/parts', team.cookies.administrator).send({ brief: lampArm }).expect(201);
  await until(() => elsewhere.heard.length > 0);
  expect(elsewhere.heard.map(({ record }) => record)).not.toContain(made.id);
});

test('many changes at once are told as “something”', async () => {
  const viewer = listen(team.cookies.viewer);
  await until(() => viewer.status() === 200);
  const rows = Array.from({ length: 200 }, (_, i) => ({
    id: `spool-${i}`,
    revision: 1,
    document: JSON.stringify({ id: `spool-${i}` }),
  }));
  await server.db('spools').insert(rows);
  await until(() => viewer.heard.length > 0);
  expect(viewer.heard).toEqual([{ kind: '*' }]);
});

test('after the line to the database was cut, anything may have changed, and news goes on', async () => {
  const viewer = listen(team.cookies.viewer);
  await until(() => viewer.status() === 200);
  await server.db.raw(
    `select pg_terminate_backend(pid) from pg_stat_activity where application_name = 'anvilstone live' and datname = current_database()`,
  );
  await until(() => viewer.heard.some(({ kind }) => kind === '*'));
  await team.ask('post', '/api/v1/parts', team.cookies.engineer).send({ brief: lampArm }).expect(201);
  await until(() => viewer.heard.some(({ kind }) => kind === 'parts'));
});

test('who has the same page open is told to each, until they leave or fall silent', async () => {
  const [ada, eng] = [randomUUID(), randomUUID()];
  const say = async (who: 'administrator' | 'engineer', tab: string, place: string) =>
    json<PresentPerson[]>(
      await team.ask('post', '/api/v1/presence', team.cookies[who]).send({ tab, place }).expect(200),
    ).map(({ who: name }) => name);
  expect(await say('administrator', ada, 'part/1')).toEqual([]);
  expect(await say('engineer', eng, 'part/1')).toEqual(['Ada Brook']);
  expect(await say('administrator', ada, 'part/1')).toEqual(['engineer-1 of the tests']);
  expect(await say('engineer', eng, 'part/2')).toEqual([]);
  expect(await say('administrator', ada, 'part/1')).toEqual([]);
  await say('engineer', eng, 'part/1');
  await team.ask('delete', `/api/v1/presence/${eng}`, team.cookies.engineer).expect(204);
  expect(await say('administrator', ada, 'part/1')).toEqual([]);
  await say('engineer', eng, 'part/1');
  await server.installation('presence').where({ tab: eng }).update({ seen_at: '2020-01-01T00:00:00Z' });
  expect(await say('administrator', ada, 'part/1')).toEqual([]);
});
