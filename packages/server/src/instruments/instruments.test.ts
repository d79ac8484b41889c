import type {
  Instrument,
  MassReading,
  Misbehaviour,
  PriceListPreview,
  PrintProgress,
  Problem,
  SpoolRecord,
  Stock,
} from '@anvilstone/schema';
import { createServer, type Server } from 'node:net';
import request from 'supertest';
import { pino } from 'pino';
import { handClock } from '../testClock.ts';
import { testServer } from '../testServer.ts';
import { humidityLogger } from '../simulators/humidityLogger.ts';
import { ask, InstrumentSilent } from './ask.ts';
import { readLine, writeLine } from './lineProtocol.ts';
import { airOfLine } from './readings.ts';
import { instrumentService } from './service.ts';

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
const stateOf = async (id: string) =>
  json<Instrument[]>(await api().get('/api/v1/instruments').expect(200)).find((one) => one.id === id)!;
const kept = async () => Number((await server.db('air_readings').count('number as n').first())!.n);
const fetchLog = async () =>
  json<{ added: number }>(await api().post('/api/v1/instruments/rack-logger/log').expect(200)).added;

describe('the line protocol', () => {
  test('a line comes back as it was written; a damaged one does not', () => {
    // 'A' ^ 'B' = 0x03.
    expect(writeLine('AB')).toBe('AB*03');
    const line = writeLine('ROW', { text: 'Nine Elms;3,50 €=*' });
    expect(readLine(line)).toEqual({ word: 'ROW', fields: { text: 'Nine Elms;3,50 €=*' } });
    for (const bad of [line.replace('N', 'M'), 'AB*04', 'AB', '', 'ab*03', `A B${'*20'}`])
      expect(readLine(bad)).toBeUndefined();
  });
  test('one that never stops, hangs up, or is not there', async () => {
    const servers: Server[] = [];
    const listen = (serve: Parameters<typeof createServer>[1]) =>
      new Promise<number>((resolve) => {
        const made = createServer(serve).listen(0, '127.0.0.1', () =>
          resolve((made.address() as { port: number }).port),
        );
        servers.push(made);
      });
    const hangsUp = await listen((socket) => socket.end(`${writeLine('AIR', { number: 1 })}\n`));
    const failed = ask({ host: '127.0.0.1', port: hangsUp }, ['SINCE'], 'END');
    await expect(failed).rejects.toThrow(/hung up/);
    await expect(failed.catch((error: InstrumentSilent) => error.lines.length)).resolves.toBe(1);
    const silent = await listen(() => {});
    await expect(ask({ host: '127.0.0.1', port: silent }, ['READ'], 'MASS', 60)).rejects.toThrow(/said nothing/);
    const babbles = await listen((socket) => {
      socket.on('error', () => socket.destroy());
      socket.write(`${writeLine('AIR')}\n`.repeat(30_000));
    });
    await expect(ask({ host: '127.0.0.1', port: babbles }, ['SINCE'], 'END')).rejects.toThrow(/stop talking/);
    for (const one of servers) one.close();
    await expect(ask({ host: '127.0.0.1', port: silent }, ['READ'], 'MASS')).rejects.toBeInstanceOf(InstrumentSilent);
  });
  test('air that cannot be is refused with the reason', () => {
    const now = Date.parse('2026-09-01T12:00:00Z');
    const line = (over: Record<string, string | number>) => ({
      word: 'AIR',
      fields: Object.fromEntries(
        Object.entries({ number: 5, at: '2026-09-01T11:00:00Z', t: 21, rh: 44, rh2: 45, ...over }).map(
          ([key, value]) => [key, String(value)],
        ),
      ),
    });
    expect(airOfLine(line({}), now)).toEqual({
      number: 5,
      at: '2026-09-01T11:00:00.000Z',
      temperatureC: 21,
      humidityPct: 44,
    });
    expect(() => airOfLine(line({ rh: 104 }), now)).toThrow(/104, which cannot be/);
    expect(() => airOfLine(line({ t: '' }), now)).toThrow(/t is “”/);
    expect(() => airOfLine(line({ rh2: 51 }), now)).toThrow(/7.0 % apart: one drifts/);
    expect(() => airOfLine(line({ at: '2026-09-01T13:00:00Z' }), now)).toThrow(/ahead of ours/);
  });
});

