import { evaluate, withChances } from '@anvilstone/core/evaluation';
import type { EvaluationRequest, EvaluationResult, Library } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { ownAgents } from '../agents/repository.ts';
import { allGrades } from '../grades/repository.ts';
import { companyRulesInForce } from '../companyRules/repository.ts';
import { invalidInput } from '../http/problems.ts';
import { machinesAtHand } from '../machines/repository.ts';
import { sound } from '../parts/service.ts';

/** Shown arithmetic is long: a few grades at a time are plenty. */
const MOST_WITH_WORKING = 20;

export async function workshopLibrary(db: Knex): Promise<Library> {
  const [grades, machines, agents] = await Promise.all([allGrades(db), machinesAtHand(db), ownAgents(db)]);
  return { grades, machines, agents };
}

/** @throws HttpProblem 422: a brief that contradicts itself, a grade that does not exist, or working for too many grades */
export async function evaluateRequest(db: Knex, request: EvaluationRequest): Promise<EvaluationResult> {
  const brief = sound(request.brief, '/brief');
  const [library, { rules }] = await Promise.all([workshopLibrary(db), companyRulesInForce(db)]);
  const { gradeIds, showWorking = false } = request;
  const wanted = gradeIds ? library.grades.filter((grade) => gradeIds.includes(grade.id)) : library.grades;
  const known = new Set(wanted.map((grade) => grade.id));
  const missing = (gradeIds ?? []).flatMap((id, index) => (known.has(id) ? [] : [{ id, index }]));
  if (missing.length > 0) {
    throw invalidInput(
      missing.map(({ id, index }) => ({ pointer: `/gradeIds/${index}`, detail: `There is no grade “${id}”` })),
    );
  }
  if (showWorking && wanted.length > MOST_WITH_WORKING) {
    throw invalidInput([
      {
        pointer: '/showWorking',
        detail: `Working for ${wanted.length} grades`,
        accepted: `at most ${MOST_WITH_WORKING} grade ids`,
      },
    ]);
  }
  const held = { ...library, grades: wanted };
  const result = evaluate(brief, held, { rules, showWorking });
  return request.chance ? withChances(brief, held, result, request.chance, rules) : result;
}
