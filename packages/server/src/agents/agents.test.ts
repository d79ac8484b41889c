import { dripCup, sampleBriefs } from '@anvilstone/core/education/sample';
import { findAgent } from '@anvilstone/core/materials';
import type {
  Agent,
  AgentOfWorkshop,
  Brief,
  EvaluationResult,
  CompanyRulesHistory,
  Library,
  Problem,
} from '@anvilstone/schema';
import request from 'supertest';
import { testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

const api = () => request(server.app);
const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;
const ropeDressing: Agent = {
  id: 'rope-dressing',
  name: 'Haul-rope dressing',
  examples: ['tacky rope lubricant'],
  referenceTemperatureC: 23,
  handlingCaution: 'Slippery: gloves, wipe the floor.',
  ratings: { petg: { rating: 'limited', stressCrack: true } },
};
const put = (agent: Agent, revision: number) => api().put(`/api/v1/chemicals/${agent.id}`).send({ agent, revision });
const inDressing: Brief = {
  ...dripCup,
  asks: { fluids: [{ agentId: ropeDressing.id, contact: 'immersion', temperatureC: 23, hours: 5000 }] },
};
const chemicalOf = async (gradeId: string, brief: Brief) => {
  const result = json<EvaluationResult>(
    await api()
      .post('/api/v1/evaluations')
      .send({ brief, gradeIds: [gradeId] })
      .expect(200),
  );
  return result.grades[0]!.best.checks.find((check) => check.checkId === 'chemical')!;
};

describe('agents of the workshop’s own', () => {
  test('are unknown until they are added, then judged, and come with the library', async () => {
    expect(await chemicalOf('ne-petg', inDressing)).toMatchObject({ status: 'unknown' });
    const before = (await api().get('/api/v1/library')).headers.etag;
    const saved = json<AgentOfWorkshop>(await put(ropeDressing, 0).expect(200));
    expect(saved).toEqual({ agent: ropeDressing, revision: 1 });
    expect(await chemicalOf('ne-petg', inDressing)).toMatchObject({ status: 'fail', capacity: 100 });
    const response = await api().get('/api/v1/library');
    expect(json<Library>(response).agents).toEqual([ropeDressing]);
    expect(response.headers.etag).not.toBe(before);
  });
  test('one with the id of a reference agent takes its place', async () => {
    const milder: Agent = {
      ...(findAgent('mineral-oil') as Agent),
      ratings: { petg: { rating: 'unsuitable', stressCrack: false } },
    };
    const { revision } = json<AgentOfWorkshop>(await put(milder, 0).expect(200));
    const brief: Brief = {
      ...inDressing,
      asks: { fluids: [{ agentId: 'mineral-oil', contact: 'splash', temperatureC: 23, hours: 1 }] },
    };
    expect(await chemicalOf('ne-petg', brief)).toMatchObject({ status: 'fail' });
    await api().delete(`/api/v1/chemicals/mineral-oil?revision=${revision}`).expect(204);
    expect(await chemicalOf('ne-petg', brief)).toMatchObject({ status: 'pass' });
  });
  test('a stale revision is refused with the newer one, and nothing is lost', async () => {
    const problem = json<Problem>(await put({ ...ropeDressing, name: 'Other' }, 0).expect(409));
    expect(problem.current).toMatchObject({ agent: { name: 'Haul-rope dressing' }, revision: 1 });
    await put({ ...ropeDressing, name: 'Renamed' }, 1).expect(200);
    await api().delete('/api/v1/chemicals/rope-dressing?revision=1').expect(409);
  });
  test('a family nobody knows, another id than the address, a rating that is none: refused where they are', async () => {
    const stranger = {
      ...ropeDressing,
      ratings: { unobtainium: { rating: 'resistant' as const, stressCrack: false } },
    };
    expect(json<Problem>(await put(stranger, 2).expect(422)).errors![0]!.pointer).toBe('/agent/ratings/unobtainium');
    const elsewhere = await api().put('/api/v1/chemicals/other').send({ agent: ropeDressing, revision: 0 }).expect(422);
    expect(json<Problem>(elsewhere).errors![0]!.pointer).toBe('/agent/id');
    const bad = { ...ropeDressing, ratings: { petg: { rating: 'fine', stressCrack: false } } };
    expect(json<Problem>(await put(bad as unknown as Agent, 2).expect(422)).errors![0]!.pointer).toMatch(/rating/);
    await api().delete('/api/v1/chemicals/nobody?revision=1').expect(404);
  });
});

describe('company rules keep who changed them and why', () => {
  test('every set that was in force, newest first', async () => {
    const { rules } = json<{ rules: object }>(await api().get('/api/v1/company-rules'));
    const first = {
      rules: { ...rules, limitedContactH: 200 },
      revision: 0,
      changedBy: 'M. Arkwright',
      why: 'Our soaks last longer',
    };
    await api().put('/api/v1/company-rules').send(first).expect(200);
    await api()
      .put('/api/v1/company-rules')
      .send({ ...first, rules, revision: 1, why: '' })
      .expect(200);
    await api().put('/api/v1/company-rules').send(first).expect(409);
    const { changes } = json<CompanyRulesHistory>(await api().get('/api/v1/company-rules/history'));
    expect(changes.map(({ revision, why }) => [revision, why])).toEqual([
      [2, ''],
      [1, 'Our soaks last longer'],
    ]);
    expect(changes[1]).toMatchObject({ changedBy: 'M. Arkwright', rules: { limitedContactH: 200 } });
    expect(Date.parse(changes[0]!.changedAt)).toBeGreaterThan(Date.now() - 60000);
  });
  test('rules stored before a value existed are completed', async () => {
    await server.db.raw(`update house_rules set rules = rules - 'warpLimit'`);
    const { rules } = json<{ rules: { warpLimit: number } }>(await api().get('/api/v1/company-rules'));
    expect(rules.warpLimit).toBe(4);
  });
});

test('a size that has to fit, colder than it is hot: refused at its cause', async () => {
  const [brief] = sampleBriefs as [Brief];
  const fit = { nominalMm: 20, allowedMm: 0.1, dampestRhPct: 50, coldestC: 40, hottestC: 10 };
  const response = await api()
    .post('/api/v1/parts')
    .send({ brief: { ...brief, asks: { fit } } })
    .expect(422);
  expect(json<Problem>(response).errors![0]!.pointer).toBe('/brief/asks/fit/coldestC');
});
