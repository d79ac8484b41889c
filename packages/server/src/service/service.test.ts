import { digestOf } from '@anvilstone/core/decisions';
import type {
  Decision,
  EvidenceImpact,
  FindingRecord,
  GradeRecord,
  Installation,
  Observation,
  Part,
  PartNotice,
  Problem,
  ServiceFinding,
} from '@anvilstone/schema';
import request from 'supertest';
import { testServer } from '../testServer.ts';
import type { FindingReading } from './reading.ts';

const DUCT = '0a7c1d00-0000-4000-8000-000000000002';
// Decisions are frozen and computed again, each some seconds where all cores are busy.
jest.setTimeout(120_000);

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => (server = await testServer({ demo: true })));
afterAll(() => server.close());

const api = () => request(server.app);
const json = <T>({ text }: { text: string }) => JSON.parse(text) as T;
const HOUR_MS = 3.6e6;
const DAY_MS = 24 * HOUR_MS;
const START = Date.parse('2026-01-05T08:00:00Z');
const at = (days: number) => new Date(START + days * DAY_MS).toISOString();
let next = 0;
const newId = (kind: string) => `${kind}000000-0000-4000-8000-${String((next += 1)).padStart(12, '0')}`;

async function decided(): Promise<Decision> {
  const part = json<Part>(await api().get(`/api/v1/parts/${DUCT}`));
  return json(
    await api()
      .post(`/api/v1/parts/${DUCT}/decisions`)
      .send({
        partRevision: part.revision,
        gradeId: 'ol-pc',
        orientation: 'ZX',
        reasons: 'No fibre dust in the machine room.',
        openRisks: 'Creep on family values.',
        decidedBy: 'A. Tester',
      })
      .expect(201),
  );
}

async function installed(change: Partial<Installation> = {}): Promise<Installation> {
  const installation: Installation = {
    id: newId('5e'),
    partId: DUCT,
    mark: `T-${next}`,
    gradeId: 'ol-pc',
    orientation: 'ZX',
    place: 'Test room',
    installedAt: at(0),
    installedBy: 'A. Fitter',
    inspections: [
      { on: '2026-02-01', modeIds: ['sagged'] },
      { on: '2099-01-01', modeIds: ['sagged', 'softened'] },
    ],
    sampleData: true,
    ...change,
  };
  await api().put(`/api/v1/installations/${installation.id}`).send({ installation, revision: 0 }).expect(200);
  return installation;
}

const finding = (installationId: string, change: Partial<ServiceFinding> = {}): ServiceFinding => ({
  id: newId('5f'),
  installationId,
  at: at(60),
  by: 'A. Fitter',
  state: 'failed',
  modeId: 'sagged',
  measured: { movedMm: 3.1, hottestC: 83 },
  text: 'Oval, the hose has slipped.',
  lesson: 'Nothing amorphous near its limit in this room.',
  taken: [],
  sampleData: true,
  ...change,
});
const save = (one: ServiceFinding, revision = 0) =>
  api().put(`/api/v1/service-findings/${one.id}`).send({ finding: one, revision });

