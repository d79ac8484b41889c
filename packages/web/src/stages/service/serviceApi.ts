import type { ServiceComparison } from '@anvilstone/core/evidence';
import type {
  FindingAcceptance,
  FindingPhoto,
  FindingRecord,
  Installation,
  InstallationRecord,
  Observation,
  Part,
  PlannedInspection,
  Statement,
} from '@anvilstone/schema';
import { api } from '../../sync/api/api.ts';
import type { AcceptancePreview } from '../bench/benchApi.ts';

/** What a finding may change, as the server tells it. */
export type Proposal =
  | {
      kind: 'evidence';
      says: Statement;
      observation: Observation;
      checks?: { checkId: string; title: string; before: number | null; after: number | null }[];
    }
  | { kind: 'rule'; says: Statement; ruleId: string; was: number; value: number }
  | { kind: 'brief'; says: Statement }
  | { kind: 'test'; says: Statement; methodId: string };

export interface FindingReading {
  comparison?: ServiceComparison;
  decisionNumber: number | null;
  proposals: Proposal[];
}
export interface PlanItem {
  modeId: string;
  checkId: string;
  reserve: number | null;
  why: string;
  limit?: { value: number; unit: string };
  days: number[];
}

export interface PlanAsked {
  partId: string;
  decisionId?: string;
  gradeId: string;
  orientation: Installation['orientation'];
  installedAt: string;
}

export const {
  useInstallationsQuery,
  useFindingsQuery,
  useInstallationsOfPartQuery,
  useFindingsOfPartQuery,
  useSaveInstallationMutation,
  useRemoveInstallationMutation,
  useSaveFindingMutation,
  useRemoveFindingMutation,
  useReadingQuery,
  usePlanInspectionsQuery,
  usePreviewFindingEvidenceMutation,
  useTakeFindingEvidenceMutation,
  useReplaceMutation,
  usePhotosQuery,
  useAddPhotoMutation,
  useRemovePhotoMutation,
} = api.injectEndpoints({
  endpoints: (build) => ({
    installations: build.query<InstallationRecord[], void>({
      query: () => 'installations',
      providesTags: ['Service'],
    }),
    findings: build.query<FindingRecord[], void>({ query: () => 'service-findings', providesTags: ['Service'] }),
    installationsOfPart: build.query<InstallationRecord[], string>({
      query: (partId) => `parts/${partId}/installations`,
      providesTags: ['Service'],
    }),
    findingsOfPart: build.query<FindingRecord[], string>({
      query: (partId) => `parts/${partId}/service-findings`,
      providesTags: ['Service'],
    }),
    saveInstallation: build.mutation<InstallationRecord, InstallationRecord>({
      extraOptions: { kept: 'Part in service' },
      query: (body) => ({ url: `installations/${body.installation.id}`, method: 'PUT', body }),
      invalidatesTags: ['Service'],
    }),
    removeInstallation: build.mutation<void, { id: string; revision: number }>({
      query: ({ id, revision }) => ({ url: `installations/${id}?revision=${revision}`, method: 'DELETE' }),
      invalidatesTags: ['Service'],
    }),
    saveFinding: build.mutation<FindingRecord, FindingRecord>({
      extraOptions: { kept: 'Finding' },
      query: (body) => ({ url: `service-findings/${body.finding.id}`, method: 'PUT', body }),
      invalidatesTags: ['Service'],
    }),
    removeFinding: build.mutation<void, { id: string; revision: number }>({
      query: ({ id, revision }) => ({ url: `service-findings/${id}?revision=${revision}`, method: 'DELETE' }),
      invalidatesTags: ['Service'],
    }),
    reading: build.query<FindingReading, string>({
      query: (id) => `service-findings/${id}/reading`,
      providesTags: ['Service', 'Grade'],
    }),
    planInspections: build.query<{ items: PlanItem[]; dates: PlannedInspection[] }, PlanAsked>({
      query: (body) => ({ url: 'inspection-plans', method: 'POST', body }),
    }),
    previewFindingEvidence: build.mutation<AcceptancePreview, string>({
      query: (id) => ({ url: `service-findings/${id}/evidence/preview`, method: 'POST' }),
    }),
    takeFindingEvidence: build.mutation<FindingRecord, FindingAcceptance & { id: string }>({
      query: ({ id, ...body }) => ({ url: `service-findings/${id}/evidence`, method: 'POST', body }),
      invalidatesTags: ['Service', 'Grade', 'Library', 'Notice'],
    }),
    replace: build.mutation<Part, string>({
      query: (id) => ({ url: `service-findings/${id}/replacement`, method: 'POST' }),
      invalidatesTags: ['Part'],
    }),
    photos: build.query<FindingPhoto[], string>({
      query: (id) => `service-findings/${id}/photos`,
      providesTags: ['Service'],
    }),
    addPhoto: build.mutation<FindingPhoto, { id: string; file: File }>({
      query: ({ id, file }) => ({
        url: `service-findings/${id}/photos?name=${encodeURIComponent(file.name)}`,
        method: 'POST',
        body: file,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
      invalidatesTags: ['Service'],
    }),
    removePhoto: build.mutation<void, string>({
      query: (id) => ({ url: `finding-photos/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Service'],
    }),
  }),
});
