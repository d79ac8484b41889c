import { lampArm } from '@anvilstone/core/education/sample';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import type { EvaluationResult, CompanyRulesHistory, CompanyRulesRecord, Problem } from '@anvilstone/schema';
import request from 'supertest';
import { testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

const api = () => request(server.app);
const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;
const inForce = async () => json<CompanyRulesRecord>(await api().get('/api/v1/company-rules').expect(200));
const put = (record: Partial<CompanyRulesRecord>) => api().put('/api/v1/company-rules').send(record);

test('a new workshop’s are in force until somebody sets others, and the first to do so wins', async () => {
  expect(await inForce()).toEqual({ rules: defaultCompanyRules, revision: 0 });
  const rules = { ...defaultCompanyRules, scrapShare: 0.2 };
  const both = await Promise.all([
    put({ rules, revision: 0, changedBy: 'A', why: 'first' }),
    put({ rules: { ...rules, scrapShare: 0.3 }, revision: 0, changedBy: 'B', why: 'second' }),
  ]);
  expect(both.map(({ status }) => status).sort()).toEqual([200, 409]);
  const lost = both.find(({ status }) => status === 409)!;
  expect(json<Problem & { current: CompanyRulesRecord }>(lost).current.revision).toBe(1);
  expect((await inForce()).revision).toBe(1);
});

test('every change is in the history with who and why, the newest first', async () => {
  const before = await inForce();
  await put({
    rules: { ...before.rules, labourPerPartUsd: 7 },
    revision: before.revision,
    changedBy: 'E. Ford',
    why: 'Wages',
  }).expect(200);
  const { changes } = json<CompanyRulesHistory>(await api().get('/api/v1/company-rules/history').expect(200));
  expect(changes[0]).toMatchObject({ revision: before.revision + 1, changedBy: 'E. Ford', why: 'Wages' });
  expect(changes[0]!.rules.labourPerPartUsd).toBe(7);
  expect(changes.map(({ revision }) => revision)).toEqual(
    [...changes.map(({ revision }) => revision)].sort((a, b) => b - a),
  );
});

test('what counts in the evaluation is what is in force', async () => {
  const evaluated = async () =>
    json<EvaluationResult>(
      await api()
        .post('/api/v1/evaluations')
        .send({ brief: lampArm, gradeIds: ['tm-petg'] })
        .expect(200),
    ).grades[0]!.best.costUsd!;
  const { rules, revision } = await inForce();
  const before = await evaluated();
  await put({ rules: { ...rules, setupUsd: rules.setupUsd! + 24 }, revision }).expect(200);
  // Set-up is shared by the 12 arms of the lot.
  expect(await evaluated()).toBeCloseTo(before + 24 / 12, 6);
  await put({ rules, revision: revision + 1 }).expect(200);
  expect(await evaluated()).toBe(before);
});

test.each([
  ['a share above one', { scrapShare: 1.5 }, '/rules/scrapShare'],
  ['a school that is none', { evidenceSchool: 'luck' }, '/rules/evidenceSchool'],
  ['a rule nobody knows', { horoscope: 1 }, '/rules/horoscope'],
])('%s is refused at its field', async (_what, change, pointer) => {
  const { rules, revision } = await inForce();
  const response = await put({ rules: { ...rules, ...change } as never, revision }).expect(422);
  expect(json<Problem>(response).errors?.[0]?.pointer).toBe(pointer);
  expect(await inForce()).toMatchObject({ rules, revision });
});

test('rules that were set before a value was thought of have its default', async () => {
  const { weatheringHPerYear: _later, ...old } = defaultCompanyRules;
  await server.db('house_rules').update({ rules: JSON.stringify(old) });
  expect((await inForce()).rules.weatheringHPerYear).toBe(defaultCompanyRules.weatheringHPerYear);
});

test('programs of an earlier version are sent on to where each address is now, with method, body and query', async () => {
  const moved = (path: string) => api().get(`/api/v1${path}`).redirects(0).expect(308);
  expect((await moved('/house-rules')).headers.location).toBe('/api/v1/company-rules');
  expect((await moved('/house-rules/history?most=5')).headers.location).toBe('/api/v1/company-rules/history?most=5');
  expect((await moved('/agents/mineral-oil')).headers.location).toBe('/api/v1/chemicals/mineral-oil');
  expect((await api().get('/w/workshop/api/v1/house-rules').expect(308)).headers.location).toBe(
    '/w/workshop/api/v1/company-rules',
  );
  await api().get('/api/v1/house-rulesets').expect(404);
  const now = await inForce();
  const followed = await api().put('/api/v1/house-rules').redirects(1).send({ rules: now.rules, revision: 99 });
  expect(followed.status).toBe(409);
});
