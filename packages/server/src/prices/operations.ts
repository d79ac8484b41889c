import { readPriceList } from '@anvilstone/core/making';
import {
  priceListPreview,
  priceListText,
  priceTaking,
  type PriceListPreview,
  type PriceTaking,
} from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import { allGradeRecords, findGrade, saveGrade } from '../grades/repository.ts';
import type { Operation } from '../http/operation.ts';
import { conflict, invalidInput } from '../http/problems.ts';
import type { InstrumentService } from '../instruments/service.ts';

/** Suppliers’ lists: looked at first, then taken over, all of what was chosen or nothing. */
export function priceOperations(db: Knex, instruments: InstrumentService): Operation[] {
  const preview = async (text: string, source: string): Promise<PriceListPreview> => {
    const lines = readPriceList(text, await allGradeRecords(db));
    if (typeof lines === 'string')
      throw invalidInput([{ pointer: '/text', detail: `The list cannot be read: ${lines}` }]);
    return { source, lines };
  };
  return [
    {
      id: 'previewPriceList',
      method: 'post',
      path: '/price-lists/preview',
      needs: 'viewer',
      summary: 'Hold a supplier’s list (CSV) against the library; nothing is changed',
      body: priceListText,
      answer: priceListPreview,
      handle: async ({ body }) => ({
        body: await preview((body as { text: string }).text, 'a list that was handed in'),
      }),
    },
    {
      id: 'previewSupplierList',
      method: 'get',
      path: '/instruments/:id/price-list',
      summary: 'Ask a supplier for its list and hold it against the library; nothing is changed',
      answer: priceListPreview,
      handle: async ({ params }) => ({
        body: await preview(await instruments.supplierList(params.id!), instruments.device(params.id!).name),
      }),
    },
    {
      id: 'takePrices',
      method: 'post',
      path: '/price-lists',
      once: true,
      summary: 'Take over prices; a grade that has changed since the list was looked at refuses all of them',
      body: priceTaking,
      answer: Type.Object({ changed: Type.Integer({ minimum: 0 }) }),
      async handle({ body }) {
        const { prices } = body as PriceTaking;
        const changed = await db.transaction(async (trx) => {
          for (const [i, { gradeId, gradeRevision, pricePerKgUsd }] of prices.entries()) {
            const found = await findGrade(trx, gradeId, true);
            if (!found)
              throw invalidInput([{ pointer: `/prices/${i}/gradeId`, detail: `There is no grade “${gradeId}”` }]);
            const rounded = Math.round(pricePerKgUsd * 100) / 100;
            const saved = await saveGrade(trx, { ...found.grade, pricePerKgUsd: rounded }, gradeRevision, 'edited');
            if (!saved) throw conflict('grade', found);
          }
          return prices.length;
        });
        return { body: { changed } };
      },
    },
  ];
}
