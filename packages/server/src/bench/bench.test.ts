import { randomUUID } from 'node:crypto';
import type {
  Attachment,
  Campaign,
  CampaignRecord,
  EvidenceImpact,
  GradeRecord,
  MethodResult,
  Misbehaviour,
  Observation,
  PartNotice,
  Problem,
  Trial,
  TrialCurve,
  TrialRecord,
} from '@anvilstone/schema';
import { pino } from 'pino';
import request from 'supertest';
import { createApp } from '../app.ts';
import { FIRST_SCHEMA } from '../db/connection.ts';
import { leasesOf } from '../db/leases.ts';
import { instrumentService } from '../instruments/service.ts';
import { eventually, handClock } from '../testClock.ts';
import { testServer } from '../testServer.ts';
import { makeParts } from '../workspaces/parts.ts';
import { thinned } from './fetchReadings.ts';
import { runService } from './runService.ts';

/** A pull takes it less than eight seconds, two days under a weight and the one after it thirteen. */
const clock = handClock();
let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer({ demo: true, standIns: true, now: clock.now });
});
afterAll(() => server.close());

const api = () => request(server.app);
const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;
const behave = (id: string, behaviour: Misbehaviour) =>
  api().put(`/api/v1/instruments/${id}/behaviour`).send({ behaviour }).expect(200);

function campaignOf(id: string, over: Partial<Campaign> = {}, count = 3): Campaign {
  return {
    id,
    title: 'How well layers hold',
    methodId: 'pull-bar',
    setUp: { widthMm: 4, thicknessMm: 3, lengthMm: 60, gaugeCapacityN: 500 },
    arms: [{ id: 'A', gradeId: 'tm-asa', orientation: 'ZX' }],
    perArm: count,
    specimens: Array.from({ length: count }, (_, i) => ({
      id: `${id}-A${i + 1}`,
      armId: 'A',
      defects: [],
      conditioning: 'dry' as const,
      loadDirection: 'as-drawn' as const,
    })),
    inspections: [],
    inspectOn: [],
    accepted: [],
    sampleData: true,
    ...over,
  };
}
const put = (campaign: Campaign, revision = 0) =>
  api().put(`/api/v1/campaigns/${campaign.id}`).send({ campaign, revision });
const add = async (campaign: Campaign) => json<CampaignRecord>(await put(campaign).expect(200));
const start = (id: string, specimenId: string) => api().post(`/api/v1/campaigns/${id}/specimens/${specimenId}/runs`);
const trialsOf = async (id: string) =>
  json<TrialRecord[]>(await api().get(`/api/v1/campaigns/${id}/trials`).expect(200));
const curveOf = async (id: string) => json<TrialCurve>(await api().get(`/api/v1/trials/${id}/curve`).expect(200));
const typed = (campaignId: string, specimenId: string, over: Partial<Trial> = {}): Trial => ({
  id: randomUUID(),
  campaignId,
  specimenId,
  at: '2026-11-01T10:00:00.000Z',
  state: 'done',
  source: 'typed',
  advantage: 1,
  found: { peakN: 300 },
  events: [],
  sampleData: true,
  ...over,
});
const putTrial = (trial: Trial, revision = 0) => api().put(`/api/v1/trials/${trial.id}`).send({ trial, revision });
const trialOf = async (campaignId: string, trialId: string) =>
  (await trialsOf(campaignId)).find(({ trial }) => trial.id === trialId)!.trial;
const ended = (campaignId: string, trialId: string): Promise<Trial> =>
  eventually('the end of the run', async () => {
    const found = await trialOf(campaignId, trialId);
    return found.state !== 'running' && found;
  });
const noted = (campaignId: string, trialId: string, kind: Trial['events'][number]['kind']) =>
  eventually(`the note of a ${kind}`, async () =>
    (await trialOf(campaignId, trialId)).events.some((event) => event.kind === kind),
  );
/** So many seconds of pulling, and what was read in them fetched. */
async function pulled(trialId: string, seconds: number): Promise<void> {
  clock.pass(seconds);
  const newest = () => server.db('trial_readings').where({ trial_id: trialId, channel: 'force' }).max('s as s').first();
  await eventually('a reading', async () => ((await newest()) as { s: number | null }).s !== null);
}

