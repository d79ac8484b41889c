import { houseRulesRecord, type HouseRulesRecord } from '@anvilstone/schema';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import { conflict } from '../http/problems.ts';
import { houseRulesInForce, saveHouseRules } from './repository.ts';

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
      summary: 'Set policy values; a stale revision is refused with the newer ones. Frozen decisions keep theirs',
      body: houseRulesRecord,
      answer: houseRulesRecord,
      async handle({ body }) {
        const { rules, revision } = body as HouseRulesRecord;
        const saved = await saveHouseRules(db, rules, revision);
        if (!saved) throw conflict('set of house rules', await houseRulesInForce(db));
        return { body: saved };
      },
    },
  ];
}
