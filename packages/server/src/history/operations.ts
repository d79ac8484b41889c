import { changeDetail, recordedChange, type Brief } from '@anvilstone/schema';
import { validator } from '@anvilstone/schema/validate';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import type { Reply } from '../http/reply.ts';
import { HttpProblem, invalidInput, notFound } from '../http/problems.ts';
import { textOf, wholeNumber } from '../http/query.ts';
import { insertPart } from '../parts/repository.ts';
import { sound } from '../parts/service.ts';
import { currentOf, findChange, listChanges, type FoundChange } from './repository.ts';

const LISTED = 50;
const MOST_LISTED = 200;

/** Kinds that are put back by the very operation that saves them, so that everything it looks at is looked at again. */
const SAVED_BY: Record<string, { operation: string; field: string }> = {
  parts: { operation: 'updatePart', field: 'brief' },
  agents: { operation: 'saveAgent', field: 'agent' },
  machines: { operation: 'saveMachine', field: 'machine' },
  spools: { operation: 'saveSpool', field: 'spool' },
  places: { operation: 'savePlace', field: 'place' },
  dryers: { operation: 'saveDryer', field: 'dryer' },
  dryer_schedule: { operation: 'saveDryerSchedule', field: 'schedule' },
  campaigns: { operation: 'saveCampaign', field: 'campaign' },
  installations: { operation: 'saveInstallation', field: 'installation' },
  service_findings: { operation: 'saveFinding', field: 'finding' },
};

/** Who changed what and when, and how a record is put back as it was before a change. */
export function historyOperations(db: Knex, others: readonly Operation[]): Operation[] {
  const canBePutBack = ({ kind, before }: FoundChange) => SAVED_BY[kind] !== undefined && before !== null;
  const found = async (id: string) => {
    const change = /^\d{1,15}$/.test(id) ? await findChange(db, Number(id)) : undefined;
    if (!change) throw notFound('change', id);
    return change;
  };

  return [
    {
      id: 'listChanges',
      method: 'get',
      path: '/changes',
      summary: 'What was changed, by whom and when, newest first: ?kind= ?record= ?who= ?before= ?most=',
      answer: Type.Array(recordedChange),
      async handle({ query }) {
        const asked = {
          kind: textOf(query, 'kind'),
          record: textOf(query, 'record'),
          who: textOf(query, 'who'),
          before: wholeNumber(query, 'before', { least: 1, most: Number.MAX_SAFE_INTEGER }),
          most: wholeNumber(query, 'most', { least: 1, most: MOST_LISTED }) ?? LISTED,
        };
        return { body: await listChanges(db, asked) };
      },
    },
    {
      id: 'getChange',
      method: 'get',
      path: '/changes/:id',
      summary: 'A change with the record before and after it',
      answer: changeDetail,
      async handle({ params }) {
        const change = await found(params.id!);
        const { before, after, isLast } = change;
        return { body: { change: change.change, before, after, isLast, canBePutBack: canBePutBack(change) } };
      },
    },
    {
      id: 'putBack',
      method: 'post',
      path: '/changes/:id/put-back',
      once: true,
      summary: 'Make the record again as it was before the change; what it is now stays in its history',
      answer: recordedChange,
      async handle({ params, principal, from }) {
        const change = await found(params.id!);
        if (!canBePutBack(change))
          throw new HttpProblem(
            409,
            'nothing-before',
            'There is nothing to put back',
            change.before === null ? 'The record was new with this change.' : 'Records of this kind are not put back.',
          );
        const { kind, record, before } = change;
        const { operation: id, field } = SAVED_BY[kind]!;
        const save = others.find((one) => one.id === id)!;
        const revision = await revisionOf(db, kind, record);
        if (kind === 'parts' && revision === 0) await insertPart(db, record, sound(before as Brief, '/brief'));
        else {
          const checked = validator(save.body!)({ [field]: before, revision });
          if (!checked.ok) throw invalidInput(checked.issues, 'What was before does not fit this version any more.');
          const params = { id: record, partId: record };
          const request = { params, query: {}, body: checked.value, principal, from, isKnown: () => false };
          await (save.handle(request) as Promise<Reply>);
        }
        const [done] = await listChanges(db, { kind, record, most: 1 });
        return { body: done };
      },
    },
  ];
}

/** 0: it is not there any more, and is added again. */
async function revisionOf(db: Knex, kind: string, record: string): Promise<number> {
  if ((await currentOf(db, kind, record)) === null) return 0;
  const row = (await db(kind).whereRaw('id::text = ?', [record]).first('revision')) as { revision: number } | undefined;
  return row?.revision ?? 0;
}
