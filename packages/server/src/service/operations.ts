import {
  evidenceImpact,
  findingAcceptance,
  findingRecord,
  installationRecord,
  observation,
  part,
  plannedInspection,
  ORIENTATIONS,
  type FindingAcceptance,
  type Installation,
  type ProblemIssue,
  type ServiceFinding,
} from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import { recordOperations } from '../http/recordOperations.ts';
import { textOf } from '../http/query.ts';
import { findPart, listParts } from '../parts/repository.ts';
import { requireUuid, type PartService } from '../parts/service.ts';
import { inspectionCalendar } from './calendar.ts';
import { photoOperations } from './photos.ts';
import {
  inspectionPlanFor,
  previewFindingEvidence,
  readFinding,
  replacementFor,
  takeFindingEvidence,
  type PlanRequest,
} from './reading.ts';
import { findingsOf, findingTable, installationsOf, installationTable } from './repository.ts';

const loose = Type.Unsafe<unknown>({ type: 'object' });

export function serviceOperations(db: Knex, parts: PartService): Operation[] {
  return [
    ...recordOperations(db, {
      name: 'installation',
      path: 'installations',
      plural: 'Installations',
      record: installationRecord,
      table: installationTable,
      issues: installationIssues,
      keptBecause: async (_db, { id }) =>
        (await db('service_findings').where({ installation_id: id }).first('id'))
          ? 'Findings in service is kept: take it out of service instead.'
          : undefined,
    }),
    ...recordOperations(db, {
      name: 'finding',
      path: 'service-findings',
      plural: 'ServiceFindings',
      record: findingRecord,
      table: findingTable,
      issues: findingIssues,
      // What was taken into the evidence is written by whoever takes it, and by nobody else.
      asStored: (sent, stored) => ({ ...sent, taken: stored?.taken ?? [] }),
      keptBecause: (_db, { taken }) =>
        Promise.resolve(taken.length > 0 ? 'The evidence of its grade rests on it.' : undefined),
    }),
    {
      id: 'listInstallationsOfPart',
      method: 'get',
      path: '/parts/:partId/installations',
      summary: 'Where a part is, or was, in service',
      answer: Type.Array(installationRecord),
      async handle({ params }) {
        requireUuid('part', params.partId!);
        return { body: await installationsOf(db, params.partId!) };
      },
    },
    {
      id: 'listFindingsOfPart',
      method: 'get',
      path: '/parts/:partId/service-findings',
      summary: 'What was found of a part in service, in the order in which it was found',
      answer: Type.Array(findingRecord),
      async handle({ params }) {
        requireUuid('part', params.partId!);
        return { body: await findingsOf(db, params.partId!) };
      },
    },
    {
      id: 'planInspections',
      method: 'post',
      path: '/inspection-plans',
      needs: 'viewer',
      summary: 'What to look at of a part in service and when, from what it is closest to failing by; nothing is saved',
      body: Type.Object(
        {
          partId: Type.String({ format: 'uuid' }),
          decisionId: Type.Optional(Type.String({ format: 'uuid' })),
          gradeId: Type.String({ minLength: 1, maxLength: 80 }),
          orientation: Type.Unsafe<string>({ type: 'string', enum: [...ORIENTATIONS] }),
          installedAt: Type.String({ format: 'date-time' }),
        },
        { additionalProperties: false },
      ),
      answer: Type.Object({ items: Type.Array(loose), dates: Type.Array(plannedInspection) }),
      handle: async ({ body }) => ({ body: await inspectionPlanFor(db, body as PlanRequest) }),
    },
    {
      id: 'readFinding',
      method: 'get',
      path: '/service-findings/:id/reading',
      summary: 'What a finding means: beside what was predicted, and what it may change',
      answer: loose,
      handle: async ({ params }) => ({ body: await readFinding(db, params.id!) }),
    },
    {
      id: 'previewFindingEvidence',
      method: 'post',
      path: '/service-findings/:id/evidence/preview',
      needs: 'viewer',
      summary: 'What a finding would change in the evidence and in every part; nothing is saved',
      answer: Type.Object({
        observations: Type.Array(observation),
        impact: evidenceImpact,
        gradeRevision: Type.Integer(),
      }),
      handle: async ({ params }) => ({ body: await previewFindingEvidence(db, params.id!) }),
    },
    {
      id: 'takeFindingEvidence',
      method: 'post',
      path: '/service-findings/:id/evidence',
      once: true,
      summary: 'Take what a finding says into the evidence of its grade; parts whose answer moves are marked',
      body: findingAcceptance,
      answer: findingRecord,
      handle: async ({ params, body }) => ({
        body: await takeFindingEvidence(db, params.id!, body as FindingAcceptance, new Date()),
      }),
    },
    {
      id: 'replaceFailedPart',
      method: 'post',
      path: '/service-findings/:id/replacement',
      once: true,
      summary: 'A new part from a failed one: its brief with what it saw, and the lesson at its head',
      answer: part,
      status: 201,
      async handle({ params }) {
        const { brief } = await replacementFor(db, params.id!);
        return { body: await parts.create(brief) };
      },
    },
    {
      id: 'exportServiceCalendar',
      method: 'get',
      path: '/service/inspections.ics',
      summary: 'Inspections due at parts in service, as iCalendar to subscribe to; ?part= of one part only',
      answer: { mediaType: 'text/calendar' },
      async handle({ query }) {
        const partId = textOf(query, 'part');
        const [installations, findings, all] = await Promise.all([
          installationTable.all(db),
          findingTable.all(db),
          listParts(db),
        ]);
        const titles = new Map(all.map(({ id, brief }) => [id, brief.title]));
        const shown = installations.map(({ document }) => document);
        return {
          body: inspectionCalendar(
            partId === undefined ? shown : shown.filter((one) => one.partId === partId),
            findings.map(({ document }) => document),
            (id) => titles.get(id) ?? 'a part',
            new Date(),
          ),
          headers: {
            'Content-Type': 'text/calendar; charset=utf-8',
            'Content-Disposition': 'inline; filename="inspections.ics"',
          },
        };
      },
    },
    ...photoOperations(db),
  ];
}

async function installationIssues(db: Knex, { partId, installedAt, removed }: Installation): Promise<ProblemIssue[]> {
  const issues: ProblemIssue[] = [];
  if (!(await findPart(db, partId)))
    issues.push({ pointer: '/installation/partId', detail: `There is no part “${partId}”` });
  if (removed && Date.parse(removed.at) < Date.parse(installedAt))
    issues.push({
      pointer: '/installation/removed/at',
      detail: 'It was taken out before it was put in',
      accepted: `from ${installedAt} on`,
    });
  return issues;
}

async function findingIssues(db: Knex, finding: ServiceFinding): Promise<ProblemIssue[]> {
  const installation = (await installationTable.find(db, finding.installationId))?.document;
  if (!installation)
    return [{ pointer: '/finding/installationId', detail: `There is no part in service “${finding.installationId}”` }];
  const issues: ProblemIssue[] = [];
  if (Date.parse(finding.at) < Date.parse(installation.installedAt))
    issues.push({
      pointer: '/finding/at',
      detail: 'It was found before the part was put in service',
      accepted: `from ${installation.installedAt} on`,
    });
  if (finding.state !== 'sound' && finding.modeId === undefined)
    issues.push({
      pointer: '/finding/modeId',
      detail: 'How it changed or failed is not said',
      accepted: 'the picture that is most like it',
    });
  return issues;
}