describe('parts in service and what is found of them', () => {
  test('come back with the part, in the order in which they were found', async () => {
    const { id } = await installed();
    const [late, early] = [finding(id, { at: at(50) }), finding(id, { at: at(20), state: 'sound', measured: {} })];
    await save(late).expect(200);
    await save(early).expect(200);
    const mine = json<FindingRecord[]>(await api().get(`/api/v1/parts/${DUCT}/service-findings`)).filter(
      (one) => one.finding.installationId === id,
    );
    expect(mine.map((one) => one.finding.id)).toEqual([early.id, late.id]);
    expect(mine[0]!.finding).toEqual(early);
  });
  test.each<[string, Partial<ServiceFinding>, string]>([
    ['before it was put in service', { at: '2025-01-01T00:00:00Z' }, '/finding/at'],
    ['of nothing', { installationId: '5e000000-0000-4000-8000-0000000000ff' }, '/finding/installationId'],
    ['without the way it failed', { modeId: undefined }, '/finding/modeId'],
  ])('a finding %s is refused at its cause', async (_what, change, pointer) => {
    const { id } = await installed();
    const refused = await save(finding(id, change)).expect(422);
    expect(json<Problem>(refused).errors![0]!.pointer).toBe(pointer);
  });
  test('a stale write is refused with the newer one; what has findings is not removed, nor is its part', async () => {
    const { id } = await installed();
    const one = finding(id);
    await save(one).expect(200);
    await save({ ...one, text: 'First' }, 1).expect(200);
    const stale = await save({ ...one, text: 'Second' }, 1).expect(409);
    expect(json<Problem & { current: FindingRecord }>(stale).current.finding.text).toBe('First');
    await api().delete(`/api/v1/installations/${id}?revision=1`).expect(409);
    const part = json<Part>(await api().get(`/api/v1/parts/${DUCT}`));
    await api().delete(`/api/v1/parts/${DUCT}?revision=${part.revision}`).expect(409);
  });
  test('photos are kept with it, by their content', async () => {
    const { id } = await installed();
    const one = finding(id);
    await save(one).expect(200);
    const png = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 1, 2, 3]);
    const path = `/api/v1/service-findings/${one.id}/photos`;
    const kept = json<{ id: string; mediaType: string }>(
      await api().post(`${path}?name=oval.png`).set('Content-Type', 'application/octet-stream').send(png).expect(201),
    );
    expect(kept.mediaType).toBe('image/png');
    expect((await api().get(`/api/v1/finding-photos/${kept.id}`).buffer(true)).body).toEqual(png);
    await api()
      .post(path)
      .set('Content-Type', 'image/png')
      .send(Buffer.from([0, 1, 2]))
      .expect(422);
    await api().delete(`/api/v1/finding-photos/${kept.id}`).expect(204);
    expect(json(await api().get(path))).toEqual([]);
  });
});

describe('inspections', () => {
  test('are planned from what the part is closest to failing by', async () => {
    const decision = await decided();
    const { items, dates } = json<{ items: { modeId: string }[]; dates: { on: string }[] }>(
      await api()
        .post('/api/v1/inspection-plans')
        .send({ partId: DUCT, decisionId: decision.id, gradeId: 'ol-pc', orientation: 'ZX', installedAt: at(0) })
        .expect(200),
    );
    expect(items[0]!.modeId).toBe('sagged');
    expect(dates[0]!.on > '2026-01-05').toBe(true);
    await api()
      .post('/api/v1/inspection-plans')
      .send({ partId: DUCT, gradeId: 'oak', orientation: 'ZX', installedAt: at(0) })
      .expect(422);
  });
  test('due ones are in the calendar, the same event each time; those done, and of parts that failed, are not', async () => {
    const [waiting, failed] = [await installed({ mark: 'WAITS' }), await installed({ mark: 'FAILED' })];
    await save(finding(waiting.id, { state: 'sound', measured: {}, forDate: '2026-02-01' })).expect(200);
    await save(finding(failed.id)).expect(200);
    const fetch = async () => (await api().get(`/api/v1/service/inspections.ics?part=${DUCT}`).expect(200)).text;
    const calendar = await fetch();
    expect(calendar).toContain('SUMMARY:Look at WAITS: Heater duct elbow');
    expect(calendar).toContain('DTSTART;VALUE=DATE:20990101');
    expect(calendar.match(/SUMMARY:Look at WAITS/g)).toHaveLength(1);
    expect(calendar).not.toContain('FAILED');
    expect(await fetch()).toBe(calendar);
  });
});

