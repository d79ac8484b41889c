import type { Brief, PartGeometry } from '@anvilstone/schema';
import { abs, applies, briefWith, outcome, testBrief } from './testContext.ts';
import { growthDifferenceMm } from './thermalFit.ts';
import { toughReserve } from './toughness.ts';

describe('temperatures and neighbours', () => {
  // 1 + (−20 + 25)/max(20, 43)
  test('cold: margin over the brittle temperature', () => {
    expect(outcome('cold-embrittlement', { ...testBrief, asks: { heat: { coldestC: -20 } } }).reserve).toBeCloseTo(
      1 + 5 / 43,
      9,
    );
    expect(outcome('cold-embrittlement', { ...testBrief, asks: { heat: { coldestC: -30 } } }).status).toBe('fail');
  });
  test.each([
    [-25, -25, 1],
    [23, 3, 2],
    [-25, 60, 0],
  ])('at %p °C, brittle at %p °C: %p', (at, brittle, reserve) =>
    expect(toughReserve(at, brittle)).toBeCloseTo(reserve, 9),
  );
  // |90 − 11.7|·1e−6·400·43
  test('growth against steel', () =>
    expect(
      growthDifferenceMm({
        expansion1e6PerK: 90,
        otherExpansion1e6PerK: 11.7,
        lengthMm: 400,
        coldestC: -20,
        hottestC: 50,
      }),
    ).toBeCloseTo(1.34676, 5));
  test('the joint takes it or not', () => {
    const fixed = (allowedMm: number): Brief => ({
      ...testBrief,
      asks: { thermalFit: { fixedTo: 'steel', lengthMm: 400, coldestC: -20, hottestC: 50, allowedMm } },
    });
    expect(outcome('thermal-fit', fixed(2)).status).toBe('pass');
    expect(outcome('thermal-fit', fixed(0.5)).status).toBe('fail');
  });
  test('pressure × speed and friction', () => {
    const sliding = (speedMPerS: number): Brief => ({
      ...testBrief,
      asks: { sliding: { pressureMPa: 1, speedMPerS, maxFriction: 0.3 } },
    });
    expect(outcome('pressure-velocity', sliding(0.01)).reserve).toBeCloseTo(2, 9); // poor wear class: 0.02
    expect(outcome('friction', sliding(0.01))).toMatchObject({ demand: 0.4, capacity: 0.3, status: 'fail' });
  });
  test('a gear that turns is asked for pressure × speed by itself', () => {
    const gear: PartGeometry = {
      model: 'gear-tooth',
      moduleMm: 2,
      teeth: 24,
      mateTeeth: 48,
      faceWidthMm: 14,
      speedRpm: 60,
    };
    expect(outcome('pressure-velocity', briefWith({ torqueNmm: 1000 }, gear)).demand).toBeCloseTo(
      (41.6667 / 28) * 0.01885,
      4,
    );
    expect(applies('pressure-velocity', briefWith({ torqueNmm: 1000 }, { ...gear, speedRpm: 0 }))).toBe(false);
  });
  test('a hot face is asked for its own temperature', () => {
    const hot: PartGeometry = {
      model: 'hot-contact',
      areaMm2: 600,
      thicknessMm: 8,
      otherBody: 'steel',
      otherTemperatureC: 80,
      ownTemperatureC: 20,
      contactS: 3,
      touches: 1200,
    };
    const result = outcome('contact-temperature', briefWith({ forceN: 100, maxSagMm: 0.5 }, hot));
    expect(result.demand).toBeGreaterThan(76);
    expect(result.demand).toBeLessThan(80);
    expect(result).toMatchObject({ status: 'pass', unit: '°C' });
  });
});

describe('steady heat for a time of its own', () => {
  const warm = (steadyH?: number): Brief => ({
    ...briefWith({ forceN: 20, durationH: 20000, maxSagMm: 3 }),
    asks: { heat: { steadyC: 60, ...(steadyH === undefined ? {} : { steadyH }) } },
  });
  test('without one, and with one longer than the load, the load’s own time counts', () =>
    expect(outcome('heat-steady', warm(50000))).toEqual(outcome('heat-steady', warm())));
  test('shorter, it stands more heat, as the peak of that length does', () => {
    const short = outcome('heat-steady', warm(10));
    expect(short.reserve!).toBeGreaterThan(outcome('heat-steady', warm()).reserve!);
    const peak: Brief = { ...warm(), asks: { heat: { peak: { temperatureC: 60, durationH: 10 } } } };
    const limit = outcome('heat-peak', peak).capacity!;
    expect(short.capacity).toBe(Math.min(limit, abs.continuousServiceC));
  });
});
