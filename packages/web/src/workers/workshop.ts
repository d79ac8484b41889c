import { evaluate, screen, type Screening } from '@anvilstone/core/evaluation';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import type { Brief, Grade, GradeEvaluation, CompanyRules, Library } from '@anvilstone/schema';

/** Grades and machines with the policy values in force: all that an evaluation reads beside the brief. */
export interface Workshop extends Library {
  rules: CompanyRules;
}

/** The worker’s one copy of it. A new object each time it is set, so that what was kept for the last one can be told. */
let workshop: Workshop = { grades: [], machines: [], rules: defaultCompanyRules };
export const theWorkshop = (): Workshop => workshop;

/** The last screenings, by brief: several parts of a page ask for the same one. */
const kept = new Map<string, Screening>();
const MOST_KEPT = 12;

export function setTheWorkshop(value: Workshop): void {
  workshop = value;
  kept.clear();
}

export function screened(brief: Brief): Screening {
  const key = JSON.stringify(brief);
  let found = kept.get(key);
  if (!found) {
    found = screen(brief, workshop, { rules: workshop.rules });
    if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!);
    kept.set(key, found);
  }
  return found;
}

export function evaluated(brief: Brief, gradeIds: readonly string[]): GradeEvaluation[] {
  return evaluate(brief, { ...workshop, grades: gradesOf(gradeIds) }, { rules: workshop.rules }).grades;
}

/** Grades of the workshop by their ids; those that are not there are left out. */
export function gradesOf(gradeIds: readonly string[]): Grade[] {
  const byId = new Map(workshop.grades.map((grade) => [grade.id, grade]));
  return gradeIds.flatMap((id) => byId.get(id) ?? []);
}
