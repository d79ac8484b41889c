import type { SearchHit } from '@anvilstone/schema';
import { api } from '../../sync/api/api.ts';

export const { useSearchQuery } = api.injectEndpoints({
  endpoints: (build) => ({
    search: build.query<SearchHit[], string>({
      query: (words) => `search?q=${encodeURIComponent(words)}`,
      keepUnusedDataFor: 10,
    }),
  }),
});
