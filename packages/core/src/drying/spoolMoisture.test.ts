import { spoolMoisture, WET_FRACTION, type AirStretch, type SpoolWater } from './spoolMoisture.ts';

/** Out of the dryer it lasts 8 h. */
const polyamide: SpoolWater = { openHours: 8, dryingC: 80, dryingH: 10 };
const room = (hours: number, humidityPct = 50, temperatureC = 23): AirStretch => ({ hours, humidityPct, temperatureC });
const after = (...air: AirStretch[]) => spoolMoisture(polyamide, air);

test('by its own definition: after the open hours in ordinary air it is as wet as prints badly', () => {
  expect(after(room(8)).fraction).toBeCloseTo(WET_FRACTION, 4);
  expect(after(room(8.1)).state).toBe('wet');
  expect(after(room(4)).state).toBe('use-within');
});

test('early it goes with the square root of time: a quarter of the hours, half of the water', () =>
  expect(after(room(2)).fraction).toBeCloseTo(WET_FRACTION / 2, 3));

test('what is left: the open hours less what it lay out', () => {
  expect(spoolMoisture(polyamide, []).useWithinH).toBeCloseTo(8, 2);
  expect(after(room(5)).useWithinH).toBeCloseTo(3, 2);
  expect(after(room(9)).useWithinH).toBe(0);
});

test('two stretches of the same air are one', () =>
  expect(after(room(2), room(3)).fraction).toBeCloseTo(after(room(5)).fraction, 12));

test('damp air spoils it sooner, a dry box hardly', () => {
  expect(after(room(1, 80)).useWithinH).toBeLessThan(after(room(1)).useWithinH);
  expect(after(room(1), room(1, 8)).useWithinH).toBe(Infinity);
  expect(after(room(1), room(500, 8)).state).not.toBe('wet');
});

test('warmer air moves water faster', () =>
  expect(after(room(2, 50, 33)).fraction).toBeGreaterThan(1.2 * after(room(2)).fraction));

test('left out for good it is in balance with the air, whatever its history', () =>
  expect(after(room(1, 90), room(50_000, 60)).fraction).toBeCloseTo(1.2, 3));

test('dried again: as estimated, and never shorter than stated', () => {
  const overnight = after(room(14));
  expect(overnight.needsDryingH).toBeGreaterThanOrEqual(10);
  const soaked = spoolMoisture({ ...polyamide, dryingH: 0.5 }, [room(20_000, 90)]);
  expect(soaked.needsDryingH).toBeGreaterThan(0.5);
  // What it says is enough: after so long in the dryer it is dry.
  const dried = spoolMoisture({ ...polyamide, dryingH: 0.5 }, [
    room(20_000, 90),
    { hours: soaked.needsDryingH + 0.01, temperatureC: 80, humidityPct: 5 },
  ]);
  expect(dried.state).toBe('dry');
  expect(after(room(3)).needsDryingH).toBe(0);
});

test.each([
  ['humidity', [room(1, 120)], /humidityPct/],
  ['hours', [room(0)], /hours/],
  ['temperature', [room(1, 50, Number.NaN)], /temperatureC/],
] as const)('refuses %s that is none', (_what, air, said) => expect(() => after(...air)).toThrow(said));
