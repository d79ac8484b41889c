import type { Job } from '@anvilstone/schema';
import { api } from '../../sync/api/api.ts';

export interface BackupState {
  folder?: string;
  everyH: number;
  keep: number;
  files: { name: string; at: string; bytes: number; byHand: boolean }[];
  trouble: string | null;
}
export interface ArchiveManifest {
  shape: string;
  engineVersion: string;
  holdsKey: boolean;
  files: { name: string; table: string; rows: number }[];
}
export interface RestoreReport {
  mode: string;
  tables: { table: string; inArchive: number; added: number; kept: number }[];
}

const ZIP = { 'Content-Type': 'application/zip' };

export const { useBackupsQuery, useMakeBackupMutation, useCheckArchiveMutation, useTakeArchiveMutation } =
  api.injectEndpoints({
    endpoints: (build) => ({
      backups: build.query<BackupState, void>({ query: () => 'workshop/backups', providesTags: ['Backup'] }),
      makeBackup: build.mutation<Job, void>({
        query: () => ({ url: 'workshop/backups', method: 'POST' }),
        invalidatesTags: ['Backup', 'Job'],
      }),
      checkArchive: build.mutation<ArchiveManifest, File>({
        query: (body) => ({ url: 'workshop/archive/check', method: 'POST', body, headers: ZIP }),
      }),
      takeArchive: build.mutation<Job, { file: File; mode: 'merge' | 'replace'; confirm: string }>({
        query: ({ file, mode, confirm }) => ({
          url: `workshop/archive?mode=${mode}&confirm=${encodeURIComponent(confirm)}`,
          method: 'POST',
          body: file,
          headers: ZIP,
        }),
        invalidatesTags: ['Job'],
      }),
    }),
  });
