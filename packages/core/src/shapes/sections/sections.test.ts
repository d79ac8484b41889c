import type { SectionGeometry } from '@anvilstone/schema';
import fc from 'fast-check';
import { section, type BendingDirection } from './section.ts';
import { torsionSection } from './torsion.ts';
import { filletConcentration } from './filletConcentration.ts';

/** What each expected value is worked out from stands beside it. */
const cases: [string, SectionGeometry, BendingDirection, Partial<ReturnType<typeof section>>][] = [
  // 40·60 − 30·50 = 900; (40·60³ − 30·50³)/12 = 407 500
  [
    'box 40 × 60, wall 5',
    { kind: 'box', widthMm: 40, depthMm: 60, wallMm: 5 },
    'depth',
    { areaMm2: 900, secondMomentMm4: 407500, extremeFibreMm: 30 },
  ],
  // (60·40³ − 50·30³)/12 = 207 500
  [
    'the same box sideways',
    { kind: 'box', widthMm: 40, depthMm: 60, wallMm: 5 },
    'width',
    { areaMm2: 900, secondMomentMm4: 207500, extremeFibreMm: 20 },
  ],
  // (40·60³ − 36·50³)/12 = 345 000; A = 2·40·5 + 4·50 = 600
  [
    'I 40 × 60, web 4, flanges 5',
    { kind: 'i', widthMm: 40, depthMm: 60, webMm: 4, flangeMm: 5 },
    'depth',
    {
      areaMm2: 600,
      secondMomentMm4: 345000,
      extremeFibreMm: 30,
      peakShearFactor: (600 * (5500 + 1250)) / (4 * 345000),
    },
  ],
  // 2·5·40³/12 + 50·4³/12 = 53 600
  [
    'the same I sideways',
    { kind: 'i', widthMm: 40, depthMm: 60, webMm: 4, flangeMm: 5 },
    'width',
    { secondMomentMm4: 53600, extremeFibreMm: 20 },
  ],
  // flange 40·5 at 47.5 and web 5·45 at 22.5 of 50: A = 425, ȳ = 34.264706; I = 416.667 + 200·13.235294² + 37 968.75 + 225·11.764706²
  [
    'T 40 × 50 of 5',
    { kind: 't', widthMm: 40, depthMm: 50, webMm: 5, flangeMm: 5 },
    'depth',
    { areaMm2: 425, extremeFibreMm: 34.26471, secondMomentMm4: 104561.8873 },
  ],
  [
    'channel bends like the I',
    { kind: 'channel', widthMm: 40, depthMm: 60, webMm: 4, flangeMm: 5 },
    'depth',
    { secondMomentMm4: 345000 },
  ],
  // 30·3 at 1.5 and 3·27 at 16.5: A = 171, ȳ = 8.605263; I = 67.5 + 90·7.105263² + 4920.75 + 81·7.894737²
  [
    'L 30 × 30 of 3',
    { kind: 'angle', widthMm: 30, depthMm: 30, thicknessMm: 3 },
    'depth',
    { areaMm2: 171, extremeFibreMm: 21.394737, secondMomentMm4: 14580.3553 },
  ],
  // triangle b = 12, h = 9: bh³/36 = 243, A = 54, c = 2h/3 = 6; shear V·Q/(I·b) peaks at 3/2·V/A at mid-height
  [
    'triangle',
    {
      kind: 'polygon',
      corners: [
        { xMm: 0, yMm: 0 },
        { xMm: 12, yMm: 0 },
        { xMm: 6, yMm: 9 },
      ],
    },
    'depth',
    { areaMm2: 54, secondMomentMm4: 243, extremeFibreMm: 6 },
  ],
  // two-legged outline, as a polygon: the same as the L
  [
    'L as an outline',
    {
      kind: 'polygon',
      corners: [
        [0, 0],
        [30, 0],
        [30, 3],
        [3, 3],
        [3, 30],
        [0, 30],
      ].map(([xMm, yMm]) => ({ xMm: xMm!, yMm: yMm! })),
    },
    'depth',
    { areaMm2: 171, extremeFibreMm: 21.394737, secondMomentMm4: 14580.3553 },
  ],
  [
    'measured, sideways',
    {
      kind: 'measured',
      areaMm2: 100,
      secondMomentMm4: 900,
      weakSecondMomentMm4: 400,
      extremeFibreMm: 6,
      depthMm: 11,
      widthMm: 8,
    },
    'width',
    { secondMomentMm4: 400, extremeFibreMm: 4, depthMm: 8 },
  ],
];
test.each(cases)('%s', (_name, geometry, direction, expected) => {
  const found = section(geometry, direction);
  for (const [key, value] of Object.entries(expected)) {
    expect((found[key as keyof typeof found] as number) / (value as number)).toBeCloseTo(1, 6);
  }
});

test('an outline of a rectangle has a rectangle’s shear factors, 6/5 and 3/2', () => {
  const corners = [
    { xMm: 0, yMm: 0 },
    { xMm: 0, yMm: 8 },
    { xMm: 5, yMm: 8 },
    { xMm: 5, yMm: 0 },
  ];
  const found = section({ kind: 'polygon', corners });
  expect(found.shearFormFactor).toBeCloseTo(1.2, 9);
  expect(found.peakShearFactor).toBeCloseTo(1.5, 9);
});

