import { INFILL_PATTERNS, type Brief, type WallsAndInfill } from '@anvilstone/schema';
import { testBrief, testGrade } from '../../checks/testContext.ts';
import { evaluate } from '../../evaluation/evaluating/evaluate.ts';
import { BUILT_UP } from '../parts/direction.ts';
import { elastomerPad } from '../parts/elastomerPad.ts';
import { sampleLibrary } from '../../education/sample/index.ts';
import { fillOf } from './fill.ts';
import { findPattern, lawAt } from './patterns.ts';
import { measuredSection, testFilling as settings } from './testContext.ts';

const library = { ...sampleLibrary, grades: [testGrade] };
const limited: Brief = { ...testBrief, loadCases: [{ ...testBrief.loadCases[0]!, maxDeflectionMm: 2 }] };
const bestOf = (brief: Brief, orientation: 'XY' | 'XZ' | 'ZX' = 'XZ') =>
  evaluate(brief, library).grades[0]!.entries.find((one) => one.orientation === orientation)!;

test.each([
  ['triangles', 1 / 15, 1 / 15],
  ['squares', 0.1, 0.1],
  ['squares-askew', 0.25 * 0.2 ** 3, 0.25 * 0.2 ** 2],
  ['hexagons', 1.5 * 0.2 ** 3, 0.5 * 0.2 ** 2],
  ['curved-walls', 0.04, 0.3 * 0.2 ** 1.5],
] as const)('%s of 20 %%: %d of the modulus, %d of the strength within the layers', (id, stiffness, strength) => {
  const { within } = findPattern(id);
  expect(lawAt(within.stiffness, 0.2)).toBeCloseTo(stiffness, 12);
  expect(lawAt(within.strength, 0.2)).toBeCloseTo(strength, 12);
});

test.each(INFILL_PATTERNS)('%s: no lattice bears more than its material, at any share', (id) => {
  const { within, upward } = findPattern(id);
  for (let share = 0; share <= 1; share += 0.05)
    for (const law of [within.stiffness, within.strength, upward.stiffness, upward.strength])
      expect(lawAt(law, share)).toBeLessThanOrEqual(share + 1e-12);
});

test('lines drawn above each other stand as columns: a fifth of the material bears a fifth upwards', () => {
  const fill = fillOf({ ...settings, infillShare: 0.2, pattern: 'hexagons' }, BUILT_UP.ZX);
  expect(fill.stiffness.length).toBeCloseTo(0.2, 12);
  expect(fill.stiffness.depth).toBeCloseTo(1.5 * 0.2 ** 3, 12);
});

test('a shell of slanting layers is as thick as the wall or the top there, whichever is more', () => {
  const askew = fillOf({ ...settings, walls: 4, topBottomLayers: 5 }, [Math.SQRT1_2, Math.SQRT1_2, 0]);
  // Walls 2 mm, top 1 mm, each by its share of the face at 45°.
  expect(askew.shellMm.depth).toBeCloseTo(2 * Math.SQRT1_2, 12);
  expect(askew.shellMm.width).toBeCloseTo(2, 12);
});

test.each([
  ['lineWidthMm', 0],
  ['walls', -1],
  ['infillShare', 1.2],
  ['infillShare', Number.NaN],
])('refuses %s of %d by name', (field, value) =>
  expect(() => fillOf({ ...settings, [field]: value }, BUILT_UP.XY)).toThrow(new RegExp(field)),
);

test('a filled arm is lighter, cheaper, softer and weaker than a solid one by what its section says', () => {
  const [solid, filled] = [bestOf(limited), bestOf({ ...limited, filled: settings })];
  // Material 99.2 of 200 mm², and 2 × 1 mm of the core closed at the ends: (99.2·100 + 0.7·144·2)/(200·100).
  expect(filled.massG! / solid.massG!).toBeCloseTo((99.2 * 100 + 0.7 * 144 * 2) / 20000, 6);
  expect(filled.costUsd!).toBeLessThan(solid.costUsd!);
  const reserveOf = (entry: typeof solid, id: string) => entry.checks.find(({ checkId }) => checkId === id)!.reserve!;
  // On edge the tops face sideways: 1 mm all around either way. I* over I, shear next to nothing.
  expect(reserveOf(filled, 'strength-in-plane') / reserveOf(solid, 'strength-in-plane')).toBeCloseTo(
    975.4667 / 1666.6667,
    4,
  );
  expect(reserveOf(filled, 'deflection-at-load') / reserveOf(solid, 'deflection-at-load')).toBeCloseTo(0.5853, 1);
});

test('a core of the open-foam kind under a thin shell decides before the shell does', () => {
  const thin: WallsAndInfill = { ...settings, walls: 1, topBottomLayers: 1, pattern: 'curved-walls', infillShare: 0.5 };
  const { checks } = evaluate({ ...limited, filled: thin }, library, { orientations: ['XY'], showWorking: true })
    .grades[0]!.best;
  const strength = checks.find(({ checkId }) => checkId === 'strength-in-plane')!;
  expect(strength.working!.some(({ value }) => value === 'Infill where it is strained most')).toBe(
    // σ_c: 0.25 of the modulus at 4.8 mm against 0.3·0.5^1.5 of the strength: 0.25·4.8/0.1061 = 11.3 against 5.
    true,
  );
});

test('a part whose section is not known as an outline is refused where the fill is asked for', () =>
  expect(() =>
    evaluate(
      {
        ...limited,
        filled: settings,
        part: {
          model: 'section-at-plane',
          section: measuredSection,
          leverMm: 50,
          pullShare: 0,
          volumeMm3: 1e4,
          lengthMm: 100,
        },
      },
      library,
    ),
  ).toThrow(/filled/));

test('a pad of a soft polymer gets softer by its infill: walls and core side by side', () => {
  const pad = {
    model: 'elastomer-pad',
    shape: 'block',
    lengthMm: 40,
    widthMm: 40,
    heightMm: 20,
    faces: 'slipping',
  } as const;
  const solid = elastomerPad.body(pad).responses.depth.complianceTerms[0]!.perModulus;
  const fill = fillOf({ ...settings, infillShare: 0.2, topBottomLayers: 0 }, BUILT_UP.XY);
  const soft = elastomerPad.body(pad, fill).responses.depth.complianceTerms[0]!.perModulus;
  // Core 38 × 38 of 40 × 40 with a fifth of the modulus upwards: 1 − 0.9025·0.8 = 0.278 of the area bears.
  expect(solid / soft).toBeCloseTo(1 - (38 / 40) ** 2 * 0.8, 10);
});
