import type { Part, Problem, SavedView } from '@anvilstone/schema';
import { lampArm } from '@anvilstone/core/education/sample';
import request from 'supertest';
import { testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
let part: Part;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
beforeEach(async () => {
  part = JSON.parse((await api().post('/api/v1/parts').send({ brief: lampArm }).expect(201)).text) as Part;
});
afterAll(() => server.close());

const api = () => request(server.app);
const path = () => `/api/v1/parts/${part.id}/views`;
const listed = async () => JSON.parse((await api().get(path()).expect(200)).text) as SavedView[];
const stiff: SavedView = { stage: 'shortlist', name: 'Stiff / light ones', search: 'sort=mass&pin=ne-petg%2Cne-abs' };

test('a view is kept with its part, replaced under the same name, and forgotten', async () => {
  await api().put(path()).send(stiff).expect(200);
  await api()
    .put(path())
    .send({ ...stiff, stage: 'compare', search: 'grades=a,b' })
    .expect(200);
  expect(await listed()).toEqual([{ ...stiff, stage: 'compare', search: 'grades=a,b' }, stiff]);
  await api()
    .put(path())
    .send({ ...stiff, search: '' })
    .expect(200);
  expect((await listed())[1]).toEqual({ ...stiff, search: '' });
  const which = new URLSearchParams({ stage: 'shortlist', name: stiff.name });
  await api().delete(`${path()}?${which.toString()}`).expect(204);
  await api().delete(`${path()}?${which.toString()}`).expect(404);
  expect(await listed()).toHaveLength(1);
});

test('another part has views of its own, and with its part a view goes', async () => {
  await api().put(path()).send(stiff).expect(200);
  const other = JSON.parse((await api().post('/api/v1/parts').send({ brief: lampArm })).text) as Part;
  expect(JSON.parse((await api().get(`/api/v1/parts/${other.id}/views`)).text)).toEqual([]);
  await api().delete(`/api/v1/parts/${part.id}?revision=${part.revision}`).expect(204);
  await api().get(path()).expect(404);
  expect(await server.db('saved_views').where({ part_id: part.id })).toEqual([]);
});

test.each([
  [{ name: '' }, '/name'],
  [{ stage: 'kitchen' }, '/stage'],
  [{ search: 'a b#c' }, '/search'],
])('%p is refused at its place', async (change, pointer) => {
  const answer = await api()
    .put(path())
    .send({ ...stiff, ...change })
    .expect(422);
  expect((JSON.parse(answer.text) as Problem).errors!.map((error) => error.pointer)).toEqual([pointer]);
  expect(await listed()).toEqual([]);
});
