import { houseRulesHistory, houseRulesRecord, type HouseRulesRecord } from '@anvilstone/schema';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import { conflict } from '../http/problems.ts';
import { houseRulesChanges, houseRulesInForce, saveHouseRules } from './repository.ts';

export function houseRulesOperations(db: Knex): Operation[] {
  return [
    {
      id: 'getHouseRules',
      method: 'get',
      path: '/house-rules',
      summary: 'Policy values in force, with their revision',
      answer: houseRulesRecord,
      handle: async () => ({ body: await houseRulesInForce(db) }),
    },
    {
      id: 'updateHouseRules',
      method: 'put',
      path: '/house-rules',
      needs: 'approver',
      summary: 'Set policy values; a stale revision is refused with the newer ones. Frozen decisions keep theirs',
      body: houseRulesRecord,
      answer: houseRulesRecord,
      async handle({ body }) {
        const saved = await saveHouseRules(db, body as HouseRulesRecord);
        if (!saved) throw conflict('set of company rules', await houseRulesInForce(db));
        return { body: saved };
      },
    },
    {
      id: 'listHouseRuleChanges',
      method: 'get',
      path: '/house-rules/history',
      summary: 'Every set of company rules that was put in force: who, when and why',
      answer: houseRulesHistory,
      handle: async () => ({ body: await houseRulesChanges(db) }),
    },
  ];
}
