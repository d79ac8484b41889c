import type { Brief, PartGeometry } from '@anvilstone/schema';
import { abs, applies, briefWith, outcome, testBrief, testGrade, testLoad } from './testContext.ts';
import { growthDifferenceMm } from './heat/thermalFit.ts';
import { toughReserve } from './impact/toughness.ts';

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
  const rubs = (more: Partial<NonNullable<Brief['asks']['sliding']>>, temperatureC = 23): Brief => ({
    ...testBrief,
    loadCases: [{ ...testLoad, temperatureC }],
    asks: { sliding: { pressureMPa: 1, speedMPerS: 0.01, ...more } },
  });
  test('greased it bears five times as much, rubs at a tenth and wears a tenth', () => {
    const asked = { maxFriction: 0.3, distanceKm: 10, maxWearMm: 1 };
    const [dry, greased] = [rubs(asked), rubs({ ...asked, running: 'greased' })];
    const of = (id: string, brief: Brief) => outcome(id, brief);
    expect(of('pressure-velocity', greased).capacity! / of('pressure-velocity', dry).capacity!).toBeCloseTo(5, 9);
    expect(of('wear', greased).demand! / of('wear', dry).demand!).toBeCloseTo(0.1, 9);
    expect(of('friction', dry).demand).toBeGreaterThan(0.3);
    expect(of('friction', greased)).toMatchObject({ demand: 0.1, status: 'pass', evidence: 'D' });
    const gear = { model: 'gear-tooth', moduleMm: 2, teeth: 20, mateTeeth: 40, faceWidthMm: 12, speedRpm: 60 } as const;
    const capacity = (running: 'dry' | 'greased') =>
      outcome('pressure-velocity', briefWith({ torqueNmm: 500 }, { ...gear, running })).capacity!;
    expect(capacity('greased') / capacity('dry')).toBeCloseTo(5, 9);
  });
  // PLA: form limit Tg − 10 = 50 °C; at 36.5 °C half of the way from 23 °C is left, at 50 °C nothing.
  test.each([
    [23, 1],
    [10, 1],
    [36.5, 0.5],
    [50, 0],
    [80, 0],
  ])('at %p °C the face may warm up by %p of what it may at 23 °C', (temperatureC, share) => {
    const pla = { ...testGrade, familyId: 'pla', observations: [] };
    const at = (celsius: number) => outcome('pressure-velocity', rubs({}, celsius), 'XZ', pla).capacity!;
    expect(at(temperatureC) / at(23)).toBeCloseTo(share, 9);
  });
  test('the grade’s own limit takes the place of its wear class, and its evidence', () => {
    const own = {
      ...testGrade,
      observations: [
        ...testGrade.observations,
        {
          id: 'pv',
          property: 'pvLimit' as const,
          value: 2000,
          unit: 'psi·ft/min',
          source: 'datasheet' as const,
          reference: 'sheet',
        },
      ],
    };
    const found = outcome('pressure-velocity', rubs({}), 'XZ', own);
    // 2000 psi·ft/min = 2000 · 0.0068948 MPa · 0.00508 m/s
    expect(found.capacity).toBeCloseTo(0.070051, 5);
    expect(found.evidence).not.toBe('D');
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
