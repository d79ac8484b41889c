import { inWords } from '@anvilstone/core/foundations';
import {
  doubtOfWeighing,
  dryingOf,
  loadsOfStock,
  loggedAir,
  massLeft,
  proposeSchedule,
  spoolClock,
  type Air,
  type SpoolClock,
} from '@anvilstone/core/making';
import { completeRules } from '@anvilstone/core/materials';
import type {
  DryerSchedule,
  DryerScheduleRecord,
  Grade,
  MassReading,
  ProblemIssue,
  ScheduleProposal,
  Spool,
  SpoolRecord,
  Stock,
} from '@anvilstone/schema';
import type { Knex } from 'knex';
import { gradesOfIds } from '../grades/repository.ts';
import { companyRulesInForce } from '../companyRules/repository.ts';
import { conflict, invalidInput, notFound } from '../http/problems.ts';
import { airSince, dryerTable, placeTable, spoolTable } from './repository.ts';
import { findSchedule, saveSchedule } from './scheduleRepository.ts';

export interface SpoolService {
  stock(): Promise<Stock>;
  propose(schedule: DryerSchedule): Promise<ScheduleProposal>;
  saveSchedule(record: DryerScheduleRecord): Promise<DryerScheduleRecord>;
  /** What was in a run came out: its spools are dried, its parts conditioned, and the run is over. */
  finishRun(runId: string, revision: number): Promise<DryerScheduleRecord>;
  /** A weighing by a scale. @throws HttpProblem 422: it does not fit what is known, and no note says why it is right */
  weigh(spoolId: string, reading: MassReading, note: string | undefined): Promise<SpoolRecord>;
}

/** A log is read from so far back at most: what a spool lay in before has no bearing on its water. */
const LONGEST_LOG_MS = 120 * 24 * 3600e3;

