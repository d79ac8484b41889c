import { ask, InstrumentSilent } from '../instruments/ask.ts';
import type { Device } from '../instruments/device.ts';
import { benchRig } from './benchRig.ts';
import type { MountedSpecimen } from './mountedSpecimen.ts';
import { humidityLogger } from './humidityLogger.ts';
import { printer } from './printer.ts';
import { scale } from './scale.ts';
import { supplier } from './supplier.ts';

const closing: (() => Promise<void>)[] = [];
afterEach(async () => {
  for (const close of closing.splice(0)) await close();
});
/** A clock that is set by hand. */
function clockAt(iso: string) {
  let ms = Date.parse(iso);
  return { now: () => new Date(ms), forward: (s: number) => void (ms += 1000 * s) };
}
async function made<T extends { close(): Promise<void> }>(one: Promise<T>): Promise<T> {
  const found = await one;
  closing.push(() => found.close());
  return found;
}
const asked = async (device: Device, ...[question, last]: [Parameters<typeof ask>[1], string]) =>
  (await ask(device.address, question, last, 2000)).lines;
const behave = (device: Device, how: Parameters<NonNullable<Device['standIn']>['behave']>[0]) =>
  device.standIn!.behave(how);

describe('the scale', () => {
  const read = async (device: Device) => Number((await asked(device, ['READ'], 'MASS'))[0]!.fields.g);

  test('shows what is put on it, and its check weight', async () => {
    const { device } = await made(scale());
    expect(await read(device)).toBeCloseTo(0, 0);
    device.standIn!.put!(812.4);
    expect(await read(device)).toBeCloseTo(812.4, 0);
    expect(Number((await asked(device, ['CHECK'], 'MASS'))[0]!.fields.g)).toBeCloseTo(200, 0);
  });

  test('above its range it says so and shows no mass', async () => {
    const { device } = await made(scale());
    device.standIn!.put!(7000);
    expect((await asked(device, ['READ'], 'OVER')).map(({ word }) => word)).toEqual(['OVER']);
  });

  test('that drifts is off by more with each reading, and its check weight tells', async () => {
    const { device } = await made(scale());
    await behave(device, 'drifts');
    const [first, second] = [await read(device), await read(device)];
    expect(second - first).toBeGreaterThan(1);
    expect(Number((await asked(device, ['CHECK'], 'MASS'))[0]!.fields.g)).toBeGreaterThan(203);
    await behave(device, 'well');
    expect(await read(device)).toBeCloseTo(0, 0);
  });

  test('dead nobody listens there, and back it is at the same address', async () => {
    const { device } = await made(scale());
    const { port } = device.address;
    await behave(device, 'off');
    await expect(read(device)).rejects.toThrow(InstrumentSilent);
    await behave(device, 'well');
    expect(device.address.port).toBe(port);
    expect(await read(device)).toBeCloseTo(0, 0);
  });

  test('what it does not know it says it does not know', async () => {
    const { device } = await made(scale());
    expect((await asked(device, ['DANCE'], 'WHAT'))[0]!.word).toBe('WHAT');
  });
});

