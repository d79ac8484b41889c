import { part, partCreate, partSummary, partUpdate, type PartCreate, type PartUpdate } from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Operation } from '../http/operation.ts';
import { requiredRevision } from '../http/query.ts';
import type { PartService } from './service.ts';

export function partOperations(parts: PartService): Operation[] {
  return [
    {
      id: 'listParts',
      method: 'get',
      path: '/parts',
      summary: 'All parts, newest change first',
      answer: Type.Array(partSummary),
      async handle({ isKnown }) {
        const version = await parts.listVersion();
        const headers = {
          'Content-Type': 'application/json; charset=utf-8',
          ETag: `W/"${version}"`,
          'Cache-Control': 'no-cache',
        };
        if (isKnown(headers.ETag)) return { status: 304, body: undefined, headers };
        return { body: await parts.list(version), headers };
      },
    },
    {
      id: 'createPart',
      method: 'post',
      path: '/parts',
      once: true,
      summary: 'Make a part from a brief',
      body: partCreate,
      answer: part,
      status: 201,
      async handle({ body }) {
        const made = await parts.create((body as PartCreate).brief);
        return { body: made, headers: { Location: `/api/v1/parts/${made.id}` } };
      },
    },
    {
      id: 'getPart',
      method: 'get',
      path: '/parts/:partId',
      summary: 'One part with its brief',
      answer: part,
      handle: async ({ params }) => ({ body: await parts.get(params.partId!) }),
    },
    {
      id: 'updatePart',
      method: 'put',
      path: '/parts/:partId',
      summary: 'Save a changed brief; a stale revision is refused with the newer part',
      body: partUpdate,
      answer: part,
      async handle({ params, body }) {
        const { brief, revision } = body as PartUpdate;
        return { body: await parts.update(params.partId!, brief, revision) };
      },
    },
    {
      id: 'deletePart',
      method: 'delete',
      path: '/parts/:partId',
      summary: 'Remove a part that has no decisions; ?revision= is the one that was read',
      answer: Type.Null(),
      status: 204,
      async handle({ params, query }) {
        await parts.remove(params.partId!, requiredRevision(query));
        return { body: undefined };
      },
    },
  ];
}
