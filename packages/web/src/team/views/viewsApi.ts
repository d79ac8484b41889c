import type { SavedView } from '@anvilstone/schema';
import { api } from '../../sync/api/api.ts';

type OfPart<T> = T & { partId: string };

export const { useViewsQuery, useSaveViewMutation, useRemoveViewMutation } = api.injectEndpoints({
  endpoints: (build) => ({
    views: build.query<SavedView[], string>({ query: (partId) => `parts/${partId}/views`, providesTags: ['View'] }),
    saveView: build.mutation<SavedView, OfPart<SavedView>>({
      query: ({ partId, ...body }) => ({ url: `parts/${partId}/views`, method: 'PUT', body }),
      invalidatesTags: ['View'],
    }),
    removeView: build.mutation<void, OfPart<Omit<SavedView, 'search'>>>({
      query: ({ partId, ...which }) => ({
        url: `parts/${partId}/views?${new URLSearchParams(which).toString()}`,
        method: 'DELETE',
      }),
      invalidatesTags: ['View'],
    }),
  }),
});
