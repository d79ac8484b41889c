import fc from 'fast-check';
import {
  dryingHoursFrom,
  fractionDried,
  spoolMoisture,
  WET_FRACTION,
  type AirStretch,
  type SpoolWater,
} from './spoolMoisture.ts';

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

describe('dried again', () => {
  test('from balance as long as stated, wetter longer: ln(8/π²·140)/ln(8/π²·100) = 1.077', () => {
    expect(dryingHoursFrom(polyamide, 1)).toBeCloseTo(10, 9);
    expect(dryingHoursFrom(polyamide, 1.4)).toBeCloseTo(10 * 1.0766, 3);
    expect(dryingHoursFrom(polyamide, 0.01)).toBe(0);
    expect(after(room(14)).needsDryingH).toBe(10);
    expect(after(room(50_000, 70)).needsDryingH).toBeCloseTo(10.77, 2);
    expect(after(room(3)).needsDryingH).toBe(0);
  });
  test('what it says is enough, less is not, and cooler takes longer', () => {
    const needed = dryingHoursFrom(polyamide, 1.4);
    expect(fractionDried(polyamide, 1.4, needed, 80)).toBe(0);
    expect(fractionDried(polyamide, 1.4, needed, 95)).toBe(0);
    expect(fractionDried(polyamide, 1.4, needed / 2, 80)).toBeGreaterThan(0.05);
    expect(fractionDried(polyamide, 1.4, needed, 70)).toBeGreaterThan(0.05);
    // 1.642 times as long at 70 °C, by Arrhenius.
    expect(fractionDried(polyamide, 1.4, needed * 1.643, 70)).toBe(0);
    expect(fractionDried(polyamide, 1, 0, 80)).toBeLessThanOrEqual(1);
  });
  test('whatever is dried, and however long, gets no wetter', () => {
    const share = fc.double({ min: 0, max: 2, noNaN: true });
    const property = fc.property(share, fc.double({ min: 0, max: 40, noNaN: true }), (fraction, hours) => {
      const left = fractionDried(polyamide, fraction, hours, 75);
      expect(left).toBeLessThanOrEqual(fraction);
      expect(fractionDried(polyamide, fraction, hours + 1, 75)).toBeLessThanOrEqual(left);
    });
    fc.assert(property);
  });
});

test.each([
  ['humidity', [room(1, 120)], /humidityPct/],
  ['hours', [room(0)], /hours/],
  ['temperature', [room(1, 50, Number.NaN)], /temperatureC/],
] as const)('refuses %s that is none', (_what, air, said) => expect(() => after(...air)).toThrow(said));