describe('what a failure changes', () => {
  test('read against its record, added to the evidence with what moves, and put into a new brief with the lesson', async () => {
    const decision = await decided();
    expect(decision.result.grades.find(({ gradeId }) => gradeId === 'ol-pc')!.best.status).toBe('pass');
    const { id } = await installed({ decisionId: decision.id });
    const one = finding(id);
    await save(one).expect(200);

    const reading = json<FindingReading>(await api().get(`/api/v1/service-findings/${one.id}/reading`).expect(200));
    expect(reading.decisionNumber).toBe(decision.number);
    expect(reading.comparison!.verdict).toBe('worse-than-predicted');
    const evidence = reading.proposals.find((proposal) => proposal.kind === 'evidence')!;
    expect(evidence.checks!.find(({ checkId }) => checkId === 'sag-after-duration')!.after!).toBeLessThan(1);

    const preview = json<{ observations: Observation[]; impact: EvidenceImpact; gradeRevision: number }>(
      await api().post(`/api/v1/service-findings/${one.id}/evidence/preview`).expect(200),
    );
    expect(preview.impact.parts.find(({ partId }) => partId === DUCT)!.changes.join()).toMatch(
      /passes before, fails now/,
    );
    const before = json<GradeRecord>(await api().get('/api/v1/grades/ol-pc'));
    expect(before.grade.observations.some(({ id: known }) => known === preview.observations[0]!.id)).toBe(false);

    const accept = { by: 'B. Chief', findingRevision: 1, gradeRevision: preview.gradeRevision };
    const stale = { ...accept, gradeRevision: 99 };
    await api().post(`/api/v1/service-findings/${one.id}/evidence`).send(stale).expect(409);
    const taken = json<FindingRecord>(
      await api().post(`/api/v1/service-findings/${one.id}/evidence`).send(accept).expect(200),
    );
    expect(taken.finding.taken[0]).toMatchObject({ by: 'B. Chief', gradeId: 'ol-pc' });
    const after = json<GradeRecord>(await api().get('/api/v1/grades/ol-pc'));
    expect(after.grade.observations.at(-1)).toEqual(preview.observations[0]);
    const notices = json<PartNotice[]>(await api().get('/api/v1/part-notices'));
    expect(notices.find(({ partId }) => partId === DUCT)!.cause).toContain('in service');
    await api().delete(`/api/v1/service-findings/${one.id}?revision=2`).expect(409);
    // What was taken is not for clients to say: neither emptied with a correction, nor made up with a new one.
    const corrected = json<FindingRecord>(await save({ ...one, text: 'Oval by 3 mm.', taken: [] }, 2).expect(200));
    expect(corrected.finding).toMatchObject({ text: 'Oval by 3 mm.', taken: taken.finding.taken });
    const forged = json<FindingRecord>(await save({ ...one, id: newId('5f'), taken: taken.finding.taken }).expect(200));
    expect(forged.finding.taken).toEqual([]);

    const replacement = json<Part>(await api().post(`/api/v1/service-findings/${one.id}/replacement`).expect(201));
    expect(replacement.brief.lessons!.at(-1)!.text).toContain('Nothing amorphous near its limit');
    expect(replacement.brief.title).toMatch(/^Heater duct elbow, machine room, after T-/);

    // The record of that day still computes to what it said, and says that it would now differ.
    const again = json<{ agrees: boolean }>(await api().get(`/api/v1/decisions/${decision.id}/recomputation`));
    expect(again.agrees).toBe(true);
    expect(digestOf(json<Decision>(await api().get(`/api/v1/decisions/${decision.id}`)))).toBe(digestOf(decision));
    const drift = json<{ now: { status: string }; causes: { id: string }[] }>(
      await api().get(`/api/v1/decisions/${decision.id}/drift`),
    );
    expect(drift.now.status).toBe('fail');
    expect(drift.causes.map((cause) => cause.id)).toContain('evidence');
  });
  test('what saw more than its brief is no evidence', async () => {
    const { id } = await installed();
    const one = finding(id, { measured: { movedMm: 9, hottestC: 120 } });
    await save(one).expect(200);
    const refused = await api().post(`/api/v1/service-findings/${one.id}/evidence/preview`).expect(422);
    expect(json<Problem>(refused).detail).toContain('nothing that could become evidence');
    const replacement = json<Part>(await api().post(`/api/v1/service-findings/${one.id}/replacement`).expect(201));
    expect(replacement.brief.asks.heat!.peak!.temperatureC).toBe(120);
  });
});
