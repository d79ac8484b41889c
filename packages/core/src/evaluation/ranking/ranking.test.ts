import type { CheckResult, EvaluationEntry, EvaluationResult, GradeEvaluation } from '@anvilstone/schema';
import { resultDifferences } from '../evaluating/compareResults.ts';
import { funnel } from '../evaluating/funnel.ts';
import { compareEntries } from '../evaluating/compareEntries.ts';
import { rank, rankingMethods } from './ranking.ts';

const check = (checkId: string, reserve: number | null, status?: CheckResult['status']): CheckResult => ({
  checkId,
  status: status ?? (reserve === null ? 'unknown' : reserve >= 1 ? 'pass' : 'fail'),
  demand: reserve === null ? null : 1,
  capacity: reserve,
  unit: 'MPa',
  reserve,
  evidence: 'C',
  gaps: [],
  reason: null,
  loadCaseId: null,
});
const entry = (
  orientation: EvaluationEntry['orientation'],
  reserves: (number | null)[],
  costUsd: number | null = 10,
): EvaluationEntry => {
  const checks = reserves.map((reserve, i) => check(`c${i}`, reserve));
  const known = reserves.filter((reserve) => reserve !== null);
  const status = known.some((reserve) => reserve < 1) ? 'fail' : known.length < reserves.length ? 'unknown' : 'pass';
  return {
    orientation,
    machineId: 'm',
    status,
    minimumReserve: known.length > 0 ? Math.min(...known) : null,
    governingCheckId: 'c0',
    massG: 1,
    costUsd,
    ownHeatLimitC: 50,
    checks,
  };
};
const grade = (gradeId: string, best: EvaluationEntry, entries = [best]): GradeEvaluation => ({
  gradeId,
  best,
  entries,
});

describe('best build orientation', () => {
  const first = (...entries: EvaluationEntry[]) => [...entries].sort(compareEntries)[0]!.orientation;
  test('passing beats unknown beats failing, whatever the reserves', () => {
    expect(first(entry('XY', [0.99, 50]), entry('XZ', [null, 5]), entry('ZX', [1.01, 1.01]))).toBe('ZX');
    expect(first(entry('XY', [0.99, 50]), entry('XZ', [null, 5]))).toBe('XZ');
  });
  test('the larger minimum reserve wins', () =>
    expect(first(entry('XY', [1.2, 9]), entry('ZX', [1.3, 1.4]))).toBe('ZX'));
  test('where the smallest is the same (cost, mass) the next smallest decides', () =>
    expect(first(entry('XY', [1.1, 2]), entry('ZX', [3, 1.1]))).toBe('ZX'));
  test('all the same: the cheaper, then flat', () => {
    expect(first(entry('XY', [2], 12), entry('ZX', [2], 11))).toBe('ZX');
    expect(first(entry('ZX', [2]), entry('XZ', [2]), entry('XY', [2]))).toBe('XY');
  });
});

describe('ranking methods', () => {
  const cheapWeak = grade('a', entry('XY', [1.05], 5));
  const dearStrong = grade('b', entry('XY', [3], 50));
  const sameCost = grade('c', entry('XY', [2], 5));
  const unpriced = grade('d', entry('XY', [9], null));
  const failing = grade('e', entry('XY', [0.9], 1));
  const unknown = grade('f', entry('XY', [null], 1));
  const all = [failing, unknown, unpriced, dearStrong, sameCost, cheapWeak];
  const order = (rankingMethod: string) =>
    rank(all, rankingMethod)
      .map((one) => one.gradeId)
      .join('');

  test('lowest cost: by cost, ties by id, an unknown cost after every known one', () =>
    expect(order('cheapest-that-passes')).toBe('acbdfe'));
  test('highest minimum reserve: by the minimum reserve', () => expect(order('weakest-link')).toBe('dbcafe'));
  test('an unheard-of ranking method is the first one, and ranking changes nothing in place', () => {
    const before = all.map((one) => one.gradeId).join('');
    expect(order('by colour')).toBe(order(rankingMethods[0]!.id));
    expect(all.map((one) => one.gradeId).join('')).toBe(before);
  });
});

describe('funnel', () => {
  const result = (grades: GradeEvaluation[]): EvaluationResult => ({
    engineVersion: 't',
    checkIds: ['c0', 'c1'],
    grades,
  });
  test('a grade stands while one and the same build orientation passes everything so far', () => {
    // XY passes only the first check, XZ only the second: neither stands after both.
    const torn = grade('torn', entry('XY', [2, 0.5]), [entry('XY', [2, 0.5]), entry('XZ', [0.5, 2])]);
    const sound = grade('sound', entry('XY', [2, 2]));
    expect(funnel(result([torn, sound]))).toEqual([
      { checkId: 'c0', remaining: 2, removed: 0 },
      { checkId: 'c1', remaining: 1, removed: 1 },
    ]);
  });
  test('unknown does not stand', () =>
    expect(funnel(result([grade('u', entry('XY', [null, 2]))]))[0]).toMatchObject({ remaining: 0 }));
});

describe('differences of two results', () => {
  const result = (...grades: GradeEvaluation[]): EvaluationResult => ({ engineVersion: 't', checkIds: ['c0'], grades });
  const base = grade('a', entry('XY', [1.5]));
  test('the last bits of a number are no difference; a thousandth is', () => {
    expect(resultDifferences(result(base), result(grade('a', entry('XY', [1.5 * (1 + 1e-12)]))))).toEqual([]);
    expect(resultDifferences(result(base), result(grade('a', entry('XY', [1.501]))))).toEqual([
      'a, XY, c0: reserve was 1.5, now 1.501',
    ]);
  });
  test('a changed verdict, a lost grade and a lost cost are named', () => {
    expect(resultDifferences(result(base), result(grade('a', entry('XY', [0.5]))))).toEqual([
      'a, XY, c0: was pass, now fail',
    ]);
    expect(resultDifferences(result(base), result())).toEqual(['a: no longer evaluated']);
    expect(resultDifferences(result(base), result(grade('a', entry('XY', [1.5], null))))).toEqual([
      'a, XY: costUsd was 10, now unknown',
    ]);
  });
});
