import { api } from '../../sync/api/api.ts';

export interface SampleAdded {
  grades: number;
  machines: number;
  parts: number;
}

export const { useAddSampleMutation } = api.injectEndpoints({
  endpoints: (build) => ({
    addSample: build.mutation<SampleAdded, { withParts: boolean }>({
      query: (body) => ({ url: 'workshop/sample', method: 'POST', body }),
      invalidatesTags: ['Part', 'Library', 'Grade', 'Machine', 'Stock', 'Campaign', 'Trial'],
    }),
  }),
});
