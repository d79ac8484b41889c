import type { Brief, HouseRules, Library } from '@anvilstone/schema';
import { strengthOverAngle } from '../compare/curves.ts';
import { finalistJob, finalistOf } from '../compare/finalist.ts';
import type { LineChart } from '../drawing/lineChart.ts';
import { InputError } from '../input/InputError.ts';
import { defaultHouseRules } from '../rules/houseRules.ts';
import type { UnitSystem } from '../units/dimensions.ts';

/**
 * Strength of one grade around the build angle with this part’s hardest pull drawn in, and where each build orientation puts it.
 * Undefined: nothing pulls at it. @throws InputError when the library has no such grade, or the brief cannot be evaluated
 */
export function angleChart(
  brief: Brief,
  library: Library,
  gradeId: string,
  rules: HouseRules = defaultHouseRules,
  units: UnitSystem = 'metric',
): LineChart | undefined {
  const grade = library.grades.find(({ id }) => id === gradeId);
  if (!grade) throw new InputError('gradeId', gradeId, 'a grade of the library');
  return strengthOverAngle([finalistOf(finalistJob(brief, library, rules), grade, 'A')], units);
}
