import { gzipSync } from 'node:zlib';
import type { Part, Problem, Session, Workspace } from '@anvilstone/schema';
import request, { type Test } from 'supertest';
import { testServer } from '../testServer.ts';
import { strangerLimit } from './attempts.ts';
import { listening, makeTeam, PASSWORD } from './testTeam.ts';

let server: Awaited<ReturnType<typeof testServer>>;
let at: Awaited<ReturnType<typeof listening>>;
let team: Awaited<ReturnType<typeof makeTeam>>;
let part: Part;
let viewerToken: string;
let elsewhere: { cookie: string; token: string };
let closed: string;
let expired: string;
const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;

beforeAll(async () => {
  server = await testServer({ demo: true });
  at = await listening(server.app);
  const [{ id }] = json<[Part]>(await request(at.origin).get('/api/v1/parts').expect(200));
  part = json<Part>(await request(at.origin).get(`/api/v1/parts/${id}`).expect(200));
  team = await makeTeam(at.origin);
  viewerToken = await team.token('viewer', 'administrator');

  await team
    .ask('post', '/api/v1/workspaces', team.cookies.administrator)
    .send({ slug: 'annex', title: 'Annex' })
    .expect(201);
  const { cookie } = await team.invite('cyd', 'administrator', '/w/annex');
  const made = await team
    .ask('post', '/w/annex/api/v1/account/tokens', cookie)
    .send({ title: 'theirs', mostRole: 'administrator', days: 1 })
    .expect(201);
  elsewhere = { cookie, token: json<{ secret: string }>(made).secret };

  const left = await team.invite('dee', 'administrator');
  closed = left.cookie;
  await team.ask('put', `/api/v1/members/${left.id}`, team.cookies.administrator).send({ isClosed: true }).expect(200);
  const old = await team.invite('eve', 'administrator');
  expired = old.cookie;
  await server.installation('credentials').where({ account_id: old.id }).update({ expires_at: '2020-01-01T00:00:00Z' });
});
afterAll(async () => {
  await at.close();
  await server.close();
});

type Knock = (method: 'get' | 'put' | 'post' | 'delete', path: string) => Test;
const plain: Knock = (method, path) => request(at.origin)[method](path);
const by =
  (headers: () => Record<string, string>): Knock =>
  (method, path) =>
    plain(method, path).set(headers());

/** Who comes, and what they are told; nobody of them may see or change anything of the first workspace. */
const STRANGERS: [who: string, knock: Knock, told: number][] = [
  ['without a cookie', plain, 401],
  [
    'with a made-up cookie',
    by(() => ({ Cookie: 'anvilstone=AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA', Origin: at.origin })),
    401,
  ],
  ['with a session that ran out', by(() => ({ Cookie: expired, Origin: at.origin })), 401],
  ['with a closed account’s session', by(() => ({ Cookie: closed, Origin: at.origin })), 401],
  ['with a token for a cookie', by(() => ({ Cookie: `anvilstone=${viewerToken}`, Origin: at.origin })), 401],
  [
    'with a cookie for a token',
    by(() => ({ Authorization: `Bearer ${team.cookies.administrator.split('=')[1]}` })),
    401,
  ],
  ['from another workspace', by(() => ({ Cookie: elsewhere.cookie, Origin: at.origin })), 404],
  ['with another workspace’s token', by(() => ({ Authorization: `Bearer ${elsewhere.token}` })), 404],
  ['under a forged host', by(() => ({ Cookie: team.cookies.administrator, Host: 'filament.example' })), 421],
  [
    'from a forged origin',
    by(() => ({ Cookie: team.cookies.administrator, Origin: 'https://elsewhere.example' })),
    403,
  ],
  ['from a page without an origin', by(() => ({ Cookie: team.cookies.administrator, Origin: 'null' })), 403],
];
const DOORS: ['get' | 'put' | 'post' | 'delete', () => string, object?][] = [
  ['get', () => '/api/v1/parts'],
  ['get', () => `/api/v1/parts/${part.id}`],
  ['get', () => '/w/workshop/api/v1/parts'],
  ['get', () => '/api/v1/search?q=lamp'],
  ['get', () => '/api/v1/workshop/archive.zip?key=with'],
  ['get', () => '/api/v1/members'],
  ['get', () => '/api/v1/changes'],
  ['get', () => '/api/openapi.json'],
  ['put', () => `/api/v1/parts/${part.id}`, { revision: 1 }],
  ['post', () => '/api/v1/workshop/archive?mode=replace&confirm=replace%20everything', {}],
  ['delete', () => `/api/v1/parts/${part.id}?revision=1`],
];

test.each(STRANGERS)('a stranger %s gets nothing', async (_who, knock, told) => {
  for (const [method, path, body] of DOORS) {
    const response = await knock(method, path()).send(body);
    expect([method, path(), response.status]).toEqual([method, path(), told]);
    expect(response.text).not.toMatch(/lamp|cableway|PETG/i);
  }
  const still = json<Part>(await team.ask('get', `/api/v1/parts/${part.id}`, team.cookies.viewer).expect(200));
  expect(still).toEqual(part);
});

