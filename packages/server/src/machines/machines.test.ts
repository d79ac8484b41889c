import type { Machine, MachineRecord, PrintRecord, Problem, SpoolRecord } from '@anvilstone/schema';
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
const machines = async () => json<MachineRecord[]>(await api().get('/api/v1/machines').expect(200));
const machineOf = async (id: string) => (await machines()).find(({ machine }) => machine.id === id)!;
const spoolOf = async (id: string) =>
  json<SpoolRecord[]>(await api().get('/api/v1/spools').expect(200)).find(({ spool }) => spool.id === id)!;
const own = (id: string, more: Partial<Machine> = {}): Machine => ({
  id,
  name: 'Corner one',
  maximumNozzleC: 260,
  hotEndLining: 'all-metal',
  maximumBedC: 100,
  enclosure: 'open',
  maximumChamberC: null,
  nozzleMaterial: 'brass',
  nozzleDiameterMm: 0.4,
  extruder: 'direct',
  buildVolumeMm: { x: 220, y: 220, z: 240 },
  volumetricFlowMm3PerS: 10,
  hourlyRateUsd: 1,
  sampleData: false,
  ...more,
});
const print = (more: Partial<PrintRecord> = {}): PrintRecord => ({
  id: randomUUID(),
  machineId: 'old-wide',
  spoolId: 'S-03',
  what: 'Two pawls',
  endedAt: '2026-06-01T12:00:00Z',
  hours: 2.5,
  massG: 60,
  succeeded: true,
  ...more,
});
const put = (one: PrintRecord) => api().put(`/api/v1/prints/${one.id}`).send(one);

describe('a machine', () => {
  test('is added, changed only from its newest revision, and removed', async () => {
    const path = '/api/v1/machines/corner';
    const made = json<MachineRecord>(
      await api()
        .put(path)
        .send({ machine: own('corner'), revision: 0 })
        .expect(200),
    );
    expect(made).toMatchObject({ machine: own('corner'), revision: 1 });
    await api()
      .put(path)
      .send({ machine: own('corner', { name: 'Second' }), revision: 1 })
      .expect(200);
    const stale = await api()
      .put(path)
      .send({ machine: own('corner', { name: 'Third' }), revision: 1 })
      .expect(409);
    expect(json<Problem & { current: MachineRecord }>(stale).current).toMatchObject({
      revision: 2,
      machine: { name: 'Second' },
    });
    await api().delete(`${path}?revision=1`).expect(409);
    await api().delete(`${path}?revision=2`).expect(204);
    expect((await machines()).map(({ machine }) => machine.id)).not.toContain('corner');
  });

  test('of another id than its address, or with more failures than prints, is refused at the field', async () => {
    const other = await api()
      .put('/api/v1/machines/corner')
      .send({ machine: own('elsewhere'), revision: 0 })
      .expect(422);
    expect(json<Problem>(other).errors?.[0]?.pointer).toMatch(/\/id$/);
    const sums = await api()
      .put('/api/v1/machines/corner')
      .send({ machine: own('corner', { condition: { prints: 3, failedPrints: 4 } }), revision: 0 })
      .expect(422);
    expect(json<Problem>(sums).errors).toEqual([
      {
        pointer: '/machine/condition/failedPrints',
        detail: '4 prints failed of 3',
        accepted: 'no more than were started',
      },
    ]);
  });

  test('that is no machine says which field, and nothing is stored', async () => {
    const { nozzleDiameterMm: _gone, ...half } = own('half');
    const response = await api().put('/api/v1/machines/half').send({ machine: half, revision: 0 }).expect(422);
    expect(json<Problem>(response).errors?.[0]?.pointer).toBe('/machine/nozzleDiameterMm');
    expect((await machines()).map(({ machine }) => machine.id)).not.toContain('half');
  });
});

describe('a print that is over', () => {
  test('wears the machine, empties the spool and counts; fibre wears the nozzle', async () => {
    const [machine, spool] = [await machineOf('old-wide'), await spoolOf('S-03')];
    const before = machine.machine.condition ?? {};
    const one = print();
    await put(one).expect(200);
    const { condition } = (await machineOf('old-wide')).machine;
    expect(condition).toMatchObject({
      hours: (before.hours ?? 0) + 2.5,
      prints: (before.prints ?? 0) + 1,
      failedPrints: before.failedPrints ?? 0,
      // S-03 is glass-filled.
      nozzleAbrasiveG: (before.nozzleAbrasiveG ?? 0) + 60,
    });
    const { events } = (await spoolOf('S-03')).spool;
    expect(events).toHaveLength(spool.spool.events.length + 1);
    expect(events.at(-1)).toEqual({ kind: 'used', at: '2026-06-01T12:00:00Z', massG: 60, what: 'Two pawls' });
  });

  test('sent twice it counts once', async () => {
    const one = print({ spoolId: 'S-04' });
    await put(one).expect(200);
    const after = [await machineOf('old-wide'), await spoolOf('S-04')];
    await put({ ...one, massG: 999 }).expect(200);
    expect([await machineOf('old-wide'), await spoolOf('S-04')]).toEqual(after);
  });

  test('of an unfilled spool it wears no nozzle; a failed one counts as failed', async () => {
    const { condition: before = {} } = (await machineOf('hot-chamber')).machine;
    await put(print({ machineId: 'hot-chamber', spoolId: 'S-04', succeeded: false })).expect(200);
    const { condition: after = {} } = (await machineOf('hot-chamber')).machine;
    expect(after.nozzleAbrasiveG).toBe(before.nozzleAbrasiveG ?? 0);
    expect(after.failedPrints).toBe((before.failedPrints ?? 0) + 1);
  });

  test('from no known spool wears the machine alone; from one that is not there nothing is written', async () => {
    await put(print({ spoolId: null })).expect(200);
    const before = await machineOf('old-wide');
    const response = await put(print({ spoolId: 'S-99' })).expect(422);
    expect(json<Problem>(response).errors).toEqual([{ pointer: '/spoolId', detail: 'There is no spool “S-99”' }]);
    expect(await machineOf('old-wide')).toEqual(before);
    const gone = await put(print({ machineId: 'gone' })).expect(422);
    expect(json<Problem>(gone).errors?.[0]?.pointer).toBe('/machineId');
  });

  test('prints of a machine are listed, the newest first', async () => {
    for (const day of ['03', '05', '04'])
      await put(print({ machineId: 'bench-open', spoolId: null, endedAt: `2026-06-${day}T08:00:00Z` })).expect(200);
    const listed = json<PrintRecord[]>(await api().get('/api/v1/machines/bench-open/prints').expect(200));
    expect(listed.map(({ endedAt }) => endedAt.slice(8, 10))).toEqual(['05', '04', '03']);
  });

  test('two at once on one machine both count', async () => {
    const { condition: before = {} } = (await machineOf('workshop-enclosed')).machine;
    const both = [1, 2].map(() => print({ machineId: 'workshop-enclosed', spoolId: 'S-01', hours: 1, massG: 10 }));
    await Promise.all(both.map((one) => put(one).expect(200)));
    const { condition: after = {} } = (await machineOf('workshop-enclosed')).machine;
    expect(after.prints).toBe((before.prints ?? 0) + 2);
    expect(after.hours).toBeCloseTo((before.hours ?? 0) + 2, 9);
  });
});