export function spoolService(db: Knex, now: () => Date = () => new Date()): SpoolService {
  return {
    async stock() {
      const { at, spools, places, dryers, schedule } = await readAll();
      return {
        at: at.toISOString(),
        spools: spools.map(({ document, revision, clock }) => ({
          spool: document,
          revision,
          clock: clock && { ...clock, useWithinH: Number.isFinite(clock.useWithinH) ? clock.useWithinH : null },
          ...massLeft(document),
        })),
        places: places.map(({ document, revision }) => ({ place: document, revision })),
        dryers: dryers.map(({ document, revision }) => ({ dryer: document, revision })),
        schedule,
      };
    },
    async propose(schedule) {
      const { at, spools, dryers, gradeOf, rules } = await readAll(schedule);
      const { loads, untold } = loadsOfStock(
        spools.map(({ document, clock }) => ({ spool: document, clock })),
        schedule,
        gradeOf,
        rules,
        at.getTime(),
      );
      const { impossible, ...proposed } = proposeSchedule(
        loads,
        dryers.map(({ document }) => document),
        schedule,
        at.getTime(),
      );
      return { ...proposed, impossible: [...impossible], untold: [...untold] };
    },
    async saveSchedule(record) {
      const saved = await saveSchedule(db, record);
      if (!saved) throw conflict('schedule', await findSchedule(db));
      return saved;
    },
    finishRun: (runId, revision) =>
      db.transaction(async (trx) => {
        const current = await findSchedule(trx);
        const run = current.schedule.runs.find(({ id }) => id === runId);
        if (!run) throw notFound('run', runId);
        const at = now();
        const hours = (at.getTime() - Date.parse(run.start)) / 3600e3;
        if (hours <= 0)
          throw invalidInput([{ pointer: '/runId', detail: 'The run has not begun yet', accepted: 'a run that has' }]);
        for (const id of run.loads) {
          const found = await spoolTable.find(trx, id, true);
          if (!found) continue;
          const dried = { kind: 'dried' as const, at: at.toISOString(), hours, temperatureC: run.temperatureC };
          const { need: _over, ...rest } = found.document;
          const spool: Spool = { ...rest, openedAt: rest.openedAt ?? run.start, events: [...rest.events, dried] };
          await spoolTable.save(trx, spool, found.revision);
        }
        const schedule = {
          runs: current.schedule.runs.filter((one) => one !== run),
          conditioning: current.schedule.conditioning.filter(({ id }) => !run.loads.includes(id)),
        };
        const saved = await saveSchedule(trx, { schedule, revision });
        if (!saved) throw conflict('schedule', current);
        return saved;
      }),
    weigh: (spoolId, { at, massG }, note) =>
      db.transaction(async (trx) => {
        const found = await spoolTable.find(trx, spoolId, true);
        if (!found) throw notFound('spool', spoolId);
        const doubt = doubtOfWeighing(found.document, massG);
        if (doubt && note === undefined)
          throw invalidInput([
            { pointer: '/note', detail: inWords(doubt), accepted: 'a note that says why it is right' },
          ]);
        const event = {
          kind: 'weighed' as const,
          at,
          grossG: massG,
          from: 'scale' as const,
          ...(note ? { note } : {}),
        };
        const saved = await spoolTable.save(
          trx,
          { ...found.document, events: [...found.document.events, event] },
          found.revision,
        );
        return { spool: saved!.document, revision: saved!.revision };
      }),
  };

  /** `proposed`: a schedule that is not kept yet, with parts of grades of its own. */
  async function readAll(proposed?: DryerSchedule) {
    const at = now();
    const [spools, places, dryers, schedule, { rules }] = await Promise.all([
      spoolTable.all(db),
      placeTable.all(db),
      dryerTable.all(db),
      findSchedule(db),
      companyRulesInForce(db),
    ]);
    const parts = [...schedule.schedule.conditioning, ...(proposed?.conditioning ?? [])];
    const grades = await gradesOfIds(db, [
      ...spools.map(({ document }) => document.gradeId),
      ...parts.map(({ gradeId }) => gradeId),
    ]);
    const byId = new Map(grades.map((grade) => [grade.id, grade]));
    const gradeOf = (id: string) => byId.get(id);
    const loggerIds = [...new Set(places.flatMap(({ document }) => document.loggerId ?? []))];
    const readings = await Promise.all(
      loggerIds.map(
        async (id) => [id, (await airSince(db, id, at.getTime() - LONGEST_LOG_MS)).map(loggedAir)] as const,
      ),
    );
    const air: Air = { places: places.map(({ document }) => document), readings: new Map(readings) };
    return {
      at,
      places,
      dryers,
      schedule,
      gradeOf,
      rules: completeRules(rules),
      spools: spools.map((one) => ({ ...one, clock: clockOf(one.document, gradeOf, air) })),
    };

    function clockOf(spool: Spool, find: (id: string) => Grade | undefined, there: Air): SpoolClock | null {
      const grade = find(spool.gradeId);
      const drying = grade && dryingOf(grade, rules);
      return drying ? spoolClock(spool, drying, there, at.getTime()) : null;
    }
  }
}

/** What a schema cannot see of a spool: its grade, its place, a weighing that cannot be. */
export async function spoolIssues(db: Knex, spool: Spool): Promise<ProblemIssue[]> {
  const [stored, grades, places] = await Promise.all([
    spoolTable.find(db, spool.id),
    db('grades').where({ id: spool.gradeId }).first('id') as Promise<unknown>,
    placeTable.all(db),
  ]);
  const issues: ProblemIssue[] = [];
  if (!grades) issues.push({ pointer: '/spool/gradeId', detail: `There is no grade “${spool.gradeId}”` });
  if (spool.placeId !== null && !places.some(({ document }) => document.id === spool.placeId))
    issues.push({ pointer: '/spool/placeId', detail: `There is no place “${spool.placeId}”` });
  const added = spool.events.slice(stored?.document.events.length ?? 0);
  added.forEach((event, i) => {
    if (event.kind !== 'weighed' || event.note !== undefined) return;
    const before = spool.events.filter((one) => one !== event);
    const doubt = doubtOfWeighing({ ...spool, events: before }, event.grossG);
    if (doubt)
      issues.push({
        pointer: `/spool/events/${(stored?.document.events.length ?? 0) + i}/grossG`,
        detail: inWords(doubt),
        accepted: 'a note that says why it is right',
      });
  });
  return issues;
}
