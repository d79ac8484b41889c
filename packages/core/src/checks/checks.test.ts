import { inWords, joined, spellOut } from '@anvilstone/core/foundations';
import type { Brief, LoadCase } from '@anvilstone/schema';
import { preparePart } from '../evaluation/evaluating/preparePart.ts';
import { Working } from '../foundations/trace/Working.ts';
import { findCheck } from './index.ts';
import { temperatureReserve } from './heat/temperatureReserve.ts';
import { ownHeatLimit } from './heat/ownHeatLimit.ts';
import { testBrief, testContext, testGrade, testLoad } from './testContext.ts';

const withLoad = (change: Partial<LoadCase>): Brief => ({ ...testBrief, loadCases: [{ ...testLoad, ...change }] });
const run = (id: string, ...context: Parameters<typeof testContext>) =>
  findCheck(id)!.evaluate(testContext(...context));

describe('in-plane strength', () => {
  // σ₀ = 10·100·5/1666.67 = 3 MPa, Kt(0.3) = 0.9072·0.3^−0.33333 = 1.3552 → 4.0656 MPa; 40/2 = 20 MPa → 4.919
  test('by hand: 20 MPa against 4.0656 MPa', () => {
    const result = run('strength-in-plane');
    expect(result.demand).toBeCloseTo(4.0656, 3);
    expect(result.capacity).toBeCloseTo(20, 9);
    expect(result.reserve).toBeCloseTo(4.919, 3);
    expect(result).toMatchObject({ status: 'pass', evidence: 'A', loadCaseId: 'load' });
  });
  test('upright, nothing runs within the layers: not stressed, and not a reserve', () =>
    expect(run('strength-in-plane', testBrief, 'ZX')).toMatchObject({ status: 'not-loaded', reserve: null }));
  // ABS loses its family's share per decade beyond a minute: 100 min = 2 decades.
  test('a lasting load lowers the capacity by the family’s loss per decade', () => {
    const loss = testContext().material.family!.staticFatigueLossPerDecade;
    expect(run('strength-in-plane', withLoad({ durationH: 100 / 60 })).capacity).toBeCloseTo(20 * (1 - 2 * loss), 9);
  });
  // At 75 °C ABS keeps 0.87 of its stiffness (knee), m = 0.8: 0.87^0.8 = 0.8946
  test('heat lowers it by (E(T)/E23)^m and the evidence by a class', () => {
    const result = run('strength-in-plane', withLoad({ temperatureC: 75 }));
    const m = testContext().material.family!.temperatureStrengthExponent;
    expect(result.capacity).toBeCloseTo(20 * 0.87 ** m, 2);
    expect(result.evidence).toBe('D');
  });
  test('of several loads the one with the minimum reserve decides', () => {
    const brief: Brief = { ...testBrief, loadCases: [testLoad, { ...testLoad, id: 'gust', forceN: 30 }] };
    expect(run('strength-in-plane', brief)).toMatchObject({ loadCaseId: 'gust' });
  });
  test('an unknown strength is unknown and names the gap', () => {
    const nothing = { ...testGrade, familyId: 'mystery', observations: [] };
    const result = run('strength-in-plane', testBrief, 'XY', nothing);
    expect(result).toMatchObject({ status: 'unknown', reserve: null, demand: null });
    expect(inWords(joined(result.gaps, '; '))).toMatch(/Tensile strength/);
  });
});

describe('interlayer strength', () => {
  // Flat: 1.5·10/200 = 0.075 MPa against 0.5·40·√0.6/2 = 7.746 MPa
  test('flat: shear between the layers by hand', () => {
    const result = run('strength-across-layers');
    expect(result.demand).toBeCloseTo(0.075, 9);
    expect(result.capacity).toBeCloseTo(7.746, 3);
  });
  test('on edge nothing pulls or slides the layers apart', () =>
    expect(run('strength-across-layers', testBrief, 'XZ').status).toBe('not-loaded'));
  // Upright: 4.0656 MPa against 24/2 = 12 MPa
  test('upright: the bending tension against σz', () => {
    const result = run('strength-across-layers', testBrief, 'ZX');
    expect(result.demand).toBeCloseTo(4.0656, 3);
    expect(result.reserve).toBeCloseTo(12 / 4.0656, 3);
  });
});

describe('movement', () => {
  // Bending 10·100³/(3·2000·1666.67) = 1 mm. Shear: G = 2000/(2·(1+ν)), on edge: 1.2·10·100/(G·200).
  test('deflection on edge by hand', () => {
    const { poisson } = testContext().material.family!;
    const shear = (1.2 * 10 * 100) / ((2000 / (2 * (1 + poisson))) * 200);
    const result = run('deflection-at-load', withLoad({ maxDeflectionMm: 1.5 }), 'XZ');
    expect(result.demand).toBeCloseTo(1 + shear, 9);
    expect(result.reserve).toBeCloseTo(1.5 / (1 + shear), 9);
  });
  test('flat is softer in shear than on edge, upright softer in bending too', () => {
    const demand = (orientation: 'XY' | 'XZ' | 'ZX') =>
      run('deflection-at-load', withLoad({ maxDeflectionMm: 1.5 }), orientation).demand!;
    expect(demand('XY')).toBeGreaterThan(demand('XZ'));
    expect(demand('ZX')).toBeGreaterThan(demand('XY') * 1.09); // 2000/1800 on the bending part
  });
  test('sag is the deflection times the creep growth, and rests on the family', () => {
    const brief = withLoad({ maxDeflectionMm: 5, maxSagMm: 5, durationH: 1000 });
    const { material } = testContext(brief);
    const result = run('sag-after-duration', brief);
    expect(result.demand).toBeCloseTo(run('deflection-at-load', brief).demand! * material.creepGrowth(23, 1000), 9);
    expect(result.evidence).toBe('D');
  });
  test('a limit that is not set is not asked', () => {
    expect(findCheck('sag-after-duration')!.applies(preparePart(testBrief))).toBe(false);
    expect(findCheck('deflection-at-load')!.applies(preparePart(withLoad({ maxDeflectionMm: 1 })))).toBe(true);
  });
});

