import { grade } from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import type { Operation } from '../http/operation.ts';
import { notFound } from '../http/problems.ts';
import { gradeTable } from './repository.ts';

export function gradeOperations(db: Knex): Operation[] {
  return [
    {
      id: 'listGrades',
      method: 'get',
      path: '/grades',
      summary: 'Every grade with its evidence',
      answer: Type.Array(grade),
      handle: async () => ({ body: await gradeTable.all(db) }),
    },
    {
      id: 'getGrade',
      method: 'get',
      path: '/grades/:gradeId',
      summary: 'One grade with its evidence',
      answer: grade,
      async handle({ params }) {
        const found = await gradeTable.find(db, params.gradeId!);
        if (!found) throw notFound('grade', params.gradeId!);
        return { body: found };
      },
    },
  ];
}
