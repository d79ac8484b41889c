import type { StageMark } from '@anvilstone/schema';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { lampArm, sampleLibrary } from '../../education/sample/index.ts';
import { stageChanges } from './stageChanges.ts';

const grade = sampleLibrary.grades.find(({ id }) => id === 'ne-petg')!;
const mark: StageMark = {
  stage: 'plan',
  at: '2026-01-01T00:00:00Z',
  brief: lampArm,
  rules: defaultCompanyRules,
  leader: { grade, orientation: 'XZ', reserve: 1.18, governingCheckId: 'heat-peak' },
  machine: sampleLibrary.machines[0]!,
  pass: 22,
};
const fields = (now: Partial<StageMark>, stage: StageMark['stage'] = 'plan') =>
  stageChanges({ ...mark, stage }, { ...mark, ...now }).map(({ area, field }) => `${area}: ${field}`);

test('nothing has changed: up to date; nor do names and prose count', () => {
  expect(fields({})).toEqual([]);
  expect(fields({ brief: { ...lampArm, title: 'Other', purpose: 'Other.', lessons: [{ text: 'One.' }] } })).toEqual([]);
});
test('a load, by its name', () => {
  const [first, ...rest] = lampArm.loadCases;
  const brief = { ...lampArm, loadCases: [{ ...first!, forceN: 12 }, ...rest] };
  expect(fields({ brief })).toEqual([`Brief: Load cases “${first!.name}” · force`]);
});
test('company rules are read by the shortlist and not by the print plan; the machine the other way round', () => {
  const rules = { ...defaultCompanyRules, scrapShare: 0.2 };
  expect(fields({ rules }, 'shortlist')).toEqual(['Company rules: Scrap rate']);
  expect(fields({ rules }, 'plan')).toEqual([]);
  const machine = { ...mark.machine!, nozzleMaxC: 200 };
  expect(fields({ machine }, 'plan')[0]).toMatch(/^Machine .*: Nozzle max/);
  expect(fields({ machine }, 'shortlist')).toEqual([]);
});
test('another answer, or more known of the same one', () => {
  const other = sampleLibrary.grades.find(({ id }) => id === 'tm-asa')!;
  expect(fields({ leader: { ...mark.leader!, grade: other }, pass: 21 })).toEqual([
    'Result: Leading grade',
    'Result: Grades that pass',
  ]);
  const dearer = { ...grade, pricePerKgUsd: 99 };
  expect(fields({ leader: { ...mark.leader!, grade: dearer, reserve: 1.1 } })).toEqual([
    'Result: Minimum reserve',
    expect.stringMatching(/^Evidence of Nine Elms PETG Trade: Price/) as string,
  ]);
  expect(fields({ leader: null, pass: 0 })).toContain('Result: Leading grade');
});
