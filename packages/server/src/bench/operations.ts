import {
  acceptanceRequest,
  campaignRecord,
  evidenceImpact,
  methodResult,
  observation,
  partNotice,
  trialCurve,
  trialRecord,
  type AcceptanceRequest,
  type TrialRecord,
} from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import ical from 'ical-generator';
import type { Knex } from 'knex';
import { gradesOfIds } from '../grades/repository.ts';
import { baseAddress } from '../http/baseAddress.ts';
import type { Operation } from '../http/operation.ts';
import { HttpProblem, invalidInput, notFound } from '../http/problems.ts';
import { numberIn, oneOf } from '../http/query.ts';
import { recordOperations } from '../http/recordOperations.ts';
import { requireUuid } from '../parts/service.ts';
import { acceptResult, previewAcceptance } from './acceptance.ts';
import { attachmentOperations } from './attachments.ts';
import { specimenLabels } from './labels.ts';
import { allNotices, campaignTable, clearNotices, doneCounts, trialsOf, trialTable } from './repository.ts';
import { resultsByMethod, resultsOfPart } from './methodResults.ts';
import { drawnCurve, wholeCurve } from './readings.ts';
import type { RunService } from './runService.ts';
import { campaignIssues, importCurve, saveTrial } from './trialService.ts';

const MOST_CURVE_BYTES = 64_000_000;
const wanted = Type.Pick(acceptanceRequest, ['armId', 'outcomeId'], { additionalProperties: false });
const campaignSummary = Type.Object({
  ...campaignRecord.properties,
  done: Type.Integer({ minimum: 0, description: 'Specimens with a trial that came to a result' }),
  running: Type.Integer({ minimum: 0 }),
});

