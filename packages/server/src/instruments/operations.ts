import { massLeft } from '@anvilstone/core/making';
import {
  airReading,
  behaviourChange,
  instrument,
  printOrder,
  printProgress,
  spoolRecord,
  type BehaviourChange,
  type PrintOrder,
} from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import { invalidInput, notFound } from '../http/problems.ts';
import { wholeNumber } from '../http/query.ts';
import { airSince, spoolTable } from '../spools/repository.ts';
import type { SpoolService } from '../spools/service.ts';
import type { InstrumentService } from './service.ts';

const noteBody = Type.Object(
  { note: Type.Optional(Type.String({ minLength: 1, maxLength: 200, description: 'Reason for accepting it' })) },
  { additionalProperties: false },
);

/** A stand-in’s spool is never to the gram what the records say. */
const UNLIKE_G = 3;

/** Instruments: how they do, what they tell, and how their stand-ins are to behave. */
export function instrumentOperations(db: Knex, instruments: InstrumentService, spools: SpoolService): Operation[] {
  return [
    {
      id: 'listInstruments',
      method: 'get',
      path: '/instruments',
      summary: 'Instruments and how the last question to each went',
      answer: Type.Array(instrument),
      handle: () => Promise.resolve({ body: instruments.list() }),
    },
    {
      id: 'setInstrumentBehaviour',
      method: 'put',
      path: '/instruments/:id/behaviour',
      summary: 'Make a stand-in behave, fall silent, drop out, drift or talk nonsense',
      body: behaviourChange,
      answer: instrument,
      handle: async ({ params, body }) => ({
        body: await instruments.behave(params.id!, (body as BehaviourChange).behaviour),
      }),
    },
    {
      id: 'fetchAirLog',
      method: 'post',
      path: '/instruments/:id/log',
      summary: 'Fetch what a humidity logger has written since the last time; how many readings were new',
      answer: Type.Object({ added: Type.Integer({ minimum: 0 }) }),
      handle: async ({ params }) => ({ body: { added: await instruments.fetchLog(params.id!) } }),
    },
    {
      id: 'listAirReadings',
      method: 'get',
      path: '/instruments/:id/air',
      summary: 'What a humidity logger wrote in the last ?days= (1 to 120, 14 unless stated), as quarter-hour means',
      answer: Type.Array(airReading),
      async handle({ params, query }) {
        const { id } = instruments.device(params.id!, 'humidity-logger');
        const days = wholeNumber(query, 'days', { least: 1, most: 120 }) ?? 14;
        return { body: await airSince(db, id, Date.now() - days * 24 * 3600e3) };
      },
    },
    {
      id: 'getPrintProgress',
      method: 'get',
      path: '/instruments/:id/progress',
      summary: 'Ask a printer how far it is',
      answer: printProgress,
      handle: async ({ params }) => ({ body: await instruments.progress(params.id!) }),
    },
    {
      id: 'beginStandInPrint',
      method: 'post',
      path: '/instruments/:id/jobs',
      summary: 'Have a printer’s stand-in begin a print',
      body: printOrder,
      answer: printProgress,
      async handle({ params, body }) {
        const { name, standIn } = instruments.device(params.id!, 'printer');
        if (!standIn?.begin)
          throw invalidInput([{ pointer: '/id', detail: `${name} is a real machine: start the print there` }]);
        standIn.begin(body as PrintOrder);
        return { body: await instruments.progress(params.id!) };
      },
    },
    {
      id: 'weighSpool',
      method: 'post',
      path: '/spools/:id/weighings/:scaleId',
      summary: 'Weigh a spool on a scale and save it; an implausible reading needs a note',
      body: noteBody,
      answer: spoolRecord,
      async handle({ params, body }) {
        const found = await spoolTable.find(db, params.id!);
        if (!found) throw notFound('spool', params.id!);
        const { document } = found;
        const { standIn } = instruments.device(params.scaleId!, 'scale');
        standIn?.put?.(document.emptyReelG + Math.max(0, massLeft(document).massG - UNLIKE_G));
        const reading = await instruments.weigh(params.scaleId!);
        return { body: await spools.weigh(params.id!, reading, (body as { note?: string }).note) };
      },
    },
  ];
}
