import type {
  Brief,
  Decision,
  DecisionRequest,
  DecisionSummary,
  Library,
  CompanyRulesRecord,
  MachineRecord,
  Part,
  PartSummary,
  PartUpdate,
  Recomputation,
} from '@anvilstone/schema';
import {
  createApi,
  fetchBaseQuery,
  type BaseQueryFn,
  type FetchArgs,
  type FetchBaseQueryError,
  type FetchBaseQueryMeta,
} from '@reduxjs/toolkit/query/react';
import { forgetRequest, isUnanswered, queueRequest, KEPT, whoIn, wordsFor } from '../outbox/queueRequest.ts';
import type { KeptRequest } from '../outbox/outbox.ts';
import { ALL_TAGS } from '../live/tags.ts';
import { newUuid } from '../address/uuid.ts';
import { API, TAB } from '../address/place.ts';

// Absolute where there is a page address: test environments cannot fetch a relative one.
const page = (globalThis as { location?: Location }).location?.href ?? 'http://127.0.0.1/';
const request = fetchBaseQuery({
  baseUrl: new URL(`${API}/`, page).href,
  prepareHeaders: (headers) => headers.set('Anvilstone-Tab', TAB),
});

/** Of requests that went out and were never answered: sent again, they are the same request and not another. */
const unanswered = new Map<string, string>();

/** Of a change: what it is, in words, when it is to be kept on this computer while the server is away. */
interface ChangeOptions {
  kept?: string;
}
type Ask = BaseQueryFn<string | FetchArgs, unknown, FetchBaseQueryError, ChangeOptions, FetchBaseQueryMeta>;

/** Whoever is not signed in any more is asked to sign in; what they have open stays as it is behind that. */
const requestOrSignIn: Ask = async (args, store, extra) => {
  const isPost = typeof args === 'object' && args.method === 'POST' && !(args.body instanceof Blob);
  const signature = isPost ? `${args.url} ${JSON.stringify(args.body)}` : '';
  const own = typeof args === 'object' && (args.headers as Record<string, string> | undefined)?.['Idempotency-Key'];
  const key = own || unanswered.get(signature) || newUuid();
  const sent = isPost
    ? { ...args, headers: { ...(args.headers as Record<string, string>), 'Idempotency-Key': key } }
    : args;
  const answer = await request(sent, store, extra);
  const status = answer.error?.status;
  if (isPost && (typeof status === 'string' || Number(status) >= 500)) unanswered.set(signature, key);
  else unanswered.delete(signature);
  if (status === 401 && store.endpoint !== 'signIn') store.dispatch(api.util.invalidateTags(['Session']));
  if (extra?.kept !== undefined && typeof args === 'object') {
    const change = { method: args.method ?? 'GET', url: args.url };
    if (isUnanswered(answer.error)) {
      const whole = { ...change, body: args.body as unknown, key: isPost ? key : null };
      queueRequest(whole, wordsFor(extra.kept, args.url, args.body), whoIn(store.getState()));
      return { error: { status: 'CUSTOM_ERROR', error: 'kept', data: KEPT } };
    }
    if (!answer.error) forgetRequest(change, whoIn(store.getState()));
  }
  return answer;
};

/** The one place that reaches the network. */
export const api = createApi({
  reducerPath: 'api',
  baseQuery: requestOrSignIn,
  tagTypes: [
    'Part',
    'Decision',
    'Received',
    'Library',
    'Grade',
    'CompanyRules',
    'Import',
    'Job',
    'Chemical',
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
    'Session',
    'Member',
    'Credential',
    'Change',
  ],
  endpoints: (build) => ({
    parts: build.query<PartSummary[], void>({ query: () => 'parts', providesTags: ['Part'] }),
    part: build.query<Part, string>({ query: (id) => `parts/${id}`, keepUnusedDataFor: 0 }),
    createPart: build.mutation<Part, Brief>({
      extraOptions: { kept: 'Part' },
      query: (brief) => ({ url: 'parts', method: 'POST', body: { brief } }),
      invalidatesTags: ['Part'],
    }),
    savePart: build.mutation<Part, PartUpdate & { id: string }>({
      query: ({ id, ...body }) => ({ url: `parts/${id}`, method: 'PUT', body }),
      invalidatesTags: ['Part'],
    }),
    /** What was kept while the server was away, sent again as it was. */
    sendPending: build.mutation<unknown, Pick<KeptRequest, 'method' | 'url' | 'body' | 'key'>>({
      query: ({ method, url, body, key }) => ({
        url,
        method,
        body,
        ...(key === null ? {} : { headers: { 'Idempotency-Key': key } }),
      }),
      invalidatesTags: (_answer, error) => (error ? [] : [...ALL_TAGS, 'Change']),
    }),
    deletePart: build.mutation<void, { id: string; revision: number }>({
      query: ({ id, revision }) => ({ url: `parts/${id}?revision=${revision}`, method: 'DELETE' }),
      invalidatesTags: ['Part'],
    }),
    library: build.query<Library, void>({ query: () => 'library', providesTags: ['Library'] }),
    companyRules: build.query<CompanyRulesRecord, void>({
      query: () => 'company-rules',
      providesTags: ['CompanyRules'],
    }),
    machines: build.query<MachineRecord[], void>({ query: () => 'machines', providesTags: ['Machine'] }),
    decisions: build.query<DecisionSummary[], string>({
      query: (partId) => `parts/${partId}/decisions`,
      providesTags: ['Decision'],
    }),
    decision: build.query<Decision, string>({ query: (id) => `decisions/${id}` }),
    recomputation: build.query<Recomputation, string>({ query: (id) => `decisions/${id}/recomputation` }),
    freezeDecision: build.mutation<Decision, DecisionRequest & { partId: string }>({
      extraOptions: { kept: 'Decision' },
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
  useCompanyRulesQuery,
  useMachinesQuery,
  useDecisionsQuery,
  useDecisionQuery,
  useRecomputationQuery,
  useFreezeDecisionMutation,
} = api;
