import { filletConcentration } from '../sections/filletConcentration.ts';
import { section } from '../sections/section.ts';
import { cantileverShearDeflectionMm, cantileverTipDeflectionMm } from './cantilever.ts';

const arm = { forceN: 15, spanMm: 60, modulusMPa: 2400, secondMomentMm4: 360 }; // 20 × 6 mm: 20·6³/12 = 360 mm⁴
test('hand value: 15·60³ / (3·2400·360) = 1.25 mm', () => expect(cantileverTipDeflectionMm(arm)).toBeCloseTo(1.25, 10));
test('span × 2, deflection × 8', () => expect(cantileverTipDeflectionMm({ ...arm, spanMm: 120 })).toBeCloseTo(10, 10));
test.each([0, -1, NaN, Infinity])('refuses a span of %p by name', (spanMm) =>
  expect(() => cantileverTipDeflectionMm({ ...arm, spanMm })).toThrow(/spanMm/),
);
// 1.2·15·60 / (870·120) = 0.010345 mm
test('shear part by hand', () =>
  expect(
    cantileverShearDeflectionMm({ forceN: 15, spanMm: 60, shearModulusMPa: 870, areaMm2: 120, shearFormFactor: 1.2 }),
  ).toBeCloseTo(0.010345, 6));

describe('sections', () => {
  test('rectangle 20 × 6', () =>
    expect(section({ kind: 'rectangle', widthMm: 20, depthMm: 6 })).toMatchObject({
      areaMm2: 120,
      secondMomentMm4: 360,
      extremeFibreMm: 3,
      shearFormFactor: 1.2,
      peakShearFactor: 1.5,
    }));
  // π/64·20⁴ = 7853.98 mm⁴; π/64·(20⁴ − 16⁴) = 4637.0 mm⁴
  test('round 20 and tube 20 × 2', () => {
    expect(section({ kind: 'round', diameterMm: 20 }).secondMomentMm4).toBeCloseTo(7853.98, 2);
    const tube = section({ kind: 'tube', outerDiameterMm: 20, wallMm: 2 });
    expect(tube.secondMomentMm4).toBeCloseTo(4636.99, 2);
    expect(tube.peakShearFactor).toBeCloseTo(((4 / 3) * (1 + 0.8 + 0.64)) / 1.64, 9);
  });
  // Cowper 1966 with ν = 0.36: solid 9.16/8.16, thin (k → 1) (9.16·4 + 24.32)/(8.16·4)
  test('shear form factor of rounds', () => {
    expect(section({ kind: 'round', diameterMm: 5 }).shearFormFactor).toBeCloseTo(1.12255, 5);
    expect(section({ kind: 'tube', outerDiameterMm: 100, wallMm: 0.001 }).shearFormFactor).toBeCloseTo(1.8676, 3);
  });
  test('a wall of half the diameter is refused by name', () =>
    expect(() => section({ kind: 'tube', outerDiameterMm: 20, wallMm: 10 })).toThrow(/wallMm.*less than half/));
});

describe('fillet', () => {
  // 0.9072·0.1^−0.33333 = 1.9545
  test('flat bar, r/d = 0.1', () =>
    expect(filletConcentration({ filletRadiusMm: 1, depthMm: 10, notch: 'flat' })).toBeCloseTo(1.9545, 3));
  test('a sharp corner is a printed corner of 0.2 mm', () =>
    expect(filletConcentration({ filletRadiusMm: 0, depthMm: 6, notch: 'flat' })).toBeCloseTo(
      0.9072 * (0.2 / 6) ** -0.33333,
      9,
    ));
  test('never below 1, however large the fillet', () =>
    expect(filletConcentration({ filletRadiusMm: 500, depthMm: 6, notch: 'round' })).toBeGreaterThanOrEqual(1));
  test('refuses a negative radius', () =>
    expect(() => filletConcentration({ filletRadiusMm: -1, depthMm: 6, notch: 'flat' })).toThrow(/filletRadiusMm/));
});