describe('a campaign', () => {
  test('is kept, and what contradicts itself is refused where it does', async () => {
    const { campaign } = await add(campaignOf('KA'));
    const bad = await put(
      { ...campaign, arms: [{ id: 'A', gradeId: 'nobody', orientation: 'XY' }], methodId: 'none' },
      1,
    ).expect(422);
    expect(json<Problem>(bad).errors!.map(({ pointer }) => pointer)).toEqual([
      '/campaign/methodId',
      '/campaign/arms/0/gradeId',
    ]);
    const twice = [...campaign.specimens, campaign.specimens[0]!];
    expect(json<Problem>(await put({ ...campaign, specimens: twice }, 1).expect(422)).detail).toMatch(
      /KA-A1 is there twice/,
    );
    await put(campaign, 7).expect(409);
  });
  test('what has been tested stays: the specimen, its grade, the method, the campaign', async () => {
    const { campaign } = await add(campaignOf('KB'));
    await putTrial(typed('KB', 'KB-A1')).expect(200);
    await put({ ...campaign, specimens: campaign.specimens.slice(1) }, 1).expect(422);
    await put({ ...campaign, methodId: 'bend-bar' }, 1).expect(422);
    await put({ ...campaign, arms: [{ ...campaign.arms[0]!, gradeId: 'tm-petg' }] }, 1).expect(422);
    await put({ ...campaign, specimens: campaign.specimens.slice(0, 2) }, 1).expect(200);
    expect(json<Problem>(await api().delete('/api/v1/campaigns/KB?revision=2').expect(409)).detail).toMatch(
      /bad ones too/,
    );
    await add(campaignOf('KP', { inspections: [{ id: 'look-1', at: '2026-11-01T10:00:00Z', findings: [] }] }));
    expect(json<Problem>(await api().delete('/api/v1/campaigns/KP?revision=1').expect(409)).detail).toMatch(
      /looks are kept/,
    );
    await put(
      { ...campaign, specimens: campaign.specimens.slice(0, 2), setUp: { ...campaign.setUp, widthMm: 9 } },
      2,
    ).expect(422);
    await add(campaignOf('KC'));
    await api().delete('/api/v1/campaigns/KC?revision=1').expect(204);
  });
  test('labels are a PDF with every specimen, dates an iCalendar', async () => {
    await add(campaignOf('KD', { inspectOn: ['2026-12-01', '2027-03-01'], place: 'Pylon 7' }));
    const labels = await api().get('/api/v1/campaigns/KD/labels.pdf?base=http://127.0.0.1:4600').buffer().expect(200);
    expect((labels.body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
    const dates = await api().get('/api/v1/campaigns/KD/inspections.ics').expect(200);
    expect(dates.text.match(/BEGIN:VEVENT/g)).toHaveLength(2);
    expect(dates.text).toContain('LOCATION:Pylon 7');
  });
});

describe('a trial that was typed', () => {
  test('is tested once; what was read never changes, but may be corrected or left out with a reason', async () => {
    await add(campaignOf('KE'));
    const trial = typed('KE', 'KE-A1', { asRead: { value: 30.6, unit: 'kgf' } });
    await putTrial(trial).expect(200);
    expect(json<Problem>(await putTrial(typed('KE', 'KE-A1')).expect(409)).title).toBe('It has been tested');
    expect(json<Problem>(await putTrial({ ...trial, found: { peakN: 500 } }, 1).expect(422)).errors![0]!.pointer).toBe(
      '/trial/found',
    );
    const left = {
      ...trial,
      corrected: { found: { peakN: 310 }, why: 'misread' },
      excluded: { why: 'parted in the grip' },
    };
    await putTrial(left, 1).expect(200);
    await putTrial(left, 1).expect(409);
    await putTrial({ ...left, excluded: { why: '' } }, 2).expect(422);
    await putTrial(typed('KE', 'KE-A9')).expect(422);
    await putTrial(typed('KE', 'KE-A2', { state: 'abandoned', found: {} })).expect(200);
    await putTrial(typed('KE', 'KE-A2')).expect(200);
  });
});

describe('a curve out of a file', () => {
  const csv = [
    'travel (mm),force (lbf)',
    ...Array.from({ length: 400 }, (_, i) => `${i / 100},${i < 350 ? (i / 5).toFixed(2) : 0}`),
  ].join('\n');
  const send = (id: string, specimenId: string, text: string) =>
    api().post(`/api/v1/campaigns/${id}/specimens/${specimenId}/curve`).set('Content-Type', 'text/csv').send(text);
  test('gives peak, stiffness and work in N, with the tackle counted', async () => {
    await add(campaignOf('KF', { setUp: { widthMm: 4, thicknessMm: 3, pulleyRatio: 2, pulleyEfficiency: 0.9 } }));
    const { trial, taken } = json<TrialRecord & { taken: string[] }>(await send('KF', 'KF-A1', csv).expect(201));
    const lbf = 4.4482216;
    expect(trial.found.peakN).toBeCloseTo((349 / 5) * lbf * 1.8, 1);
    expect(trial.found.stiffnessNPerMm).toBeCloseTo(20 * lbf * 1.8, 1);
    expect(taken[1]).toMatch(/force in lbf/);
    const curve = await curveOf(trial.id);
    expect(curve.readings).toBe(400);
    expect(Math.max(...(curve.forceN as number[]))).toBeCloseTo(trial.found.peakN!, 1);
  });
  test.each([
    ['a word among the numbers', 'mm,N\n1,2\n2,slipped\n', /line 3/],
    ['no force', 'time (s),travel (mm)\n1,2\n2,3\n', /no column of the force/],
    ['nothing', '', /numbers/],
  ])('%s is refused and nothing is kept', async (_, text, why) => {
    await add(campaignOf('KG')).catch(() => undefined);
    expect(json<Problem>(await send('KG', 'KG-A1', text).expect(422)).detail).toMatch(why);
    expect(await trialsOf('KG')).toEqual([]);
  });
});

describe('a live run', () => {
  test('reads the gauges to the break, finds peak and stiffness, and the rig takes one at a time', async () => {
    await add(campaignOf('KH'));
    const { trial } = json<TrialRecord>(await start('KH', 'KH-A1').expect(201));
    // Whoever comes second must not set the gauges of the first to zero.
    const zero = jest.spyOn(server.instruments, 'zero');
    expect(json<Problem>(await start('KH', 'KH-A2').expect(409)).title).toBe('The rig is in use');
    expect(zero).not.toHaveBeenCalled();
    zero.mockRestore();
    clock.pass(8);
    const done = await ended('KH', trial.id);
    expect(done).toMatchObject({ state: 'done', source: 'live', events: [] });
    expect(done.found.peakN).toBeGreaterThan(50);
    expect(done.found.stiffnessNPerMm! / (done.found.peakN! / 4)).toBeCloseTo(1, 1);
    expect(done.temperatureC).toBeCloseTo(21.5, 0);
    const curve = await curveOf(trial.id);
    expect(curve.readings).toBeGreaterThan(50);
    expect(Math.max(...curve.forceN.map((n) => n ?? 0))).toBeCloseTo(done.found.peakN!, 3);
    await start('KH', 'KH-A1').expect(409);
  });
  test('that drops out goes on where the gauge still remembers; one past its range is only a bound', async () => {
    // Wide enough that no 500 N gauge reads its break.
    await add(campaignOf('KI', { setUp: { widthMm: 12, thicknessMm: 8 } }));
    const { trial } = json<TrialRecord>(await start('KI', 'KI-A1').expect(201));
    await pulled(trial.id, 1);
    await behave('force-gauge', 'off');
    await noted('KI', trial.id, 'drop-out');
    await behave('force-gauge', 'well');
    clock.pass(7);
    const done = await ended('KI', trial.id);
    expect(done.events.map(({ kind }) => kind)).toEqual(['drop-out', 'back', 'over-range']);
    expect(done.overRange).toBe(true);
    const numbers = await server.db.raw<{ rows: { n: number; most: number }[] }>(
      `select count(*)::int as n, max(number)::int as most from trial_readings where trial_id = ? and channel = 'force'`,
      [trial.id],
    );
    // None is lost: as many as the last one’s number.
    expect(numbers.rows[0]!.n).toBe(numbers.rows[0]!.most);
  });
  test('outlives its server: another goes on with it, and says so', async () => {
    await add(campaignOf('KJ'));
    const { trial } = json<TrialRecord>(await start('KJ', 'KJ-A1').expect(201));
    await pulled(trial.id, 1);
    await server.runs.stop();
    clock.pass(7);
    const silent = pino({ level: 'silent' });
    const instruments = instrumentService(server.db, silent, server.devices);
    const leases = leasesOf(server.installation, 'another process');
    const runs = runService(
      server.db,
      silent,
      { instruments, devices: server.devices, leases, schemaName: FIRST_SCHEMA },
      clock.now,
    );
    await runs.resume();
    const done = await ended('KJ', trial.id);
    await runs.stop();
    expect(done.events.map(({ kind }) => kind)).toEqual(['restart']);
    expect(done.found.peakN).toBeGreaterThan(50);
  });
  test('is ended by hand, with what was read or with no result; damaged lines are told', async () => {
    await add(campaignOf('KK'));
    const one = json<TrialRecord>(await start('KK', 'KK-A1').expect(201)).trial;
    await pulled(one.id, 2);
    const kept = json<TrialRecord>(await api().delete(`/api/v1/trials/${one.id}/run?as=done`).expect(200)).trial;
    expect(kept).toMatchObject({ state: 'done' });
    expect(kept.found.peakN).toBeGreaterThan(0);
    await behave('force-gauge', 'nonsense');
    expect(json<Problem>(await start('KK', 'KK-A2').expect(503)).detail).toMatch(/said nothing/);
    await behave('force-gauge', 'off');
    await start('KK', 'KK-A2').expect(503);
    await behave('force-gauge', 'well');
    const two = json<TrialRecord>(await start('KK', 'KK-A2').expect(201)).trial;
    await behave('force-gauge', 'nonsense');
    clock.pass(2);
    await noted('KK', two.id, 'damaged');
    await behave('force-gauge', 'well');
    const gone = json<TrialRecord>(await api().delete(`/api/v1/trials/${two.id}/run?as=abandoned`).expect(200)).trial;
    expect(gone.state).toBe('abandoned');
    expect(gone.events.map(({ kind }) => kind)).toContain('damaged');
    await api().delete(`/api/v1/trials/${two.id}/run`).expect(404);
  });
  test('with nothing usable read ends all the same, and leaves the rig free', async () => {
    await add(campaignOf('KX'));
    const { trial } = json<TrialRecord>(await start('KX', 'KX-A1').expect(201));
    await behave('force-gauge', 'off');
    // As after looks in which every line of the force was damaged: the other gauges were read, the force was not.
    await server.db('trial_readings').where({ trial_id: trial.id, channel: 'force' }).delete();
    const moved = { trial_id: trial.id, channel: 'moved', number: 1, s: 0, value: 0.1, over: false };
    await server.db('trial_readings').insert(moved).onConflict().ignore();
    const left = json<TrialRecord>(await api().delete(`/api/v1/trials/${trial.id}/run?as=done`).expect(200)).trial;
    expect(left).toMatchObject({ state: 'abandoned', found: {} });
    await behave('force-gauge', 'well');
    await api().delete(`/api/v1/trials/${trial.id}/run`).expect(404);
  });
  test('a sag over two days is read at the method’s times, and what came back', async () => {
    await add(
      campaignOf(
        'KL',
        {
          methodId: 'sag-48h',
          arms: [{ id: 'A', gradeId: 'tm-asa', orientation: 'XY' }],
          setUp: { spanMm: 100, widthMm: 10, thicknessMm: 4, loadN: 5 },
        },
        1,
      ),
    );
    const { trial } = json<TrialRecord>(await start('KL', 'KL-A1').expect(201));
    clock.pass(14);
    const done = await ended('KL', trial.id);
    const moved = done.found.moved!;
    expect(moved.map(({ timeS }) => timeS)).toEqual([10, 60, 600, 3600, 21_600, 86_400, 172_800, 176_400, 259_200]);
    const loaded = moved.filter(({ unloaded }) => !unloaded).map(({ movedMm }) => movedMm);
    expect([...loaded].sort((a, b) => a - b)).toEqual(loaded);
    expect(moved.at(-1)!.movedMm).toBeLessThan(loaded.at(-1)! / 3);
  });
});

test('two days at ten readings a second are kept as some thousands, close enough at every time', () => {
  const all = Array.from({ length: 200_000 }, (_, i) => ({
    channel: 'moved' as const,
    number: i + 1,
    s: (i + 1) / 10,
    value: 1,
    over: false,
  }));
  const kept = thinned(all, 0);
  expect(kept.length).toBeLessThan(4000);
  expect(kept[0]!.s).toBe(0.1);
  for (let i = 1; i < kept.length; i++) {
    const step = kept[i]!.s - kept[i - 1]!.s;
    expect(step).toBeLessThanOrEqual(Math.max(0.1, Math.min(20, 0.005 * kept[i]!.s)) + 0.11);
  }
  // Handed over in pieces it comes to the same.
  const half = thinned(all.slice(0, 90_000), 0);
  expect([...half, ...thinned(all.slice(90_000), half.at(-1)!.s)]).toEqual(kept);
});

describe('a result', () => {
  const post = (id: string, path: string, body: object) =>
    api().post(`/api/v1/campaigns/${id}/acceptances${path}`).send(body);
  const wanted = { armId: 'A', outcomeId: 'strength' };
  test('becomes an observation of the grade; parts whose answer moves are marked with the reason', async () => {
    const { revision } = await add(campaignOf('KM', { arms: [{ id: 'A', gradeId: 'tm-asa', orientation: 'XY' }] }, 5));
    for (let i = 1; i <= 2; i++) await putTrial(typed('KM', `KM-A${i}`, { found: { peakN: 120 + i } })).expect(200);
    expect(json<Problem>(await post('KM', '/preview', wanted).expect(422)).detail).toMatch(/three readings/);
    for (let i = 3; i <= 5; i++) await putTrial(typed('KM', `KM-A${i}`, { found: { peakN: 120 + i } })).expect(200);
    const before = json<GradeRecord>(await api().get('/api/v1/grades/tm-asa'));
    const preview = json<{ observations: Observation[]; gradeRevision: number; impact: EvidenceImpact }>(
      await post('KM', '/preview', wanted).expect(200),
    );
    expect(preview.observations[0]).toMatchObject({
      value: 10.25,
      unit: 'MPa',
      count: 5,
      source: 'bench',
      orientation: 'XY',
      conditioning: 'dry',
    });
    const moved = preview.impact.parts.filter(({ changes }) => changes.length > 0);
    expect(moved.length).toBeGreaterThan(0);
    expect(json<GradeRecord>(await api().get('/api/v1/grades/tm-asa'))).toEqual(before);
    const request = { ...wanted, by: 'M. Aldous', campaignRevision: revision, gradeRevision: preview.gradeRevision };
    await post('KM', '', { ...request, gradeRevision: 99 }).expect(409);
    await post('KM', '', { ...request, campaignRevision: 9 }).expect(409);
    expect(json<PartNotice[]>(await api().get('/api/v1/part-notices'))).toEqual([]);
    const accepted = json<CampaignRecord>(await post('KM', '', request).expect(200));
    expect(accepted.campaign.accepted).toMatchObject([
      { armId: 'A', by: 'M. Aldous', gradeRevision: preview.gradeRevision + 1 },
    ]);
    const { grade } = json<GradeRecord>(await api().get('/api/v1/grades/tm-asa'));
    expect(grade.observations.filter(({ id }) => id === 'bench-KM-A-strength')).toHaveLength(1);
    const notices = json<PartNotice[]>(await api().get('/api/v1/part-notices'));
    expect(notices.map(({ partId }) => partId).sort()).toEqual(moved.map(({ partId }) => partId).sort());
    expect(notices[0]!.cause).toMatch(/campaign KM/);
    const { cleared } = json<{ cleared: number }>(
      await api().delete(`/api/v1/parts/${notices[0]!.partId}/notices`).expect(200),
    );
    expect(cleared).toBe(1);
    // Accepted again it takes its own place, and moves nothing any more.
    const again = { ...request, campaignRevision: accepted.revision, gradeRevision: preview.gradeRevision + 1 };
    await post('KM', '', again).expect(200);
    expect(json<PartNotice[]>(await api().get('/api/v1/part-notices'))).toHaveLength(notices.length - 1);
  });
  test('that is no property, or of an arm that is not there, is refused', async () => {
    await post('KM', '/preview', { armId: 'A', outcomeId: 'peak' }).expect(422);
    await post('KM', '/preview', { armId: 'B', outcomeId: 'strength' }).expect(422);
    await post('ZZ', '/preview', wanted).expect(404);
  });
});

test('results by one method stand side by side, newest first', async () => {
  const found = json<MethodResult[]>(await api().get('/api/v1/test-methods/pull-bar/results').expect(200));
  expect(found.filter(({ campaignId }) => campaignId === 'K1')).toMatchObject([{ n: 5 }, { n: 5 }, { n: 5 }]);
  const times = found.map(({ lastAt }) => lastAt);
  expect(times).toEqual([...times].sort().reverse());
  const ofPart = json<MethodResult[]>(
    await api().get('/api/v1/parts/0a7c1d00-0000-4000-8000-000000000003/test-results').expect(200),
  );
  expect(new Set(ofPart.map(({ campaignId }) => campaignId))).toEqual(new Set(['K1', 'K3']));
  expect(ofPart.find(({ campaignId }) => campaignId === 'K3')).toMatchObject({
    checkId: 'sag-after-duration',
    n: 3,
    predicted: 1498,
  });
  expect(json<MethodResult[]>(await api().get('/api/v1/test-methods/leave-out/results'))).toEqual([]);
  await api().get('/api/v1/test-methods/none/results').expect(404);
});

describe('what is attached', () => {
  const send = (content: Buffer, name: string) =>
    api()
      .post(`/api/v1/campaigns/KN/attachments?about=KN-A1&name=${encodeURIComponent(name)}`)
      .set('Content-Type', 'application/octet-stream')
      .send(content);
  test('is told by its content; a page is no picture, and no name leads out of the folder', async () => {
    await add(campaignOf('KN'));
    const png = Buffer.concat([Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]), Buffer.alloc(20)]);
    const kept = json<Attachment>(await send(png, '../../etc/break"<b>.png').expect(201));
    expect(kept).toMatchObject({ mediaType: 'image/png', name: 'break__b_.png', bytes: 28, aboutId: 'KN-A1' });
    const back = await api().get(`/api/v1/attachments/${kept.id}`).buffer().expect(200);
    expect(Buffer.compare(back.body as Buffer, png)).toBe(0);
    expect(back.headers['x-content-type-options']).toBe('nosniff');
    const note = json<Attachment>(await send(Buffer.from('<script>alert(1)</script>'), 'note.html').expect(201));
    expect(note.mediaType).toBe('text/plain');
    expect((await api().get(`/api/v1/attachments/${note.id}`)).headers['content-disposition']).toMatch(/^attachment/);
    await send(Buffer.from([0, 1, 2, 255]), 'thing.png').expect(422);
    expect(json<Attachment[]>(await api().get('/api/v1/campaigns/KN/attachments'))).toHaveLength(2);
    await api().delete(`/api/v1/attachments/${kept.id}`).expect(204);
    await api().get(`/api/v1/attachments/${kept.id}`).expect(404);
  });
});

test('without a gauge a run is refused with what to do instead', async () => {
  const { db, installation, shared } = server;
  const first = makeParts({ ...shared, devices: [] }, { db, slug: 'workshop', schemaName: FIRST_SCHEMA });
  const app = createApp({ first, installation, logger: shared.logger });
  await add(campaignOf('KO'));
  const problem = json<Problem>(await request(app).post('/api/v1/campaigns/KO/specimens/KO-A1/runs').expect(503));
  expect(problem.detail).toMatch(/read a file, or type/);
});
