import type {
  Brief,
  Decision,
  DecisionRequest,
  DecisionSummary,
  Library,
  HouseRulesRecord,
  MachineRecord,
  Part,
  PartSummary,
  PartUpdate,
  Recomputation,
} from '@anvilstone/schema';
import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react';

// Unit tests of lists that hold components have no page address.
const page = (globalThis as { location?: Location }).location?.href ?? 'http://127.0.0.1/';

/** The one place that reaches the network. */
export const api = createApi({
  reducerPath: 'api',
  // Absolute where there is a page address: test environments cannot fetch a relative one.
  baseQuery: fetchBaseQuery({ baseUrl: new URL('/api/v1/', page).href }),
  tagTypes: [
    'Part',
    'Decision',
    'Received',
    'Library',
    'Grade',
    'HouseRules',
    'Import',
    'Agent',
    'View',
    'Machine',
    'Stock',
    'Instrument',
    'Campaign',
    'Trial',
    'Attachment',
    'Notice',
    'Service',
    'Backup',
    'StageMark',
  ],
  endpoints: (build) => ({
    parts: build.query<PartSummary[], void>({ query: () => 'parts', providesTags: ['Part'] }),
    part: build.query<Part, string>({ query: (id) => `parts/${id}`, keepUnusedDataFor: 0 }),
    createPart: build.mutation<Part, Brief>({
      query: (brief) => ({ url: 'parts', method: 'POST', body: { brief } }),
      invalidatesTags: ['Part'],
    }),
    savePart: build.mutation<Part, PartUpdate & { id: string }>({
      query: ({ id, ...body }) => ({ url: `parts/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Part'],
    }),
    deletePart: build.mutation<void, { id: string; revision: number }>({
      query: ({ id, revision }) => ({ url: `parts/${id}?revision=${revision}`, method: 'DELETE' }),
      invalidatesTags: ['Part'],
    }),
    library: build.query<Library, void>({ query: () => 'library', providesTags: ['Library'] }),
    houseRules: build.query<HouseRulesRecord, void>({ query: () => 'house-rules', providesTags: ['HouseRules'] }),
    machines: build.query<MachineRecord[], void>({ query: () => 'machines', providesTags: ['Machine'] }),
    decisions: build.query<DecisionSummary[], string>({
      query: (partId) => `parts/${partId}/decisions`,
      providesTags: ['Decision'],
    }),
    decision: build.query<Decision, string>({ query: (id) => `decisions/${id}` }),
    recomputation: build.query<Recomputation, string>({ query: (id) => `decisions/${id}/recomputation` }),
    freezeDecision: build.mutation<Decision, DecisionRequest & { partId: string }>({
      query: ({ partId, ...body }) => ({ url: `parts/${partId}/decisions`, method: 'POST', body }),
      invalidatesTags: ['Decision', 'Part'],
    }),
  }),
});

export const {
  usePartsQuery,
  usePartQuery,
  useCreatePartMutation,
  useDeletePartMutation,
  useLibraryQuery,
  useHouseRulesQuery,
  useMachinesQuery,
  useDecisionsQuery,
  useDecisionQuery,
  useRecomputationQuery,
  useFreezeDecisionMutation,
} = api;
