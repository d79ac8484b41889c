import { evaluationRequest, evaluationResult, type EvaluationRequest } from '@anvilstone/schema';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import { evaluateRequest } from './service.ts';

export function evaluationOperations(db: Knex): Operation[] {
  return [
    {
      id: 'evaluate',
      method: 'post',
      path: '/evaluations',
      needs: 'viewer',
      summary: 'Evaluate a brief against the library, with the calculation on request',
      body: evaluationRequest,
      answer: evaluationResult,
      handle: async ({ body }) => ({ body: await evaluateRequest(db, body as EvaluationRequest) }),
    },
  ];
}
