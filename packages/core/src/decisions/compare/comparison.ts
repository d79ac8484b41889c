import type { Brief, CheckResult, CompanyRules, Library } from '@anvilstone/schema';
import { findCheck } from '@anvilstone/core/checks';
import { type BarChart, type LineChart, InputError, PLENTY, type UnitSystem } from '@anvilstone/core/foundations';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import { whatTheDearerBuys, type Buy } from './buys.ts';
import { costChart } from './costParts.ts';
import { comparisonCharts } from './curves.ts';
import { finalistJob, finalistOf, type Finalist } from './finalist.ts';
import { propertyRows, type PropertyRow } from './propertyRows.ts';

export const FEWEST_FINALISTS = 2;
export const MOST_FINALISTS = 5;

/** Beyond plenty a difference tells nothing. */
const isNumber = (reserve: number | null): reserve is number => reserve !== null && reserve <= PLENTY;

/** One check of all finalists; `percents` are of the reserve over the base’s, null where either has none, or plenty. */
export interface CheckRow {
  checkId: string;
  title: string;
  asks: string;
  results: readonly CheckResult[];
  percents: readonly (number | null)[];
}

/** A few grades side by side for one part. The first is the base of every percentage. */
export interface Comparison {
  finalists: readonly Finalist[];
  checks: readonly CheckRow[];
  properties: readonly PropertyRow[];
  buys: readonly Buy[];
  charts: readonly LineChart[];
  cost: BarChart;
}

/**
 * Two to five grades of a library held against each other for a brief; conditions and labels in the given units.
 * @throws InputError fewer or more of them, one twice, one that is not there, or a brief that cannot be evaluated
 */
export function compareFinalists(
  brief: Brief,
  library: Library,
  gradeIds: readonly string[],
  rules: CompanyRules = defaultCompanyRules,
  units: UnitSystem = 'metric',
): Comparison {
  if (gradeIds.length < FEWEST_FINALISTS || gradeIds.length > MOST_FINALISTS)
    throw new InputError('grades', gradeIds.length, 'two to five grades to compare');
  if (new Set(gradeIds).size < gradeIds.length) throw new InputError('grades', gradeIds.join(', '), 'each grade once');
  const grades = gradeIds.map((id) => {
    const grade = library.grades.find((one) => one.id === id);
    if (!grade) throw new InputError('grades', id, 'a grade of the library');
    return grade;
  });
  const job = finalistJob(brief, library, rules);
  const inPlace = grades.map((grade, i) => finalistOf(job, grade, String.fromCharCode(65 + i)));
  const finalists = inPlace.map(({ finalist }) => finalist);
  const base = finalists[0]!.entry;
  return {
    finalists,
    checks: base.checks.map((check, i): CheckRow => {
      const results = finalists.map(({ entry }) => entry.checks[i]!);
      return {
        checkId: check.checkId,
        title: findCheck(check.checkId)?.title ?? check.checkId,
        asks: findCheck(check.checkId)?.asks ?? '',
        results,
        percents: results.map(({ reserve }) =>
          isNumber(reserve) && isNumber(check.reserve) ? 100 * (reserve / check.reserve - 1) : null,
        ),
      };
    }),
    properties: propertyRows(brief, grades, rules, units),
    buys: whatTheDearerBuys(finalists),
    charts: comparisonCharts(inPlace, units),
    cost: costChart(finalists),
  };
}
