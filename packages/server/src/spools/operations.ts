import { loadsOfStock } from '@anvilstone/core/making';
import {
  dryerRecord,
  dryerScheduleRecord,
  placeRecord,
  scheduleProposal,
  spoolRecord,
  stock,
  type DryerScheduleRecord,
} from '@anvilstone/schema';
import type { Knex } from 'knex';
import { gradesOfIds } from '../grades/repository.ts';
import { companyRulesInForce } from '../companyRules/repository.ts';
import { baseAddress } from '../http/baseAddress.ts';
import type { Operation } from '../http/operation.ts';
import { invalidInput, notFound } from '../http/problems.ts';
import { requiredRevision, textOf } from '../http/query.ts';
import { recordOperations } from '../http/recordOperations.ts';
import { scheduleCalendar } from './calendar.ts';
import { labelSheet } from './labelSheet.ts';
import { dryerTable, placeTable, spoolTable } from './repository.ts';
import { spoolIssues, type SpoolService } from './service.ts';

const file = (name: string, type: string) => ({
  'Content-Type': type,
  'Content-Disposition': `attachment; filename="${name}"`,
});

/** Spools, the places they lie at, the dryers, and what is dried when. */
export function spoolOperations(db: Knex, spools: SpoolService): Operation[] {
  return [
    {
      id: 'exportSpoolLabels',
      method: 'get',
      path: '/spools/labels.pdf',
      summary: 'Labels with codes: ?ids=S-01,S-02 (absent: all that are not empty), ?base= where the codes lead to',
      answer: { mediaType: 'application/pdf' },
      async handle({ query }) {
        const base = baseAddress(query);
        const wanted = textOf(query, 'ids')?.split(',').filter(Boolean);
        const all = await spoolTable.all(db);
        const known = all.map(({ document }) => document);
        const missing = wanted?.find((id) => !known.some((spool) => spool.id === id));
        if (missing !== undefined) throw notFound('spool', missing);
        const chosen = known.filter((spool) => (wanted ? wanted.includes(spool.id) : !spool.empty));
        if (chosen.length === 0)
          throw invalidInput([{ pointer: '/ids', detail: 'No spool to print a label for', accepted: 'ids of spools' }]);
        const grades = await gradesOfIds(
          db,
          chosen.map(({ gradeId }) => gradeId),
        );
        const gradeOf = (id: string) => grades.find((grade) => grade.id === id);
        return {
          body: await labelSheet(chosen, gradeOf, base),
          headers: file('spool-labels.pdf', 'application/pdf'),
        };
      },
    },
    ...recordOperations(db, {
      name: 'spool',
      path: 'spools',
      plural: 'Spools',
      record: spoolRecord,
      table: spoolTable,
      issues: spoolIssues,
    }),
    ...recordOperations(db, {
      name: 'place',
      path: 'places',
      plural: 'Places',
      record: placeRecord,
      table: placeTable,
    }),
    ...recordOperations(db, {
      name: 'dryer',
      path: 'dryers',
      plural: 'Dryers',
      record: dryerRecord,
      table: dryerTable,
    }),
    {
      id: 'getStock',
      method: 'get',
      path: '/stock',
      summary:
        'Every spool with its moisture clock and mass left, the places, the dryers and their schedule, as it is now',
      answer: stock,
      handle: async () => ({ body: await spools.stock() }),
    },
    {
      id: 'saveDryerSchedule',
      method: 'put',
      path: '/dryer-schedule',
      summary: 'Change what is dried where and when; a stale revision is refused with the newer schedule',
      body: dryerScheduleRecord,
      answer: dryerScheduleRecord,
      handle: async ({ body }) => ({ body: await spools.saveSchedule(body as DryerScheduleRecord) }),
    },
    {
      id: 'proposeDryerSchedule',
      method: 'post',
      path: '/dryer-schedule/proposal',
      needs: 'viewer',
      summary: 'The best schedule from now on for what waits; nothing is saved',
      body: dryerScheduleRecord,
      answer: scheduleProposal,
      handle: async ({ body }) => ({ body: await spools.propose((body as DryerScheduleRecord).schedule) }),
    },
    {
      id: 'finishDryerRun',
      method: 'delete',
      path: '/dryer-schedule/runs/:runId',
      summary: 'What was in a run came out: its spools count as dried; ?revision= of the schedule that was read',
      answer: dryerScheduleRecord,
      handle: async ({ params, query }) => ({ body: await spools.finishRun(params.runId!, requiredRevision(query)) }),
    },
    {
      id: 'exportDryerCalendar',
      method: 'get',
      path: '/dryer-schedule.ics',
      summary: 'The schedule as iCalendar',
      answer: { mediaType: 'text/calendar' },
      async handle() {
        const [{ spools: inStock, schedule, dryers, at }, { rules }] = await Promise.all([
          spools.stock(),
          companyRulesInForce(db),
        ]);
        const grades = await gradesOfIds(db, [
          ...inStock.map(({ spool }) => spool.gradeId),
          ...schedule.schedule.conditioning.map(({ gradeId }) => gradeId),
        ]);
        const { loads } = loadsOfStock(
          inStock,
          schedule.schedule,
          (id) => grades.find((grade) => grade.id === id),
          rules,
          Date.parse(at),
        );
        const text = scheduleCalendar(
          schedule.schedule,
          loads,
          dryers.map(({ dryer }) => dryer),
          new Date(at),
        );
        return { body: text, headers: file('dryers.ics', 'text/calendar; charset=utf-8') };
      },
    },
  ];
}
