import { defaultLayerShearMPa, offAxisModulusMPa, offAxisStrengthMPa } from './offAxis.ts';

const strengths = { inPlaneMPa: 50, acrossMPa: 25, shearMPa: 20 };

describe('off-axis strength', () => {
  test('0° is the in-plane strength, 90° the strength across', () => {
    expect(offAxisStrengthMPa(strengths, 0)).toBeCloseTo(50, 12);
    expect(offAxisStrengthMPa(strengths, 90)).toBeCloseTo(25, 12);
  });
  // 45°: ¼/2500 + (1/400 − 1/2500)·¼ + ¼/625 = 0.0001 + 0.000525 + 0.0004 = 0.001025 → 31.2348 MPa
  test('45° by hand: 1/√0.001025 = 31.2348 MPa', () =>
    expect(offAxisStrengthMPa(strengths, 45)).toBeCloseTo(31.2348, 4));
  test('layer shear default: 0.5·50·√0.5 = 17.678 MPa', () =>
    expect(defaultLayerShearMPa(50, 25)).toBeCloseTo(17.6777, 4));
  test.each([-1, 91, NaN])('refuses an angle of %p', (angle) =>
    expect(() => offAxisStrengthMPa(strengths, angle)).toThrow(/angleDeg/),
  );
  test('refuses a strength of zero by name', () =>
    expect(() => offAxisStrengthMPa({ ...strengths, acrossMPa: 0 }, 10)).toThrow(/acrossMPa/));
});

describe('off-axis modulus', () => {
  const moduli = { inPlaneMPa: 2000, acrossMPa: 1800, shearMPa: 700, poisson: 0.38 };
  test('0° and 90° are the two moduli', () => {
    expect(offAxisModulusMPa(moduli, 0)).toBeCloseTo(2000, 9);
    expect(offAxisModulusMPa(moduli, 90)).toBeCloseTo(1800, 9);
  });
  // ¼·(1/2000 + (1/700 − 0.76/2000) + 1/1800) = ¼·0.00210413 → 1901.03 MPa
  test('45° by hand', () => expect(offAxisModulusMPa(moduli, 45)).toBeCloseTo(1901.03, 1));
});
