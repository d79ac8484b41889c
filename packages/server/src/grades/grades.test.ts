import { lampArm, sampleLibrary } from '@anvilstone/core/education/sample';
import type {
  Grade,
  GradeChange,
  GradeComparison,
  GradePage,
  GradeRecord,
  CompanyRulesRecord,
  Library,
  Problem,
} from '@anvilstone/schema';
import request from 'supertest';
import { decisionService } from '../decisions/service.ts';
import { testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer({ demo: true });
  // One decision for those that ask where a grade is used, and whether what is frozen stays.
  await decisionService(server.db).freeze('0a7c1d00-0000-4000-8000-000000000003', {
    partRevision: 1,
    gradeId: 'tm-asa',
    orientation: 'XZ',
    reasons: 'Stands the sun for years.',
    openRisks: '',
    decidedBy: 'A. Tester',
  });
}, 120_000);
afterAll(() => server.close());

const api = () => request(server.app);
const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;
const own = (facts: Partial<Grade> = {}): Grade => ({
  ...sampleLibrary.grades[0]!,
  id: 'own',
  name: 'Own grade',
  observations: [],
  ...facts,
});
const made = async (facts: Partial<Grade> = {}) =>
  json<GradeRecord>(
    await api()
      .post('/api/v1/grades')
      .send({ grade: own(facts) })
      .expect(201),
  );
const list = async (query: string) => json<GradePage>(await api().get(`/api/v1/grades?${query}`).expect(200));

describe('list', () => {
  test('pages in order, with the total on each', async () => {
    const first = await list('limit=10&sort=name');
    const second = await list('limit=10&offset=10&sort=name');
    expect(first.total).toBe(sampleLibrary.grades.length);
    expect([first.items.length, second.items.length]).toEqual([10, 10]);
    const names = [...first.items, ...second.items].map(({ name }) => name.toLowerCase());
    expect(names).toEqual([...names].sort());
    expect((await list('limit=10&offset=9000')).total).toBe(sampleLibrary.grades.length);
  });
  test('full text: words of name, colour, source and note, beginnings are enough', async () => {
    const ids = async (words: string) => (await list(`search=${encodeURIComponent(words)}`)).items.map(({ id }) => id);
    expect(await ids('tarrow petg clear')).toEqual(['tm-petg']);
    expect(await ids('void shoulder')).toEqual(['ol-pc']);
    expect(await ids('amber')).toEqual(expect.arrayContaining(['ht-pei']));
    expect(await ids("petg' & | ! :*")).toEqual(await ids('petg'));
  });
  test('by maker, family, filler, morphology and price; unknown prices come last', async () => {
    const filled = (await list('family=pa6&filler=carbon-15')).items;
    expect(filled.map(({ id }) => id)).toEqual(['ol-pa6-cf']);
    expect((await list('family=pa6&filler=none')).items.every(({ reinforcementId }) => reinforcementId === null)).toBe(
      true,
    );
    expect((await list('morphology=elastomer')).items.map(({ familyId }) => familyId)).toEqual(
      expect.arrayContaining(['tpu-95a', 'peba']),
    );
    const cheap = await list('priceAtMost=20.5&sort=price&limit=500');
    expect(cheap.items.every(({ pricePerKgUsd }) => pricePerKgUsd! <= 20.5)).toBe(true);
    expect((await list('sort=price&descending=true&limit=500')).items.at(-1)!.pricePerKgUsd).toBeNull();
  });
  test.each(['limit=0', 'limit=many', 'sort=beauty', 'morphology=liquid', 'offset=-1', 'priceAtMost=cheap'])(
    '%s is refused by name',
    async (query) => {
      const problem = json<Problem>(await api().get(`/api/v1/grades?${query}`).expect(422));
      expect(problem.errors![0]!.pointer).toBe(`/${query.split('=')[0]}`);
    },
  );
});

