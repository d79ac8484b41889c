import type {
  DryerRecord,
  DryerScheduleRecord,
  PlaceRecord,
  PrintRecord,
  ScheduleProposal,
  SpoolRecord,
  Stock,
} from '@anvilstone/schema';
import { api } from '../../sync/api/api.ts';

const removal = ({ id, revision }: { id: string; revision: number }) => `${id}?revision=${revision}`;

const stockApi = api.injectEndpoints({
  endpoints: (build) => ({
    stock: build.query<Stock, void>({ query: () => 'stock', providesTags: ['Stock'] }),
  }),
});
export const { useStockQuery } = stockApi;

export const {
  useSaveSpoolMutation,
  useRemoveSpoolMutation,
  useSavePlaceMutation,
  useSaveDryerMutation,
  useRemoveDryerMutation,
  useSaveScheduleMutation,
  useProposeScheduleMutation,
  useFinishRunMutation,
  useWeighSpoolMutation,
  useRecordPrintMutation,
  usePrintsQuery,
} = stockApi.injectEndpoints({
  endpoints: (build) => ({
    saveSpool: build.mutation<SpoolRecord, SpoolRecord>({
      extraOptions: { kept: 'Spool' },
      query: (body) => ({ url: `spools/${body.spool.id}`, method: 'PUT', body }),
      invalidatesTags: ['Stock'],
    }),
    removeSpool: build.mutation<void, { id: string; revision: number }>({
      query: (which) => ({ url: `spools/${removal(which)}`, method: 'DELETE' }),
      invalidatesTags: ['Stock'],
    }),
    savePlace: build.mutation<PlaceRecord, PlaceRecord>({
      extraOptions: { kept: 'Storage place' },
      query: (body) => ({ url: `places/${body.place.id}`, method: 'PUT', body }),
      invalidatesTags: ['Stock'],
    }),
    saveDryer: build.mutation<DryerRecord, DryerRecord>({
      extraOptions: { kept: 'Dryer' },
      query: (body) => ({ url: `dryers/${body.dryer.id}`, method: 'PUT', body }),
      invalidatesTags: ['Stock'],
    }),
    removeDryer: build.mutation<void, { id: string; revision: number }>({
      query: (which) => ({ url: `dryers/${removal(which)}`, method: 'DELETE' }),
      invalidatesTags: ['Stock'],
    }),
    saveSchedule: build.mutation<DryerScheduleRecord, DryerScheduleRecord>({
      extraOptions: { kept: 'Dryer schedule' },
      query: (body) => ({ url: 'dryer-schedule', method: 'PUT', body }),
      // The next change names the new revision, before the stock is read again.
      async onQueryStarted(_, { dispatch, queryFulfilled }) {
        const kept = await queryFulfilled.catch(() => undefined);
        if (!kept) return;
        dispatch(
          stockApi.util.updateQueryData('stock', undefined, (draft) => {
            draft.schedule = kept.data;
          }),
        );
      },
      invalidatesTags: ['Stock'],
    }),
    proposeSchedule: build.mutation<ScheduleProposal, DryerScheduleRecord>({
      query: (body) => ({ url: 'dryer-schedule/proposal', method: 'POST', body }),
    }),
    finishRun: build.mutation<DryerScheduleRecord, { runId: string; revision: number }>({
      query: ({ runId, revision }) => ({ url: `dryer-schedule/runs/${runId}?revision=${revision}`, method: 'DELETE' }),
      invalidatesTags: ['Stock'],
    }),
    weighSpool: build.mutation<SpoolRecord, { spoolId: string; scaleId: string; note?: string }>({
      query: ({ spoolId, scaleId, note }) => ({
        url: `spools/${spoolId}/weighings/${scaleId}`,
        method: 'POST',
        body: note ? { note } : {},
      }),
      invalidatesTags: ['Stock', 'Instrument'],
    }),
    recordPrint: build.mutation<PrintRecord, PrintRecord>({
      extraOptions: { kept: 'Print' },
      query: (body) => ({ url: `prints/${body.id}`, method: 'PUT', body }),
      invalidatesTags: ['Stock', 'Machine', 'Library'],
    }),
    prints: build.query<PrintRecord[], string>({
      query: (machineId) => `machines/${machineId}/prints`,
      providesTags: ['Machine'],
    }),
  }),
});