describe('the humidity logger', () => {
  const since = (device: Device, number = 0, most = 2000) => asked(device, ['SINCE', { number, most }], 'END');

  test('remembers two weeks of quarter hours, each with its number, and tells only what is newer', async () => {
    const clock = clockAt('2026-06-01T12:00:00Z');
    const { device } = await made(humidityLogger({ now: clock.now }));
    const air = (await since(device)).filter(({ word }) => word === 'AIR');
    // From now back to the same moment two weeks ago.
    expect(air).toHaveLength(14 * 24 * 4 + 1);
    for (const { fields } of air) {
      expect(Number(fields.rh)).toBeGreaterThan(25);
      expect(Number(fields.rh)).toBeLessThan(75);
      // Two sensors that agree.
      expect(Math.abs(Number(fields.rh) - Number(fields.rh2))).toBeLessThan(1);
    }
    const last = Number(air.at(-1)!.fields.number);
    expect((await since(device, last)).map(({ word }) => word)).toEqual(['END']);
    clock.forward(1800);
    expect((await since(device, last)).filter(({ word }) => word === 'AIR')).toHaveLength(2);
  });

  test('the same moment has the same air, whoever asks', async () => {
    const clock = clockAt('2026-06-01T12:00:00Z');
    const [one, other] = [
      await made(humidityLogger({ now: clock.now })),
      await made(humidityLogger({ now: clock.now })),
    ];
    expect(await since(one.device, 0, 40)).toEqual(await since(other.device, 0, 40));
  });

  test('what it would have seen while it was off is lost', async () => {
    const clock = clockAt('2026-06-01T12:00:00Z');
    const { device } = await made(humidityLogger({ now: clock.now }));
    const last = Number((await since(device)).at(-2)!.fields.number);
    await behave(device, 'off');
    clock.forward(6 * 3600);
    await behave(device, 'well');
    clock.forward(3600);
    const air = (await since(device, last)).filter(({ word }) => word === 'AIR');
    expect(air).toHaveLength(4);
  });

  test('that drifts has one sensor leave the other', async () => {
    const clock = clockAt('2026-06-01T12:00:00Z');
    const { device } = await made(humidityLogger({ now: clock.now }));
    const last = Number((await since(device)).at(-2)!.fields.number);
    await behave(device, 'drifts');
    clock.forward(2 * 3600);
    const air = (await since(device, last)).filter(({ word }) => word === 'AIR');
    const apart = air.map(({ fields }) => Number(fields.rh) - Number(fields.rh2));
    expect(apart[0]!).toBeGreaterThan(5);
    expect(apart.at(-1)!).toBeGreaterThan(apart[0]!);
  });

  test('that hangs up halfway leaves what came whole', async () => {
    const { device } = await made(humidityLogger());
    await behave(device, 'drops-out');
    const error = await since(device).catch((one: unknown) => one as InstrumentSilent);
    expect(error).toBeInstanceOf(InstrumentSilent);
    expect((error as InstrumentSilent).lines).toHaveLength(25);
    expect((error as InstrumentSilent).message).toBe('it hung up before it had finished');
  });

  test('that talks nonsense is heard to: every third line is damaged', async () => {
    const { device } = await made(humidityLogger());
    await behave(device, 'nonsense');
    const { lines, damaged } = await ask(device.address, ['SINCE', { number: 0, most: 31 }], 'END', 2000);
    expect(lines.length + damaged).toBe(32);
    expect(damaged).toBe(11);
  });
});

describe('the printer', () => {
  const progress = async (device: Device) => (await asked(device, ['PROGRESS'], 'PRINT'))[0]!.fields;

  test('stands idle, prints an hour in three seconds, and is done', async () => {
    const clock = clockAt('2026-06-01T12:00:00Z');
    const { device } = await made(printer(clock.now));
    expect(await progress(device)).toMatchObject({ state: 'idle', done: '0' });
    device.standIn!.begin!({ job: 'Lamp arm', filamentG: 120, hours: 4 });
    clock.forward(6);
    expect(await progress(device)).toMatchObject({
      state: 'printing',
      job: 'Lamp arm',
      done: '50.0',
      filament: '60.0',
      hours: '2.000',
      left: '2.000',
    });
    clock.forward(6);
    expect(await progress(device)).toMatchObject({ state: 'done', done: '100.0', left: '0.000' });
  });

  test('switched off in the middle it has failed, with what was used by then', async () => {
    const clock = clockAt('2026-06-01T12:00:00Z');
    const { device } = await made(printer(clock.now));
    device.standIn!.begin!({ job: 'Lamp arm', filamentG: 120, hours: 4 });
    clock.forward(3);
    await behave(device, 'off');
    clock.forward(60);
    await behave(device, 'well');
    expect(await progress(device)).toMatchObject({ state: 'failed', done: '25.0', filament: '30.0' });
  });

  test('switched off when it was done, it stays done', async () => {
    const clock = clockAt('2026-06-01T12:00:00Z');
    const { device } = await made(printer(clock.now));
    device.standIn!.begin!({ job: 'Pin', filamentG: 2, hours: 0.5 });
    clock.forward(10);
    await behave(device, 'off');
    await behave(device, 'well');
    expect(await progress(device)).toMatchObject({ state: 'done' });
  });
});

test('the supplier’s list is a table with its number of rows, and its prices move by less than a tenth', async () => {
  const clock = clockAt('2026-06-01T12:00:00Z');
  const { device } = await made(supplier(clock.now));
  const rows = await asked(device, ['LIST'], 'END');
  expect(Number(rows.at(-1)!.fields.rows)).toBe(rows.length - 1);
  expect(rows[0]!.fields.text).toBe('Article;Name;Maker;Spool g;Price USD;Supply');
  const priceIn = (line: (typeof rows)[number]) => Number(line.fields.text!.split(';')[4]);
  clock.forward(40 * 3600);
  const later = await asked(device, ['LIST'], 'END');
  const changes = rows.slice(1, -1).map((line, i) => priceIn(later[i + 1]!) / priceIn(line));
  expect(Math.max(...changes)).toBeLessThan(1.2);
  expect(Math.min(...changes)).toBeGreaterThan(0.8);
  expect(new Set(changes.map((change) => change.toFixed(3))).size).toBeGreaterThan(5);
});

