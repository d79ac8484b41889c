import type { ImportJob, ImportRows, ImportSettings } from '@anvilstone/schema';
import { api } from '../../sync/api/api.ts';

const importsApi = api.injectEndpoints({
  endpoints: (build) => ({
    imports: build.query<ImportJob[], void>({ query: () => 'imports', providesTags: ['Import'] }),
    importJob: build.query<ImportJob, string>({
      query: (id) => `imports/${id}`,
      providesTags: (_job, _error, id) => [{ type: 'Import', id }],
    }),
    importRows: build.query<
      ImportRows,
      { id: string; offset: number; limit: number; problems: boolean; version: string }
    >({
      // `version` names the reading the rows belong to; the server has only the newest.
      query: ({ id, offset, limit, problems }) =>
        `imports/${id}/rows?offset=${offset}&limit=${limit}${problems ? '&problems=true' : ''}`,
    }),
    startImport: build.mutation<ImportJob, File>({
      query: (file) => ({
        url: `imports?fileName=${encodeURIComponent(file.name)}`,
        method: 'POST',
        body: file,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
      invalidatesTags: ['Import'],
    }),
    changeImport: build.mutation<ImportJob, { id: string; settings: ImportSettings }>({
      query: ({ id, settings }) => ({ url: `imports/${id}/settings`, method: 'PUT', body: settings }),
      // Asked while the change was under way, the job may be answered as it was before it: so it is asked once more after.
      invalidatesTags: (_job, _error, { id }) => [{ type: 'Import', id }],
      // A choice shows at once; the answer is the job as it is then read anew.
      async onQueryStarted({ id, settings }, { dispatch, queryFulfilled }) {
        const patch = dispatch(
          importsApi.util.updateQueryData('importJob', id, (job) => {
            job.settings = settings;
            job.state = 'reading';
            job.progress = 0;
          }),
        );
        try {
          const { data } = await queryFulfilled;
          await dispatch(importsApi.util.upsertQueryData('importJob', id, data));
        } catch {
          patch.undo();
        }
      },
    }),
    commitImport: build.mutation<ImportJob, string>({
      query: (id) => ({ url: `imports/${id}/commit`, method: 'POST' }),
      invalidatesTags: (_job, _error, id) => [{ type: 'Import', id }],
    }),
    cancelImport: build.mutation<ImportJob, string>({
      query: (id) => ({ url: `imports/${id}/cancel`, method: 'POST' }),
      invalidatesTags: (_job, _error, id) => ['Import', { type: 'Import', id }],
    }),
  }),
});

export const {
  useImportsQuery,
  useImportJobQuery,
  useImportRowsQuery,
  useStartImportMutation,
  useChangeImportMutation,
  useCommitImportMutation,
  useCancelImportMutation,
} = importsApi;
