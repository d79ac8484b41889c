import type { GradeChange, GradeRecord, PriceListPreview, Problem } from '@anvilstone/schema';
import request from 'supertest';
import { testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer({ demo: true, standIns: true });
});
afterAll(() => server.close());

const api = () => request(server.app);
const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;
const gradeOf = async (id: string) => json<GradeRecord>(await api().get(`/api/v1/grades/${id}`).expect(200));
const take = (prices: { gradeId: string; gradeRevision: number; pricePerKgUsd: number }[]) =>
  api().post('/api/v1/price-lists').send({ source: 'a test', prices });
const HEADER = 'Article;Name;Maker;Spool g;Price USD;Supply';

test('a list is held against the library, and nothing is changed by that', async () => {
  const before = await gradeOf('tm-petg');
  const text = `${HEADER}\n1;Tarrowmill PETG Clearway;Tarrowmill;1000;31.50;open\n2;Moon Dust;;1000;9;open`;
  const { source, lines } = json<PriceListPreview>(
    await api().post('/api/v1/price-lists/preview').send({ text }).expect(200),
  );
  expect(source).toBe('a list that was handed in');
  expect(lines.map(({ gradeId, gradeRevision, pricePerKgUsd }) => [gradeId, gradeRevision, pricePerKgUsd])).toEqual([
    ['tm-petg', before.revision, 31.5],
    [null, null, 9],
  ]);
  expect(await gradeOf('tm-petg')).toEqual(before);
});

test('what is no list is refused with the reason at its place', async () => {
  const response = await api().post('/api/v1/price-lists/preview').send({ text: 'just;words' }).expect(422);
  const [issue] = json<Problem>(response).errors!;
  expect(issue!.pointer).toBe('/text');
  expect(issue!.detail).toMatch(/^The list cannot be read: /);
});

test('prices are taken over to the cent, all at once, and each grade’s history has it', async () => {
  const [petg, asa] = [await gradeOf('tm-petg'), await gradeOf('tm-asa')];
  const answer = await take([
    { gradeId: 'tm-petg', gradeRevision: petg.revision, pricePerKgUsd: 27.004 },
    { gradeId: 'tm-asa', gradeRevision: asa.revision, pricePerKgUsd: 41.119 },
  ]).expect(200);
  expect(json(answer)).toEqual({ changed: 2 });
  expect((await gradeOf('tm-petg')).grade.pricePerKgUsd).toBe(27);
  expect((await gradeOf('tm-asa')).grade.pricePerKgUsd).toBe(41.12);
  const [last] = json<GradeChange[]>(await api().get('/api/v1/grades/tm-asa/history').expect(200));
  expect(last).toMatchObject({ action: 'edited', revision: asa.revision + 1 });
  expect(last!.differences.join()).toMatch(/41\.12/);
});

test('one grade that has changed since refuses all of them', async () => {
  const [petg, asa] = [await gradeOf('tm-petg'), await gradeOf('tm-asa')];
  const stale = await take([
    { gradeId: 'tm-petg', gradeRevision: petg.revision, pricePerKgUsd: 1 },
    { gradeId: 'tm-asa', gradeRevision: asa.revision - 1, pricePerKgUsd: 1 },
  ]).expect(409);
  expect(json<Problem & { current: GradeRecord }>(stale).current.grade.id).toBe('tm-asa');
  expect(await gradeOf('tm-petg')).toEqual(petg);
  const gone = await take([
    { gradeId: 'tm-petg', gradeRevision: petg.revision, pricePerKgUsd: 1 },
    { gradeId: 'gone', gradeRevision: 1, pricePerKgUsd: 1 },
  ]).expect(422);
  expect(json<Problem>(gone).errors?.[0]).toEqual({ pointer: '/prices/1/gradeId', detail: 'There is no grade “gone”' });
  expect(await gradeOf('tm-petg')).toEqual(petg);
});

test.each([
  ['nothing to take', []],
  ['a price of nought', [{ gradeId: 'tm-petg', gradeRevision: 1, pricePerKgUsd: 0 }]],
  ['no revision', [{ gradeId: 'tm-petg', pricePerKgUsd: 3 }]],
])('%s is refused', async (_what, prices) => {
  await api().post('/api/v1/price-lists').send({ source: 'a test', prices }).expect(422);
});

test('the supplier’s stand-in is asked for its list; dead it is said to be silent', async () => {
  const { source, lines } = json<PriceListPreview>(
    await api().get('/api/v1/instruments/supplier/price-list').expect(200),
  );
  expect(source).toBe('Supplier’s list (stand-in)');
  expect(lines.length).toBeGreaterThan(10);
  expect(lines.every(({ gradeId }) => gradeId !== null)).toBe(true);
  await api().put('/api/v1/instruments/supplier/behaviour').send({ behaviour: 'off' }).expect(200);
  const silent = await api().get('/api/v1/instruments/supplier/price-list');
  expect(silent.status).toBeGreaterThanOrEqual(500);
  expect(json<Problem>(silent).detail).toMatch(/^Nothing listens there/);
  await api().put('/api/v1/instruments/supplier/behaviour').send({ behaviour: 'well' }).expect(200);
});

test('a slipped decimal point in a list is doubted, so that nobody takes it unseen', async () => {
  await api().put('/api/v1/instruments/supplier/behaviour').send({ behaviour: 'drifts' }).expect(200);
  const { lines } = json<PriceListPreview>(await api().get('/api/v1/instruments/supplier/price-list').expect(200));
  const slipped = lines.filter(({ beforeUsd, pricePerKgUsd }) => beforeUsd !== null && pricePerKgUsd! > 4 * beforeUsd);
  expect(slipped.length).toBeGreaterThan(2);
  expect(slipped.every(({ doubt }) => doubt !== undefined)).toBe(true);
  await api().put('/api/v1/instruments/supplier/behaviour').send({ behaviour: 'well' }).expect(200);
});
