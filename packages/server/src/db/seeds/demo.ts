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
} from '@anvilstone/core/sample';
import type { Brief } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { campaignTable, trialTable } from '../../bench/repository.ts';
import { decisionService } from '../../decisions/service.ts';
import { upsertGrades } from '../../grades/repository.ts';
import { machineTable } from '../../machines/repository.ts';
import { dryerTable, placeTable, spoolTable } from '../../spools/repository.ts';
import { findSchedule, saveSchedule } from '../../spools/scheduleRepository.ts';
import { findPart, insertPart, saveBrief } from '../../parts/repository.ts';

/** Fixed, so that the demo's parts are found again and links to them stay good. */
const PARTS: readonly [id: string, brief: Brief][] = [
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
const DECIDED_PART = PARTS.at(-1)![0];
const FACT = 'demo-seeded';

/** Loads the invented cableway once; parts that were deleted since do not come back by themselves. */
export async function seedDemoOnce(db: Knex): Promise<boolean> {
  return db.transaction(async (trx) => {
    // Two servers starting together: the second waits here and then finds the fact.
    await trx.raw("select pg_advisory_xact_lock(hashtext('anvilstone-demo'))");
    if (await trx('workshop_facts').where({ key: FACT }).first('key')) return false;
    await seed(trx);
    await trx('workshop_facts').insert({ key: FACT, value: JSON.stringify({ at: new Date().toISOString() }) });
    return true;
  });
}

/** Puts the demo's parts, grades and machines back as delivered. Own parts and every frozen decision stay. */
export async function resetDemo(db: Knex): Promise<void> {
  await db.transaction(async (trx) => {
    await seed(trx);
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
  for (const [id, brief] of PARTS) {
    const part = await findPart(trx, id);
    if (part) await saveBrief(trx, id, brief, part.revision);
    else await insertPart(trx, id, brief);
  }
  await seedBench(trx, new Date());
  const decisions = decisionService(trx, () => new Date('2026-09-14T09:30:00Z'));
  if ((await decisions.list(DECIDED_PART)).length > 0) return;
  const part = (await findPart(trx, DECIDED_PART))!;
  await decisions.freeze(DECIDED_PART, {
    partRevision: part.revision,
    gradeId: 'tm-asa',
    orientation: 'XZ',
    decidedBy: 'M. Aldous, ropeway workshop',
    reasons:
      'Stands in full sun for years, so weathering decides between otherwise equal grades: the ASA keeps twice the heat margin of the cheaper PETG and does not yellow. Printed on its side so that the gust bends within the layers.',
    openRisks:
      'Creep is a family estimate: measure the droop after the first summer. Gust load from one winter’s log only.',
  });
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
