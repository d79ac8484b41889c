import { processNeeds } from '@anvilstone/core/machines';
import { findFamily, findReinforcement } from '@anvilstone/core/materials';
import { printRecord, type Machine, type PrintRecord, type Spool } from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import { findGrade } from '../grades/repository.ts';
import type { Operation } from '../http/operation.ts';
import { conflict, invalidInput } from '../http/problems.ts';
import { spoolTable } from '../spools/repository.ts';
import { machineTable } from './repository.ts';

/** A list of prints is looked at, not counted: the condition has the sums. */
const LATEST = 200;

export function printOperations(db: Knex): Operation[] {
  return [
    {
      id: 'listPrints',
      method: 'get',
      path: '/machines/:machineId/prints',
      summary: 'The latest prints of a machine, newest first',
      answer: Type.Array(printRecord),
      handle: async ({ params }) => ({ body: await printsOf(db, params.machineId!) }),
    },
    {
      id: 'recordPrint',
      method: 'put',
      path: '/prints/:printId',
      summary:
        'Write down a print that is over: it wears the machine, empties the spool, and counts for the scrap rate. Sent twice it counts once',
      body: printRecord,
      answer: printRecord,
      async handle({ params, body }) {
        const print = body as PrintRecord;
        if (print.id !== params.printId)
          throw invalidInput([{ pointer: '/id', detail: `“${print.id}” is not the id of the address` }]);
        return { body: await db.transaction((trx) => record(trx, print)) };
      },
    },
  ];
}

async function printsOf(db: Knex, machineId: string): Promise<PrintRecord[]> {
  const rows = (await db('prints')
    .where({ machine_id: machineId })
    .select('document')
    .orderBy('ended_at', 'desc')
    .limit(LATEST)) as { document: PrintRecord }[];
  return rows.map(({ document }) => document);
}

async function record(trx: Knex.Transaction, print: PrintRecord): Promise<PrintRecord> {
  const machine = await machineTable.find(trx, print.machineId, true);
  if (!machine) throw invalidInput([{ pointer: '/machineId', detail: `There is no machine “${print.machineId}”` }]);
  const added = (await trx('prints')
    .insert({ id: print.id, machine_id: print.machineId, ended_at: print.endedAt, document: JSON.stringify(print) })
    .onConflict('id')
    .ignore()
    .returning('id')) as unknown[];
  if (added.length === 0) {
    const known = (await trx('prints').where({ id: print.id }).first('document')) as { document: PrintRecord };
    return known.document;
  }
  const spool = print.spoolId === null ? undefined : await spoolTable.find(trx, print.spoolId, true);
  if (print.spoolId !== null && !spool)
    throw invalidInput([{ pointer: '/spoolId', detail: `There is no spool “${print.spoolId}”` }]);
  const abrasiveG = spool && (await isAbrasive(trx, spool.document)) ? print.massG : 0;
  await saveSame(trx, machineTable, worn(machine.document, print, abrasiveG), machine.revision, 'machine');
  if (spool)
    await saveSame(
      trx,
      spoolTable,
      {
        ...spool.document,
        events: [...spool.document.events, { kind: 'used', at: print.endedAt, massG: print.massG, what: print.what }],
      },
      spool.revision,
      'spool',
    );
  return print;
}

/** Both rows are locked, so their revisions hold. */
async function saveSame<T extends { id: string }>(
  trx: Knex.Transaction,
  table: { save(db: Knex, document: T, revision: number): Promise<unknown> },
  document: T,
  revision: number,
  what: string,
): Promise<void> {
  if (!(await table.save(trx, document, revision))) throw conflict(what, undefined);
}

function worn({ condition = {}, ...machine }: Machine, print: PrintRecord, abrasiveG: number): Machine {
  return {
    ...machine,
    condition: {
      ...condition,
      hours: (condition.hours ?? 0) + print.hours,
      prints: (condition.prints ?? 0) + 1,
      failedPrints: (condition.failedPrints ?? 0) + (print.succeeded ? 0 : 1),
      nozzleAbrasiveG: (condition.nozzleAbrasiveG ?? 0) + abrasiveG,
    },
  };
}

async function isAbrasive(trx: Knex.Transaction, { gradeId }: Spool): Promise<boolean> {
  const found = await findGrade(trx, gradeId);
  if (!found) return false;
  const { grade } = found;
  const needs = processNeeds(grade, findFamily(grade.familyId), findReinforcement(grade.reinforcementId));
  return needs?.abrasive ?? false;
}
