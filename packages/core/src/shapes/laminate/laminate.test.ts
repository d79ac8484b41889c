import fc from 'fast-check';
import {
  bendingConstants,
  deformationOf,
  inPlaneConstants,
  laminateOf,
  NO_LOAD,
  turnedLaminate,
  type Ply,
} from './laminate.ts';
import { reducedStiffness, turnedStiffness, type Lamina } from './lamina.ts';
import { plyStresses } from './plyStress.ts';
import { graphiteEpoxy } from './testContext.ts';

const steel: Lamina = {
  ...graphiteEpoxy,
  name: 'isotropic',
  e1MPa: 2000,
  e2MPa: 2000,
  nu12: 0.35,
  g12MPa: 2000 / 2.7,
  alpha1PerK: 80e-6,
  alpha2PerK: 80e-6,
};
const ply = (angleDeg: number, thicknessMm = 5, lamina = graphiteEpoxy): Ply => ({ lamina, angleDeg, thicknessMm });
const digits = (value: number) => Number(value.toPrecision(4));

test('one ply at 0 and at 30°: Kaw, examples 2.6 and 2.7', () => {
  const q = reducedStiffness(graphiteEpoxy);
  expect([q[0][0], q[0][1], q[1][1], q[2][2]].map(digits)).toEqual([181800, 2897, 10350, 7170]);
  const turned = turnedStiffness(q, 30);
  expect([turned[0][0], turned[0][1], turned[0][2], turned[1][1], turned[1][2], turned[2][2]].map(digits)).toEqual([
    109400, 32460, 54190, 23650, 20050, 36740,
  ]);
});

test('[0/30/−45] of 5 mm plies: A, B, D to four digits, Kaw, example 4.2', () => {
  const { a, b, d } = laminateOf([ply(0), ply(30), ply(-45)]);
  // Pa·m, Pa·m², Pa·m³ in the book; N/mm, N, N·mm here. The book counts z downwards: B changes its sign.
  expect(a.flat().map((value) => digits(value * 1e3))).toEqual([
    1.739e9, 3.884e8, 5.663e7, 3.884e8, 4.533e8, -1.141e8, 5.663e7, -1.141e8, 4.525e8,
  ]);
  expect(b.flat().map((value) => digits(value))).toEqual([
    -3.129e6, 9.855e5, -1.072e6, 9.855e5, 1.158e6, -1.072e6, -1.072e6, -1.072e6, 9.855e5,
  ]);
  expect(d.flat().map((value) => digits(value * 1e-3))).toEqual([
    3.343e4, 6.461e3, -5.24e3, 6.461e3, 9.32e3, -5.596e3, -5.24e3, -5.596e3, 7.663e3,
  ]);
});

test('the same under 1000 N/m both ways: strains and curvatures, Kaw, example 4.3', () => {
  const { strain, curvature } = deformationOf(laminateOf([ply(0), ply(30), ply(-45)]), { ...NO_LOAD, nx: 1, ny: 1 });
  expect(strain.map(digits)).toEqual([3.123e-7, 3.492e-6, -7.598e-7]);
  // 1/m in the book
  expect(curvature.map((value) => digits(value * 1e3))).toEqual([2.971e-5, -3.285e-4, 4.101e-4]);
});

