import {
  decision,
  decisionFile,
  decisionRequest,
  decisionSummary,
  fieldChange,
  fileCheck,
  job,
  drift,
  receivedRecord,
  recomputation,
  signOff,
  signOffRequest,
  type DecisionRequest,
  type SignOffRequest,
} from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import type { Reply } from '../http/reply.ts';
import { decisionCsv } from './exportCsv.ts';
import { decisionHtml } from './exportHtml.ts';
import { invalidInput } from '../http/problems.ts';
import type { JobService } from '../jobs/service.ts';
import { requireUuid } from '../parts/service.ts';
import { CHECK_RECORDS } from './checkRecords.ts';
import { decisionPdf } from './exportPdf.ts';
import { checkReceived, keepReceived, receivedFile, receivedRecords } from './received.ts';
import { listAllDecisions } from './repository.ts';
import type { DecisionService } from './service.ts';

/** Anything at all: what is wrong with a file is told, not refused. */
const anyFile = Type.Unsafe<unknown>({ description: 'A file as it came' });

export function decisionOperations(db: Knex, decisions: DecisionService, jobs: JobService): Operation[] {
  const download = (
    kind: string,
    mediaType: string,
    make: (id: string) => Promise<{ number: number; body: Buffer | string }>,
  ): Operation => ({
    id: `exportDecision${kind.toUpperCase()}`,
    method: 'get',
    path: `/decisions/:decisionId/export.${kind}`,
    summary: `The frozen decision as ${kind.toUpperCase()}`,
    answer: { mediaType },
    async handle({ params }): Promise<Reply> {
      const { number, body } = await make(params.decisionId!);
      return {
        body,
        headers: {
          'Content-Type': mediaType,
          'Content-Disposition': `attachment; filename="decision-${number}.${kind}"`,
        },
      };
    },
  });
  return [
    {
      id: 'listDecisions',
      method: 'get',
      path: '/parts/:partId/decisions',
      summary: 'Decisions of a part, newest first',
      answer: Type.Array(decisionSummary),
      handle: async ({ params }) => ({ body: await decisions.list(params.partId!) }),
    },
    {
      id: 'freezeDecision',
      method: 'post',
      path: '/parts/:partId/decisions',
      once: true,
      summary: 'Freeze a choice with its brief, library, rules and result',
      body: decisionRequest,
      answer: decision,
      status: 201,
      async handle({ params, body }) {
        const made = await decisions.freeze(params.partId!, body as DecisionRequest);
        return { body: made, headers: { Location: `/api/v1/decisions/${made.id}` } };
      },
    },
    {
      id: 'getDecision',
      method: 'get',
      path: '/decisions/:decisionId',
      summary: 'One frozen decision',
      answer: decision,
      handle: async ({ params }) => ({ body: await decisions.get(params.decisionId!) }),
    },
    {
      id: 'checkRecords',
      method: 'post',
      path: '/decisions/check',
      summary: 'Compute every frozen record again, as a job; its result names what does not come to what was frozen',
      needs: 'viewer',
      answer: job,
      status: 202,
      handle: async () => ({
        body: await jobs.add({
          kind: CHECK_RECORDS,
          subject: CHECK_RECORDS,
          title: 'Compute every frozen record again',
          input: null,
        }),
      }),
    },
    {
      id: 'recomputeDecision',
      method: 'get',
      path: '/decisions/:decisionId/recomputation',
      summary: 'Compute a frozen decision again from its own inputs and compare',
      answer: recomputation,
      handle: async ({ params }) => ({ body: await decisions.recompute(params.decisionId!) }),
    },
    {
      id: 'decisionDrift',
      method: 'get',
      path: '/decisions/:decisionId/drift',
      summary: 'What a frozen decision would be today, and because of what',
      answer: drift,
      handle: async ({ params }) => ({ body: await decisions.drift(params.decisionId!) }),
    },
    {
      id: 'decisionDifferences',
      method: 'get',
      path: '/decisions/:decisionId/differences/:earlierId',
      summary: 'Fields in which a decision differs from an earlier one',
      answer: Type.Array(fieldChange),
      handle: async ({ params }) => ({ body: await decisions.differences(params.decisionId!, params.earlierId!) }),
    },
    {
      id: 'listSignOffs',
      method: 'get',
      path: '/decisions/:decisionId/sign-offs',
      summary: 'Signatures under a decision, in the order they were made',
      answer: Type.Array(signOff),
      handle: async ({ params }) => ({ body: await decisions.signOffs(params.decisionId!) }),
    },
    {
      id: 'signDecision',
      method: 'post',
      path: '/decisions/:decisionId/sign-offs',
      once: true,
      needs: 'approver',
      summary: 'Sign a decision within stated limits, or withdraw; it cannot be changed later',
      body: signOffRequest,
      answer: signOff,
      status: 201,
      async handle({ params, body, principal }) {
        const asked = body as SignOffRequest;
        // Nobody signs in another’s name.
        if (principal.accountId !== undefined && asked.by !== principal.name)
          throw invalidInput([
            { pointer: '/by', detail: `You are signed in as ${principal.name}`, accepted: principal.name },
          ]);
        return { body: await decisions.sign(params.decisionId!, asked) };
      },
    },
    {
      id: 'listAllDecisions',
      method: 'get',
      path: '/decisions',
      summary: 'Decisions of every part, newest first',
      answer: Type.Array(
        Type.Object({ ...decisionSummary.properties, partId: Type.String({ format: 'uuid' }), title: Type.String() }),
      ),
      handle: async () => ({ body: await listAllDecisions(db) }),
    },
    {
      id: 'checkDecisionFile',
      method: 'post',
      path: '/decision-files/check',
      needs: 'viewer',
      summary: 'Verify a record from another installation: its seal, and whether its numbers come out again here',
      body: anyFile,
      answer: fileCheck,
      handle: async ({ body }) => ({ body: await checkReceived(db, body) }),
    },
    {
      id: 'listReceivedRecords',
      method: 'get',
      path: '/received-records',
      summary: 'Records of other installations that were kept',
      answer: Type.Array(receivedRecord),
      handle: async () => ({ body: await receivedRecords(db) }),
    },
    {
      id: 'keepReceivedRecord',
      method: 'post',
      path: '/received-records',
      once: true,
      summary: 'Keep a record of another installation; one that was tampered with is refused',
      body: Type.Object({ file: anyFile, receivedBy: Type.String({ minLength: 1, maxLength: 120 }) }),
      answer: receivedRecord,
      status: 201,
      async handle({ body }) {
        const { file, receivedBy } = body as { file: unknown; receivedBy: string };
        return { body: await keepReceived(db, file, receivedBy, new Date()) };
      },
    },
    {
      id: 'getReceivedRecord',
      method: 'get',
      path: '/received-records/:recordId',
      summary: 'A kept record as it came',
      answer: decisionFile,
      async handle({ params }) {
        requireUuid('record', params.recordId!);
        return { body: await receivedFile(db, params.recordId!) };
      },
    },
    download('json', 'application/json', async (id) => {
      const file = await decisions.file(id);
      return { number: file.decision.number, body: `${JSON.stringify(file, null, 2)}\n` };
    }),
    download('csv', 'text/csv; charset=utf-8', async (id) => {
      const frozen = await decisions.get(id);
      return { number: frozen.number, body: decisionCsv(frozen) };
    }),
    download('pdf', 'application/pdf', async (id) => {
      const { decision: frozen, signOffs } = await decisions.file(id);
      return { number: frozen.number, body: await decisionPdf(frozen, signOffs) };
    }),
    download('html', 'text/html; charset=utf-8', async (id) => {
      const { decision: frozen, signOffs } = await decisions.file(id);
      return { number: frozen.number, body: decisionHtml(frozen, signOffs) };
    }),
  ];
}
