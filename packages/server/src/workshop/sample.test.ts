import type { GradeRecord, PartSummary } from '@anvilstone/schema';
import request from 'supertest';
import { testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.close());

const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;
const ask = (withParts: unknown) => request(server.app).post('/api/v1/workshop/sample').send({ withParts });
const parts = async () => json<PartSummary[]>(await request(server.app).get('/api/v1/parts').expect(200));

test('brings grades and machines into an empty workspace; asked again it adds nothing', async () => {
  const added = json<Record<string, number>>(await ask(false).expect(200));
  expect(added).toEqual({ grades: 70, machines: expect.any(Number) as number, parts: 0 });
  expect(added.machines).toBeGreaterThan(3);
  expect(await parts()).toEqual([]);
  expect(json(await ask(false).expect(200))).toEqual({ grades: 0, machines: 0, parts: 0 });
});

test('what was changed or is one’s own stays as it is, and the parts come beside it', async () => {
  const mine = json<GradeRecord>(await request(server.app).get('/api/v1/grades/tm-petg').expect(200));
  await request(server.app)
    .put('/api/v1/grades/tm-petg')
    .send({ grade: { ...mine.grade, name: 'A name of our own' }, revision: mine.revision })
    .expect(200);
  const added = json<Record<string, number>>(await ask(true).expect(200));
  expect(added).toEqual({ grades: 0, machines: 0, parts: 11 });
  const kept = json<GradeRecord>(await request(server.app).get('/api/v1/grades/tm-petg').expect(200));
  expect(kept.grade.name).toBe('A name of our own');
  const titles = (await parts()).map(({ brief }) => brief.title);
  expect(titles).toContain('Lamp arm, pylon 7 walkway');
  for (const path of ['spools', 'campaigns', 'dryers'])
    expect(json<unknown[]>(await request(server.app).get(`/api/v1/${path}`).expect(200)).length).toBeGreaterThan(0);
});

test('the list says how far each part has come', async () => {
  const lampArm = (await parts()).find(({ brief }) => brief.title.startsWith('Lamp arm'))!;
  expect(lampArm).toMatchObject({ campaignCount: 2, decisionCount: 0, inServiceCount: 0 });
  await request(server.app)
    .put('/api/v1/installations/5e000000-0000-4000-8000-0000000000aa')
    .send({
      revision: 0,
      installation: {
        id: '5e000000-0000-4000-8000-0000000000aa',
        partId: lampArm.id,
        mark: 'L-9',
        gradeId: 'tm-petg',
        orientation: 'XZ',
        place: 'Pylon 7',
        installedAt: '2026-03-01T10:00:00Z',
        installedBy: 'A. Tester',
        inspections: [],
        sampleData: false,
      },
    })
    .expect(200);
  const after = (await parts()).find(({ id }) => id === lampArm.id)!;
  expect(after.inServiceCount).toBe(1);
});

test('two that ask at the same moment add it once', async () => {
  const other = await testServer();
  try {
    const both = await Promise.all(
      [0, 1].map(() => request(other.app).post('/api/v1/workshop/sample').send({ withParts: true }).expect(200)),
    );
    const sums = both.map((one) => json<Record<string, number>>(one));
    expect(sums[0]!.grades! + sums[1]!.grades!).toBe(70);
    expect(sums[0]!.parts! + sums[1]!.parts!).toBe(11);
  } finally {
    await other.close();
  }
});

test('it has to be said whether the parts are wanted', async () => {
  const refused = await ask('yes').expect(422);
  expect(refused.text).toContain('/withParts');
});