describe('degenerate cases', () => {
  const t = 3;
  const plate = laminateOf([ply(0, 1, steel), ply(37, 0.5, steel), ply(-80, 1.5, steel)]);
  test('one material in any directions is a plate: A = E·t/(1 − ν²), D = E·t³/(12·(1 − ν²)), B = 0', () => {
    const over = 1 - 0.35 ** 2;
    expect(plate.a[0][0]).toBeCloseTo((2000 * t) / over, 6);
    expect(plate.a[0][1]).toBeCloseTo((0.35 * 2000 * t) / over, 6);
    expect(plate.d[1][1]).toBeCloseTo((2000 * t ** 3) / 12 / over, 6);
    for (const value of plate.b.flat()) expect(Math.abs(value)).toBeLessThan(1e-8);
  });
  test('a strip of it is a beam: κ = 12·M/(E·b·t³), σ = 6·M/(b·t²)', () => {
    const load = { ...NO_LOAD, mx: 4 };
    expect(deformationOf(plate, load).curvature[0]).toBeCloseTo((12 * 4) / (2000 * t ** 3), 12);
    const top = plyStresses(plate, load).at(-1)!;
    expect(
      Math.abs(
        top.sigma1MPa * Math.cos((80 * Math.PI) / 180) ** 2 +
          top.sigma2MPa * Math.sin((80 * Math.PI) / 180) ** 2 +
          2 * top.tau12MPa * Math.cos((80 * Math.PI) / 180) * Math.sin((80 * Math.PI) / 180),
      ),
    ).toBeCloseTo((6 * 4) / t ** 2, 6);
  });
  test('its constants are those of the material, in plane and in bending, around every angle', () => {
    for (const angle of [0, 20, 90]) {
      const { exMPa, gxyMPa, nuxy } = inPlaneConstants(turnedLaminate(plate, angle));
      expect(exMPa).toBeCloseTo(2000, 6);
      expect(gxyMPa).toBeCloseTo(2000 / 2.7, 6);
      expect(nuxy).toBeCloseTo(0.35, 9);
    }
    expect(bendingConstants(plate).eyMPa).toBeCloseTo(2000, 6);
  });
  test('quasi-isotropic [0/60/−60]s: alike all round, G = E/(2·(1 + ν))', () => {
    const half = [ply(0, 1), ply(60, 1), ply(-60, 1)];
    const laminate = laminateOf([...half, ...[...half].reverse()]);
    const { exMPa, eyMPa, gxyMPa, nuxy } = inPlaneConstants(laminate);
    expect(eyMPa).toBeCloseTo(exMPa, 4);
    expect(gxyMPa).toBeCloseTo(exMPa / (2 * (1 + nuxy)), 4);
    expect(inPlaneConstants(turnedLaminate(laminate, 23)).exMPa).toBeCloseTo(exMPa, 4);
  });
  test('two layers that grow differently bow as a bimetal strip does (Timoshenko 1925)', () => {
    const still: Lamina = { ...steel, nu12: 0, g12MPa: 1000, alpha1PerK: 0, alpha2PerK: 0, e1MPa: 6000, e2MPa: 6000 };
    const grows: Lamina = { ...steel, nu12: 0, g12MPa: 1000 };
    const { curvature } = deformationOf(laminateOf([ply(0, 1, still), ply(0, 2, grows)]), { ...NO_LOAD, deltaTK: 50 });
    const [m, n] = [2 / 1, 2000 / 6000];
    const kappa = (6 * 80e-6 * 50 * (1 + m) ** 2) / (3 * (3 * (1 + m) ** 2 + (1 + m * n) * (m ** 2 + 1 / (m * n))));
    expect(Math.abs(curvature[0])).toBeCloseTo(kappa, 12);
  });
});

test('any symmetric layup has no B, any balanced one no A16, and cooling it alone stresses nothing on the whole', () => {
  const stack = fc.array(
    fc.record({
      angleDeg: fc.integer({ min: -90, max: 90 }),
      thicknessMm: fc.double({ min: 0.05, max: 2, noNaN: true }),
    }),
    { minLength: 1, maxLength: 8 },
  );
  fc.assert(
    fc.property(stack, (plies) => {
      const half = plies.map(({ angleDeg, thicknessMm }) => ply(angleDeg, thicknessMm));
      const symmetric = laminateOf([...half, ...[...half].reverse()]);
      const size = symmetric.a[0][0] * symmetric.thicknessMm;
      for (const value of symmetric.b.flat()) expect(Math.abs(value) / size).toBeLessThan(1e-12);
      const balanced = laminateOf(half.flatMap((one) => [one, { ...one, angleDeg: -one.angleDeg }]));
      expect(Math.abs(balanced.a[0][2]) / balanced.a[0][0]).toBeLessThan(1e-12);
      // Residual stresses of each kind sum to nothing over the thickness.
      const load = { ...NO_LOAD, deltaTK: -100 };
      const { strain, curvature } = deformationOf(symmetric, load);
      for (const value of curvature) expect(Math.abs(value)).toBeLessThan(1e-12);
      const again = deformationOf(laminateOf([...half, ...half].map((one) => one)), NO_LOAD);
      expect(again.strain).toEqual([0, 0, 0]);
      expect(strain.every(Number.isFinite)).toBe(true);
    }),
    { numRuns: 60 },
  );
});

test('turning the laminate and turning back changes nothing', () => {
  const laminate = laminateOf([ply(10, 1), ply(45, 2), ply(-30, 1)]);
  const back = turnedLaminate(turnedLaminate(laminate, 33), -33);
  back.a.flat().forEach((value, i) => expect(value).toBeCloseTo(laminate.a.flat()[i]!, 6));
});

test.each([
  [[], /one ply at least/],
  [[ply(0, 0)], /thicknessMm/],
  [[ply(0, 1, { ...graphiteEpoxy, nu12: 5 })], /below 4.19/],
  [[ply(0, 1, { ...graphiteEpoxy, e2MPa: -1 })], /e2MPa/],
])('what no laminate is made of is refused', (plies, why) => {
  expect(() => laminateOf(plies as Ply[])).toThrow(why);
});