test('a stolen viewer’s token reads and can change nothing, whatever it was asked to allow', async () => {
  const asThief = by(() => ({ Authorization: `Bearer ${viewerToken}` }));
  await asThief('get', `/api/v1/parts/${part.id}`).expect(200);
  const wrong = await asThief('put', `/api/v1/parts/${part.id}`).send({
    brief: { ...part.brief, title: 'Mine' },
    revision: part.revision,
  });
  expect([wrong.status, json<Problem>(wrong).detail]).toEqual([
    403,
    'You are a viewer here; this takes an engineer. Nothing was changed.',
  ]);
  await asThief('post', '/api/v1/account/tokens')
    .send({ title: 'more', mostRole: 'administrator', days: 1 })
    .expect(403);
  await asThief('get', '/api/v1/workshop/archive.zip').expect(403);
});

test('a calendar program comes in by a token in the address, to calendars only', async () => {
  const calendar = await plain('get', `/api/v1/service/inspections.ics?key=${viewerToken}`).expect(200);
  expect(calendar.headers['content-type']).toMatch('text/calendar');
  await plain('get', '/api/v1/service/inspections.ics').expect(401);
  await plain('get', '/api/v1/service/inspections.ics?key=nobody').expect(401);
  await plain('get', `/api/v1/service/inspections.ics?key=${elsewhere.token}`).expect(404);
  await plain('get', `/api/v1/parts?key=${viewerToken}`).expect(401);
  await plain('delete', `/api/v1/parts/${part.id}.ics?key=${viewerToken}`).expect(401);
});

test('a write with a cookie has to name its page', async () => {
  const blind = plain('put', `/api/v1/parts/${part.id}`).set('Cookie', team.cookies.administrator);
  expect(json<Problem>(await blind.send({ brief: part.brief, revision: part.revision }).expect(403)).type).toMatch(
    'foreign-origin',
  );
});

test('workspaces see nothing of each other', async () => {
  const annex = (path: string) => team.ask('get', `/w/annex/api/v1${path}`, elsewhere.cookie);
  expect(json(await annex('/parts').expect(200))).toEqual([]);
  await annex(`/parts/${part.id}`).expect(404);
  expect(json(await annex('/search?q=lamp').expect(200))).toMatchObject([]);
  const made = await team
    .ask('post', '/w/annex/api/v1/parts', elsewhere.cookie)
    .send({ brief: { ...part.brief, title: 'Only in the annex' } })
    .expect(201);
  const here = json<Part[]>(await team.ask('get', '/api/v1/parts', team.cookies.administrator).expect(200));
  expect(here.map(({ brief }) => brief.title)).not.toContain('Only in the annex');
  await team.ask('get', `/api/v1/parts/${json<Part>(made).id}`, team.cookies.administrator).expect(404);
  // One who belongs to both sees each under its own address.
  await team.ask('get', `/w/annex/api/v1/parts/${json<Part>(made).id}`, team.cookies.administrator).expect(200);
  const session = json<Session>(await annex('/session').expect(200));
  expect(session.workspaces).toEqual([{ slug: 'annex', title: 'Annex', role: 'administrator' }] satisfies Workspace[]);
  // Nor is anybody told that there are others.
  const known = await team.ask('get', '/api/v1/parts', elsewhere.cookie).expect(404);
  const unknown = await team.ask('get', '/w/nowhere/api/v1/parts', elsewhere.cookie).expect(404);
  expect(known.text).toBe(unknown.text);
});

test('wrong passwords are soon refused, and a right one with them; other names go on', async () => {
  const tryIt = (signIn: string, password: string) => team.ask('post', '/api/v1/session').send({ signIn, password });
  const slow = await tryIt('nobody-of-this-name', 'x').expect(401);
  for (let i = 0; i < 6; i++) expect((await tryIt('viewer-1', `wrong ${i}`).expect(401)).text).toBe(slow.text);
  expect(json<Problem>(await tryIt('viewer-1', PASSWORD).expect(429)).detail).toMatch(/15 minutes/);
  await tryIt('engineer-1', PASSWORD).expect(204);
});

test('passwords tried all at once are counted like those tried one by one', async () => {
  const tries = Array.from({ length: 24 }, (_, i) =>
    team.ask('post', '/api/v1/session').send({ signIn: 'approver-1', password: `guess ${i}` }),
  );
  const told = (await Promise.all(tries)).map(({ status }) => status);
  expect(told.filter((status) => status === 401)).toHaveLength(6);
  expect(told.filter((status) => status === 429)).toHaveLength(18);
});

