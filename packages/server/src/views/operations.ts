import { savedView, VIEW_STAGES, type SavedView } from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import { notFound } from '../http/problems.ts';
import { oneOf, textOf } from '../http/query.ts';
import type { PartService } from '../parts/service.ts';
import { removeView, saveView, viewsOfPart } from './repository.ts';

/** Views of a part's shortlist and comparison that were kept under a name. */
export function viewOperations(db: Knex, parts: PartService): Operation[] {
  const ofKnownPart = async (params: Record<string, string | undefined>) => (await parts.get(params.partId!)).id;
  return [
    {
      id: 'listViews',
      method: 'get',
      path: '/parts/:partId/views',
      summary: 'Views kept under a name',
      answer: Type.Array(savedView),
      handle: async ({ params }) => ({ body: await viewsOfPart(db, await ofKnownPart(params)) }),
    },
    {
      id: 'saveView',
      method: 'put',
      path: '/parts/:partId/views',
      summary: 'Keep a view; one of the same name on the same stage is replaced',
      body: savedView,
      answer: savedView,
      async handle({ params, body }) {
        const view = body as SavedView;
        await saveView(db, await ofKnownPart(params), view);
        return { body: view };
      },
    },
    {
      id: 'removeView',
      method: 'delete',
      path: '/parts/:partId/views',
      summary: 'Forget the view of ?stage= and ?name=',
      answer: Type.Null(),
      status: 204,
      async handle({ params, query }) {
        const stage = oneOf(query, 'stage', VIEW_STAGES) ?? 'shortlist';
        const name = textOf(query, 'name') ?? '';
        if (!(await removeView(db, await ofKnownPart(params), { stage, name }))) throw notFound('view', name);
        return { body: undefined };
      },
    },
  ];
}
