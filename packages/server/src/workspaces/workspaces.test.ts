import { setTimeout as wait } from 'node:timers/promises';
import type { Brief } from '@anvilstone/schema';
import { lampArm } from '@anvilstone/core/education/sample';
import { pino } from 'pino';
import request from 'supertest';
import { allWorkspaces } from '../accounts/repository.ts';
import { sharedConnections } from '../db/sharedConnections.ts';
import { migrate } from '../db/connection.ts';
import type { WorkspaceRow } from '../http/principal.ts';
import { testServer } from '../testServer.ts';
import { patrol } from './patrol.ts';
import { workspaceRegistry, type OpenWorkspace } from './registry.ts';

// Each workspace has some forty tables made, which takes a while where all cores are busy.
jest.setTimeout(180_000);

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.close());

const api = (slug: string) => ({
  make: () => request(server.app).post('/api/v1/workspaces').send({ slug, title: slug.toUpperCase() }),
  parts: () => request(server.app).get(`/w/${slug}/api/v1/parts`),
  add: (title: string) =>
    request(server.app)
      .post(`/w/${slug}/api/v1/parts`)
      .send({ brief: { ...lampArm, title } satisfies Brief }),
});
const slugs = Array.from({ length: 12 }, (_, i) => `ws-${i}`);
const rowOf = async (slug: string): Promise<WorkspaceRow> =>
  (await allWorkspaces(server.installation)).find((one) => one.slug === slug)!;

/** A right that even its owner can lack for a while: that to make schemas. */
async function may(what: 'grant' | 'revoke'): Promise<void> {
  const { rows } = await server.db.raw<{ rows: { name: string }[] }>('select current_database() as name');
  await server.db.raw(`${what} create on database ?? ${what === 'grant' ? 'to' : 'from'} current_user`, [
    rows[0]!.name,
  ]);
}

describe('a dozen workspaces on six connections', () => {
  beforeAll(async () => {
    await Promise.all(slugs.map((slug) => api(slug).make().expect(201)));
  }, 180_000);

  test('answer all at once, each with its own and never with another’s', async () => {
    await Promise.all(slugs.flatMap((slug) => [1, 2, 3].map((n) => api(slug).add(`${slug} ${n}`).expect(201))));
    const answers = await Promise.all(
      slugs.flatMap((slug) => Array.from({ length: 5 }, async () => ({ slug, text: (await api(slug).parts()).text }))),
    );
    for (const { slug, text } of answers) {
      const titles = (JSON.parse(text) as { brief: Brief }[]).map(({ brief }) => brief.title).sort();
      expect(titles).toEqual([1, 2, 3].map((n) => `${slug} ${n}`));
    }
    expect(server.connections.count()).toBeLessThanOrEqual(6);
  });

  test('are closed when nobody asks, and open again with what was in them', async () => {
    const idle = Date.now() + 3.6e6;
    await server.registry.closeIdle(idle);
    expect(server.registry.has(await rowOf('ws-3'))).toBe(false);
    expect((await api('ws-3').parts().expect(200)).text).toContain('ws-3 2');
    expect(server.registry.has(await rowOf('ws-3'))).toBe(true);
  });

  test('one that cannot be opened says so; the others go on', async () => {
    await server.registry.closeIdle(Date.now() + 3.6e6);
    const { schemaName } = await rowOf('ws-5');
    await server.db.raw('alter schema ?? rename to gone', [schemaName]);
    await may('revoke');
    expect((await api('ws-5').parts()).status).toBeGreaterThanOrEqual(500);
    await api('ws-6').parts().expect(200);
    await may('grant');
    await server.db.raw('alter schema gone rename to ??', [schemaName]);
    await api('ws-5').parts().expect(200);
  });

  test('what goes on by itself in one that is closed is found; a broken one keeps nobody from it', async () => {
    await server.registry.closeIdle(Date.now() + 3.6e6);
    const [broken, busy] = [await rowOf('ws-1'), await rowOf('ws-7')];
    await server.db.raw('alter table ??.trial_runs rename to no_runs', [broken.schemaName]);
    await server.db.raw(
      `insert into ??.jobs (id, kind, subject, title, input, actor) values (gen_random_uuid(), 'nothing', 'x', 'X', 'null', '{"name":"x"}')`,
      [busy.schemaName],
    );
    const looked = patrol({
      installation: server.installation,
      registry: server.registry,
      logger: pino({ level: 'silent' }),
      isDue: () => Promise.resolve(false),
      everyMs: 5,
    });
    for (let i = 0; i < 400 && !server.registry.has(busy); i++) await wait(10);
    await looked.stop();
    expect(server.registry.has(busy)).toBe(true);
    expect(server.registry.has(await rowOf('ws-8'))).toBe(false);
    await server.db.raw('alter table ??.no_runs rename to trial_runs', [broken.schemaName]);
  });
});

