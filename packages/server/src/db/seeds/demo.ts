import {
  carrierTray,
  dripCup,
  gaugeBeam,
  guardBumper,
  heaterDuct,
  lampArm,
  nozzleBracket,
  ratchetPawl,
  sampleCampaigns,
  sampleDryers,
  samplePlaces,
  sampleSchedule,
  sampleSpools,
  sampleLibrary,
  scraperLever,
  snapCover,
  stampPad,
} from '@anvilstone/core/education/sample';
import type { Brief } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { actingAs } from '../actor.ts';
import { campaignTable, trialTable } from '../../bench/repository.ts';
import { upsertGrades } from '../../grades/repository.ts';
import { machineTable } from '../../machines/repository.ts';
import { dryerTable, placeTable, spoolTable } from '../../spools/repository.ts';
import { findSchedule, saveSchedule } from '../../spools/scheduleRepository.ts';
import { seedRecords } from './records.ts';
import { findPart, insertPart, saveBrief } from '../../parts/repository.ts';

/** Fixed, so that the demo's parts are found again and links to them stay good. */
export const SAMPLE_PARTS: readonly [id: string, brief: Brief][] = [
  ['0a7c1d00-0000-4000-8000-00000000000b', scraperLever],
  ['0a7c1d00-0000-4000-8000-00000000000a', stampPad],
  ['0a7c1d00-0000-4000-8000-000000000009', nozzleBracket],
  ['0a7c1d00-0000-4000-8000-000000000008', snapCover],
  ['0a7c1d00-0000-4000-8000-000000000007', ratchetPawl],
  ['0a7c1d00-0000-4000-8000-000000000006', dripCup],
  ['0a7c1d00-0000-4000-8000-000000000005', carrierTray],
  ['0a7c1d00-0000-4000-8000-000000000004', guardBumper],
  ['0a7c1d00-0000-4000-8000-000000000001', gaugeBeam],
  ['0a7c1d00-0000-4000-8000-000000000002', heaterDuct],
  ['0a7c1d00-0000-4000-8000-000000000003', lampArm],
];
const FACT = 'demo-seeded';

/** Whose the demo is, in the change log. */
const SAMPLE = { name: 'the sample project' };

/**
 * Loads the invented cableway once; parts that were deleted since do not come back by themselves. `records`: with what was decided and what became
 * of it, which takes some seconds to work out.
 */
export function seedDemoOnce(db: Knex, { records = true }: { records?: boolean } = {}): Promise<boolean> {
  return actingAs(SAMPLE, () =>
    db.transaction(async (trx) => {
      // Two servers starting together: the second waits here and then finds the fact.
      await trx.raw("select pg_advisory_xact_lock(hashtext('anvilstone-demo'))");
      if (await trx('workshop_facts').where({ key: FACT }).first('key')) return false;
      await seed(trx);
      if (records) await seedRecords(trx, new Date());
      await trx('workshop_facts').insert({ key: FACT, value: JSON.stringify({ at: new Date().toISOString() }) });
      return true;
    }),
  );
}

/** Puts the demo's parts, grades and machines back as delivered. Own parts and every frozen decision stay. */
export async function resetDemo(db: Knex): Promise<void> {
  await db.transaction(async (trx) => {
    await seed(trx);
    await seedRecords(trx, new Date());
    await trx('workshop_facts')
      .insert({ key: FACT, value: JSON.stringify({ at: new Date().toISOString() }) })
      .onConflict('key')
      .merge();
  });
}

async function seed(trx: Knex.Transaction): Promise<void> {
  await upsertGrades(trx, sampleLibrary.grades, 'delivered');
  await machineTable.upsert(trx, sampleLibrary.machines);
  await seedStock(trx, new Date());
  for (const [id, brief] of SAMPLE_PARTS) {
    const part = await findPart(trx, id);
    if (part) await saveBrief(trx, id, brief, part.revision);
    else await insertPart(trx, id, brief);
  }
  await seedBench(trx, new Date());
}

/** As if today were the day it was written: clocks of spools run. */
async function seedStock(trx: Knex.Transaction, now: Date): Promise<void> {
  await placeTable.upsert(trx, samplePlaces);
  await dryerTable.upsert(trx, sampleDryers);
  await spoolTable.upsert(trx, sampleSpools(now));
  await saveSchedule(trx, { schedule: sampleSchedule(now), revision: (await findSchedule(trx)).revision });
}

async function seedBench(trx: Knex.Transaction, now: Date): Promise<void> {
  for (const { campaign, trials } of sampleCampaigns(now)) {
    await campaignTable.upsert(trx, [campaign]);
    await trialTable.upsert(trx, trials);
  }
}
