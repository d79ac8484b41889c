import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { lampArm, sampleLibrary } from '@anvilstone/core/education/sample';
import { evaluate } from '@anvilstone/core/evaluation';
import type { Decision, DecisionFile, Part, Problem } from '@anvilstone/schema';
import { pino } from 'pino';
import request from 'supertest';
import { createApp } from './app.ts';
import { resetDemo, seedDemoOnce } from './db/seeds/demo.ts';
import { allOperations } from './testOperations.ts';
import { testServer } from './testServer.ts';

// Decisions are frozen and computed again, each some seconds where all cores are busy.
jest.setTimeout(120_000);

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

const api = () => request(server.app);
const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;
const newPart = async () => json<Part>(await api().post('/api/v1/parts').send({ brief: lampArm }).expect(201));
const choice = (part: Part) => ({
  partRevision: part.revision,
  gradeId: 'tm-asa',
  orientation: 'XZ',
  reasons: 'Weathering decides here.',
  openRisks: '',
  decidedBy: 'Tester',
});

describe('parts', () => {
  test('created, read, changed and listed, each change with the next revision', async () => {
    const part = await newPart();
    const changed = { ...part.brief, title: 'Longer arm' };
    const saved = json<Part>(
      await api().put(`/api/v1/parts/${part.id}`).send({ brief: changed, revision: 1 }).expect(200),
    );
    expect(saved).toMatchObject({ revision: 2, brief: { title: 'Longer arm' } });
    expect(json<Part>(await api().get(`/api/v1/parts/${part.id}`))).toEqual(saved);
    const [newest] = json<{ id: string }[]>(await api().get('/api/v1/parts'));
    expect(newest?.id).toBe(part.id);
  });

  test('a stale write is refused with the newer part and changes nothing', async () => {
    const part = await newPart();
    await api()
      .put(`/api/v1/parts/${part.id}`)
      .send({ brief: { ...part.brief, title: 'First' }, revision: 1 });
    const late = await api()
      .put(`/api/v1/parts/${part.id}`)
      .send({ brief: { ...part.brief, title: 'Second' }, revision: 1 });
    expect(late.status).toBe(409);
    expect(late.headers['content-type']).toMatch('application/problem+json');
    expect(json<Problem>(late)).toMatchObject({ current: { revision: 2, brief: { title: 'First' } } });
    expect(json<Part>(await api().get(`/api/v1/parts/${part.id}`)).brief.title).toBe('First');
  });

  test('of ten simultaneous writes from one revision exactly one wins', async () => {
    const part = await newPart();
    const writes = Array.from({ length: 10 }, (_, i) =>
      api()
        .put(`/api/v1/parts/${part.id}`)
        .send({ brief: { ...part.brief, title: `Writer ${i}` }, revision: 1 }),
    );
    const statuses = (await Promise.all(writes)).map((response) => response.status).sort();
    expect(statuses).toEqual([200, ...Array.from({ length: 9 }, () => 409)]);
  });

  test('removed when nothing was decided, kept when something was', async () => {
    const part = await newPart();
    await api().delete(`/api/v1/parts/${part.id}?revision=1`).expect(204);
    await api().get(`/api/v1/parts/${part.id}`).expect(404);
    const decided = await newPart();
    await api().post(`/api/v1/parts/${decided.id}/decisions`).send(choice(decided)).expect(201);
    expect(json<Problem>(await api().delete(`/api/v1/parts/${decided.id}?revision=1`).expect(409)).type).toMatch(
      'has-decisions',
    );
  });
});