test('of one that cannot be made nothing is left, and its name is free', async () => {
  await may('revoke');
  expect((await api('half').make()).status).toBeGreaterThanOrEqual(500);
  await may('grant');
  expect(await rowOf('half')).toBeUndefined();
  const { rows } = await server.db.raw<{ rows: unknown[] }>(
    `select 1 from information_schema.schemata where schema_name like 'ws_half%'`,
  );
  expect(rows).toEqual([]);
  await api('half').make().expect(201);
});

describe('connections that are shared', () => {
  test('see the schema they are lent for, also after one that failed in the middle of something', async () => {
    const shared = sharedConnections(server.url, 1);
    try {
      const [one, other] = [shared.to('share_one', 4), shared.to('share_other', 4)];
      await server.db.raw('create schema share_one; create schema share_other');
      await one.raw('create table mark (name text)');
      await other.raw('create table mark (name text)');
      await one('mark').insert({ name: 'one' });
      await expect(
        other.transaction(async (trx) => {
          await trx('mark').insert({ name: 'lost' });
          throw new Error('given up');
        }),
      ).rejects.toThrow('given up');
      await other('mark').insert({ name: 'other' });
      await Promise.all(
        Array.from({ length: 20 }, async (_, i) =>
          expect(await (i % 2 ? one : other)('mark').pluck('name')).toEqual([i % 2 ? 'one' : 'other']),
        ),
      );
      expect(shared.count()).toBe(1);
    } finally {
      await shared.close();
    }
  });

  test('one workspace cannot take them all', async () => {
    const shared = sharedConnections(server.url, 4);
    try {
      const [greedy, other] = [shared.to('public', 2), shared.to('house', 2)];
      const held = Array.from({ length: 6 }, () => greedy.raw('select pg_sleep(0.5)'));
      const started = performance.now();
      await other.raw('select 1');
      const waited = performance.now() - started;
      await Promise.all(held);
      // Six at two at a time take three times half a second: whoever had to wait for all of them would wait longer than that.
      expect(performance.now() - started).toBeGreaterThan(1200);
      expect(waited).toBeLessThan(1000);
    } finally {
      await shared.close();
    }
  });

  test('many migrations at once hold up none of the connections that they need', async () => {
    const shared = sharedConnections(server.url, 3);
    try {
      await Promise.all(['m_a', 'm_b', 'm_c', 'm_d'].map((schema) => migrate(shared.to(schema, 3))));
      expect(await shared.to('m_d', 1)('parts').count()).toEqual([{ count: '0' }]);
    } finally {
      await shared.close();
    }
  });
});

describe('the registry', () => {
  const workspace = (more: Partial<OpenWorkspace> = {}): OpenWorkspace =>
    ({ isBusy: () => false, close: () => Promise.resolve(), ...more }) as OpenWorkspace;
  const row = (schemaName: string) => ({ schemaName }) as WorkspaceRow;

  test('keeps open what is busy, asked of, or was used lately', async () => {
    const closed: string[] = [];
    const registry = workspaceRegistry(
      (one) =>
        Promise.resolve(
          workspace({
            isBusy: () => one.schemaName === 'busy',
            close: () => Promise.resolve(void closed.push(one.schemaName)),
          }),
        ),
      1000,
    );
    await Promise.all(['busy', 'idle'].map((name) => registry.of(row(name))));
    const { letGo } = await registry.hold(row('held'));
    await registry.closeIdle(Date.now() + 500);
    expect(closed).toEqual([]);
    await registry.closeIdle(Date.now() + 2000);
    expect(closed).toEqual(['idle']);
    letGo();
    await registry.closeIdle(Date.now() + 2000);
    expect(closed).toEqual(['idle', 'held']);
    await registry.close();
    expect(closed).toEqual(['idle', 'held', 'busy']);
  });

  test('tries again what could not be opened', async () => {
    let attempts = 0;
    const registry = workspaceRegistry(() => {
      attempts += 1;
      return attempts === 1 ? Promise.reject(new Error('away')) : Promise.resolve(workspace());
    });
    await expect(registry.hold(row('a'))).rejects.toThrow('away');
    expect(registry.has(row('a'))).toBe(false);
    await registry.of(row('a'));
    expect(await registry.all()).toHaveLength(1);
  });
});
