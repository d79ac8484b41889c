import type { Brief, CompanyRules, Library } from '@anvilstone/schema';
import { strengthOverAngle } from './curves.ts';
import { finalistJob, finalistOf } from './finalist.ts';
import { type LineChart, InputError, type UnitSystem } from '@anvilstone/core/foundations';
import { defaultCompanyRules } from '@anvilstone/core/materials';

/**
 * Strength of one grade around the build angle with this part’s hardest pull drawn in, and where each build orientation puts it.
 * Undefined: nothing pulls at it. @throws InputError when the library has no such grade, or the brief cannot be evaluated
 */
export function angleChart(
  brief: Brief,
  library: Library,
  gradeId: string,
  rules: CompanyRules = defaultCompanyRules,
  units: UnitSystem = 'metric',
): LineChart | undefined {
  const grade = library.grades.find(({ id }) => id === gradeId);
  if (!grade) throw new InputError('gradeId', gradeId, 'a grade of the library');
  return strengthOverAngle([finalistOf(finalistJob(brief, library, rules), grade, 'A')], units);
}
