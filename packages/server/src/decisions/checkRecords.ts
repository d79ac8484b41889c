import type { RecordsCheck } from '@anvilstone/schema';
import type { Knex } from 'knex';
import type { JobKind } from '../jobs/kinds.ts';
import type { DecisionService } from './service.ts';

export const CHECK_RECORDS = 'check-records';

/** Every frozen record computed again: what does not come to what was frozen is named with its differences. */
export const recordsChecking = (db: Knex, decisions: DecisionService): JobKind<null> => ({
  id: CHECK_RECORDS,
  async run(_input, { report, signal }): Promise<RecordsCheck> {
    const rows = (await db('decisions')
      .join('parts', 'parts.id', 'decisions.part_id')
      .orderBy('decisions.decided_at')
      .select('decisions.id', 'decisions.part_id as partId', db.raw(`parts.brief ->> 'title' as title`))) as {
      id: string;
      partId: string;
      title: string;
    }[];
    const differing: RecordsCheck['differing'] = [];
    for (const [i, { id, partId, title }] of rows.entries()) {
      signal.throwIfAborted();
      report(i / rows.length, `Record ${i + 1} of ${rows.length}: ${title}`);
      const { agrees, differences } = await decisions.recompute(id);
      if (!agrees) differing.push({ decisionId: id, partId, title, differences });
    }
    return { checked: rows.length, differing };
  },
});