describe('a logger', () => {
  test('that drops out in the middle loses nothing: what came is kept, the rest comes later', async () => {
    await behave('rack-logger', 'drops-out');
    const first = await fetchLog();
    expect(first).toBe(25);
    expect(await stateOf('rack-logger')).toMatchObject({
      state: 'silent',
      problem: expect.stringMatching(/hung up/) as string,
    });
    // Killed altogether: what is kept stays, and the spools' clocks still run.
    await behave('rack-logger', 'off');
    expect(await fetchLog()).toBe(0);
    expect(await kept()).toBe(25);
    expect(json<Stock>(await api().get('/api/v1/stock').expect(200)).spools).toHaveLength(14);
    await behave('rack-logger', 'well');
    await fetchLog();
    // Two weeks of quarter hours.
    const all = await kept();
    expect(all).toBeGreaterThanOrEqual(14 * 96 - 1);
    expect(all).toBeLessThanOrEqual(14 * 96 + 2);
    expect((await stateOf('rack-logger')).state).toBe('answers');
    const gaps = await server.db.raw<{ rows: { apart: number }[] }>(
      `select max(extract(epoch from at - before)) as apart
       from (select at, lag(at) over (order by at) as before from air_readings) as steps`,
    );
    expect(Number(gaps.rows[0]!.apart)).toBe(900);
    // With its log the wet spool’s clock has no gap any more, but for the hour before its first reading.
    const wet = json<Stock>(await api().get('/api/v1/stock')).spools.find(({ spool }) => spool.id === 'S-03')!;
    expect(wet.clock!.gapH).toBeLessThan(1);
  });
  test('that talks nonsense gives what is sound, and says how much is not', async () => {
    await server.db('air_readings').delete();
    await behave('rack-logger', 'nonsense');
    await fetchLog();
    expect(await stateOf('rack-logger')).toMatchObject({
      state: 'nonsense',
      problem: expect.stringMatching(/damaged/) as string,
    });
    await behave('rack-logger', 'well');
    await fetchLog();
    const bad = await server.db('air_readings').where('humidity_pct', '>', 100).orWhere('temperature_c', '>', 90);
    expect(bad).toEqual([]);
  });
  test('that was off has a gap, and one whose sensors drift apart is not believed', async () => {
    let now = Date.parse('2026-09-01T00:00:00Z');
    const clock = () => new Date(now);
    const { device, close } = await humidityLogger({ everyS: 60, now: clock });
    const service = instrumentService(server.db, pino({ level: 'silent' }), [device], clock);
    const minutes = (n: number) => (now += n * 60e3);
    const count = async () => Number((await server.db('air_readings').count('number as n').first())!.n);
    await server.db('air_readings').delete();
    await service.fetchLog(device.id);
    const before = await count();
    minutes(10);
    expect(await service.fetchLog(device.id)).toBe(10);
    await device.standIn!.behave('off');
    minutes(30);
    expect(await service.fetchLog(device.id)).toBe(0);
    expect(service.list()[0]).toMatchObject({
      state: 'silent',
      problem: expect.stringMatching(/nothing listens/) as string,
    });
    await device.standIn!.behave('well');
    minutes(5);
    expect(await service.fetchLog(device.id)).toBe(5);
    await device.standIn!.behave('drifts');
    minutes(5);
    expect(await service.fetchLog(device.id)).toBe(0);
    expect(service.list()[0]).toMatchObject({
      state: 'nonsense',
      refusedCount: 5,
      problem: expect.stringMatching(/drifts/) as string,
    });
    expect(await count()).toBe(before + 15);
    await close();
  });
});

describe('a scale', () => {
  const weigh = (id: string, note?: string) =>
    api()
      .post(`/api/v1/spools/${id}/weighings/scale`)
      .send(note === undefined ? {} : { note });
  test('weighs, and its reading is written down', async () => {
    const { spool } = json<SpoolRecord>(await weigh('S-05').expect(200));
    const last = spool.events.at(-1) as { kind: string; grossG: number; from: string };
    expect(last).toMatchObject({ kind: 'weighed', from: 'scale' });
    expect(Math.abs(last.grossG - (240 + 1000 - 3))).toBeLessThan(0.2);
  });
  test.each([
    ['off', 503, /does not answer/],
    ['drops-out', 503, /hung up/],
    ['nonsense', 503, /said nothing/],
    ['drifts', 502, /shows 20[12]\.\d g for its own check weight of 200 g/],
  ] as const)('that is %s writes nothing down', async (behaviour, status, why) => {
    const before = (await server.db('spools').where({ id: 'S-02' }).first('revision')) as { revision: number };
    await behave('scale', behaviour);
    const problem = json<Problem>(await weigh('S-02').expect(status));
    expect(`${problem.title}. ${problem.detail}`).toMatch(why);
    expect(await server.db('spools').where({ id: 'S-02' }).first('revision')).toEqual(before);
    await behave('scale', 'well');
  });
  test('a reading that does not fit what is known needs a reason', async () => {
    const reading: MassReading = { at: new Date().toISOString(), massG: 5000 };
    const { spoolService } = await import('../spools/service.ts');
    const spools = spoolService(server.db);
    await expect(spools.weigh('S-02', reading, undefined)).rejects.toThrow(/cannot gain/);
    await expect(spools.weigh('S-02', reading, 'different reel')).resolves.toMatchObject({ spool: { id: 'S-02' } });
  });
});

