import { stageMark, type StageMark } from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import { invalidInput } from '../http/problems.ts';
import type { PartService } from '../parts/service.ts';

/** Stages of a part that somebody settled, with what they rested on. */
export function stageOperations(db: Knex, parts: PartService): Operation[] {
  const ofKnownPart = async (params: Record<string, string | undefined>) => (await parts.get(params.partId!)).id;
  return [
    {
      id: 'listStageMarks',
      method: 'get',
      path: '/parts/:partId/stage-marks',
      summary: 'Settled stages of a part, with what each rested on',
      answer: Type.Array(stageMark),
      async handle({ params }) {
        const partId = await ofKnownPart(params);
        const rows = (await db('stage_marks').where({ part_id: partId }).orderBy('stage').select('document')) as {
          document: StageMark;
        }[];
        return { body: rows.map(({ document }) => document) };
      },
    },
    {
      id: 'settleStage',
      method: 'put',
      path: '/parts/:partId/stage-marks/:stage',
      summary: 'Settle a stage with what it rests on now; what it rested on before is forgotten',
      body: stageMark,
      answer: stageMark,
      async handle({ params, body }) {
        const mark = body as StageMark;
        if (mark.stage !== params.stage)
          throw invalidInput([
            { pointer: '/stage', detail: `“${mark.stage}” is not the stage of the address`, accepted: params.stage! },
          ]);
        const row = { part_id: await ofKnownPart(params), stage: mark.stage, document: JSON.stringify(mark) };
        await db('stage_marks').insert(row).onConflict(['part_id', 'stage']).merge({ document: row.document });
        return { body: mark };
      },
    },
    {
      id: 'unsettleStage',
      method: 'delete',
      path: '/parts/:partId/stage-marks/:stage',
      summary: 'The stage is in hand again',
      answer: Type.Null(),
      status: 204,
      async handle({ params }) {
        await db('stage_marks')
          .where({ part_id: await ofKnownPart(params), stage: params.stage! })
          .delete();
        return { body: undefined };
      },
    },
  ];
}
