import { randomUUID } from 'node:crypto';
import { ENGINE_VERSION, evaluate, resultDifferences } from '@anvilstone/core';
import type { Decision, DecisionRequest, DecisionSummary, Part, ProblemIssue, Recomputation } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { workshopLibrary } from '../evaluation/service.ts';
import { houseRulesInForce } from '../houseRules/repository.ts';
import { conflict, invalidInput, notFound } from '../http/problems.ts';
import { findPart } from '../parts/repository.ts';
import { requireUuid, sound } from '../parts/service.ts';
import { findDecision, insertDecision, listDecisions } from './repository.ts';

export interface DecisionService {
  list(partId: string): Promise<DecisionSummary[]>;
  get(id: string): Promise<Decision>;
  freeze(partId: string, request: DecisionRequest): Promise<Decision>;
  recompute(id: string): Promise<Recomputation>;
}

export function decisionService(db: Knex, now: () => Date = () => new Date()): DecisionService {
  const get = async (id: string) => {
    requireUuid('decision', id);
    const decision = await findDecision(db, id);
    if (!decision) throw notFound('decision', id);
    return decision;
  };
  return {
    async list(partId) {
      requireUuid('part', partId);
      if (!(await findPart(db, partId))) throw notFound('part', partId);
      return listDecisions(db, partId);
    },
    get,
    async freeze(partId, request) {
      requireUuid('part', partId);
      return db.transaction(async (trx) => {
        const part = await findPart(trx, partId, true);
        if (!part) throw notFound('part', partId);
        if (part.revision !== request.partRevision) throw conflict('part', part);
        return freeze(trx, part, request, now());
      });
    },
    async recompute(id) {
      const decision = await get(id);
      const { brief, grades, machines, agents = [], rules } = decision;
      const current = evaluate(brief, { grades, machines, agents }, { rules });
      const differences = resultDifferences(decision.result, current);
      return {
        agrees: differences.length === 0,
        frozenEngineVersion: decision.engineVersion,
        currentEngineVersion: ENGINE_VERSION,
        differences,
      };
    },
  };
}

async function freeze(trx: Knex, part: Part, request: DecisionRequest, decidedAt: Date): Promise<Decision> {
  const library = await workshopLibrary(trx);
  const { rules } = await houseRulesInForce(trx);
  const brief = sound(part.brief);
  const result = evaluate(brief, library, { rules });
  const chosen = result.grades.find((grade) => grade.gradeId === request.gradeId);
  const entry = chosen?.entries.find((one) => one.orientation === request.orientation);
  const issues: ProblemIssue[] = [];
  if (!chosen) issues.push({ pointer: '/gradeId', detail: `There is no grade “${request.gradeId}”` });
  else if (!entry) issues.push({ pointer: '/orientation', detail: `The brief does not allow ${request.orientation}` });
  if (brief.failureCouldHurt === 'unanswered') {
    issues.push({
      pointer: '/brief/failureCouldHurt',
      detail: 'The brief does not yet say whether a failure could hurt someone',
      accepted: 'an answer, in the brief',
    });
  }
  if (entry && entry.status !== 'pass' && request.openRisks.trim() === '') {
    issues.push({
      pointer: '/openRisks',
      detail: `The choice does not pass every check (${entry.status})`,
      accepted: 'what is still unproven, in words',
    });
  }
  if (issues.length > 0) throw invalidInput(issues, 'Nothing was frozen.');
  const frozen = {
    format: 'anvilstone-decision/1' as const,
    id: randomUUID(),
    partId: part.id,
    partRevision: part.revision,
    decidedAt: decidedAt.toISOString(),
    decidedBy: request.decidedBy,
    gradeId: request.gradeId,
    orientation: request.orientation,
    reasons: request.reasons,
    openRisks: request.openRisks,
    engineVersion: ENGINE_VERSION,
    brief,
    rules,
    ...library,
    result,
  };
  const gradeName = library.grades.find((grade) => grade.id === request.gradeId)!.name;
  return insertDecision(trx, frozen, gradeName);
}
