import type { Grade, LoadCase, PartGeometry } from '@anvilstone/schema';
import { creepGrowth } from '../materials/behaviour/creep.ts';
import { Working } from '../foundations/trace/Working.ts';
import { findCheck } from './index.ts';
import { abs, applies, briefWith, giveOf, outcome, testContext, testGrade } from './testContext.ts';

describe('held bent', () => {
  const held = (load: Partial<LoadCase> = {}) =>
    briefWith({ kind: 'held', displacementMm: 2, durationH: 1000, minHoldN: 5, ...load });
  test('starts with δ/c and relaxes by 1/g', () => {
    const growth = creepGrowth(testContext(held()).material.behaviour!.creep, 23, 1000);
    expect(outcome('holding-force', held()).capacity).toBeCloseTo(2 / giveOf(held()) / growth, 9);
  });
  test('the share that is left is the same for a stiff and a soft grade of one family, and falls with heat', () => {
    const softer: Grade = {
      ...testGrade,
      observations: testGrade.observations.map((one) =>
        one.property === 'tensileModulus' ? { ...one, value: one.value! / 2 } : one,
      ),
    };
    const left = (grade: Grade, temperatureC: number) => {
      const at = (durationH: number) =>
        outcome('holding-force', held({ durationH, temperatureC }), 'XZ', grade).capacity!;
      return at(4000) / at(1e-6);
    };
    expect(left(softer, 23)).toBeCloseTo(left(testGrade, 23), 6);
    expect(left(testGrade, 60)).toBeLessThan(left(testGrade, 23) - 0.05);
  });
  // ε = 3·h·y/(2L²)·Kt without shear: 1.5·10·2/10000 = 0.3 %, × 1.3552; a little less since shear takes some of the travel
  test('is judged by its strain, not by a stress that grows with its stiffness', () => {
    const result = outcome('strain', held());
    expect(result.demand!).toBeLessThan(0.3 * 1.35519);
    expect(result.demand!).toBeGreaterThan(0.3 * 1.35519 * 0.96);
    expect(result.capacity).toBeCloseTo(abs.elongationYieldPct! / 2, 9);
    expect(applies('strength-in-plane', held())).toBe(false);
  });
  test('upright, the layers stand less: in the ratio 24 : 40', () => {
    const flat = outcome('strain', held());
    const upright = outcome('strain', held(), 'ZX');
    expect(upright.capacity! / flat.capacity!).toBeCloseTo(24 / 40, 9);
  });
  test('bent again and again it stands the family’s share of it', () => {
    const bent = (cycles: number) =>
      outcome('strain', briefWith({ kind: 'repeated', forceN: 1, cycles }, hook)).capacity!;
    const hook: PartGeometry = {
      model: 'snap-hook',
      lengthMm: 20,
      thicknessMm: 2,
      widthMm: 5,
      taper: 'even',
      leadAngleDeg: 30,
      filletRadiusMm: 1,
    };
    const opened = (cycles: number) =>
      outcome('strain', briefWith({ kind: 'repeated', displacementMm: 1, cycles }, hook)).capacity!;
    expect(opened(1e6) / opened(1)).toBeCloseTo(0.2, 6);
    expect(opened(10)).toBeLessThan(opened(1));
    expect(() => bent(1)).toThrow(/displacementMm/);
  });
});

describe('held, seen closely', () => {
  // bore 54 mm, 30 long: presses on π·54·30 mm²
  test('a sleeve pushed over something holds by its pressure on the whole bore', () => {
    const sleeve: PartGeometry = {
      model: 'ring',
      outerDiameterMm: 60,
      wallMm: 3,
      lengthMm: 30,
      loading: 'pushed-over',
    };
    const brief = briefWith({ kind: 'held', displacementMm: 0.3, durationH: 1e-6, minHoldN: 10 }, sleeve);
    const pressureMPa = 0.3 / giveOf(brief, 'ZX');
    const held = outcome('holding-force', brief, 'ZX');
    expect(held.capacity! / (pressureMPa * Math.PI * 54 * 30)).toBeCloseTo(1, 1);
    expect(held.unit).toBe('N');
  });
  test('a hinge that turns holds no force, so none is asked of it', () => {
    const hinge: PartGeometry = { model: 'flexure', lengthMm: 6, thicknessMm: 0.5, widthMm: 30, motion: 'turns' };
    expect(applies('holding-force', briefWith({ kind: 'held', angleDeg: 20, minHoldN: 1 }, hinge))).toBe(false);
  });
  test('the working of a hook ends with the push it takes to close', () => {
    const hook: PartGeometry = {
      model: 'snap-hook',
      lengthMm: 20,
      thicknessMm: 2,
      widthMm: 5,
      taper: 'even',
      leadAngleDeg: 30,
      filletRadiusMm: 1,
    };
    const working = new Working();
    findCheck('strain')!.evaluate(testContext(briefWith({ kind: 'short', displacementMm: 1 }, hook), 'XZ'), working);
    const value = (symbol: string) => working.steps.find((step) => step.symbol === symbol)!.value as number;
    // µ = 0.4 of ABS: P·(0.4 + 0.57735)/(1 − 0.23094)
    expect(value('W') / value('P')).toBeCloseTo(1.27085, 4);
    // 3·E·I/L³ = 3·2000·3.3333/8000 = 2.5 N/mm
    expect(value('P')).toBeCloseTo(2.5, 6);
  });
  test('a hot pad says how many touches it lasts: more when it is cooler', () => {
    const touches = (otherTemperatureC: number) => {
      const pad: PartGeometry = {
        model: 'hot-contact',
        areaMm2: 600,
        thicknessMm: 8,
        otherBody: 'brass',
        otherTemperatureC,
        ownTemperatureC: 20,
        contactS: 3,
        touches: 1200,
      };
      const working = new Working();
      findCheck('contact-temperature')!.evaluate(testContext(briefWith({ forceN: 900, maxSagMm: 0.02 }, pad)), working);
      return working.steps.find((step) => step.symbol === 'N')!.value as number;
    };
    expect(touches(85)).toBeGreaterThan(touches(97));
    expect(touches(97)).toBeGreaterThanOrEqual(0);
    expect(touches(92)).toBeLessThan(1e8);
  });
});

describe('bolted', () => {
  const flange: PartGeometry = {
    model: 'bolted-flange',
    boltDiameterMm: 5,
    holeDiameterMm: 5.5,
    headDiameterMm: 10,
    thicknessMm: 8,
    edgeDistanceMm: 20,
  };
  const bolted = (durationH: number) => briefWith({ kind: 'held', forceN: 400, durationH, minHoldN: 100 }, flange);
  test('starts as tightened, and loses less than a spring of plastic alone, since the bolt gives too', () => {
    expect(outcome('holding-force', bolted(1e-9), 'XY').capacity).toBeCloseTo(400, -1);
    const left = outcome('holding-force', bolted(5000), 'XY').capacity! / 400;
    const growth = creepGrowth(testContext(bolted(1)).material.behaviour!.creep, 23, 5000);
    expect(left).toBeGreaterThan(1 / growth);
    expect(left).toBeLessThan(1);
  });
  test('under the head it is squeezed: 400 N / 54.78 mm²', () =>
    expect(outcome('strength-in-plane', bolted(10), 'XY').demand).toBeCloseTo(400 / 54.782, 3));
});