describe('bad input is named at its place and changes nothing', () => {
  const count = async () => json<unknown[]>(await api().get('/api/v1/parts')).length;
  const bad = (change: object) => ({ brief: { ...lampArm, ...change } });
  test.each([
    ['negative length', bad({ part: { ...lampArm.part, spanMm: -220 } }), 422, '/brief/part/spanMm'],
    ['missing field', bad({ part: { ...lampArm.part, spanMm: undefined } }), 422, '/brief/part/spanMm'],
    ['absurd temperature', bad({ asks: { heat: { steadyC: 9000 } } }), 422, '/brief/asks/heat/steadyC'],
    ['unknown field', bad({ colour: 'red' }), 422, '/brief/colour'],
    [
      'wall thicker than the tube',
      bad({ part: { ...lampArm.part, section: { kind: 'tube', outerDiameterMm: 20, wallMm: 15 } } }),
      422,
      '/brief/part/section/wallMm',
    ],
  ])('%s', async (_what, body, status, pointer) => {
    const before = await count();
    const response = await api().post('/api/v1/parts').send(body);
    expect(response.status).toBe(status);
    expect(json<Problem>(response).errors?.map((issue) => issue.pointer)).toEqual([pointer]);
    expect(await count()).toBe(before);
  });

  test('broken JSON is a 400', async () => {
    const response = await api().post('/api/v1/parts').set('Content-Type', 'application/json').send('{"brief":');
    expect([response.status, json<Problem>(response).type]).toEqual([400, '/problems/broken-json']);
  });

  test('a 10 MB body is a 413', async () => {
    const response = await api()
      .post('/api/v1/parts')
      .send({ brief: { ...lampArm, purpose: 'x'.repeat(10_000_000) } });
    expect([response.status, json<Problem>(response).detail]).toEqual([413, expect.stringMatching(/At most 5 MB/)]);
  });

  test.each([
    ['get', '/api/v1/parts/0a7c1d00-0000-4000-8000-00000000ffff'],
    ['get', '/api/v1/parts/not-a-uuid'],
    ['get', '/api/v1/grades/none'],
    ['get', '/api/v1/decisions/0a7c1d00-0000-4000-8000-00000000ffff'],
    ['get', '/api/v1/parts/0a7c1d00-0000-4000-8000-00000000ffff/decisions'],
    ['get', '/api/v1/nothing'],
    ['post', '/api/v1/calculators/tea'],
  ] as const)('%s %s is a 404 problem', async (method, path) => {
    const agent = api();
    const response = await agent[method](path).send(method === 'post' ? {} : undefined);
    expect([response.status, json<Problem>(response).title]).toEqual([404, 'Not found']);
  });
});

describe('the door', () => {
  test.each([
    ['a foreign host', { Host: 'evil.example:4600' }, 421],
    ['a foreign origin', { Host: '127.0.0.1:4600', Origin: 'http://evil.example' }, 403],
    ['another port’s page', { Host: '127.0.0.1:4600', Origin: 'http://127.0.0.1:9999' }, 403],
    ['no page at all', { Host: 'localhost:4600' }, 200],
    ['its own page', { Host: '127.0.0.1:4600', Origin: 'http://127.0.0.1:4600' }, 200],
  ])('%s', async (_who, headers, status) => {
    expect(
      (
        await api()
          .get('/api/v1/machines')
          .set(headers as Record<string, string>)
      ).status,
    ).toBe(status);
  });

  test('security headers are set and the framework is not named', async () => {
    const { headers } = await api().get('/health');
    expect(headers['content-security-policy']).toMatch("default-src 'self'");
    expect(headers['x-powered-by']).toBeUndefined();
  });
});

describe('what is nowhere', () => {
  test('a missing file of the pages is not found, and no fault of the server', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'anvilstone-pages-'));
    try {
      await mkdir(join(folder, 'assets'));
      await writeFile(join(folder, 'index.html'), '<html><head></head></html>');
      const { parts, installation } = server;
      const app = createApp({ first: parts, installation, logger: pino({ level: 'silent' }), webFolder: folder });
      const missing = await request(app).get('/assets/gone-0123.js').expect(404);
      expect(missing.headers['content-type']).toMatch(/problem\+json/);
      await request(app).get('/parts/of-no-name').expect(200);
    } finally {
      await rm(folder, { recursive: true, force: true });
    }
  });
  test('a moment in a time zone that is none is refused, and no fault of the server', async () => {
    const print = {
      id: '0a7c1d00-0000-4000-8000-0000000000d1',
      machineId: 'workshop-enclosed',
      spoolId: null,
      what: 'Arm',
      endedAt: '2026-05-01T10:00:00+23:59',
      hours: 1,
      massG: 1,
      succeeded: true,
    };
    const refused = await request(server.app).put(`/api/v1/prints/${print.id}`).send(print);
    expect(refused.status).toBe(422);
  });
});

