import type { Grade, GradeChange, GradeComparison, GradeRecord, GradeUpdate, GradeUses } from '@anvilstone/schema';
import { api } from '../../sync/api/api.ts';

export const {
  useGradeQuery,
  useGradeHistoryQuery,
  useGradeUsesQuery,
  useGradeComparisonQuery,
  useCreateGradeMutation,
  useSaveGradeMutation,
  useRemoveGradeMutation,
  useRestoreGradeMutation,
} = api.injectEndpoints({
  endpoints: (build) => ({
    grade: build.query<GradeRecord, string>({
      query: (id) => `grades/${id}`,
      providesTags: (_record, _error, id) => [{ type: 'Grade', id }],
    }),
    gradeHistory: build.query<GradeChange[], string>({
      query: (id) => `grades/${id}/history`,
      providesTags: (_changes, _error, id) => [{ type: 'Grade', id }],
    }),
    gradeUses: build.query<GradeUses, string>({ query: (id) => `grades/${id}/uses`, providesTags: ['Decision'] }),
    gradeComparison: build.query<GradeComparison, { first: string; second: string }>({
      query: ({ first, second }) => `grades/${first}/comparison/${second}`,
      providesTags: (_comparison, _error, { first, second }) => [
        { type: 'Grade', id: first },
        { type: 'Grade', id: second },
      ],
    }),
    createGrade: build.mutation<GradeRecord, Grade>({
      extraOptions: { kept: 'Grade' },
      query: (grade) => ({ url: 'grades', method: 'POST', body: { grade } }),
      invalidatesTags: ['Library'],
    }),
    saveGrade: build.mutation<GradeRecord, GradeUpdate>({
      extraOptions: { kept: 'Grade' },
      query: (body) => ({ url: `grades/${body.grade.id}`, method: 'PUT', body }),
      // After a refusal too: the newer revision is fetched.
      invalidatesTags: (_record, _error, { grade }) => ['Library', { type: 'Grade', id: grade.id }],
    }),
    removeGrade: build.mutation<void, { id: string; revision: number }>({
      query: ({ id, revision }) => ({ url: `grades/${id}?revision=${revision}`, method: 'DELETE' }),
      invalidatesTags: ['Library'],
    }),
    restoreGrade: build.mutation<GradeRecord, { id: string; revision: number }>({
      query: ({ id, revision }) => ({ url: `grades/${id}/history/${revision}/restore`, method: 'POST' }),
      invalidatesTags: (_record, _error, { id }) => ['Library', { type: 'Grade', id }],
    }),
  }),
});