describe('heat', () => {
  test.each([
    [60, 50, 1 + 10 / 27],
    [50, 50, 1],
    [40, 50, 1 - 10 / 27],
    [40, 30, 2], // below a requirement of 33 °C: 0.1 per K
    [-80, 50, 0],
  ])('a limit of %p °C against %p °C has a reserve of %p', (limit, required, reserve) =>
    expect(temperatureReserve(limit, required)).toBeCloseTo(reserve, 9),
  );

  test('an arm that fails cold has no limit, and its reserve is the share of the load it carries', () => {
    const heavy: Brief = { ...withLoad({ forceN: 500 }), asks: { heat: { steadyC: 30 } } };
    expect(ownHeatLimit(testContext(heavy))).toMatchObject({ limitC: -80 });
    const result = run('heat-steady', heavy);
    expect(result.status).toBe('fail');
    expect(result.reserve).toBeGreaterThan(0);
    expect(result.reserve).toBeLessThan(0.2);
  });

  test('a lightly loaded arm is capped by ageing in the steady case, not in the peak', () => {
    const light: Brief = {
      ...withLoad({ forceN: 0.5 }),
      asks: { heat: { steadyC: 60, steadyH: 20_000, peak: { temperatureC: 80, durationH: 1 } } },
    };
    const ageing = testContext().material.family!.continuousServiceC;
    expect(run('heat-steady', light)).toMatchObject({
      capacity: expect.closeTo(ageing, 6) as unknown,
      reason: 'Thermal ageing first',
    });
    expect(run('heat-peak', light).capacity).toBeGreaterThan(ageing);
  });

  test('a shorter peak is survived hotter', () => {
    const peak = (durationH: number): Brief => ({
      ...withLoad({ maxSagMm: 1.6, durationH: 5000 }),
      asks: { heat: { peak: { temperatureC: 60, durationH } } },
    });
    expect(run('heat-peak', peak(0.1)).capacity!).toBeGreaterThan(run('heat-peak', peak(100)).capacity! + 1);
  });
});

describe('mass, cost and printability', () => {
  // 20·10·100 mm³ · 1.04 g/cm³ = 20.8 g
  test('mass by hand', () =>
    expect(run('mass-limit', { ...testBrief, asks: { maxMassG: 41.6 } })).toMatchObject({
      demand: expect.closeTo(20.8, 9) as unknown,
      reserve: expect.closeTo(2, 9) as unknown,
    }));
  test('without a density, mass and cost are unknown', () => {
    const nameless = { ...testGrade, familyId: 'mystery', observations: [] };
    const brief: Brief = { ...testBrief, asks: { maxMassG: 1, maxCostUsd: 1 } };
    for (const id of ['mass-limit', 'cost-limit']) expect(run(id, brief, 'XY', nameless).status).toBe('unknown');
  });
  test('a grade without a price is costed at its family’s, and says so by its class', () => {
    const brief: Brief = { ...testBrief, asks: { maxCostUsd: 50 } };
    expect(run('cost-limit', brief, 'XY', { ...testGrade, pricePerKgUsd: null }).evidence).toBe('D');
    expect(run('cost-limit', brief).evidence).toBe('C');
  });
  test('ABS wants an enclosure: with only the open frame allowed it is blocked with the reason', () => {
    const brief: Brief = { ...testBrief, asks: { machineIds: ['bench-open'] } };
    expect(spellOut(run('printable', brief))).toMatchObject({
      status: 'fail',
      reserve: null,
      reason: expect.stringMatching(/enclosure/) as unknown,
    });
    expect(run('printable', testBrief)).toMatchObject({
      status: 'pass',
      reason: expect.stringMatching(/Workshop enclosed/) as unknown,
    });
  });
  test('no allowed machine left: unknown, not printable', () =>
    expect(run('printable', { ...testBrief, asks: { machineIds: ['sold'] } }).status).toBe('unknown'));
});

test('the working of a sag multiplies out to its demand', () => {
  const brief = withLoad({ maxSagMm: 5, durationH: 1000, temperatureC: 45 });
  const working = new Working();
  const { demand } = findCheck('sag-after-duration')!.evaluate(testContext(brief), working);
  const value = (symbol: string) => working.steps.find((step) => step.symbol === symbol)!.value as number;
  expect((value('δ') + value('δs')) * value('D·E')).toBeCloseTo(demand!, 9);
  expect(value('E')).toBeCloseTo(value('E₂₃') * value('E(T)/E₂₃'), 9);
});

test('the working of a strength multiplies out to its capacity', () => {
  const working = new Working();
  const { capacity } = findCheck('strength-in-plane')!.evaluate(
    testContext(withLoad({ durationH: 10, temperatureC: 60 })),
    working,
  );
  const value = (symbol: string) => working.steps.find((step) => step.symbol === symbol)!.value as number;
  expect((value('σxy') * value('kT') * value('kt')) / value('SF')).toBeCloseTo(capacity!, 9);
  expect(value('σ')).toBeCloseTo(value('σ₀') * value('Kt'), 9);
});
