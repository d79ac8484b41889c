import { defaultHouseRules } from '@anvilstone/core';
import type { HouseRules, HouseRulesRecord } from '@anvilstone/schema';
import type { Knex } from 'knex';

interface Row {
  revision: number;
  rules: HouseRules;
}

/** Those of a new workshop, at revision 0, until somebody sets others. */
export async function houseRulesInForce(db: Knex): Promise<HouseRulesRecord> {
  const row = (await db('house_rules').first('revision', 'rules')) as Row | undefined;
  return row ? { rules: row.rules, revision: row.revision } : { rules: defaultHouseRules, revision: 0 };
}

/** Undefined: the revision is no longer the one in force. */
export async function saveHouseRules(
  db: Knex,
  rules: HouseRules,
  revision: number,
): Promise<HouseRulesRecord | undefined> {
  const document = JSON.stringify(rules);
  const rows = (await (revision === 0
    ? db('house_rules')
        .insert({ revision: 1, rules: document })
        .onConflict('id')
        .ignore()
        .returning(['revision', 'rules'])
    : db('house_rules')
        .where({ revision })
        .update({ revision: revision + 1, rules: document })
        .returning(['revision', 'rules']))) as Row[];
  return rows[0] && { rules: rows[0].rules, revision: rows[0].revision };
}
