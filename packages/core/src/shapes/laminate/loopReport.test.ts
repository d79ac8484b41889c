import { inWords, joined } from '@anvilstone/core/foundations';
import type { LayupLoop } from '@anvilstone/schema';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { sampleLibrary } from '../../education/sample/index.ts';
import { loopReport } from './loopReport.ts';
import { plySheetSvg } from './plySheet.ts';
import { laminateReport } from './report.ts';

/** Carbon in polyamide: 0.9 × 0.125 mm, 820 MPa and 65,000 MPa; bends leave 0.5 at 8 mm and 0.72 at 16 mm. */
const loop: LayupLoop = {
  name: 'Around both eyes',
  towId: 'carbon-polyamide',
  path: 'holes',
  radiusMm: 11.55,
  apartMm: 80,
  turns: 2,
  layers: 3,
  pullN: 300,
};
const report = (change: Partial<LayupLoop> = {}, rules = defaultCompanyRules) =>
  loopReport({ ...loop, ...change }, rules);

test('by hand: two legs of six strands, the innermost bent to 12 mm', () => {
  const { bendFactor, bearsN, reserve } = report();
  // Half way from 8 to 16 mm: 0.61
  expect(bendFactor).toBeCloseTo(0.61, 9);
  expect(bearsN).toBeCloseTo(2 * 6 * 820 * 0.9 * 0.125 * 0.61, 6);
  expect(reserve).toBeCloseTo(bearsN / 300, 12);
});

test('by hand: length, mass and stretch', () => {
  const { lengthMm, massG, stretchMm, packWidthMm, packHeightMm } = report();
  const once = 2 * 80 + 2 * Math.PI * (11.55 + 0.9);
  expect(lengthMm).toBeCloseTo(6 * once, 9);
  expect(massG / (lengthMm * 0.1125)).toBeGreaterThan(0.001);
  expect(stretchMm).toBeCloseTo((300 * (once / 2)) / (2 * 6 * 0.1125 * 65000), 12);
  expect([packWidthMm, packHeightMm]).toEqual([1.8, 0.375]);
});

test('along walls the way round is longer, and as strong', () => {
  const walls = report({ path: 'walls', acrossMm: 40 });
  expect(walls.lengthMm - report().lengthMm).toBeCloseTo(6 * 80, 9);
  expect(walls.bearsN).toBe(report().bearsN);
});

test('too tight: said why, and it bears nothing', () => {
  const { problems, bearsN, reserve } = report({ radiusMm: 6 });
  expect(inWords(joined(problems, '; '))).toMatch(/radius of 6.45 mm; 8 mm or more/);
  expect([bearsN, reserve]).toEqual([0, 0]);
});

test('a strand that is not in the table is refused by name', () =>
  expect(() => report({ towId: 'spider-silk' })).toThrow(/loops\/towId/));

test('a company that works with B-basis gets less, by the scatter of the strand', () => {
  const less = report({}, { ...defaultCompanyRules, strengthBasis: 'b-basis' });
  expect(less.bearsN).toBeLessThan(report().bearsN);
  expect(less.bearsN).toBeGreaterThan(0.6 * report().bearsN);
});

test('in a layup: reported beside the plies, drawn after them, and without effect on their stiffness', () => {
  const plies = [{ material: { towId: 'carbon-polyamide' }, angleDeg: 0 }];
  const plain = laminateReport({ format: 'anvilstone-layup/1', name: 'Eye', plies }, sampleLibrary);
  const looped = laminateReport({ format: 'anvilstone-layup/1', name: 'Eye', plies, loops: [loop] }, sampleLibrary);
  expect(looped.loops.map(({ name }) => name)).toEqual(['Around both eyes']);
  expect(looped.a).toEqual(plain.a);
  expect(plySheetSvg(looped)).toContain('Around both eyes: 2 beside × 3 over');
  // Two strands beside each other, each a path with round ends.
  expect(plySheetSvg(looped).match(/ rx="/g)).toHaveLength(2);
  expect(plySheetSvg(plain)).not.toContain(' rx="');
});
