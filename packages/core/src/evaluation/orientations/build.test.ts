import type { Brief } from '@anvilstone/schema';
import { testBrief, testGrade } from '../../checks/testContext.ts';
import { evaluate } from '../evaluating/evaluate.ts';
import { tiltOf } from './tilt.ts';
import { BUILT_UP } from '../../shapes/parts/direction.ts';
import { lampArm, sampleBriefs, sampleLibrary } from '../../education/sample/index.ts';
import { compareFillings, fillingsOfMass, USUAL_FILLING } from './fillings.ts';
import { footWarnings, supportsUnder } from './supports.ts';
import { boxOf } from '../../machines/fit/boxOnBed.ts';
import { tiltSweep } from './tiltSweep.ts';
import { compareWays } from './waysUp.ts';

const library = { ...sampleLibrary, grades: [testGrade] };
const brief: Brief = { ...testBrief, loadCases: [{ ...testBrief.loadCases[0]!, maxDeflectionMm: 2 }] };
const extent = { length: 100, depth: 10, width: 20 };

describe('supports of the box around it', () => {
  test('flat, on edge and upright it stands on a face and needs none', () => {
    for (const [way, footMm2] of [
      ['XY', 2000],
      ['XZ', 1000],
      ['ZX', 200],
    ] as const)
      expect(supportsUnder(extent, BUILT_UP[way])).toEqual({ heldMm2: 0, beneathMm3: 0, footMm2 });
  });

  test('by hand at 30°: its underside is held, its end is steep enough', () => {
    const need = supportsUnder(extent, tiltOf({ towards: 'ZX', degrees: 30 }));
    expect(need.heldMm2).toBeCloseTo(100 * 20, 9);
    expect(need.footMm2).toBe(0);
    // Middle of the underside: half of 100·sin 30° above the bed; its shadow is 2000·cos 30°.
    expect(need.beneathMm3).toBeCloseTo(2000 * Math.cos(Math.PI / 6) * 25, 6);
  });

  test('past 45° the end is held and the underside is not', () =>
    expect(supportsUnder(extent, tiltOf({ towards: 'ZX', degrees: 60 })).heldMm2).toBeCloseTo(10 * 20, 9));

  test('a tall part on a small foot is told to get a brim', () => {
    const said = (way: 'XY' | 'ZX') => footWarnings(boxOf(extent, BUILT_UP[way]), supportsUnder(extent, BUILT_UP[way]));
    expect(said('XY')).toEqual([]);
    expect(said('ZX')).toEqual(['10.0 times as high as its foot is deep: give it a brim']);
  });
});

describe('build orientations', () => {
  const found = compareWays(brief, library, testGrade.id, undefined, { towards: 'ZX', degrees: 30 });

  test('every check in all three and in a tilted one, as the evaluation says it', () => {
    expect(found.ways.map(({ id }) => id)).toEqual(['XY', 'XZ', 'ZX', 'tilted']);
    const entries = evaluate(brief, library).grades[0]!.entries;
    expect(found.ways.slice(0, 3).map(({ entry }) => entry)).toEqual(entries);
    expect(found.ways[3]!.entry.checks.map(({ checkId }) => checkId)).toEqual(found.checkIds);
  });

  test('recommended is the highest minimum reserve, with the others named', () => {
    const best = [...found.ways.slice(0, 3)].sort((a, b) => b.entry.minimumReserve! - a.entry.minimumReserve!)[0]!;
    expect(found.recommendedId).toBe(best.id);
    expect(found.reason).toMatch(/highest minimum reserve.*ZX \d/);
  });

  test('what the brief rules out is worked out too, not recommended, and said when it would do better', () => {
    const upright = compareWays({ ...brief, asks: { orientations: ['ZX'] } }, library, testGrade.id);
    expect(upright.recommendedId).toBe('ZX');
    expect(upright.ways.map(({ allowed }) => allowed)).toEqual([false, false, true]);
    expect(upright.reason).toMatch(/rules out XY and XZ, which would do better/);
  });

  test('a grade that is not there is refused', () =>
    expect(() => compareWays(brief, library, 'nobody')).toThrow(/gradeId/));
});

test('the sweep ends where the standard ways are, and shows what changes', () => {
  const chart = tiltSweep(brief, library, testGrade.id, 'ZX');
  const upright = evaluate(brief, library).grades[0]!.entries.find(({ orientation }) => orientation === 'ZX')!;
  const across = chart.lines.find(({ name }) => name === 'Interlayer strength (Z)')!;
  expect(across.points.at(-1)!.y).toBeCloseTo(
    upright.checks.find(({ checkId }) => checkId === 'strength-across-layers')!.reserve!,
    9,
  );
  expect(chart.lines.every(({ points }) => new Set(points.map(({ y }) => y)).size > 1)).toBe(true);
});

describe('fillings', () => {
  const fillings = compareFillings({ ...brief, filled: USUAL_FILLING }, library, testGrade.id);

  test('solid, what is set and a grid, each once, lightest first', () => {
    const masses = fillings.map(({ entry }) => entry.massG!);
    expect(masses).toEqual([...masses].sort((a, b) => a - b));
    expect(fillings.at(-1)).toMatchObject({ filled: undefined, title: 'Solid' });
    expect(fillings.filter(({ title }) => title === '3 walls, 25 % infill')).toHaveLength(1);
    expect(new Set(fillings.map(({ filled }) => JSON.stringify(filled))).size).toBe(fillings.length);
  });

  test('solid is what the evaluation says without a filling', () =>
    expect(fillings.at(-1)!.entry).toEqual(evaluate(brief, library).grades[0]!.best));

  test('one mass spent otherwise: every one weighs as much, and walls beat infill where it bends', () => {
    const massG = 12;
    const same = fillingsOfMass(brief, library, testGrade.id, massG);
    expect(same.length).toBeGreaterThan(2);
    for (const { entry } of same) expect(entry.massG).toBeCloseTo(massG, 4);
    const reserve = ({ entry }: (typeof same)[number]) =>
      entry.checks.find(({ checkId }) => checkId === 'deflection-at-load')!.reserve!;
    expect(reserve(same.at(-1)!)).toBeGreaterThan(reserve(same[0]!));
  });

  test('a mass that no infill reaches has no row', () =>
    expect(fillingsOfMass(brief, library, testGrade.id, 500)).toEqual([]));
});

test('the build orientation that is recommended is the one that the shortlist builds it', () => {
  for (const brief of sampleBriefs)
    for (const { gradeId, best } of evaluate(brief, sampleLibrary).grades.slice(0, 25))
      expect([gradeId, compareWays(brief, sampleLibrary, gradeId).recommendedId]).toEqual([gradeId, best.orientation]);
});

test('the lamp arm: heat governs in every orientation, so the layers decide', () => {
  const { recommendedId, reason } = compareWays(lampArm, sampleLibrary, 'ne-petg');
  expect(recommendedId).toBe('XZ');
  expect(reason).toMatch(
    /service temperature limit, \w+ governs in every orientation.*Where they differ, XY comes first: 2\.86 .*ZX 1\.62 \(interlayer strength/,
  );
});
