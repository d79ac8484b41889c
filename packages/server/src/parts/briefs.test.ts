import { calculators } from '@anvilstone/core/education';
import {
  heaterDuct,
  lampArm,
  nozzleBracket,
  ratchetPawl,
  sampleBriefs,
  scraperLever,
} from '@anvilstone/core/education/sample';
import { partModels, withPart } from '@anvilstone/core/shapes';
import type { Brief, Decision, EvaluationResult, Part, Problem } from '@anvilstone/schema';
import request from 'supertest';
import { testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

const api = () => request(server.app);
const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;
const post = (brief: unknown) => api().post('/api/v1/parts').send({ brief });

test('the demo holds every part of the cableway, and each comes back as it was written', async () => {
  const parts = json<Part[]>(await api().get('/api/v1/parts'));
  expect(parts.map((part) => part.brief.title).sort()).toEqual(sampleBriefs.map((brief) => brief.title).sort());
  for (const brief of sampleBriefs) {
    expect(parts.find((part) => part.brief.title === brief.title)?.brief).toEqual(brief);
  }
});

test.each(partModels.map((model) => [model.title, model] as const))('%s: kept and evaluated', async (_title, model) => {
  const brief = withPart(lampArm, model.start);
  const part = json<Part>(await post(brief).expect(201));
  expect(part.brief).toEqual(brief);
  const result = json<EvaluationResult>(await api().post('/api/v1/evaluations').send({ brief }).expect(200));
  expect(result.grades.length).toBeGreaterThan(60);
  expect(result.checkIds).toContain('printable');
});

const load = (brief: Brief, change: object) => ({
  ...brief,
  loadCases: [{ ...brief.loadCases[0], ...change }, ...brief.loadCases.slice(1)],
});
test.each([
  ['a knock without its energy', load(lampArm, { kind: 'knock', forceN: undefined }), '/brief/loadCases/0/energyJ'],
  ['a pinched ring without its force', load(heaterDuct, { forceN: undefined }), '/brief/loadCases/0/forceN'],
  ['a bracket held bent', load(nozzleBracket, { kind: 'held', displacementMm: 2 }), '/brief/loadCases/0/kind'],
  ['a bracket pushed sideways', load(nozzleBracket, { direction: 'width' }), '/brief/loadCases/0/direction'],
  [
    'on each time for longer than in total',
    load(lampArm, { onShare: 0.1, onEachH: 9000 }),
    '/brief/loadCases/0/onEachH',
  ],
  [
    'a hole as wide as its lug',
    { ...ratchetPawl, part: { ...ratchetPawl.part, holeDiameterMm: 24 } },
    '/brief/part/holeDiameterMm',
  ],
  [
    'a member without thickness',
    { ...nozzleBracket, part: { ...nozzleBracket.part, tie: { depthMm: 0, widthMm: 5 } } },
    '/brief/part/tie/depthMm',
  ],
  [
    'colder than its steady heat is warm',
    { ...scraperLever, asks: { heat: { steadyC: 10, coldestC: 20 } } },
    '/brief/asks/heat/coldestC',
  ],
  [
    'a coldest above its hottest',
    {
      ...lampArm,
      asks: { thermalFit: { fixedTo: 'steel', lengthMm: 10, coldestC: 50, hottestC: 20, allowedMm: 1 } },
    },
    '/brief/asks/thermalFit/coldestC',
  ],
  [
    'a seat that nobody knows',
    { ...lampArm, asks: { thermalFit: { fixedTo: 'jelly', lengthMm: 10, coldestC: 0, hottestC: 20, allowedMm: 1 } } },
    '/brief/asks/thermalFit/fixedTo',
  ],
])('%s is refused at its place', async (_what, brief, pointer) => {
  const response = await post(brief);
  expect(response.status).toBe(422);
  expect(json<Problem>(response).errors?.map((issue) => issue.pointer)).toEqual([pointer]);
});

test('a decision about a part that could hurt carries the caution into its record, and every kind of load in words', async () => {
  const part = json<Part>(await post(ratchetPawl).expect(201));
  const decision = json<Decision>(
    await api()
      .post(`/api/v1/parts/${part.id}/decisions`)
      .send({
        partRevision: 1,
        gradeId: 'ol-pa12-gf',
        orientation: 'XY',
        reasons: 'Lasts through its clicks.',
        openRisks: 'Fatigue is a family estimate.',
        decidedBy: 'Tester',
      })
      .expect(201),
  );
  const again = json<{ differences: string[] }>(await api().get(`/api/v1/decisions/${decision.id}/recomputation`));
  expect(again.differences).toEqual([]);
  const pdf = await api().get(`/api/v1/decisions/${decision.id}/export.pdf`).buffer(true);
  expect(pdf.status).toBe(200);
  expect(
    Buffer.from(pdf.body as Buffer)
      .subarray(0, 5)
      .toString(),
  ).toBe('%PDF-');
});

test('every calculator is listed with an example that it runs', async () => {
  const listed = json<{ id: string; example: object }[]>(await api().get('/api/v1/calculators'));
  expect(listed.map((one) => one.id)).toEqual(calculators.map((one) => one.id));
  for (const { id, example } of listed) {
    const response = await api().post(`/api/v1/calculators/${id}`).send(example);
    expect([id, response.status]).toEqual([id, 200]);
  }
});