test('nobody can be left out by the last who looks after it, and a password change signs out elsewhere', async () => {
  const [ada] = json<{ id: string; signIn: string }[]>(
    await team.ask('get', '/api/v1/members?all=yes', team.cookies.administrator).expect(200),
  ).filter(({ signIn }) => signIn === 'ada');
  await team
    .ask('put', `/api/v1/members/${ada!.id}`, team.cookies.administrator)
    .send({ isInstallationAdmin: false })
    .expect(409);
  const other = team.cookieOf(
    await team.ask('post', '/api/v1/session').send({ signIn: 'ada', password: PASSWORD }).expect(204),
  );
  const change = { password: { now: PASSWORD, next: 'a longer and newer one' } };
  await team
    .ask('put', '/api/v1/account', other)
    .send({ password: { ...change.password, now: 'not it' } })
    .expect(422);
  await team.ask('put', '/api/v1/account', other).send(change).expect(204);
  await team.ask('get', '/api/v1/parts', other).expect(200);
  await team.ask('get', '/api/v1/parts', team.cookies.administrator).expect(401);
});

test('nobody signs a decision in another’s name', async () => {
  const asked = { kind: 'signed', by: 'Ada Brook', role: 'Lead', statement: 'Looked at.', limits: 'Indoors.' };
  const decisionDigest = 'a'.repeat(64);
  const path = '/api/v1/decisions/00000000-0000-4000-8000-000000000000/sign-offs';
  const sign = (by: string) => team.ask('post', path, team.cookies.approver).send({ ...asked, by, decisionDigest });
  expect(json<Problem>(await sign('Ada Brook').expect(422)).errors).toMatchObject([
    { pointer: '/by', accepted: 'approver-1 of the tests' },
  ]);
  // In their own, only the decision is missing.
  await sign('approver-1 of the tests').expect(404);
});

test('what is kept and logged lets nobody in', async () => {
  const secret = team.cookies.engineer.split('=')[1]!;
  const everything = JSON.stringify([
    await server.installation('credentials').select('*'),
    await server.installation('accounts').select('*'),
    await server.installation('house_events').select('*'),
  ]);
  expect(everything).not.toContain(secret);
  expect(everything).not.toContain(PASSWORD);
  expect(everything).toContain('$argon2id$');
});

describe('a server that others can reach', () => {
  let far: Awaited<ReturnType<typeof testServer>>;
  beforeAll(async () => {
    far = await testServer({ demo: true, address: 'https://filament.example' });
  });
  afterAll(() => far.close());
  const ask = (method: 'get' | 'post', path: string) =>
    request(far.app)[method](path).set({ Host: 'filament.example', Origin: 'https://filament.example' });

  test('asks for the code that it printed before it takes the first account, and sends the cookie by https only', async () => {
    expect(json<Session>(await ask('get', '/api/v1/session').expect(200))).toMatchObject({
      state: 'first-account',
      needsSetupCode: true,
    });
    await ask('get', '/api/v1/parts').expect(401);
    const { accountService } = await import('./service.ts');
    const stale = await accountService(far.installation).newSetupCode();
    const setupCode = await accountService(far.installation).newSetupCode();
    const me = { signIn: 'ada', name: 'Ada Brook', password: PASSWORD };
    for (const wrong of [me, { ...me, setupCode: 'guess' }, { ...me, setupCode: stale }])
      expect(
        json<Problem>(await ask('post', '/api/v1/accounts/first').send(wrong).expect(422)).errors![0]!.pointer,
      ).toBe('/setupCode');
    const made = await ask('post', '/api/v1/accounts/first')
      .send({ ...me, setupCode })
      .expect(204);
    expect(made.headers['set-cookie']).toEqual([
      expect.stringMatching(/^__Host-anvilstone=\S+; Max-Age=\d+; Path=\/; HttpOnly; Secure; SameSite=Strict$/),
    ]);
    expect(made.headers['strict-transport-security']).toMatch(/max-age/);
    await ask('post', '/api/v1/accounts/first')
      .send({ ...me, signIn: 'bob', setupCode })
      .expect(409);
  });
  test('does not answer to any other name', async () => {
    await request(far.app).get('/api/v1/session').set('Host', 'elsewhere.example').expect(421);
    await request(far.app)
      .get('/api/v1/session')
      .set({ Host: 'filament.example', Origin: 'http://filament.example' })
      .expect(403);
  });
});

test('a stranger who asks again and again is told to wait, and nobody else is', async () => {
  const limit = strangerLimit(3);
  for (let i = 0; i < 3; i++) await limit('10.0.0.9');
  await expect(limit('10.0.0.9')).rejects.toMatchObject({ status: 429 });
  await expect(limit('10.0.0.10')).resolves.toBeUndefined();
});

describe('a body from somebody who is not known', () => {
  const signIn = () =>
    plain('post', '/api/v1/session').set('Origin', at.origin).set('Content-Type', 'application/json');
  test('is not unpacked: kilobytes would become megabytes', async () => {
    const packed = gzipSync(JSON.stringify({ signIn: 'a'.repeat(4_000_000), password: 'b' }));
    expect(packed.length).toBeLessThan(5000);
    await signIn().set('Content-Encoding', 'gzip').send(packed).expect(415);
  });
  test('is no longer than a name and a password need', async () => {
    await signIn()
      .send(JSON.stringify({ signIn: 'a'.repeat(20_000), password: 'b' }))
      .expect(413);
  });
});
