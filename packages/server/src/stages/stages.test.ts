import { lampArm } from '@anvilstone/core/education/sample';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import type { Part, Problem, StageMark } from '@anvilstone/schema';
import request from 'supertest';
import { testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.close());

const api = () => request(server.app);
const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;
const newPart = async () => json<Part>(await api().post('/api/v1/parts').send({ brief: lampArm }).expect(201)).id;
const mark = (stage: StageMark['stage'], pass = 22): StageMark => ({
  stage,
  at: '2026-06-01T12:00:00.000Z',
  brief: lampArm,
  rules: defaultCompanyRules,
  leader: null,
  machine: null,
  pass,
});
const listed = async (id: string) => json<StageMark[]>(await api().get(`/api/v1/parts/${id}/stage-marks`).expect(200));

test('a stage is settled with what it rests on, settled anew, and taken up again', async () => {
  const id = await newPart();
  const path = (stage: string) => `/api/v1/parts/${id}/stage-marks/${stage}`;
  expect(await listed(id)).toEqual([]);
  await api().put(path('shortlist')).send(mark('shortlist')).expect(200);
  await api().put(path('plan')).send(mark('plan')).expect(200);
  await api().put(path('shortlist')).send(mark('shortlist', 3)).expect(200);
  expect((await listed(id)).map(({ stage, pass }) => [stage, pass])).toEqual([
    ['plan', 22],
    ['shortlist', 3],
  ]);
  expect((await listed(id))[1]!.brief).toEqual(lampArm);
  await api().delete(path('shortlist')).expect(204);
  // Once more is no fault: it is in hand already.
  await api().delete(path('shortlist')).expect(204);
  expect((await listed(id)).map(({ stage }) => stage)).toEqual(['plan']);
});

test('what is no stage, or another than that of the address, is refused', async () => {
  const id = await newPart();
  const other = await api().put(`/api/v1/parts/${id}/stage-marks/plan`).send(mark('bench')).expect(422);
  expect(json<Problem>(other).errors).toEqual([
    { pointer: '/stage', detail: '“bench” is not the stage of the address', accepted: 'plan' },
  ]);
  await api()
    .put(`/api/v1/parts/${id}/stage-marks/lunch`)
    .send({ ...mark('plan'), stage: 'lunch' })
    .expect(422);
  expect(await listed(id)).toEqual([]);
});

test('marks belong to their part: another has none, with it they go, and one that is not there has no place for them', async () => {
  const [one, other] = [await newPart(), await newPart()];
  await api().put(`/api/v1/parts/${one}/stage-marks/compare`).send(mark('compare')).expect(200);
  expect(await listed(other)).toEqual([]);
  await api().delete(`/api/v1/parts/${one}?revision=1`).expect(204);
  await api().get(`/api/v1/parts/${one}/stage-marks`).expect(404);
  await api().put(`/api/v1/parts/${one}/stage-marks/compare`).send(mark('compare')).expect(404);
  expect(await server.db('stage_marks').where({ part_id: one })).toEqual([]);
});