/** Campaigns, their trials with every reading, and what their results change. */
export function benchOperations(db: Knex, runs: RunService): Operation[] {
  const [list, save, remove] = recordOperations(db, {
    name: 'campaign',
    path: 'campaigns',
    plural: 'Campaigns',
    record: campaignRecord,
    table: campaignTable,
    issues: campaignIssues,
  }) as [Operation, Operation, Operation];
  const campaignOf = async (id: string) => {
    const found = await campaignTable.find(db, id);
    if (!found) throw notFound('campaign', id);
    return { campaign: found.document, revision: found.revision };
  };
  return [
    {
      ...list,
      summary: 'Campaigns with their revision and how many of their specimens are tested',
      answer: Type.Array(campaignSummary),
      async handle() {
        const [all, counts] = await Promise.all([campaignTable.all(db), doneCounts(db)]);
        return {
          body: all.map(({ document, revision }) => ({
            campaign: document,
            revision,
            done: counts.get(document.id)?.done ?? 0,
            running: counts.get(document.id)?.running ?? 0,
          })),
        };
      },
    },
    save,
    {
      ...remove,
      async handle(request) {
        const { params } = request;
        const [[tested], campaign] = await Promise.all([trialsOf(db, params.id!), campaignTable.find(db, params.id!)]);
        if (tested || (campaign?.document.inspections.length ?? 0) > 0)
          throw new HttpProblem(
            409,
            'has-trials',
            'Specimens of it have been tested or looked at',
            'Readings and looks are kept, the bad ones too: a campaign that has some is not removed.',
          );
        return remove.handle(request);
      },
    },
    {
      id: 'getCampaign',
      method: 'get',
      path: '/campaigns/:id',
      summary: 'One campaign with its revision',
      answer: campaignRecord,
      handle: async ({ params }) => ({ body: await campaignOf(params.id!) }),
    },
    {
      id: 'listTrials',
      method: 'get',
      path: '/campaigns/:id/trials',
      summary: 'Every trial of a campaign, in the order they were done',
      answer: Type.Array(trialRecord),
      handle: async ({ params }) => ({ body: await trialsOf(db, params.id!) }),
    },
    {
      id: 'saveTrial',
      method: 'put',
      path: '/trials/:id',
      summary:
        'Type a trial in (revision 0), put one right, or leave it out with a reason; what was read never changes',
      body: trialRecord,
      answer: trialRecord,
      async handle({ params, body }) {
        const record = body as TrialRecord;
        if (record.trial.id !== params.id)
          throw invalidInput([{ pointer: '/trial/id', detail: `“${record.trial.id}” is not the id of the address` }]);
        return { body: await saveTrial(db, record) };
      },
    },
    {
      id: 'getTrialCurve',
      method: 'get',
      path: '/trials/:id/curve',
      summary: 'Its curve as it is drawn; ?sinceS= every reading after that time instead',
      answer: trialCurve,
      async handle({ params, query }) {
        requireUuid('trial', params.id!);
        if (!(await trialTable.find(db, params.id!))) throw notFound('trial', params.id!);
        const sinceS = numberIn(query, 'sinceS', { least: -1, most: 4e8 });
        return { body: drawnCurve(await wholeCurve(db, params.id!), sinceS) };
      },
    },
    {
      id: 'startRun',
      method: 'post',
      path: '/campaigns/:id/specimens/:specimenId/runs',
      summary: 'Test a specimen with the gauges at hand, from zero',
      answer: trialRecord,
      status: 201,
      handle: async ({ params }) => ({ body: await runs.start(params.id!, params.specimenId!) }),
    },
    {
      id: 'endRun',
      method: 'delete',
      path: '/trials/:id/run',
      summary: 'End a run by hand: ?as=done with what was read so far, or ?as=abandoned',
      answer: trialRecord,
      async handle({ params, query }) {
        requireUuid('trial', params.id!);
        const as = oneOf(query, 'as', ['done', 'abandoned']) ?? 'done';
        return { body: await runs.end(params.id!, as) };
      },
    },
    {
      id: 'importCurve',
      method: 'post',
      path: '/campaigns/:id/specimens/:specimenId/curve',
      summary: 'A specimen’s curve out of a CSV; units as the header says',
      rawBodyBytes: MOST_CURVE_BYTES,
      answer: Type.Object({ ...trialRecord.properties, taken: Type.Array(Type.String()) }),
      status: 201,
      async handle({ params, body }) {
        const text = Buffer.isBuffer(body) ? body.toString('utf8') : '';
        return { body: await importCurve(db, params.id!, params.specimenId!, text, new Date()) };
      },
    },
    {
      id: 'previewAcceptance',
      method: 'post',
      path: '/campaigns/:id/acceptances/preview',
      needs: 'viewer',
      summary: 'The observations that a result would become, and what it would change in every part; nothing is saved',
      body: wanted,
      answer: Type.Object({
        observations: Type.Array(observation),
        gradeRevision: Type.Integer(),
        impact: evidenceImpact,
      }),
      handle: async ({ params, body }) => ({
        body: await previewAcceptance(db, params.id!, body as AcceptanceRequest, new Date()),
      }),
    },
    {
      id: 'acceptResult',
      method: 'post',
      path: '/campaigns/:id/acceptances',
      once: true,
      summary: 'Write a result into its grade; parts whose answer moves are marked out of date with the reason',
      body: acceptanceRequest,
      answer: campaignRecord,
      handle: async ({ params, body }) => ({
        body: await acceptResult(db, params.id!, body as AcceptanceRequest, new Date()),
      }),
    },
    {
      id: 'exportSpecimenLabels',
      method: 'get',
      path: '/campaigns/:id/labels.pdf',
      summary: 'Labels with codes for the specimens of a campaign; ?base= where the codes lead to',
      answer: { mediaType: 'application/pdf' },
      async handle({ params, query }) {
        const base = baseAddress(query);
        const { campaign } = await campaignOf(params.id!);
        const grades = await gradesOfIds(
          db,
          campaign.arms.map(({ gradeId }) => gradeId),
        );
        if (campaign.specimens.length === 0)
          throw invalidInput([{ pointer: '/specimens', detail: 'There are no specimens to label yet' }]);
        return {
          body: await specimenLabels(campaign, (id) => grades.find((grade) => grade.id === id), base),
          headers: {
            'Content-Type': 'application/pdf',
            'Content-Disposition': `attachment; filename="specimens-${campaign.id}.pdf"`,
          },
        };
      },
    },
    {
      id: 'exportInspectionCalendar',
      method: 'get',
      path: '/campaigns/:id/inspections.ics',
      summary: 'Dates on which to look at what was left in a real place, as iCalendar',
      answer: { mediaType: 'text/calendar' },
      async handle({ params }) {
        const { campaign } = await campaignOf(params.id!);
        const calendar = ical({
          name: campaign.title,
          prodId: { company: 'Anvilstone', product: 'Inspections', language: 'EN' },
        });
        for (const date of campaign.inspectOn)
          calendar.createEvent({
            id: `${campaign.id}-${date}@anvilstone`,
            stamp: new Date(campaign.begunAt ?? `${date}T00:00:00Z`),
            start: new Date(`${date}T00:00:00Z`),
            allDay: true,
            summary: `Look at ${campaign.id}: ${campaign.title}`,
            description: `${campaign.specimens.length} specimens: measure, photograph, note the hottest temperature`,
            ...(campaign.place ? { location: campaign.place } : {}),
          });
        return {
          body: calendar.toString(),
          headers: {
            'Content-Type': 'text/calendar; charset=utf-8',
            'Content-Disposition': `attachment; filename="inspections-${campaign.id}.ics"`,
          },
        };
      },
    },
    {
      id: 'listMethodResults',
      method: 'get',
      path: '/test-methods/:id/results',
      summary: 'Every mean by one test method, newest first',
      answer: Type.Array(methodResult),
      handle: async ({ params }) => ({ body: await resultsByMethod(db, params.id!) }),
    },
    {
      id: 'listPartResults',
      method: 'get',
      path: '/parts/:partId/test-results',
      summary: 'Every mean of the campaigns of a part with what was predicted, newest first',
      answer: Type.Array(methodResult),
      async handle({ params }) {
        requireUuid('part', params.partId!);
        return { body: await resultsOfPart(db, params.partId!) };
      },
    },
    {
      id: 'listPartNotices',
      method: 'get',
      path: '/part-notices',
      summary: 'Parts whose answer is no longer what it was, and why; newest first',
      answer: Type.Array(partNotice),
      handle: async () => ({ body: await allNotices(db) }),
    },
    {
      id: 'clearPartNotices',
      method: 'delete',
      path: '/parts/:partId/notices',
      summary: 'Somebody has looked: the part is up to date again',
      answer: Type.Object({ cleared: Type.Integer({ minimum: 0 }) }),
      async handle({ params }) {
        requireUuid('part', params.partId!);
        return { body: { cleared: await clearNotices(db, params.partId!) } };
      },
    },
    ...attachmentOperations(db),
  ];
}
