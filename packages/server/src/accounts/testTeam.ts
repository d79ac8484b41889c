import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { ROLES, type Invitation, type NewToken, type Role } from '@anvilstone/schema';
import type { Express } from 'express';
import request from 'supertest';

export const PASSWORD = 'correct horse battery';

/** The app on a port of its own, so that requests can name the page they come from. Used by tests only. */
export async function listening(app: Express) {
  const server = createServer(app);
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const origin = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  return { origin, close: () => new Promise((resolve) => server.close(resolve)) };
}

const cookieOf = (response: { headers: Record<string, unknown> }) =>
  String((response.headers['set-cookie'] as unknown as string[] | undefined)?.[0] ?? '').split(';')[0]!;

/** Someone of every role in the first workspace, each signed in. Used by tests only. */
export async function makeTeam(origin: string) {
  const ask = (method: 'get' | 'post' | 'put' | 'delete', path: string, cookie?: string) => {
    const sent = request(origin)[method](path).set('Origin', origin);
    return cookie ? sent.set('Cookie', cookie) : sent;
  };
  const first = await ask('post', '/api/v1/accounts/first')
    .send({ signIn: 'ada', name: 'Ada Brook', password: PASSWORD })
    .expect(204);
  const cookies = { administrator: cookieOf(first) } as Record<Role, string>;

  async function invite(signIn: string, role: Role, prefix = ''): Promise<{ cookie: string; id: string }> {
    const made = await ask('post', `${prefix}/api/v1/members`, cookies.administrator)
      .send({ signIn, name: `${signIn} of the tests`, role })
      .expect(201);
    const { secret, member } = JSON.parse(made.text) as Invitation;
    const taken = await ask('post', '/api/v1/invitations/accept').send({ secret, password: PASSWORD }).expect(204);
    return { cookie: cookieOf(taken), id: member.id };
  }
  for (const role of ROLES.slice(0, 3)) cookies[role] = (await invite(`${role}-1`, role)).cookie;

  const token = async (role: Role, mostRole: Role, prefix = '') =>
    (
      JSON.parse(
        (
          await ask('post', `${prefix}/api/v1/account/tokens`, cookies[role])
            .send({ title: 'a test', mostRole, days: 7 })
            .expect(201)
        ).text,
      ) as NewToken
    ).secret;
  return { cookies, ask, invite, token, cookieOf };
}