describe('torsion', () => {
  // π/32·20⁴ = 15 707.96; square: K = 0.1406·a⁴ = 2.25·(a/2)⁴, τ = 4.81·T/a³ (Timoshenko; Roark case 3: 0.601·T/(a/2)³)
  test('round 20', () =>
    expect(torsionSection({ kind: 'round', diameterMm: 20 }).torsionConstantMm4).toBeCloseTo(15707.963, 2));
  test('square 10', () => {
    const square = torsionSection({ kind: 'rectangle', widthMm: 10, depthMm: 10 });
    expect(square.torsionConstantMm4 / 1406).toBeCloseTo(1, 2);
    expect(square.peakShearPerTorque / 0.00481).toBeCloseTo(1, 2);
  });
  // thin strip: b·t³/3 and τ = 3T/(b·t²)
  test('a thin strip', () => {
    const strip = torsionSection({ kind: 'rectangle', widthMm: 200, depthMm: 1 });
    expect(strip.torsionConstantMm4 / (200 / 3)).toBeCloseTo(1, 2);
    expect(strip.peakShearPerTorque / (3 / 200)).toBeCloseTo(1, 2);
  });
  // Bredt: A_m = 35·55 = 1925; K = 4·1925²·5/180; τ = T/(2·1925·5)
  test('box', () => {
    const box = torsionSection({ kind: 'box', widthMm: 40, depthMm: 60, wallMm: 5 });
    expect(box.torsionConstantMm4).toBeCloseTo((4 * 1925 ** 2 * 5) / 180, 6);
    expect(box.peakShearPerTorque).toBeCloseTo(1 / 19250, 12);
  });
  // I: (2·40·5³ + 50·4³)/3 = 4400
  test('open I', () =>
    expect(
      torsionSection({ kind: 'i', widthMm: 40, depthMm: 60, webMm: 4, flangeMm: 5 }).torsionConstantMm4,
    ).toBeCloseTo(4400, 6));
  test('an outline is refused with what would do', () =>
    expect(() =>
      torsionSection({
        kind: 'polygon',
        corners: [
          { xMm: 0, yMm: 0 },
          { xMm: 1, yMm: 0 },
          { xMm: 0, yMm: 1 },
        ],
      }),
    ).toThrow(/round, tube, rectangle/));
});

test.each([
  ['wallMm', { kind: 'box', widthMm: 10, depthMm: 20, wallMm: 5 }],
  ['flangeMm', { kind: 'i', widthMm: 10, depthMm: 10, webMm: 2, flangeMm: 5 }],
  ['webMm', { kind: 't', widthMm: 10, depthMm: 10, webMm: 10, flangeMm: 2 }],
  ['thicknessMm', { kind: 'angle', widthMm: 10, depthMm: 10, thicknessMm: 10 }],
  [
    'corners',
    {
      kind: 'polygon',
      corners: [
        { xMm: 0, yMm: 0 },
        { xMm: 5, yMm: 0 },
        { xMm: 9, yMm: 0 },
      ],
    },
  ],
  ['depthMm', { kind: 'box', widthMm: 10, depthMm: 0, wallMm: 1 }],
] as [string, SectionGeometry][])('%s that cannot be is refused by name', (field, geometry) =>
  expect(() => section(geometry)).toThrow(new RegExp(field)),
);

const mm = fc.double({ min: 3, max: 80, noNaN: true });
test('a hollow or flanged section is weaker than the solid block around it, and never below what is left of it', () => {
  fc.assert(
    fc.property(mm, mm, fc.double({ min: 0.05, max: 0.45, noNaN: true }), (widthMm, depthMm, share) => {
      const thin = share * Math.min(widthMm, depthMm);
      const solid = section({ kind: 'rectangle', widthMm, depthMm });
      for (const geometry of [
        { kind: 'box', widthMm, depthMm, wallMm: thin },
        { kind: 'i', widthMm, depthMm, webMm: thin, flangeMm: thin },
        { kind: 't', widthMm, depthMm, webMm: thin, flangeMm: thin },
        { kind: 'angle', widthMm, depthMm, thicknessMm: thin },
      ] as SectionGeometry[]) {
        const found = section(geometry);
        expect(found.areaMm2).toBeLessThan(solid.areaMm2 * (1 + 1e-9));
        expect(found.secondMomentMm4).toBeLessThan(solid.secondMomentMm4 * (1 + 1e-9));
        expect(found.extremeFibreMm).toBeGreaterThanOrEqual(depthMm / 2 - 1e-9);
        expect(found.peakShearFactor).toBeGreaterThan(1);
      }
    }),
  );
});

test('pull concentrates more than bending at the same fillet', () => {
  const fillet = { filletRadiusMm: 1, depthMm: 10, notch: 'flat' } as const;
  // 1.0996·0.1^−0.32077 = 2.3014
  expect(filletConcentration({ ...fillet, load: 'pull' })).toBeCloseTo(2.3014, 3);
  expect(filletConcentration({ ...fillet, load: 'pull' })).toBeGreaterThan(filletConcentration(fillet));
});
