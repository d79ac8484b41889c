import type {
  AirReading,
  Instrument,
  Misbehaviour,
  PriceListPreview,
  PriceTaking,
  PrintOrder,
  PrintProgress,
} from '@anvilstone/schema';
import { api } from '../../sync/api/api.ts';

export const {
  useInstrumentsQuery,
  useBehaveMutation,
  useFetchLogMutation,
  useAirQuery,
  useProgressQuery,
  useBeginPrintMutation,
  useLazySupplierListQuery,
  usePreviewPriceListMutation,
  useTakePricesMutation,
} = api.injectEndpoints({
  endpoints: (build) => ({
    instruments: build.query<Instrument[], void>({ query: () => 'instruments', providesTags: ['Instrument'] }),
    behave: build.mutation<Instrument, { id: string; behaviour: Misbehaviour }>({
      query: ({ id, behaviour }) => ({ url: `instruments/${id}/behaviour`, method: 'PUT', body: { behaviour } }),
      invalidatesTags: ['Instrument'],
    }),
    fetchLog: build.mutation<{ added: number }, string>({
      query: (id) => ({ url: `instruments/${id}/log`, method: 'POST' }),
      invalidatesTags: ['Instrument', 'Stock'],
    }),
    air: build.query<AirReading[], string>({
      query: (id) => `instruments/${id}/air?days=14`,
      providesTags: ['Instrument'],
    }),
    progress: build.query<PrintProgress, string>({ query: (id) => `instruments/${id}/progress`, keepUnusedDataFor: 0 }),
    beginPrint: build.mutation<PrintProgress, PrintOrder & { id: string }>({
      query: ({ id, ...body }) => ({ url: `instruments/${id}/jobs`, method: 'POST', body }),
      invalidatesTags: ['Instrument'],
    }),
    supplierList: build.query<PriceListPreview, string>({
      query: (id) => `instruments/${id}/price-list`,
      keepUnusedDataFor: 0,
    }),
    previewPriceList: build.mutation<PriceListPreview, string>({
      query: (text) => ({ url: 'price-lists/preview', method: 'POST', body: { text } }),
    }),
    takePrices: build.mutation<{ changed: number }, PriceTaking>({
      query: (body) => ({ url: 'price-lists', method: 'POST', body }),
      invalidatesTags: ['Library', 'Grade'],
    }),
  }),
});
