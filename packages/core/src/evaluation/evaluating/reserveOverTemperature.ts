import type { Brief, BuildOrientation, CompanyRules, Library } from '@anvilstone/schema';
import { smallestReserve } from '@anvilstone/core/checks';
import { InputError } from '@anvilstone/core/foundations';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import { contextFor, materialFor, prepareBrief } from './context.ts';

export interface TemperaturePoint {
  temperatureC: number;
  /** Minimum reserve of strength and movement when the hot loads act at this temperature for their whole duration. */
  reserve: number;
  /** Title of the check that has it. */
  first: string;
}

/**
 * How the minimum reserve of one grade falls with temperature, one point per given temperature; empty when it is unknown.
 * @throws InputError when the library has no such grade, or the brief cannot be evaluated
 */
export function reserveOverTemperature(
  brief: Brief,
  library: Library,
  gradeId: string,
  orientation: BuildOrientation,
  temperaturesC: readonly number[],
  rules: CompanyRules = defaultCompanyRules,
): TemperaturePoint[] {
  const grade = library.grades.find((one) => one.id === gradeId);
  if (!grade) throw new InputError('gradeId', gradeId, 'a grade of the library is needed');
  const prepared = prepareBrief(brief, library, rules);
  const context = contextFor(prepared, materialFor(prepared, grade), orientation);
  const points: TemperaturePoint[] = [];
  for (const temperatureC of temperaturesC) {
    const outcome = smallestReserve(context, temperatureC, Infinity);
    if ('gaps' in outcome) return [];
    points.push({ temperatureC, reserve: outcome.reserve, first: outcome.first });
  }
  return points;
}
