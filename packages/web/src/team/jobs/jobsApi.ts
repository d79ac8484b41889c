import type { Job } from '@anvilstone/schema';
import { api } from '../../sync/api/api.ts';

export const { useJobsQuery, useCancelJobMutation, useRetryJobMutation, useCheckRecordsMutation } = api.injectEndpoints(
  {
    endpoints: (build) => ({
      jobs: build.query<Job[], void>({ query: () => 'jobs', providesTags: ['Job'] }),
      cancelJob: build.mutation<Job, string>({
        query: (id) => ({ url: `jobs/${id}/cancel`, method: 'POST' }),
        invalidatesTags: ['Job', 'Import'],
      }),
      retryJob: build.mutation<Job, string>({
        query: (id) => ({ url: `jobs/${id}/retry`, method: 'POST' }),
        invalidatesTags: ['Job', 'Import'],
      }),
      checkRecords: build.mutation<Job, void>({
        query: () => ({ url: 'decisions/check', method: 'POST' }),
        invalidatesTags: ['Job'],
      }),
    }),
  },
);

export const isOpen = ({ state }: Job) => state === 'waiting' || state === 'running';
