import type {
  DryerScheduleRecord,
  MachineRecord,
  PrintRecord,
  Problem,
  ScheduleProposal,
  Spool,
  SpoolRecord,
  Stock,
} from '@anvilstone/schema';
import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { testServer } from '../testServer.ts';

let server: Awaited<ReturnType<typeof testServer>>;
beforeAll(async () => {
  server = await testServer({ demo: true });
});
afterAll(() => server.close());

const api = () => request(server.app);
const json = <T>(response: { text: string }) => JSON.parse(response.text) as T;
const stock = async () => json<Stock>(await api().get('/api/v1/stock').expect(200));
const inStock = async (id: string) => (await stock()).spools.find(({ spool }) => spool.id === id)!;
const put = (spool: Spool, revision: number) => api().put(`/api/v1/spools/${spool.id}`).send({ spool, revision });
const fresh: Spool = {
  id: 'S-90',
  gradeId: 'tm-asa',
  colour: 'green',
  filamentDiameterMm: 1.75,
  netMassG: 1000,
  emptyReelG: 235,
  placeId: 'by-printers',
  events: [],
  sampleData: true,
};

describe('the stock', () => {
  test('fourteen spools in different states, each with its clock and what is left', async () => {
    const { spools, dryers, places } = await stock();
    expect(spools).toHaveLength(14);
    expect(new Set(spools.map(({ clock }) => clock?.state))).toEqual(new Set(['dry', 'use-within', 'wet', 'unknown']));
    expect(dryers).toHaveLength(3);
    expect(places.map(({ place }) => place.id)).toContain('rack');
    // 771 g on the scale less a reel of 235 g.
    expect(spools.find(({ spool }) => spool.id === 'S-01')).toMatchObject({ massG: 536 });
    // Wet polyamide: 90 h on the open rack whose logger has told nothing yet.
    const wet = spools.find(({ spool }) => spool.id === 'S-03')!;
    expect(wet.clock).toMatchObject({ state: 'wet', startedAs: 'dried', useWithinH: 0 });
    expect(wet.clock!.gapH).toBeGreaterThan(80);
    expect(wet.clock!.needsDryingH).toBeGreaterThanOrEqual(8);
  });
  test('a spool is added, changed with its revision, and removed', async () => {
    expect(json<SpoolRecord>(await put(fresh, 0).expect(200))).toEqual({ spool: fresh, revision: 1 });
    expect((await inStock('S-90')).clock).toMatchObject({ state: 'unknown', startedAs: 'sealed' });
    await put({ ...fresh, lot: 'A-1' }, 1).expect(200);
    const stale = json<Problem>(await put({ ...fresh, lot: 'B-2' }, 1).expect(409));
    expect(stale.current).toMatchObject({ spool: { lot: 'A-1' }, revision: 2 });
    await api().delete('/api/v1/spools/S-90?revision=1').expect(409);
    await api().delete('/api/v1/spools/S-90?revision=2').expect(204);
    await put(fresh, 2).expect(404);
  });
  test('a grade or place nobody knows, and a weighing that cannot be, are refused where they are', async () => {
    const bad = await put({ ...fresh, gradeId: 'nobody', placeId: 'nowhere' }, 0).expect(422);
    expect(json<Problem>(bad).errors!.map(({ pointer }) => pointer)).toEqual(['/spool/gradeId', '/spool/placeId']);
    const at = new Date().toISOString();
    const heavy = { kind: 'weighed' as const, at, grossG: 1900, from: 'typed' as const };
    const refused = json<Problem>(await put({ ...fresh, events: [heavy] }, 0).expect(422));
    expect(refused.errors![0]).toMatchObject({
      pointer: '/spool/events/0/grossG',
      detail: expect.stringMatching(/cannot gain/) as string,
    });
    await put({ ...fresh, events: [{ ...heavy, note: 'A larger reel' }] }, 0).expect(200);
    // What was accepted once is not asked for again.
    await put({ ...fresh, lot: 'x', events: [{ ...heavy, note: 'A larger reel' }] }, 1).expect(200);
    await api().delete('/api/v1/spools/S-90?revision=2').expect(204);
  });
  test('labels with codes are a PDF; a base that is no address and a spool nobody has are refused', async () => {
    const pdf = await api().get('/api/v1/spools/labels.pdf?base=http://127.0.0.1:4600').expect(200);
    expect((pdf.body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
    await api().get('/api/v1/spools/labels.pdf?base=javascript:alert(1)').expect(422);
    await api().get('/api/v1/spools/labels.pdf').expect(422);
    await api().get('/api/v1/spools/labels.pdf?base=http://a&ids=S-01,S-77').expect(404);
  });
});

describe('the dryer schedule', () => {
  const propose = async (record: DryerScheduleRecord) =>
    json<ScheduleProposal>(await api().post('/api/v1/dryer-schedule/proposal').send(record).expect(200));
  test('is proposed, kept, exported as iCalendar, and finished: its spools are dry', async () => {
    const before = (await stock()).schedule;
    const { schedule, impossible } = await propose(before);
    expect(impossible).toEqual([]);
    const runOf = (id: string) => schedule.runs.find(({ loads }) => loads.includes(id));
    expect(runOf('S-03')).toBeDefined();
    expect(runOf('pawls-first-batch')).toMatchObject({ dryerId: 'damp-box', temperatureC: 60 });
    // Nothing was saved by asking.
    expect((await stock()).schedule).toEqual(before);

    // It began some hours ago, so that it can be over now.
    const run = { ...runOf('S-03')!, start: new Date(Date.now() - 20 * 3600e3).toISOString() };
    const kept = json<DryerScheduleRecord>(
      await api()
        .put('/api/v1/dryer-schedule')
        .send({
          schedule: { ...schedule, runs: schedule.runs.map((one) => (one.id === run.id ? run : one)) },
          revision: before.revision,
        })
        .expect(200),
    );
    await api().put('/api/v1/dryer-schedule').send({ schedule, revision: before.revision }).expect(409);
    const calendar = (await api().get('/api/v1/dryer-schedule.ics').expect(200)).text;
    expect(calendar.match(/BEGIN:VEVENT/g)).toHaveLength(schedule.runs.length);
    expect(calendar.replace(/\r\n /g, '')).toMatch(/SUMMARY:.*S-03/);
    expect(calendar).toMatch(/BEGIN:VALARM/);

    await api()
      .delete(`/api/v1/dryer-schedule/runs/${run.id}?revision=${kept.revision - 1}`)
      .expect(409);
    expect((await inStock('S-03')).clock!.state).toBe('wet');
    const after = json<DryerScheduleRecord>(
      await api().delete(`/api/v1/dryer-schedule/runs/${run.id}?revision=${kept.revision}`).expect(200),
    );
    expect(after.schedule.runs.map(({ id }) => id)).not.toContain(run.id);
    const { spool, clock } = await inStock('S-03');
    expect(clock!.state).not.toBe('wet');
    expect(spool.need).toBeUndefined();
    expect(spool.events.at(-1)).toMatchObject({ kind: 'dried', temperatureC: run.temperatureC });
    await api().delete(`/api/v1/dryer-schedule/runs/${run.id}?revision=${after.revision}`).expect(404);
  });
});

describe('a print that is over', () => {
  const condition = async (id: string) =>
    json<MachineRecord[]>(await api().get('/api/v1/machines').expect(200)).find(({ machine }) => machine.id === id)!
      .machine.condition!;
  const print: PrintRecord = {
    id: randomUUID(),
    machineId: 'workshop-enclosed',
    spoolId: 'S-08',
    what: 'Gauge beam',
    endedAt: new Date().toISOString(),
    hours: 5.5,
    massG: 120,
    succeeded: false,
    note: 'Let go of the bed',
  };
  const write = (one: PrintRecord) => api().put(`/api/v1/prints/${one.id}`).send(one);
  test('wears the machine, empties the spool and counts as scrap, once however often it is sent', async () => {
    const [before, spool] = [await condition(print.machineId), await inStock('S-08')];
    await write(print).expect(200);
    await write(print).expect(200);
    expect(await condition(print.machineId)).toMatchObject({
      hours: before.hours! + 5.5,
      prints: before.prints! + 1,
      failedPrints: before.failedPrints! + 1,
      nozzleAbrasiveG: before.nozzleAbrasiveG! + 120,
    });
    expect((await inStock('S-08')).massG).toBeCloseTo(spool.massG - 120, 9);
    const listed = json<PrintRecord[]>(await api().get('/api/v1/machines/workshop-enclosed/prints').expect(200));
    expect(listed).toEqual([print]);
  });
  test('an unfilled spool wears no nozzle; an unknown machine or spool leaves everything as it was', async () => {
    const before = await condition('workshop-enclosed');
    await write({ ...print, id: randomUUID(), spoolId: 'S-01', succeeded: true }).expect(200);
    expect((await condition('workshop-enclosed')).nozzleAbrasiveG).toBe(before.nozzleAbrasiveG);
    const lost = { ...print, id: randomUUID(), spoolId: 'S-99' };
    expect(json<Problem>(await write(lost).expect(422)).errors![0]!.pointer).toBe('/spoolId');
    await write({ ...print, id: randomUUID(), machineId: 'none' }).expect(422);
    expect((await condition('workshop-enclosed')).prints).toBe(before.prints! + 1);
  });
  test('a machine is changed with its revision; more failures than prints are refused', async () => {
    const [first] = json<MachineRecord[]>(await api().get('/api/v1/machines'));
    const { machine, revision } = first!;
    const send = (condition: MachineRecord['machine']['condition'], at: number) =>
      api()
        .put(`/api/v1/machines/${machine.id}`)
        .send({ machine: { ...machine, condition }, revision: at });
    const bad = await send({ prints: 3, failedPrints: 4 }, revision).expect(422);
    expect(json<Problem>(bad).errors![0]!.pointer).toBe('/machine/condition/failedPrints');
    await send({ prints: 4, failedPrints: 3 }, revision).expect(200);
    await send({ prints: 5 }, revision).expect(409);
  });
});
