import { randomUUID } from 'node:crypto';
import { chosenEntry, inputsOfChoice, openRisksOf } from '@anvilstone/core/decisions';
import { ENGINE_VERSION, evaluate } from '@anvilstone/core/evaluation';
import { builtAs } from '@anvilstone/core/shapes';
import type {
  Brief,
  Decision,
  DecisionRequest,
  Library,
  CompanyRules,
  MethodResult,
  Part,
  ProblemIssue,
  TestDone,
} from '@anvilstone/schema';
import type { Knex } from 'knex';
import { resultsOfPart } from '../bench/methodResults.ts';
import { workshopLibrary } from '../evaluation/service.ts';
import { companyRulesInForce } from '../companyRules/repository.ts';
import { invalidInput } from '../http/problems.ts';
import { sound } from '../parts/service.ts';
import { insertDecision, newestNumber } from './repository.ts';

/**
 * Takes everything a choice rests on into a record that no longer changes.
 * @throws HttpProblem 422: the choice cannot be made from this brief and library, or leaves unsaid what has to be said
 */
export async function freeze(trx: Knex, part: Part, request: DecisionRequest, decidedAt: Date): Promise<Decision> {
  const library = await workshopLibrary(trx);
  const { rules } = await companyRulesInForce(trx);
  const brief = sound(part.brief);
  const issues = issuesOf(brief, library, rules, request);
  if (issues.length > 0) throw invalidInput(issues, 'Nothing was frozen.');
  const { grades, result, grounds } = inputsOfChoice(brief, library, rules, {
    gradeId: request.gradeId,
    orientation: request.orientation,
    schoolId: request.schoolId ?? rules.rankingSchool ?? 'cheapest-that-passes',
    limits: request.limits ?? '',
    notes: request.notes ?? [],
    testsDone: (await resultsOfPart(trx, part.id)).map(toTestDone),
  });
  const supersedes = await newestNumber(trx, part.id);
  const frozen: Omit<Decision, 'number'> = {
    format: 'anvilstone-decision/2',
    id: randomUUID(),
    partId: part.id,
    partRevision: part.revision,
    ...(supersedes === undefined ? {} : { supersedes }),
    decidedAt: decidedAt.toISOString(),
    decidedBy: request.decidedBy,
    gradeId: request.gradeId,
    orientation: request.orientation,
    reasons: request.reasons,
    openRisks: openRisksOf(chosenEntry(result, request)!, request.openRisks),
    engineVersion: ENGINE_VERSION,
    brief,
    rules,
    ...library,
    grades,
    result,
    grounds,
  };
  const gradeName = library.grades.find((grade) => grade.id === request.gradeId)!.name;
  return insertDecision(trx, frozen, gradeName);
}

function issuesOf(brief: Brief, library: Library, rules: CompanyRules, request: DecisionRequest): ProblemIssue[] {
  const own = library.grades.filter(({ id }) => id === request.gradeId);
  const result = evaluate(brief, { ...library, grades: own }, { rules });
  const chosen = result.grades.find((grade) => grade.gradeId === request.gradeId);
  const entry = chosen?.entries.find((one) => one.orientation === request.orientation);
  const issues: ProblemIssue[] = [];
  if (!chosen) issues.push({ pointer: '/gradeId', detail: `There is no grade “${request.gradeId}”` });
  else if (!entry)
    issues.push({
      pointer: '/orientation',
      detail: `The brief does not allow ${builtAs(brief.part, request.orientation)}`,
    });
  if (brief.failureCouldHurt === 'unanswered') {
    issues.push({
      pointer: '/brief/failureCouldHurt',
      detail: 'The brief does not yet say whether a failure could hurt someone',
      accepted: 'an answer, in the brief',
    });
  }
  // What is only not known is written down as an open risk by itself.
  if (entry?.status === 'fail' && request.openRisks.trim() === '') {
    issues.push({
      pointer: '/openRisks',
      detail: `The choice does not pass every check (${entry.status})`,
      accepted: 'what is still unproven, in words',
    });
  }
  return issues;
}

const toTestDone = (one: MethodResult): TestDone => ({
  campaignId: one.campaignId,
  methodId: one.methodId,
  armId: one.armId,
  gradeId: one.gradeId,
  orientation: one.orientation,
  n: one.n,
  mean: one.mean,
  sd: one.sd,
  predicted: one.predicted,
  accepted: one.accepted,
  lastAt: one.lastAt,
});