describe('editing', () => {
  test('made, changed, removed; each step is in the history, and an earlier state comes back', async () => {
    const { grade, revision } = await made({ id: 'history' });
    const dearer = { ...grade, pricePerKgUsd: 99 };
    const saved = json<GradeRecord>(
      await api().put('/api/v1/grades/history').send({ grade: dearer, revision }).expect(200),
    );
    expect(saved.revision).toBe(2);
    await api().delete('/api/v1/grades/history?revision=2').expect(204);
    await api().get('/api/v1/grades/history').expect(404);
    await api().post('/api/v1/grades/history/history/1/restore').expect(200);
    expect(json<GradeRecord>(await api().get('/api/v1/grades/history')).grade).toEqual(grade);
    const changes = json<GradeChange[]>(await api().get('/api/v1/grades/history/history'));
    expect(changes.map(({ action }) => action)).toEqual(['restored', 'removed', 'edited', 'created']);
    expect(changes[2]!.differences).toEqual([`Price (USD/kg): ${grade.pricePerKgUsd} → 99`]);
  });
  test('a stale write is refused with the newer grade', async () => {
    const { grade, revision } = await made({ id: 'stale' });
    await api()
      .put('/api/v1/grades/stale')
      .send({ grade: { ...grade, name: 'First' }, revision })
      .expect(200);
    const late = await api()
      .put('/api/v1/grades/stale')
      .send({ grade: { ...grade, name: 'Second' }, revision });
    expect(late.status).toBe(409);
    expect(json<Problem>(late)).toMatchObject({ current: { revision: 2, grade: { name: 'First' } } });
  });
  test('of ten simultaneous writes exactly one wins', async () => {
    const { grade, revision } = await made({ id: 'race' });
    const writes = await Promise.all(
      Array.from({ length: 10 }, (_, i) =>
        api()
          .put('/api/v1/grades/race')
          .send({ grade: { ...grade, name: `Writer ${i}` }, revision }),
      ),
    );
    expect(writes.map(({ status }) => status).sort()).toEqual([200, ...new Array<number>(9).fill(409)]);
  });
  test('an id that is taken, an id that differs from the address', async () => {
    await api()
      .post('/api/v1/grades')
      .send({ grade: own({ id: 'tm-petg' }) })
      .expect(409);
    const problem = json<Problem>(
      await api()
        .put('/api/v1/grades/tm-petg')
        .send({ grade: own({ id: 'other' }), revision: 1 })
        .expect(422),
    );
    expect(problem.errors![0]!.pointer).toBe('/grade/id');
  });
  test('units that do not belong, ranges that run backwards and missing numbers are refused, each at its place', async () => {
    const base = { id: 'x', source: 'bench', reference: 'r' } as const;
    const grade = own({
      id: 'faulty',
      process: { nozzleC: { low: 260, high: 240 } },
      observations: [
        { ...base, property: 'tensileStrength', value: 40, unit: '°C' },
        { ...base, id: 'y', property: 'tensileStrength', low: 50, high: 40, unit: 'MPa' },
        { ...base, id: 'y', property: 'tensileModulus', unit: 'MPa' },
        { ...base, id: 'z', property: 'flameClass', classValue: 'V-9', unit: '-' },
      ],
    });
    const problem = json<Problem>(await api().post('/api/v1/grades').send({ grade }).expect(422));
    expect(problem.errors!.map(({ pointer }) => pointer)).toEqual([
      '/grade/observations/0/unit',
      '/grade/observations/1/low',
      '/grade/observations/2/id',
      '/grade/observations/2/value',
      '/grade/observations/3/classValue',
      '/grade/process/nozzleC',
    ]);
  });
  test('where a grade is used', async () => {
    const { decisions } = json<{ decisions: { partTitle: string }[] }>(await api().get('/api/v1/grades/tm-asa/uses'));
    expect(decisions[0]!.partTitle).toMatch(/^Lamp arm/);
  });
});

test('the library comes whole, and is not sent again while nothing changed', async () => {
  const whole = await api().get('/api/v1/library').expect(200);
  const { grades } = json<Library>(whole);
  expect(grades.find(({ id }) => id === 'tm-petg')).toEqual(sampleLibrary.grades.find(({ id }) => id === 'tm-petg'));
  await api().get('/api/v1/library').set('If-None-Match', whole.headers.etag!).expect(304);
  await made({ id: 'newcomer' });
  await api().get('/api/v1/library').set('If-None-Match', whole.headers.etag!).expect(200);
});

