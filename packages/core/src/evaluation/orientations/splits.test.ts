import type { Brief, Grade } from '@anvilstone/schema';
import { testBrief, testGrade } from '../../checks/testContext.ts';
import { lampArm, sampleLibrary } from '../../education/sample/index.ts';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { compareSplits, type Split } from './splits.ts';

/** 20 × 10 mm, 100 mm long, 10 N at its end; the test grade has 2000 MPa. */
const brief: Brief = { ...testBrief, loadCases: [{ ...testBrief.loadCases[0]!, maxDeflectionMm: 2 }] };
const twin: Grade = { ...testGrade, id: 'twin', name: 'Twin' };
const times = (by: number, property: string): Grade => ({
  ...twin,
  observations: twin.observations.map((one) =>
    one.property === property && one.value !== undefined ? { ...one, value: one.value * by } : one,
  ),
});
const splitsWith = (other: Grade, of: Brief = brief) =>
  compareSplits(of, { ...sampleLibrary, grades: [testGrade, other] }, [testGrade.id, other.id]);
const reserveOf = ({ entry }: Split, checkId: string) => entry!.checks.find((one) => one.checkId === checkId)!.reserve!;
const find = (splits: readonly Split[], skinMm: number | undefined, outer = testGrade.id) =>
  splits.find((one) => one.skinMm === skinMm && one.outerGradeId === outer)!;

test('two grades that are alike make the part of one of them', () => {
  const splits = splitsWith(twin);
  const [alone, split] = [find(splits, undefined), find(splits, 1.6)];
  expect(reserveOf(split, 'deflection-at-load') / reserveOf(alone, 'deflection-at-load')).toBeCloseTo(1, 6);
  expect(reserveOf(split, 'strength-in-plane') / reserveOf(alone, 'strength-in-plane')).toBeCloseTo(1, 6);
  expect(split.massG! / alone.massG!).toBeCloseTo(1, 6);
  expect(split.costUsd! / alone.costUsd!).toBeCloseTo(1, 6);
});

test('by hand: a core half as stiff leaves 1 − (b₁·h₁³)/(b·h³)·½ of the second moment', () => {
  const splits = splitsWith(times(0.5, 'tensileModulus'));
  const [alone, split] = [find(splits, undefined), find(splits, 1.6)];
  const left = 1 - (0.5 * (20 - 3.2) * (10 - 3.2) ** 3) / (20 * 10 ** 3);
  expect(reserveOf(split, 'strength-in-plane') / reserveOf(alone, 'strength-in-plane')).toBeCloseTo(left, 3);
});

test('by hand: what a denser and dearer core weighs and costs', () => {
  const heavy: Grade = {
    ...times(1.5, 'density'),
    pricePerKgUsd: testGrade.pricePerKgUsd! * 2,
  };
  const splits = splitsWith(heavy);
  const [alone, split] = [find(splits, undefined), find(splits, 1.6)];
  const core = (16.8 * 6.8 * (100 - 3.2)) / 1000;
  const density = alone.massG! / 20;
  expect(split.massG! - alone.massG!).toBeCloseTo(core * density * 0.5, 4);
  // The core’s mass at twice the price, with purge and scrap as for all filament; the same machine and time but for its density.
  const { purgeShare, scrapShare } = defaultCompanyRules;
  const dearer = (core * density * 1.5 * 2 - core * density) * (testGrade.pricePerKgUsd! / 1000);
  const filament = (dearer * (1 + purgeShare)) / (1 - scrapShare);
  expect(split.costUsd! - alone.costUsd!).toBeGreaterThanOrEqual(filament - 1e-6);
  expect(split.costUsd! - alone.costUsd!).toBeLessThan(filament + 1.5);
});

test('a skin and its core may change places, and a stiff skin does more for bending than a stiff core', () => {
  const splits = splitsWith(times(0.3, 'tensileModulus'));
  const stiffness = (one: Split) => reserveOf(one, 'deflection-at-load');
  expect(stiffness(find(splits, 1.6))).toBeGreaterThan(stiffness(find(splits, 1.6, 'twin')));
  expect(stiffness(find(splits, 1.6, 'twin'))).toBeGreaterThan(stiffness(find(splits, undefined, 'twin')));
});

test('by hand: shear on the bond, V·Q/(I·b) with the safety factor; one family fuses', () => {
  const { bond } = find(splitsWith(twin), 1.6);
  const q = 20 * 1.6 * (5 - 0.8);
  expect(bond!.needMPa).toBeCloseTo((10 * 2 * q) / (((20 * 10 ** 3) / 12) * 16.8), 6);
  expect(bond!.hasMPa).toBeGreaterThan(0);
});

test('a bond between two families is not known, and never a pass', () => {
  const splits = compareSplits(lampArm, sampleLibrary, ['ne-petg', 'ol-pa12']);
  const mixed = splits.filter(({ innerGradeId }) => innerGradeId !== undefined);
  expect(mixed.length).toBeGreaterThan(6);
  for (const one of mixed) {
    expect(one.bond?.hasMPa ?? null).toBeNull();
    expect(one.status).not.toBe('pass');
  }
});

test('a grade of which too little is known says so instead of guessing', () => {
  const { status, why } = compareSplits(lampArm, sampleLibrary, ['ne-petg', 'vp-unlisted']).find(
    ({ innerGradeId }) => innerGradeId === 'vp-unlisted',
  )!;
  expect(status).toBe('unknown');
  expect(why).toMatch(/family/);
});

test('skin and core are printed on one machine: the cheap open one is no choice for a core that it cannot print', () => {
  const { machines } = sampleLibrary;
  const open = machines.find(({ id }) => id === 'bench-open')!;
  const both = compareSplits(lampArm, sampleLibrary, ['ne-petg', 'ne-abs']);
  const cored = both.filter(({ innerGradeId }) => innerGradeId === 'ne-abs');
  expect(cored.map(({ entry }) => entry?.machineId)).not.toContain(open.id);
  const only = compareSplits(lampArm, { ...sampleLibrary, machines: [open] }, ['ne-petg', 'ne-abs']);
  for (const { status, why } of only.filter(({ innerGradeId }) => innerGradeId === 'ne-abs')) {
    expect(status).toBe('fail');
    expect(why).toMatch(/No machine here prints/);
  }
});

test('a thick skin leaves no core, and is left out; a part without a drawn section is refused', () => {
  const thin: Brief = {
    ...brief,
    part: {
      model: 'cantilever-arm',
      spanMm: 100,
      section: { kind: 'rectangle', widthMm: 20, depthMm: 3 },
      filletRadiusMm: 3,
    },
  };
  expect(
    splitsWith(twin, thin)
      .filter(({ skinMm }) => skinMm !== undefined)
      .map(({ skinMm }) => skinMm),
  ).not.toContain(1.6);
  const ring: Brief = {
    ...brief,
    part: { model: 'elastomer-pad', shape: 'disc', lengthMm: 40, widthMm: 40, heightMm: 20, faces: 'bonded' },
  };
  expect(() => splitsWith(twin, ring)).toThrow(/drawn section/);
});
