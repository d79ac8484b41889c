import type { Brief, Feature } from '@anvilstone/schema';
import { benchLoads, predictPart } from '../../../evidence/bench/partPrediction.ts';
import { briefIssues } from '../../../evaluation/evaluating/briefIssues.ts';
import { chanceOfMeetingAll } from '../../../evaluation/probability/chance.ts';
import { evaluate, explain } from '../../../evaluation/evaluating/evaluate.ts';
import { featureBrief, upInFeature } from '../../../shapes/parts/features.ts';
import { BUILT_UP } from '../../../shapes/parts/direction.ts';
import { defaultCompanyRules } from '../../../materials/companyRules/companyRules.ts';
import { lampArm, ratchetPawl, sampleLibrary, stampPad } from '../../../education/sample/index.ts';
import { loadName } from '../../../decisions/wording/loadName.ts';

const GRADE = 'ne-petg';
const grade = sampleLibrary.grades.find(({ id }) => id === GRADE)!;
const featureOf = (id: string, { part, loadCases }: Brief, change: Partial<Feature> = {}): Feature => ({
  id,
  name: id,
  part,
  lengthAlong: 'length',
  depthAlong: 'depth',
  loadCases: loadCases.map((load) => ({ ...load, id: `${id}-${load.id}` })),
  ...change,
});
const withFeatures = (...features: Feature[]): Brief => ({ ...lampArm, features });
const evaluated = (brief: Brief, orientation: 'XY' | 'XZ' | 'ZX' = 'XZ') =>
  evaluate(brief, { ...sampleLibrary, grades: [grade] }, { orientations: [orientation] }).grades[0]!.best;
const reserveIn = (brief: Brief, id: string, orientation: 'XY' | 'XZ' | 'ZX' = 'XZ') =>
  evaluated(brief, orientation).checks.find(({ checkId }) => checkId === id)?.reserve;

test('each model is checked with the same grade and orientation, and the worst governs', () => {
  const lug = featureOf('lug', ratchetPawl);
  const both = withFeatures(lug);
  const alone = featureBrief(both, lug);
  for (const orientation of ['XY', 'XZ', 'ZX'] as const) {
    const own = reserveIn(lampArm, 'strength-in-plane', orientation);
    const lugs = reserveIn(alone, 'strength-in-plane', orientation);
    expect(reserveIn(both, 'strength-in-plane', orientation)).toBe(Math.min(own ?? Infinity, lugs ?? Infinity));
    // Only the pawl is loaded again and again.
    expect(reserveIn(both, 'fatigue-life', orientation)).toBe(reserveIn(alone, 'fatigue-life', orientation));
  }
});
test('mass and cost are those of the part, counted once', () => {
  const both = evaluated(withFeatures(featureOf('lug', ratchetPawl)));
  const one = evaluated(lampArm);
  expect([both.massG, both.costUsd]).toEqual([one.massG, one.costUsd]);
});
test('a feature that touches something hot asks for it, and lowers the limit under load where it is the weaker', () => {
  const both = evaluated(withFeatures(featureOf('face', stampPad)));
  expect(both.checks.map(({ checkId }) => checkId)).toContain('contact-temperature');
  expect(evaluated(lampArm).checks.map(({ checkId }) => checkId)).not.toContain('contact-temperature');
  const heavy = featureOf('arm', lampArm, { loadCases: [{ ...lampArm.loadCases[0]!, id: 'heavy', forceN: 60 }] });
  expect(evaluated(withFeatures(heavy)).ownHeatLimitC!).toBeLessThan(evaluated(lampArm).ownHeatLimitC!);
});
test('the axes of a feature say how its layers lie', () => {
  // Its length stands along the width of the arm: printed on its side (XZ), the arm builds the feature upright (ZX).
  const turned = { lengthAlong: 'width', depthAlong: 'depth' } as const;
  expect(upInFeature(turned, BUILT_UP.XZ)).toEqual(BUILT_UP.ZX);
  expect(upInFeature(turned, BUILT_UP.ZX)).toEqual(BUILT_UP.XZ);
  expect(upInFeature(turned, BUILT_UP.XY)).toEqual(BUILT_UP.XY);
  const arm = featureOf('arm', { ...lampArm, loadCases: [{ ...lampArm.loadCases[0]!, forceN: 60 }] }, turned);
  const across = reserveIn(withFeatures(arm), 'strength-across-layers', 'XZ')!;
  expect(across).toBe(reserveIn(featureBrief(withFeatures(arm), arm), 'strength-across-layers', 'ZX'));
});
test('a feature can only lower the probability of compliance', () => {
  const of = (brief: Brief) => chanceOfMeetingAll(brief, sampleLibrary, grade, 'XZ', { draws: 2000, seed: 5 })!.all;
  const heavy = featureOf('arm', lampArm, { loadCases: [{ ...lampArm.loadCases[0]!, id: 'heavy', forceN: 14 }] });
  expect(of(withFeatures(heavy))).toBeLessThan(of(lampArm));
});
test('the load that decides is named with its feature, and its arithmetic shown', () => {
  const both = withFeatures(featureOf('lug', ratchetPawl));
  const fatigue = explain(both, sampleLibrary, GRADE, 'XZ').find(({ checkId }) => checkId === 'fatigue-life')!;
  expect(loadName(both, fatigue.loadCaseId)).toMatch(/^lug: /);
  expect(fatigue.working!.length).toBeGreaterThan(3);
});
test('the load of a feature is broken on the bench as the feature is built', () => {
  const turned = featureOf('arm', lampArm, { lengthAlong: 'width', depthAlong: 'depth' });
  const both = withFeatures(turned);
  const load = benchLoads(both).at(-1)!.loadCase.id;
  const predicted = (brief: Brief, id: string, orientation: 'XZ' | 'ZX') =>
    predictPart(brief, id, sampleLibrary, grade, orientation, defaultCompanyRules);
  expect(predicted(both, load, 'XZ')).toEqual(predicted(lampArm, lampArm.loadCases.at(-1)!.id, 'ZX'));
});
test('what cannot be used is refused at the feature’s own field', () => {
  const lug = featureOf('lug', ratchetPawl);
  expect(briefIssues(withFeatures({ ...lug, depthAlong: 'length' }))[0]!.pointer).toBe('/features/0/depthAlong');
  const twice = withFeatures({ ...lug, loadCases: [{ ...lug.loadCases[0]!, id: lampArm.loadCases[0]!.id }] });
  expect(briefIssues(twice)[0]!.pointer).toBe('/features/0/loadCases/0/id');
  const flat = withFeatures(featureOf('arm', { ...lampArm, part: { ...lampArm.part, spanMm: 0 } as Brief['part'] }));
  expect(briefIssues(flat)[0]!.pointer).toMatch(/^\/features\/0\/part/);
});
