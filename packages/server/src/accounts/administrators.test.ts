import type { Invitation, Member } from '@anvilstone/schema';
import request from 'supertest';
import { testServer } from '../testServer.ts';
import { accountService } from './service.ts';
import { listening, makeTeam, PASSWORD } from './testTeam.ts';

let server: Awaited<ReturnType<typeof testServer>>;
let at: Awaited<ReturnType<typeof listening>>;
let team: Awaited<ReturnType<typeof makeTeam>>;
beforeAll(async () => {
  server = await testServer();
  at = await listening(server.app);
  team = await makeTeam(at.origin);
});
afterAll(async () => {
  await at.close();
  await server.close();
});

const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;
const change = (id: string, by: string, to: object, prefix = '') =>
  team.ask('put', `${prefix}/api/v1/members/${id}`, by).send(to);
const memberCalled = async (signIn: string) =>
  json<Member[]>(await team.ask('get', '/api/v1/members?all=yes', team.cookies.administrator).expect(200)).find(
    (one) => one.signIn === signIn,
  )!;

describe('somebody is always left who looks after it', () => {
  test('of two who put each other out at the same moment one stays', async () => {
    const ada = await memberCalled('ada');
    const other = await team.invite('other-admin', 'administrator');
    for (let round = 0; round < 6; round++) {
      await server.installation('accounts').whereIn('id', [ada.id, other.id]).update({ runs_house: true });
      const both = await Promise.all([
        change(other.id, team.cookies.administrator, { isInstallationAdmin: false }),
        change(ada.id, other.cookie, { isInstallationAdmin: false }),
      ]);
      expect(both.filter(({ status }) => status === 200).length).toBeLessThanOrEqual(1);
      const left = await server.installation('accounts').where({ runs_house: true }).whereNull('closed_at');
      expect(left).toHaveLength(1);
    }
    await server.installation('accounts').where({ id: ada.id }).update({ runs_house: true });
    await change(other.id, team.cookies.administrator, { isInstallationAdmin: false }).expect(200);
  });

  test('an administrator of a workspace cannot put out whoever administers the installation', async () => {
    const ada = await memberCalled('ada');
    const own = await team.invite('workspace-admin', 'administrator');
    const refused = await change(ada.id, own.cookie, { role: null }).expect(403);
    expect(refused.text).toContain('Ada Brook administers the installation');
    await change(ada.id, own.cookie, { role: 'viewer' }).expect(403);
    expect((await memberCalled('ada')).role).toBe('administrator');
  });

  test('the last administrator of a workspace cannot leave it to nobody', async () => {
    await team.ask('post', '/api/v1/workspaces', team.cookies.administrator).send({ slug: 'lone', title: 'Lone' });
    const ada = await memberCalled('ada');
    const refused = await change(ada.id, team.cookies.administrator, { role: 'viewer' }, '/w/lone').expect(409);
    expect(refused.text).toContain('Somebody has to administer Lone');
    const second = await team.invite('second', 'administrator', '/w/lone');
    await change(ada.id, team.cookies.administrator, { role: null }, '/w/lone').expect(200);
    await change(second.id, second.cookie, { role: null }, '/w/lone').expect(409);
  });

  test('from the machine’s console there is a way back, also for a closed account', async () => {
    const lost = await team.invite('lost', 'viewer');
    await change(lost.id, team.cookies.administrator, { isClosed: true }).expect(200);
    const accounts = accountService(server.installation);
    await expect(accounts.recover('nobody-of-this-name')).rejects.toMatchObject({ status: 404 });
    const secret = await accounts.recover('lost');
    const back = await team.ask('post', '/api/v1/invitations/accept').send({ secret, password: PASSWORD }).expect(204);
    const cookie = team.cookieOf(back);
    const log = json<{ what: string; about: string }[]>(
      await team.ask('get', '/api/v1/account-events', cookie).expect(200),
    );
    expect(log).toContainEqual(
      expect.objectContaining({ what: 'let back in from the machine’s console', about: 'lost' }),
    );
  });
});

