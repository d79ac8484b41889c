import { companyRulesHistory, companyRulesRecord, type CompanyRulesRecord } from '@anvilstone/schema';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import { conflict } from '../http/problems.ts';
import { companyRulesChanges, companyRulesInForce, saveCompanyRules } from './repository.ts';

export function companyRulesOperations(db: Knex): Operation[] {
  return [
    {
      id: 'getCompanyRules',
      method: 'get',
      path: '/company-rules',
      summary: 'Policy values in force, with their revision',
      answer: companyRulesRecord,
      handle: async () => ({ body: await companyRulesInForce(db) }),
    },
    {
      id: 'updateCompanyRules',
      method: 'put',
      path: '/company-rules',
      needs: 'approver',
      summary: 'Set policy values; a stale revision is refused with the newer ones. Frozen decisions keep theirs',
      body: companyRulesRecord,
      answer: companyRulesRecord,
      async handle({ body }) {
        const saved = await saveCompanyRules(db, body as CompanyRulesRecord);
        if (!saved) throw conflict('set of company rules', await companyRulesInForce(db));
        return { body: saved };
      },
    },
    {
      id: 'listCompanyRuleChanges',
      method: 'get',
      path: '/company-rules/history',
      summary: 'Every set of company rules that was put in force: who, when and why',
      answer: companyRulesHistory,
      handle: async () => ({ body: await companyRulesChanges(db) }),
    },
  ];
}
