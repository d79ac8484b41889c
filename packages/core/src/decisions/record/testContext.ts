import type { Brief, Decision, DecisionRequest, Library } from '@anvilstone/schema';
import { ENGINE_VERSION } from '../../evaluation/evaluating/evaluate.ts';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { inputsOfChoice } from './grounds.ts';

/** A decision as the server freezes it. Used by tests only. */
export function frozenDecision(brief: Brief, library: Library, choice: Partial<DecisionRequest> = {}): Decision {
  const { gradeId = 'tm-asa', orientation = 'XZ', reasons = 'Stands the sun.', openRisks = '', limits = '' } = choice;
  const { grades, result, grounds } = inputsOfChoice(brief, library, defaultCompanyRules, {
    gradeId,
    orientation,
    schoolId: 'cheapest-that-passes',
    limits,
    notes: choice.notes ?? [],
    testsDone: [],
  });
  return {
    format: 'anvilstone-decision/2',
    id: '0a7c1d00-0000-4000-8000-0000000000aa',
    number: 7,
    partId: '0a7c1d00-0000-4000-8000-000000000003',
    partRevision: 1,
    decidedAt: '2026-09-14T09:30:00.000Z',
    decidedBy: 'Tester',
    gradeId,
    orientation,
    reasons,
    openRisks,
    engineVersion: ENGINE_VERSION,
    brief,
    rules: defaultCompanyRules,
    machines: library.machines,
    grades,
    result,
    grounds,
  };
}
