import { calculators } from '@anvilstone/core/education';
import type { Problem } from '@anvilstone/schema';
import request from 'supertest';
import { testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer();
});
afterAll(() => server.close());

const api = () => request(server.app);
const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;

test('all are listed with what they take and where they are from', async () => {
  const listed = json<{ id: string; source: string; input: object }[]>(
    await api().get('/api/v1/calculators').expect(200),
  );
  expect(listed.map(({ id }) => id)).toEqual(calculators.map(({ id }) => id));
  for (const { id, source, input } of listed) {
    expect([id, source.length > 10]).toEqual([id, true]);
    expect(input).toHaveProperty('properties');
    expect(listed).not.toHaveProperty('run');
  }
});

test.each(calculators.map((one) => [one.id, one] as const))(
  '%s answers its example as the core does',
  async (id, one) => {
    const response = await api().post(`/api/v1/calculators/${id}`).send(one.example).expect(200);
    expect(json(response)).toEqual(JSON.parse(JSON.stringify(one.run(one.example as never))));
  },
);

test.each(calculators.map((one) => [one.id, one] as const))('%s says which field it misses', async (id, one) => {
  const { required = [] } = one.input as { required?: string[] };
  const [first] = required;
  if (first === undefined) throw new Error(`${id} asks for nothing`);
  const { [first]: _gone, ...rest } = one.example as Record<string, unknown>;
  const response = await api().post(`/api/v1/calculators/${id}`).send(rest).expect(422);
  expect(json<Problem>(response).errors?.map(({ pointer }) => pointer)).toContain(`/${first}`);
  const strange = await api()
    .post(`/api/v1/calculators/${id}`)
    .send({ ...(one.example as object), phaseOfTheMoon: 1 })
    .expect(422);
  expect(json<Problem>(strange).errors?.[0]?.pointer).toBe('/phaseOfTheMoon');
});