describe('the rig', () => {
  const pull: MountedSpecimen = {
    kind: 'force',
    seed: 7,
    beganMs: Date.parse('2026-06-01T12:00:00Z'),
    advantage: 1,
    peakN: 300,
    crackN: null,
    stiffnessNPerMm: 150,
  };
  const rig = async (specimen: MountedSpecimen) => {
    const clock = clockAt('2026-06-01T12:00:00Z');
    const found = await made(benchRig(clock.now));
    const [force, moved, thermometer] = found.devices;
    force!.standIn!.mount!(specimen);
    return { clock, force: force!, moved: moved!, thermometer: thermometer! };
  };
  const loads = async (device: Device) =>
    (await asked(device, ['SINCE', { number: 0, most: 600 }], 'END'))
      .filter(({ word }) => word !== 'END')
      .map(({ fields }) => ({
        number: Number(fields.number),
        s: Number(fields.s),
        value: Number(fields.n ?? fields.mm),
        over: fields.over,
      }));

  test('with nothing in it has no readings', async () => {
    const { devices, close } = await benchRig();
    closing.push(close);
    expect((await asked(devices[0]!, ['SINCE', { number: 0 }], 'END'))[0]!.fields.readings).toBe('0');
  });

  test('a pull rises evenly to its largest force at the stiffness of the bar, and then it has parted', async () => {
    const { clock, force, moved } = await rig(pull);
    clock.forward(20);
    const [forces, ways] = [await loads(force), await loads(moved)];
    const peak = Math.max(...forces.map(({ value }) => value));
    expect(peak).toBeGreaterThan(285);
    expect(peak).toBeLessThan(303);
    expect(forces.at(-1)!.value).toBeLessThan(2);
    // Between a quarter and three quarters of the peak: its slope is the stiffness.
    const rising = forces.filter(
      ({ value }, i) => value > 75 && value < 225 && i < forces.findIndex((one) => one.value === peak),
    );
    const [first, last] = [rising[0]!, rising.at(-1)!];
    const wayOf = (number: number) => ways.find((one) => one.number === number)!.value;
    expect((last.value - first.value) / (wayOf(last.number) - wayOf(first.number))).toBeCloseTo(150, -1);
  });

  test('what the gauge cannot read is said to be over, and never more than its range', async () => {
    const { clock, force } = await rig({ ...pull, peakN: 900, stiffnessNPerMm: 300 });
    clock.forward(20);
    const forces = await loads(force);
    expect(Math.max(...forces.map(({ value }) => value))).toBe(500);
    expect(forces.filter(({ over }) => over === 'yes').length).toBeGreaterThan(3);
    expect(forces.filter(({ over, value }) => over !== 'yes' && value > 500)).toEqual([]);
  });

  test('through a tackle the gauge reads a part of it', async () => {
    const { clock, force } = await rig({ ...pull, peakN: 900, stiffnessNPerMm: 300, advantage: 3.6 });
    clock.forward(20);
    const peak = Math.max(...(await loads(force)).map(({ value }) => value));
    expect(peak).toBeGreaterThan(240);
    expect(peak).toBeLessThan(252);
  });

  test('a crack takes some of the force off before the rest', async () => {
    const { clock, force } = await rig({ ...pull, crackN: 180 });
    clock.forward(20);
    const forces = await loads(force);
    const drop = forces.findIndex(
      ({ value }, i) => i > 0 && forces[i - 1]!.value > 170 && value < forces[i - 1]!.value - 4,
    );
    expect(forces[drop - 1]!.value).toBeGreaterThan(172);
    expect(forces[drop - 1]!.value).toBeLessThan(190);
  });

  test('a sag grows ever slower while the weight hangs, and comes back in part when it is taken off', async () => {
    const { clock, moved } = await rig({
      kind: 'time',
      seed: 3,
      beganMs: pull.beganMs,
      advantage: 1,
      loadN: 20,
      instantMm: 2,
      creepA: 0.1,
      creepN: 0.3,
      loadedS: 172_800,
      totalS: 259_200,
    });
    clock.forward(30);
    const ways = await loads(moved);
    const at = (s: number) =>
      ways.reduce((best, one) => (Math.abs(one.s - s) < Math.abs(best.s - s) ? one : best)).value;
    // 2 mm × (1 + 0.1 · t^0.3), t in hours: the gauge keeps its last minute of readings, which are all of them here.
    expect(at(3600)).toBeCloseTo(2 * 1.1, 1);
    expect(at(172_000)).toBeCloseTo(2 * (1 + 0.1 * 47.8 ** 0.3), 1);
    expect(at(250_000)).toBeLessThan(0.4);
    expect(at(250_000)).toBeGreaterThan(0);
  });
});