describe('what was let in by a password goes with it', () => {
  const made = async (signIn: string) => {
    const { cookie, id } = await team.invite(signIn, 'engineer');
    const token = json<{ secret: string }>(
      await team
        .ask('post', '/api/v1/account/tokens', cookie)
        .send({ title: 'theirs', mostRole: 'engineer', days: 30 })
        .expect(201),
    ).secret;
    const byToken = () => request(at.origin).get('/api/v1/parts').set('Authorization', `Bearer ${token}`);
    await byToken().expect(200);
    return { cookie, id, byToken };
  };

  test('tokens end when it is changed', async () => {
    const { cookie, byToken } = await made('changes-it');
    const password = { now: PASSWORD, next: 'another long password' };
    await team.ask('put', '/api/v1/account', cookie).send({ password }).expect(204);
    await team.ask('get', '/api/v1/parts', cookie).expect(200);
    await byToken().expect(401);
  });

  test('tokens end when it was lost', async () => {
    const { id, byToken } = await made('loses-it');
    const { secret } = json<Invitation>(
      await team.ask('post', `/api/v1/members/${id}/invitation`, team.cookies.administrator).expect(201),
    );
    await byToken().expect(200);
    await team.ask('post', '/api/v1/invitations/accept').send({ secret, password: 'quite another one' }).expect(204);
    await byToken().expect(401);
  });

  test('a session ends when another is begun in its place', async () => {
    const { cookie } = await made('signs-in-again');
    const again = await team
      .ask('post', '/api/v1/session', cookie)
      .send({ signIn: 'signs-in-again', password: PASSWORD })
      .expect(204);
    await team.ask('get', '/api/v1/parts', cookie).expect(401);
    await team.ask('get', '/api/v1/parts', team.cookieOf(again)).expect(200);
  });
});

test('a weak password is refused at its field, and tries of the one in force are counted', async () => {
  const { cookie } = await team.invite('tries-it', 'viewer');
  const tried = (now: string, next: string) =>
    team.ask('put', '/api/v1/account', cookie).send({ password: { now, next } });
  const weak = json<{ errors: object[] }>(await tried(PASSWORD, 'password123456').expect(422));
  expect(weak.errors).toMatchObject([
    { pointer: '/password/next', accepted: 'some words that do not belong together' },
  ]);
  const told: number[] = [];
  for (let i = 0; i < 8; i++) told.push((await tried(`guess ${i}`, 'another long password')).status);
  expect(told.slice(0, 6)).toEqual([422, 422, 422, 422, 422, 422]);
  expect(told.slice(6)).toEqual([429, 429]);
});

test('a token of an administrator changes no accounts', async () => {
  const secret = await team.token('administrator', 'administrator');
  const byToken = (method: 'post' | 'put', path: string, body: object) =>
    request(at.origin)[method](path).set('Authorization', `Bearer ${secret}`).send(body);
  const ada = await memberCalled('ada');
  const refused = await byToken('post', '/api/v1/members', { signIn: 'mallory', name: 'M', role: 'viewer' }).expect(
    403,
  );
  expect(refused.text).toContain('not by tokens');
  await byToken('put', `/api/v1/members/${ada.id}`, { role: 'viewer' }).expect(403);
  await byToken('post', `/api/v1/members/${ada.id}/invitation`, {}).expect(403);
});

test('answers are for whoever asked: nobody between keeps them', async () => {
  const answer = await team.ask('get', '/api/v1/parts', team.cookies.viewer).expect(200);
  expect(answer.headers['cache-control']).toMatch(/no-cache/);
  const file = await team.ask('get', '/api/v1/exports/csv', team.cookies.viewer).expect(200);
  expect(file.headers['cache-control']).toMatch(/private|no-store/);
});
