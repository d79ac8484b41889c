import { spellOut } from '@anvilstone/core/foundations';
import type { Brief, Grade, PartGeometry } from '@anvilstone/schema';
import { evaluate } from '../../evaluation/evaluating/evaluate.ts';
import { nearestFixes } from '../../evaluation/sizing/fixes.ts';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { sampleLibrary } from '../../education/sample/index.ts';
import { applies, briefWith, outcome, testGrade } from '../testContext.ts';

/** 100 mm, 20 × 10 mm: I = 1666.67 mm⁴, E = 2000 MPa; F·L³/3EI = 0.1·F mm, with a little shear. */
const bent = (forceN: number, more: Parameters<typeof briefWith>[0] = {}): Brief =>
  briefWith({ kind: 'short', durationH: 1 / 60, forceN, ...more });
const usual = (brief: Brief, grade: Grade = testGrade) => outcome('usual-movement', brief, 'XZ', grade);

test('a load without a limit is held to a fiftieth of the span, and that is said', () => {
  const found = usual(bent(10));
  expect(found.capacity).toBeCloseTo(2, 9);
  expect(found.demand).toBeCloseTo(1.02, 1);
  expect(found).toMatchObject({ status: 'pass', unit: 'mm' });
  expect(found.reason).toMatch(/No limit is stated for “Load”: 1\/50 of its span, a company rule, is taken/);
  expect(usual(bent(25)).status).toBe('fail');
});

test('beyond a tenth of the span it is too much for certain; how much is not told', () => {
  const found = usual(bent(500));
  expect(found).toMatchObject({ status: 'fail', demand: 10 });
  expect(found.reserve).toBeCloseTo(2 / 51, 2);
});

test('a limit that somebody states counts instead, at once or at the end', () => {
  expect(applies('usual-movement', bent(25, { maxDeflectionMm: 5 }))).toBe(false);
  expect(applies('usual-movement', bent(25, { kind: 'lasting', maxSagMm: 5 }))).toBe(false);
  expect(applies('usual-movement', bent(25, { kind: 'knock', forceN: undefined, energyJ: 1 }))).toBe(false);
});

test('of two loads only the one without a limit is held to it', () => {
  const [first] = bent(40, { maxDeflectionMm: 9 }).loadCases;
  const [second] = bent(10).loadCases;
  const both: Brief = { ...bent(10), loadCases: [first!, { ...second!, id: 'b', name: 'Second' }] };
  expect(usual(both)).toMatchObject({ status: 'pass', loadCaseId: 'b' });
});

test('the company may say another share', () => {
  const rules = { ...defaultCompanyRules, usualMovementShare: 0.1 };
  const library = { ...sampleLibrary, grades: [testGrade] };
  const { best } = evaluate(bent(25), library, { rules, orientations: ['XZ'] }).grades[0]!;
  const found = best.checks.find(({ checkId }) => checkId === 'usual-movement')!;
  expect(found.capacity).toBeCloseTo(10, 9);
  expect(found.status).toBe('pass');
});

test('a tooth keeps within its backlash, a tenth of the module', () => {
  const gear: PartGeometry = {
    model: 'gear-tooth',
    moduleMm: 2,
    teeth: 24,
    mateTeeth: 48,
    faceWidthMm: 14,
    speedRpm: 60,
  };
  const found = outcome('usual-movement', briefWith({ kind: 'short', forceN: undefined, torqueNmm: 500 }, gear), 'XY');
  expect(found.capacity).toBeCloseTo(0.2, 9);
  expect(found.reason).toMatch(/a tenth of the module/);
});

test('a rubbery arm is no winner by being cheap: it fails where a stiff one passes', () => {
  const brief = bent(5);
  const rubber: Grade = { ...testGrade, id: 'rubber', familyId: 'tpu-85a', observations: [], pricePerKgUsd: 1 };
  const { grades } = evaluate(brief, { ...sampleLibrary, grades: [rubber, testGrade] }, { orientations: ['XZ'] });
  expect(grades.map(({ best }) => best.status)).toEqual(['fail', 'pass']);
  expect(grades[0]!.best.governingCheckId).toBe('usual-movement');
});

test('to let it move further is offered, as a decision', () => {
  const fixes = nearestFixes(bent(24), sampleLibrary, testGrade);
  const fix = fixes.find(({ kind }) => kind === 'movement')!;
  expect(spellOut(fix)).toMatchObject({ isDecision: true, title: 'Let it move by 2.6 mm, if it may' });
  expect(fix.brief.loadCases[0]!.maxDeflectionMm).toBe(2.6);
  expect(fix.entry.status).toBe('pass');
});
