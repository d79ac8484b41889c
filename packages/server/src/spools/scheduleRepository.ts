import type { DryerSchedule, DryerScheduleRecord } from '@anvilstone/schema';
import type { Knex } from 'knex';

/** Revision 0: nothing was ever planned. */
export async function findSchedule(db: Knex): Promise<DryerScheduleRecord> {
  const row = (await db('dryer_schedule').first('revision', 'document')) as
    | { revision: number; document: DryerSchedule }
    | undefined;
  return row
    ? { schedule: row.document, revision: row.revision }
    : { schedule: { runs: [], conditioning: [] }, revision: 0 };
}

/** Undefined: the revision is no longer the one that is stored. */
export async function saveSchedule(
  db: Knex,
  { schedule, revision }: DryerScheduleRecord,
): Promise<DryerScheduleRecord | undefined> {
  const document = JSON.stringify(schedule);
  const rows = (await (revision === 0
    ? db('dryer_schedule').insert({ revision: 1, document }).onConflict('id').ignore().returning('revision')
    : db('dryer_schedule')
        .where({ revision })
        .update({ revision: revision + 1, document })
        .returning('revision'))) as { revision: number }[];
  return rows[0] && { schedule, revision: rows[0].revision };
}