describe('a supplier’s list', () => {
  const look = () => api().get('/api/v1/instruments/supplier/price-list');
  test('is held against the library, and chosen prices are taken over, all or none', async () => {
    const { lines } = json<PriceListPreview>(await look().expect(200));
    const known = lines.filter(({ gradeId, doubt, problem }) => gradeId && !doubt && !problem);
    expect(known.length).toBeGreaterThan(10);
    const prices = known.map(({ gradeId, gradeRevision, pricePerKgUsd }) => ({
      gradeId,
      gradeRevision,
      pricePerKgUsd,
    }));
    const stale = prices.map((one, i) => (i === 3 ? { ...one, gradeRevision: 99 } : one));
    const body = (list: typeof prices) => ({ source: 'a list', prices: list });
    await api().post('/api/v1/price-lists').send(body(stale)).expect(409);
    const priceOf = async (id: string) =>
      json<{ grade: { pricePerKgUsd: number }; revision: number }>(await api().get(`/api/v1/grades/${id}`));
    expect((await priceOf(prices[0]!.gradeId!)).revision).toBe(prices[0]!.gradeRevision);
    await api().post('/api/v1/price-lists').send(body(prices)).expect(200);
    expect((await priceOf(prices[0]!.gradeId!)).grade.pricePerKgUsd).toBeCloseTo(prices[0]!.pricePerKgUsd!, 2);
  });
  test('that comes incomplete is not used; slipped decimal points are doubted', async () => {
    await behave('supplier', 'drops-out');
    await look().expect(503);
    await behave('supplier', 'drifts');
    const { lines } = json<PriceListPreview>(await look().expect(200));
    expect(lines.filter(({ doubt }) => /times what it cost|decimal/.test(doubt ?? '')).length).toBeGreaterThan(3);
    await behave('supplier', 'well');
  });
  test('may be handed in as a file', async () => {
    const send = (text: string) => api().post('/api/v1/price-lists/preview').send({ text });
    const { lines } = json<PriceListPreview>(await send('Name,Net kg,Price\nNobody,1,20\n').expect(200));
    expect(lines).toMatchObject([{ gradeId: null, pricePerKgUsd: 20 }]);
    expect(json<Problem>(await send('Foo\nbar').expect(422)).detail).toMatch(/no column for the name/);
  });
});

describe('a printer', () => {
  const progress = () => api().get('/api/v1/instruments/printer/progress');
  test('tells how far it is; one that goes backwards is not believed, one that died has failed', async () => {
    const job = { job: 'Lamp arm', filamentG: 180, hours: 100 };
    await api().post('/api/v1/instruments/printer/jobs').send(job).expect(200);
    clock.pass(0.4);
    expect(json<PrintProgress>(await progress().expect(200))).toMatchObject({ state: 'printing', job: 'Lamp arm' });
    await behave('printer', 'drifts');
    // Half of the way less than what is done: first a jump ahead, then backwards.
    await progress().expect(200);
    clock.pass(3);
    expect(json<Problem>(await progress().expect(502)).detail).toMatch(/no print goes backwards/);
    await behave('printer', 'off');
    await progress().expect(503);
    await behave('printer', 'well');
    expect((await progress().expect(200)).body).toMatchObject({ state: 'failed', job: 'Lamp arm' });
  });
});

test('what is asked of the wrong instrument is refused', async () => {
  await api().get('/api/v1/instruments/scale/progress').expect(422);
  await api().get('/api/v1/instruments/nothing/progress').expect(404);
});
