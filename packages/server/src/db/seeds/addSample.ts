import {
  sampleCampaigns,
  sampleDryers,
  sampleLibrary,
  samplePlaces,
  sampleSchedule,
  sampleSpools,
} from '@anvilstone/core/education/sample';
import type { Knex } from 'knex';
import { campaignTable, trialTable } from '../../bench/repository.ts';
import { upsertGrades } from '../../grades/repository.ts';
import { machineTable } from '../../machines/repository.ts';
import { insertPart } from '../../parts/repository.ts';
import { dryerTable, placeTable, spoolTable } from '../../spools/repository.ts';
import { findSchedule, saveSchedule } from '../../spools/scheduleRepository.ts';
import type { RevisionedTable } from '../revisionedTable.ts';
import { SAMPLE_PARTS } from './demo.ts';

export interface SampleAdded {
  grades: number;
  machines: number;
  parts: number;
}

/**
 * Brings the sample’s grades and machines into a workspace, and with `withParts` its parts, spools and tests too. What is
 * there already under the same id stays as it is, so that asking twice adds nothing and loses nothing.
 */
export async function addSample(db: Knex, { withParts }: { withParts: boolean }): Promise<SampleAdded> {
  return db.transaction(async (trx) => {
    // Two that ask at the same moment: the second finds what the first has added.
    await trx.raw("select pg_advisory_xact_lock(hashtext('anvilstone-sample'))");
    const grades = await missing(trx, 'grades', sampleLibrary.grades);
    await upsertGrades(trx, grades, 'delivered');
    const machines = await addTo(trx, 'machines', machineTable, sampleLibrary.machines);
    const parts = withParts ? await addParts(trx, new Date()) : 0;
    return { grades: grades.length, machines, parts };
  });
}

async function addParts(trx: Knex.Transaction, now: Date): Promise<number> {
  const parts = await missing(
    trx,
    'parts',
    SAMPLE_PARTS.map(([id, brief]) => ({ id, brief })),
  );
  for (const { id, brief } of parts) await insertPart(trx, id, brief);
  await addTo(trx, 'places', placeTable, samplePlaces);
  await addTo(trx, 'dryers', dryerTable, sampleDryers);
  await addTo(trx, 'spools', spoolTable, sampleSpools(now));
  const { revision } = await findSchedule(trx);
  if (revision === 0) await saveSchedule(trx, { schedule: sampleSchedule(now), revision });
  const campaigns = await missing(
    trx,
    'campaigns',
    sampleCampaigns(now).map((one) => ({ id: one.campaign.id, ...one })),
  );
  for (const { campaign, trials } of campaigns) {
    await campaignTable.upsert(trx, [campaign]);
    await trialTable.upsert(trx, trials);
  }
  return parts.length;
}

async function addTo<T extends { id: string }>(
  trx: Knex.Transaction,
  name: string,
  table: RevisionedTable<T>,
  all: readonly T[],
): Promise<number> {
  const wanted = await missing(trx, name, all);
  await table.upsert(trx, wanted);
  return wanted.length;
}

async function missing<T extends { id: string }>(
  trx: Knex.Transaction,
  table: string,
  all: readonly T[],
): Promise<T[]> {
  const rows = (await trx(table)
    .whereIn(
      'id',
      all.map(({ id }) => id),
    )
    .select('id')) as { id: string }[];
  const here = new Set(rows.map(({ id }) => id));
  return all.filter(({ id }) => !here.has(id));
}
