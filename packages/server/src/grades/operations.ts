import {
  gradeChange,
  gradeComparison,
  gradeCreate,
  gradePage,
  gradeRecord,
  gradeUpdate,
  gradeUses,
  observationComparison,
  observationComparisonRequest,
  type GradeCreate,
  type GradeUpdate,
  type ObservationComparisonRequest,
} from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import type { Operation } from '../http/operation.ts';
import { numberIn, oneOf, requiredRevision, textOf, wholeNumber } from '../http/query.ts';
import type { GradeFilter } from './listGrades.ts';
import { familiesOfMorphology, type GradeService } from './service.ts';

const MOST_A_PAGE = 500;
const SORTS: readonly GradeFilter['sort'][] = ['name', 'maker', 'family', 'price', 'evidence'];

export function gradeOperations(grades: GradeService): Operation[] {
  return [
    {
      id: 'listGrades',
      method: 'get',
      path: '/grades',
      summary:
        'A page of grades: ?search= words, maker, family, filler (none = unfilled), morphology, priceAtMost, sort, descending, limit, offset',
      answer: gradePage,
      handle: async ({ query }) => ({ body: await grades.list(filterOf(query)) }),
    },
    {
      id: 'createGrade',
      method: 'post',
      path: '/grades',
      once: true,
      summary: 'Add a grade',
      body: gradeCreate,
      answer: gradeRecord,
      status: 201,
      async handle({ body }) {
        const made = await grades.create((body as GradeCreate).grade);
        return { body: made, headers: { Location: `/api/v1/grades/${made.grade.id}` } };
      },
    },
    {
      id: 'getGrade',
      method: 'get',
      path: '/grades/:gradeId',
      summary: 'One grade with its evidence and revision',
      answer: gradeRecord,
      handle: async ({ params }) => ({ body: await grades.get(params.gradeId!) }),
    },
    {
      id: 'updateGrade',
      method: 'put',
      path: '/grades/:gradeId',
      summary: 'Save a changed grade; a stale revision is refused with the newer grade',
      body: gradeUpdate,
      answer: gradeRecord,
      async handle({ params, body }) {
        const { grade, revision } = body as GradeUpdate;
        return { body: await grades.update(params.gradeId!, grade, revision) };
      },
    },
    {
      id: 'deleteGrade',
      method: 'delete',
      path: '/grades/:gradeId',
      summary: 'Take a grade out of the library; ?revision= is the one that was read. Its history stays',
      answer: Type.Null(),
      status: 204,
      async handle({ params, query }) {
        await grades.remove(params.gradeId!, requiredRevision(query));
        return { body: undefined };
      },
    },
    {
      id: 'gradeHistory',
      method: 'get',
      path: '/grades/:gradeId/history',
      summary: 'What changed and when, newest first; also of a grade that was removed',
      answer: Type.Array(gradeChange),
      handle: async ({ params }) => ({ body: await grades.history(params.gradeId!) }),
    },
    {
      id: 'restoreGrade',
      method: 'post',
      path: '/grades/:gradeId/history/:revision/restore',
      once: true,
      summary: 'Bring back an earlier state, as a new revision',
      answer: gradeRecord,
      handle: async ({ params }) => ({ body: await grades.restore(params.gradeId!, Number(params.revision)) }),
    },
    {
      id: 'gradeUses',
      method: 'get',
      path: '/grades/:gradeId/uses',
      summary: 'Decisions that chose this grade',
      answer: gradeUses,
      handle: async ({ params }) => ({ body: await grades.uses(params.gradeId!) }),
    },
    {
      id: 'compareGrades',
      method: 'get',
      path: '/grades/:gradeId/comparison/:otherId',
      needs: 'viewer',
      summary:
        'Two grades property by property: a percentage where conditions are alike, else the reasons why there is none',
      answer: gradeComparison,
      handle: async ({ params }) => ({ body: await grades.compare(params.gradeId!, params.otherId!) }),
    },
    {
      id: 'compareObservations',
      method: 'post',
      path: '/observation-comparisons',
      needs: 'viewer',
      summary: 'Two reported values; refused with 409 and every difference named where they may not be compared',
      body: observationComparisonRequest,
      answer: observationComparison,
      handle: async ({ body }) => ({ body: await grades.compareObservations(body as ObservationComparisonRequest) }),
    },
  ];
}

function filterOf(query: Record<string, unknown>): GradeFilter {
  const family = textOf(query, 'family');
  const morphology = textOf(query, 'morphology');
  const filler = textOf(query, 'filler');
  return {
    // Letters and digits only: the words become a search expression with signs of its own.
    words: (textOf(query, 'search') ?? '')
      .split(/[^\p{L}\p{N}]+/u)
      .filter(Boolean)
      .slice(0, 12),
    maker: textOf(query, 'maker'),
    familyIds:
      family !== undefined ? [family] : morphology === undefined ? undefined : familiesOfMorphology(morphology),
    reinforcementId: filler === 'none' ? null : filler,
    priceAtMostUsd: numberIn(query, 'priceAtMost', { least: 0, most: 1e6 }),
    sort: oneOf(query, 'sort', SORTS) ?? 'name',
    descending: query.descending === 'true',
    limit: wholeNumber(query, 'limit', { least: 1, most: MOST_A_PAGE }) ?? 100,
    offset: wholeNumber(query, 'offset', { least: 0, most: 1e7 }) ?? 0,
  };
}