describe('evaluation', () => {
  test('the API gives what the core gives', async () => {
    const response = await api().post('/api/v1/evaluations').send({ brief: lampArm }).expect(200);
    const byId = [...sampleLibrary.grades].sort((a, b) => (a.id < b.id ? -1 : 1));
    expect(json(response)).toEqual(JSON.parse(JSON.stringify(evaluate(lampArm, { ...sampleLibrary, grades: byId }))));
  });

  test('working on request, for grades that exist', async () => {
    const one = json<{ grades: { best: { checks: { working: unknown[] }[] } }[] }>(
      await api()
        .post('/api/v1/evaluations')
        .send({ brief: lampArm, gradeIds: ['tm-asa'], showWorking: true })
        .expect(200),
    );
    expect(one.grades[0]?.best.checks[0]?.working.length).toBeGreaterThan(3);
    const none = await api()
      .post('/api/v1/evaluations')
      .send({ brief: lampArm, gradeIds: ['tm-asa', 'oak'] })
      .expect(422);
    expect(json<Problem>(none).errors?.[0]?.pointer).toBe('/gradeIds/1');
  });

  test('a calculator runs and refuses', async () => {
    const good = await api()
      .post('/api/v1/calculators/modulus-at-hdt')
      .send({ modulus23MPa: 2000, hdtStressMPa: 0.45 });
    expect(json<{ modulusMPa: number }>(good).modulusMPa).toBeCloseTo(202.25, 2);
    const bad = await api()
      .post('/api/v1/calculators/modulus-at-hdt')
      .send({ modulus23MPa: -1, hdtStressMPa: 0.45 })
      .expect(422);
    expect(json<Problem>(bad).errors?.[0]?.pointer).toBe('/modulus23MPa');
  });
});

