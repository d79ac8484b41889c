import { Writable } from 'node:stream';
import { listening, makeTeam, PASSWORD } from '../accounts/testTeam.ts';
import { testServer } from '../testServer.ts';
import { makeLogger } from './logger.ts';

function catching() {
  const lines: string[] = [];
  const into = new Writable({
    write(chunk: Buffer, _encoding, done) {
      lines.push(chunk.toString());
      done();
    },
  });
  return { into, text: () => lines.join('') };
}

test('nothing that lets anybody in is in the log: no password, cookie, token, invitation, query or body', async () => {
  const { into, text } = catching();
  const server = await testServer({ logger: makeLogger('trace', into) });
  const exposurePolicy = await listening(server.app);
  try {
    const team = await makeTeam(exposurePolicy.origin);
    const token = await team.token('engineer', 'viewer');
    await team.ask('get', '/api/v1/parts?secret=in-the-query', team.cookies.engineer).expect(200);
    await team.ask('post', '/api/v1/session').send({ signIn: 'ada', password: 'a wrong password' }).expect(401);
    await team.ask('post', '/api/v1/parts', team.cookies.engineer).send({ brief: 'in the body' }).expect(422);
    expect(text()).toContain('/api/v1/parts');
    const secrets = [PASSWORD, 'a wrong password', token, 'in-the-query', 'in the body', '$argon2id'];
    for (const cookie of Object.values(team.cookies)) secrets.push(cookie.split('=')[1]!);
    for (const secret of secrets) expect(text()).not.toContain(secret);
  } finally {
    await exposurePolicy.close();
    await server.close();
  }
}, 60_000);

test('a row that the database refuses is not written into the log with its error', () => {
  const { into, text } = catching();
  const refused = Object.assign(new Error('null value in column "name"'), {
    code: '23502',
    detail: 'Failing row contains (ada, $argon2id$v=19$…).',
  });
  makeLogger('info', into).error({ err: refused }, 'request failed');
  expect(text()).toContain('23502');
  expect(text()).toContain('null value in column');
  expect(text()).not.toContain('argon2id');
});
