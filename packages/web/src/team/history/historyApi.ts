import type { ChangeDetail, RecordedChange } from '@anvilstone/schema';
import { api } from '../../sync/api/api.ts';

export interface ChangesAsked {
  kind?: string;
  record?: string;
  who?: string;
  before?: string;
}

export const { useChangesQuery, useChangeQuery, usePutBackMutation } = api.injectEndpoints({
  endpoints: (build) => ({
    changes: build.query<RecordedChange[], ChangesAsked>({
      query: (asked) => `changes?${new URLSearchParams({ ...asked }).toString()}`,
      providesTags: ['Change'],
      // Others change things too.
      keepUnusedDataFor: 0,
    }),
    change: build.query<ChangeDetail, string>({ query: (id) => `changes/${id}`, providesTags: ['Change'] }),
    putBack: build.mutation<RecordedChange, string>({
      query: (id) => ({ url: `changes/${id}/put-back`, method: 'POST' }),
      invalidatesTags: ['Change', 'Part', 'Machine', 'Stock', 'Chemical', 'Campaign', 'Service'],
    }),
  }),
});
