import { defaultHouseRules } from '@anvilstone/core';
import { evaluationRequest, evaluationResult, houseRules, type EvaluationRequest } from '@anvilstone/schema';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import { evaluateRequest } from './service.ts';

export function evaluationOperations(db: Knex): Operation[] {
  return [
    {
      id: 'evaluate',
      method: 'post',
      path: '/evaluations',
      summary: 'Hold a brief against the workshop’s library, with the working on request',
      body: evaluationRequest,
      answer: evaluationResult,
      handle: async ({ body }) => ({ body: await evaluateRequest(db, body as EvaluationRequest) }),
    },
    {
      id: 'getHouseRules',
      method: 'get',
      path: '/house-rules',
      summary: 'Policy values in force',
      answer: houseRules,
      handle: () => Promise.resolve({ body: defaultHouseRules }),
    },
  ];
}