describe('decisions', () => {
  test('freezes everything it rests on and computes to the same numbers again', async () => {
    const part = await newPart();
    const frozen = json<Decision>(
      await api().post(`/api/v1/parts/${part.id}/decisions`).send(choice(part)).expect(201),
    );
    // The sixty that come first, with all their evidence; every grade that was looked at is counted.
    expect(frozen.grades).toHaveLength(60);
    expect(frozen.grounds!.screened.grades).toBe(sampleLibrary.grades.length);
    await api()
      .put(`/api/v1/parts/${part.id}`)
      .send({ brief: { ...part.brief, title: 'Changed since' }, revision: 1 });
    expect(json<Decision>(await api().get(`/api/v1/decisions/${frozen.id}`))).toEqual(frozen);
    expect(json(await api().get(`/api/v1/decisions/${frozen.id}/recomputation`))).toMatchObject({
      agrees: true,
      differences: [],
    });
  });

  test('the database refuses to change or delete one', async () => {
    await expect(server.db('decisions').update({ reasons: 'other' })).rejects.toThrow(/frozen/);
    await expect(server.db('decisions').delete()).rejects.toThrow(/frozen/);
  });

  test('a changed number in a frozen result is found', async () => {
    const part = await newPart();
    const frozen = json<Decision>(await api().post(`/api/v1/parts/${part.id}/decisions`).send(choice(part)));
    await server.db.raw('alter table decisions disable trigger decisions_are_frozen');
    frozen.result.grades[0]!.entries[0]!.checks[0]!.reserve = 99;
    await server
      .db('decisions')
      .where({ id: frozen.id })
      .update({ frozen: JSON.stringify(frozen) });
    await server.db.raw('alter table decisions enable trigger decisions_are_frozen');
    expect(json(await api().get(`/api/v1/decisions/${frozen.id}/recomputation`))).toMatchObject({
      agrees: false,
      differences: [expect.stringMatching(/not the one that was frozen/), expect.stringMatching(/was 99/)],
    });
  });

  test.each([
    ['a grade that is none', { gradeId: 'oak' }, '/gradeId'],
    ['a failing grade without open risks', { gradeId: 'tm-tpu95' }, '/openRisks'],
    ['no reasons', { reasons: 'ok' }, '/reasons'],
  ])('refuses %s', async (_what, change, pointer) => {
    const part = await newPart();
    const response = await api()
      .post(`/api/v1/parts/${part.id}/decisions`)
      .send({ ...choice(part), ...change });
    expect([response.status, json<Problem>(response).errors?.[0]?.pointer]).toEqual([422, pointer]);
    expect(json(await api().get(`/api/v1/parts/${part.id}/decisions`))).toEqual([]);
  });

  test('refuses while the question of harm is open, and a stale revision', async () => {
    const open = json<Part>(
      await api()
        .post('/api/v1/parts')
        .send({ brief: { ...lampArm, failureCouldHurt: 'unanswered' } }),
    );
    const unanswered = await api().post(`/api/v1/parts/${open.id}/decisions`).send(choice(open)).expect(422);
    expect(json<Problem>(unanswered).errors?.[0]?.pointer).toBe('/brief/failureCouldHurt');
    const part = await newPart();
    await api()
      .post(`/api/v1/parts/${part.id}/decisions`)
      .send({ ...choice(part), partRevision: 7 })
      .expect(409);
  });

  test('exports: JSON as frozen, CSV a spreadsheet cannot run, PDF with text', async () => {
    await server.db('grades').insert({
      id: 'formula',
      document: JSON.stringify({
        ...sampleLibrary.grades.find(({ id }) => id === 'ne-petg'),
        id: 'formula',
        name: '=HYPERLINK("x")',
      }),
    });
    const part = await newPart();
    const frozen = json<Decision>(
      await api().post(`/api/v1/parts/${part.id}/decisions`).send(choice(part)).expect(201),
    );
    const asJson = await api().get(`/api/v1/decisions/${frozen.id}/export.json`);
    expect(json<DecisionFile>(asJson).decision).toEqual(frozen);
    expect(asJson.headers['content-disposition']).toMatch(`decision-${frozen.number}.json`);
    const csv = (await api().get(`/api/v1/decisions/${frozen.id}/export.csv`)).text;
    expect(csv).toMatch(/"'=HYPERLINK/);
    expect(csv.split('\r\n').filter(Boolean)).toHaveLength(1 + frozen.grades.length);
    const pdf = await api()
      .get(`/api/v1/decisions/${frozen.id}/export.pdf`)
      .buffer(true)
      .parse((res, done) => {
        const chunks: Buffer[] = [];
        res.on('data', (chunk: Buffer) => chunks.push(chunk));
        res.on('end', () => done(null, Buffer.concat(chunks)));
      });
    expect((pdf.body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
    expect((pdf.body as Buffer).length).toBeGreaterThan(10_000);
    await server.db('grades').where({ id: 'formula' }).delete();
  });
});

describe('demo', () => {
  test('is loaded once: a deleted part does not come back by itself', async () => {
    expect(await seedDemoOnce(server.db)).toBe(false);
  });
  test('reset puts the demo back and keeps own parts and decisions', async () => {
    const own = await newPart();
    const decisions = () =>
      server
        .db('decisions')
        .count<{ count: string }[]>('*')
        .then((rows) => rows[0]!.count);
    const before = await decisions();
    const [duct] = json<Part[]>(await api().get('/api/v1/parts')).filter((part) =>
      part.brief.title.startsWith('Heater duct'),
    );
    await api()
      .put(`/api/v1/parts/${duct!.id}`)
      .send({ brief: { ...duct!.brief, title: 'Spoilt' }, revision: duct!.revision });
    await resetDemo(server.db);
    expect(json<Part>(await api().get(`/api/v1/parts/${duct!.id}`)).brief.title).toMatch(/^Heater duct/);
    await api().get(`/api/v1/parts/${own.id}`).expect(200);
    expect(await decisions()).toBe(before);
  });
});

test('OpenAPI lists exactly the operations, and health and readiness answer', async () => {
  const { paths } = json<{ paths: Record<string, Record<string, { operationId: string }>> }>(
    await api().get('/api/openapi.json'),
  );
  const listed = Object.values(paths).flatMap((path) => Object.values(path).map((operation) => operation.operationId));
  expect(listed.sort()).toEqual(
    allOperations(server)
      .map((operation) => operation.id)
      .sort(),
  );
  await api().get('/health').expect(200);
  await api().get('/ready').expect(200);
});

test('without its database the server says so and stays up', async () => {
  const other = await testServer();
  await other.db.destroy();
  await request(other.app).get('/health').expect(200);
  expect(json<Problem>(await request(other.app).get('/ready').expect(503)).type).toMatch('no-database');
  const failed = await request(other.app).get('/api/v1/parts');
  expect([failed.status, json<Problem>(failed).title]).toEqual([503, 'The database does not answer']);
  await other.close();
});
