import type {
  DecisionFile,
  DecisionSummary,
  FieldChange,
  FileCheck,
  DecisionDrift,
  ReceivedRecord,
  SignOff,
  SignOffRequest,
} from '@anvilstone/schema';
import { api } from '../../sync/api/api.ts';

export type DecisionRow = DecisionSummary & { partId: string; title: string };

export const {
  useAllDecisionsQuery,
  useSignOffsQuery,
  useSignMutation,
  useDriftQuery,
  useDifferencesQuery,
  useCheckFileMutation,
  useReceivedQuery,
  useReceivedFileQuery,
  useKeepReceivedMutation,
} = api.injectEndpoints({
  endpoints: (build) => ({
    allDecisions: build.query<DecisionRow[], void>({ query: () => 'decisions', providesTags: ['Decision'] }),
    signOffs: build.query<SignOff[], string>({
      query: (id) => `decisions/${id}/sign-offs`,
      providesTags: ['Decision'],
    }),
    sign: build.mutation<SignOff, SignOffRequest & { id: string }>({
      extraOptions: { kept: 'Signature' },
      query: ({ id, ...body }) => ({ url: `decisions/${id}/sign-offs`, method: 'POST', body }),
      invalidatesTags: ['Decision'],
    }),
    // Asked each time a record is opened: anything in the workshop may have changed it.
    drift: build.query<DecisionDrift, string>({ query: (id) => `decisions/${id}/drift`, keepUnusedDataFor: 0 }),
    differences: build.query<FieldChange[], { id: string; earlierId: string }>({
      query: ({ id, earlierId }) => `decisions/${id}/differences/${earlierId}`,
    }),
    checkFile: build.mutation<FileCheck, unknown>({
      query: (body) => ({ url: 'decision-files/check', method: 'POST', body }),
    }),
    received: build.query<ReceivedRecord[], void>({ query: () => 'received-records', providesTags: ['Received'] }),
    receivedFile: build.query<DecisionFile, string>({ query: (id) => `received-records/${id}` }),
    keepReceived: build.mutation<ReceivedRecord, { file: unknown; receivedBy: string }>({
      query: (body) => ({ url: 'received-records', method: 'POST', body }),
      invalidatesTags: ['Received'],
    }),
  }),
});
