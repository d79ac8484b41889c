import { searchHit } from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import { textOf } from '../http/query.ts';
import { searchEverything } from './repository.ts';

const MOST_LETTERS = 200;

export const searchOperations = (db: Knex): Operation[] => [
  {
    id: 'search',
    method: 'get',
    path: '/search',
    summary:
      'Parts, grades, decisions, findings, parts in service and campaigns with all the words of ?q=, the last as far as typed',
    answer: Type.Array(searchHit),
    handle: async ({ query }) => ({
      body: await searchEverything(db, (textOf(query, 'q') ?? '').slice(0, MOST_LETTERS)),
    }),
  },
];