describe('comparing', () => {
  test('two grades property by property; a percentage only where conditions are alike', async () => {
    const { properties } = json<GradeComparison>(await api().get('/api/v1/grades/tm-petg/comparison/tm-petg-cf'));
    const of = (property: string) => properties.find((one) => one.property === property)!;
    expect(of('tensileModulus')).toMatchObject({ verdict: 'compared', differences: [] });
    expect(of('tensileModulus').percent).toBeGreaterThan(10);
    for (const one of properties)
      expect(one.percent === null).toBe(one.verdict !== 'compared' || one.property === 'flameClass');
  });
  test('two single values: the difference, or a refusal that names every condition', async () => {
    const observation = (facts: object) => ({
      id: 'a',
      property: 'tensileStrength',
      value: 46,
      unit: 'MPa',
      source: 'datasheet',
      specimen: 'printed',
      orientation: 'XY',
      conditioning: 'dry',
      reference: 'sheet',
      ...facts,
    });
    const observations = [
      observation({}),
      observation({ id: 'b', value: 50.6 }),
      observation({ id: 'c', orientation: 'ZX', conditioning: 'conditioned' }),
    ] as Grade['observations'];
    await made({ id: 'pairs', observations });
    const ask = (second: string) =>
      api()
        .post('/api/v1/observation-comparisons')
        .send({ first: { gradeId: 'pairs', observationId: 'a' }, second: { gradeId: 'pairs', observationId: second } });
    expect(json(await ask('b').expect(200))).toMatchObject({ percent: expect.closeTo(10, 8) as number, base: 'sheet' });
    const refused = json<Problem>(await ask('c').expect(409));
    expect(refused.detail).toContain('Build orientation: XY against ZX; Moisture state: dry against conditioned');
    expect(refused.errors!.map(({ pointer }) => pointer)).toEqual(['/orientation', '/conditioning']);
    await ask('nothing').expect(422);
  });
});

describe('company rules', () => {
  test('changed once, a stale change is refused; evaluations follow, frozen decisions do not', async () => {
    const before = json<CompanyRulesRecord>(await api().get('/api/v1/company-rules'));
    expect(before.revision).toBe(0);
    const rules = { ...before.rules, evidenceSchool: 'lower-of-both' };
    await api().put('/api/v1/company-rules').send({ rules, revision: 0 }).expect(200);
    await api().put('/api/v1/company-rules').send({ rules: before.rules, revision: 0 }).expect(409);
    expect(json<CompanyRulesRecord>(await api().get('/api/v1/company-rules'))).toEqual({ rules, revision: 1 });
    const invalid = await api()
      .put('/api/v1/company-rules')
      .send({ rules: { ...rules, scrapShare: 2 }, revision: 1 })
      .expect(422);
    expect(json<Problem>(invalid).errors![0]!.pointer).toBe('/rules/scrapShare');
    // A sheet that reads lower than the bench now decides: the arm of that grade has less in reserve.
    const strengthOf = async () => {
      const answer = json<{ grades: { best: { checks: { checkId: string; capacity: number }[] } }[] }>(
        await api()
          .post('/api/v1/evaluations')
          .send({ brief: lampArm, gradeIds: ['both-sources'] })
          .expect(200),
      );
      return answer.grades[0]!.best.checks.find(({ checkId }) => checkId === 'strength-in-plane')!.capacity;
    };
    const base = {
      property: 'tensileStrength',
      unit: 'MPa',
      specimen: 'printed',
      orientation: 'XY',
      conditioning: 'dry',
      reference: 'r',
    } as const;
    await made({
      id: 'both-sources',
      observations: [
        { ...base, id: 'a', source: 'bench', count: 5, value: 50 },
        { ...base, id: 'b', source: 'datasheet', value: 40 },
      ],
    });
    const lower = await strengthOf();
    const [decision] = (await server.db('decisions').select('id')) as { id: string }[];
    expect(json(await api().get(`/api/v1/decisions/${decision!.id}/recomputation`))).toMatchObject({ agrees: true });
    await api().put('/api/v1/company-rules').send({ rules: before.rules, revision: 1 }).expect(200);
    // 40 MPa · 0.9 against 50 MPa.
    expect(lower / (await strengthOf())).toBeCloseTo(36 / 50, 6);
  });
});
