import { sampleLibrary } from '@anvilstone/core/education/sample';
import type { GradeRecord, Library } from '@anvilstone/schema';
import request from 'supertest';
import { testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

const api = () => request(server.app);
const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;
const fetched = () => api().get('/api/v1/library').expect(200);

test('is everything that an evaluation reads', async () => {
  const { grades, machines, agents } = json<Library>(await fetched());
  expect(grades.map(({ id }) => id).sort()).toEqual(sampleLibrary.grades.map(({ id }) => id).sort());
  expect(machines.map(({ id }) => id).sort()).toEqual(sampleLibrary.machines.map(({ id }) => id).sort());
  expect(agents).toEqual([]);
  expect(grades.find(({ id }) => id === 'tm-asa')).toEqual(sampleLibrary.grades.find(({ id }) => id === 'tm-asa'));
});

test('known as it is, it is not sent again', async () => {
  const { headers } = await fetched();
  const known = await api().get('/api/v1/library').set('If-None-Match', headers.etag!);
  expect(known.status).toBe(304);
  expect(known.text).toBe('');
});

test('it is sent packed to whoever takes that, and is the same', async () => {
  const plain = await api().get('/api/v1/library').set('Accept-Encoding', 'identity').expect(200);
  const small = await api().get('/api/v1/library').set('Accept-Encoding', 'gzip').expect(200);
  expect(small.headers['content-encoding']).toBe('gzip');
  expect(plain.headers['content-encoding']).toBeUndefined();
  expect(json(small)).toEqual(json(plain));
});

test.each([
  [
    'a grade is edited',
    async () => {
      const { grade, revision } = json<GradeRecord>(await api().get('/api/v1/grades/tm-asa'));
      await api()
        .put('/api/v1/grades/tm-asa')
        .send({ grade: { ...grade, note: `At ${Date.now()}` }, revision })
        .expect(200);
    },
  ],
  [
    'a grade is removed',
    async () => {
      const { revision } = json<GradeRecord>(await api().get('/api/v1/grades/qh-pla'));
      await api().delete(`/api/v1/grades/qh-pla?revision=${revision}`).expect(204);
    },
  ],
  [
    'an agent is written down',
    async () => {
      const agent = {
        id: 'rope-wash',
        name: 'Rope wash',
        examples: [],
        referenceTemperatureC: 23,
        handlingCaution: 'Gloves.',
        ratings: {},
      };
      await api().put('/api/v1/chemicals/rope-wash').send({ agent, revision: 0 }).expect(200);
    },
  ],
  ['a machine is removed', () => api().delete('/api/v1/machines/strand-layer?revision=1').expect(204)],
] as const)('it is another once %s', async (_what, change) => {
  const before = await fetched();
  await change();
  const after = await fetched();
  expect(after.headers.etag).not.toBe(before.headers.etag);
  expect(after.text).not.toBe(before.text);
  await api().get('/api/v1/library').set('If-None-Match', before.headers.etag!).expect(200);
});
