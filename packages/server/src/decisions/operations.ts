import { decision, decisionRequest, decisionSummary, recomputation, type DecisionRequest } from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Operation, Reply } from '../http/operation.ts';
import { decisionCsv } from './exportCsv.ts';
import { decisionPdf } from './exportPdf.ts';
import type { DecisionService } from './service.ts';

export function decisionOperations(decisions: DecisionService): Operation[] {
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
      id: 'recomputeDecision',
      method: 'get',
      path: '/decisions/:decisionId/recomputation',
      summary: 'Compute a frozen decision again from its own inputs and compare',
      answer: recomputation,
      handle: async ({ params }) => ({ body: await decisions.recompute(params.decisionId!) }),
    },
    download('json', 'application/json', async (id) => {
      const frozen = await decisions.get(id);
      return { number: frozen.number, body: `${JSON.stringify(frozen, null, 2)}\n` };
    }),
    download('csv', 'text/csv; charset=utf-8', async (id) => {
      const frozen = await decisions.get(id);
      return { number: frozen.number, body: decisionCsv(frozen) };
    }),
    download('pdf', 'application/pdf', async (id) => {
      const frozen = await decisions.get(id);
      return { number: frozen.number, body: await decisionPdf(frozen) };
    }),
  ];
}
