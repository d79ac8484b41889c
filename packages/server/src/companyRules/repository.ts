import { completeRules, defaultCompanyRules } from '@anvilstone/core/materials';
import type { CompanyRules, CompanyRulesHistory, CompanyRulesRecord } from '@anvilstone/schema';
import type { Knex } from 'knex';

interface Row {
  revision: number;
  rules: CompanyRules;
}
interface ChangeRow extends Row {
  changed_at: Date;
  changed_by: string;
  why: string;
}

/** Those of a new workshop, at revision 0, until somebody sets others; values added later have their default. */
export async function companyRulesInForce(db: Knex): Promise<CompanyRulesRecord> {
  const row = (await db('house_rules').first('revision', 'rules')) as Row | undefined;
  return row
    ? { rules: completeRules(row.rules), revision: row.revision }
    : { rules: defaultCompanyRules, revision: 0 };
}

/** Undefined: the revision is no longer the one in force. */
export async function saveCompanyRules(db: Knex, record: CompanyRulesRecord): Promise<CompanyRulesRecord | undefined> {
  const { revision, changedBy = '', why = '' } = record;
  const rules = JSON.stringify(record.rules);
  return db.transaction(async (trx) => {
    const rows = (await (revision === 0
      ? trx('house_rules').insert({ revision: 1, rules }).onConflict('id').ignore().returning(['revision', 'rules'])
      : trx('house_rules')
          .where({ revision })
          .update({ revision: revision + 1, rules })
          .returning(['revision', 'rules']))) as Row[];
    const [saved] = rows;
    if (!saved) return undefined;
    await trx('house_rules_changes').insert({ revision: saved.revision, rules, changed_by: changedBy, why });
    return { rules: saved.rules, revision: saved.revision, changedBy, why };
  });
}

/** Newest first. */
export async function companyRulesChanges(db: Knex): Promise<CompanyRulesHistory> {
  const rows = await db<ChangeRow>('house_rules_changes').select('*').orderBy('revision', 'desc');
  return {
    changes: rows.map((row) => ({
      revision: row.revision,
      changedAt: row.changed_at.toISOString(),
      changedBy: row.changed_by,
      why: row.why,
      rules: row.rules,
    })),
  };
}
