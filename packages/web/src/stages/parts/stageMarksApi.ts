import type { SettledStage, StageMark } from '@anvilstone/schema';
import { api } from '../../sync/api/api.ts';

export const { useStageMarksQuery, useSettleStageMutation, useUnsettleStageMutation } = api.injectEndpoints({
  endpoints: (build) => ({
    stageMarks: build.query<StageMark[], string>({
      query: (partId) => `parts/${partId}/stage-marks`,
      providesTags: ['StageMark'],
    }),
    settleStage: build.mutation<StageMark, { partId: string; mark: StageMark }>({
      query: ({ partId, mark }) => ({ url: `parts/${partId}/stage-marks/${mark.stage}`, method: 'PUT', body: mark }),
      invalidatesTags: ['StageMark'],
    }),
    unsettleStage: build.mutation<void, { partId: string; stage: SettledStage }>({
      query: ({ partId, stage }) => ({ url: `parts/${partId}/stage-marks/${stage}`, method: 'DELETE' }),
      invalidatesTags: ['StageMark'],
    }),
  }),
});
