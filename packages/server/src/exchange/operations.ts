import { LIMITS } from '@anvilstone/core/foundations';
import { findWriter, libraryWriters, writeFeaCard } from '@anvilstone/core/evidence/exchange';
import {
  CONDITIONINGS,
  importJob,
  importRows,
  importSettings,
  type Grade,
  type ImportSettings,
} from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Knex } from 'knex';
import { allGrades, findGrade } from '../grades/repository.ts';
import { companyRulesInForce } from '../companyRules/repository.ts';
import type { Operation } from '../http/operation.ts';
import { invalidInput, notFound } from '../http/problems.ts';
import { numberIn, oneOf, textOf, wholeNumber } from '../http/query.ts';
import type { ImportService } from './importService.ts';
import { exportInThread } from './pool.ts';

const MOST_ROWS_A_PAGE = 500;

export function importOperations(imports: ImportService): Operation[] {
  return [
    {
      id: 'startImport',
      method: 'post',
      path: '/imports',
      summary:
        'Hand in a file (the body is the file, ?fileName= its name). It is read and judged; nothing is changed yet',
      rawBodyBytes: LIMITS.fileBytes,
      answer: importJob,
      status: 202,
      async handle({ body, query }) {
        const fileName = (textOf(query, 'fileName') ?? '').trim().slice(0, 200);
        if (fileName === '')
          throw invalidInput([
            { pointer: '/fileName', detail: 'fileName is missing', accepted: 'the name of the file' },
          ]);
        if (!Buffer.isBuffer(body) || body.length === 0)
          throw invalidInput([{ pointer: '', detail: 'The file is empty' }]);
        return { body: await imports.start(fileName, body) };
      },
    },
    {
      id: 'listImports',
      method: 'get',
      path: '/imports',
      summary: 'The latest imports',
      answer: Type.Array(importJob),
      handle: async () => ({ body: await imports.list() }),
    },
    {
      id: 'getImport',
      method: 'get',
      path: '/imports/:importId',
      summary: 'How far an import is; once ready, its plan: columns, questions, problems, differences',
      answer: importJob,
      handle: async ({ params }) => ({ body: await imports.get(params.importId!) }),
    },
    {
      id: 'changeImport',
      method: 'put',
      path: '/imports/:importId/settings',
      summary: 'Change mapping, answers or corrections; the file is read again with them',
      body: importSettings,
      answer: importJob,
      status: 202,
      handle: async ({ params, body }) => ({ body: await imports.change(params.importId!, body as ImportSettings) }),
    },
    {
      id: 'importRows',
      method: 'get',
      path: '/imports/:importId/rows',
      summary: 'Rows of the file with the problems of each: ?offset, limit, problems=true for those with problems only',
      answer: importRows,
      async handle({ params, query }) {
        const limit = wholeNumber(query, 'limit', { least: 1, most: MOST_ROWS_A_PAGE }) ?? 100;
        const offset = wholeNumber(query, 'offset', { least: 0, most: 1e7 }) ?? 0;
        return {
          body: await imports.rows(params.importId!, { offset, limit, problemsOnly: query.problems === 'true' }),
        };
      },
    },
    {
      id: 'commitImport',
      method: 'post',
      path: '/imports/:importId/commit',
      summary: 'Write all of it, or nothing: refused with 409 while a line has an error or a question is open',
      answer: importJob,
      status: 202,
      handle: async ({ params }) => ({ body: await imports.commit(params.importId!) }),
    },
    {
      id: 'cancelImport',
      method: 'post',
      path: '/imports/:importId/cancel',
      summary: 'Stop it, also while it is being written; the library stays as it was',
      answer: importJob,
      handle: async ({ params }) => ({ body: await imports.cancel(params.importId!) }),
    },
  ];
}

export function exportOperations(db: Knex): Operation[] {
  return [
    {
      id: 'exportLibrary',
      method: 'get',
      path: '/exports/:format',
      summary: `The library, or ?ids= some of it, as ${libraryWriters.map(({ id }) => id).join(', ')}`,
      answer: { mediaType: 'application/octet-stream' },
      async handle({ params, query }) {
        const writer = findWriter(params.format!);
        if (!writer) {
          throw invalidInput([
            {
              pointer: '/format',
              detail: `“${params.format}” is not a format here`,
              accepted: libraryWriters.map(({ id }) => id).join(', '),
            },
          ]);
        }
        const grades = await chosenGrades(db, textOf(query, 'ids'));
        const file = await exportInThread({ format: writer.id, grades });
        return {
          body: Buffer.from(file),
          headers: {
            'Content-Type': writer.mediaType,
            'Content-Disposition': `attachment; filename="filament-grades.${writer.extension}"`,
          },
        };
      },
    },
    {
      id: 'exportFeaCard',
      method: 'get',
      path: '/grades/:gradeId/fea-card',
      summary: 'Orthotropic engineering constants as a keyword input deck: ?temperatureC=23, conditioning=dry',
      answer: { mediaType: 'text/plain' },
      async handle({ params, query }) {
        const found = await findGrade(db, params.gradeId!);
        if (!found) throw notFound('grade', params.gradeId!);
        const temperatureC = numberIn(query, 'temperatureC', { least: -80, most: 400 }) ?? 23;
        const conditioning = oneOf(query, 'conditioning', CONDITIONINGS) ?? 'dry';
        const { rules } = await companyRulesInForce(db);
        return {
          body: writeFeaCard(found.grade, { temperatureC, conditioning, rules }),
          headers: {
            'Content-Type': 'text/plain; charset=utf-8',
            'Content-Disposition': `attachment; filename="${found.grade.id}.inp"`,
          },
        };
      },
    },
  ];
}

async function chosenGrades(db: Knex, ids: string | undefined): Promise<Grade[]> {
  const grades = await allGrades(db);
  if (ids === undefined) return grades;
  const wanted = new Set(ids.split(',').filter(Boolean));
  const chosen = grades.filter(({ id }) => wanted.has(id));
  const missing = [...wanted].find((id) => !chosen.some((grade) => grade.id === id));
  if (missing !== undefined) throw notFound('grade', missing);
  return chosen;
}
