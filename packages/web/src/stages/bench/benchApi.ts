import type {
  AcceptanceRequest,
  Attachment,
  CampaignRecord,
  EvidenceImpact,
  MethodResult,
  Observation,
  PartNotice,
  TrialCurve,
  TrialRecord,
} from '@anvilstone/schema';
import { api } from '../../sync/api/api.ts';

export type CampaignSummary = CampaignRecord & { done: number; running: number };
export interface AcceptancePreview {
  observations: Observation[];
  gradeRevision: number;
  impact: EvidenceImpact;
}

const runsOf = ({ campaignId, specimenId }: { campaignId: string; specimenId: string }) =>
  `campaigns/${campaignId}/specimens/${specimenId}`;

export const {
  useCampaignsQuery,
  useCampaignQuery,
  useSaveCampaignMutation,
  useRemoveCampaignMutation,
  useTrialsQuery,
  useSaveTrialMutation,
  useCurveQuery,
  useStartRunMutation,
  useEndRunMutation,
  useImportCurveMutation,
  usePreviewAcceptanceMutation,
  useAcceptResultMutation,
  useAttachmentsQuery,
  useAddAttachmentMutation,
  useRemoveAttachmentMutation,
  useNoticesQuery,
  useClearNoticesMutation,
  useMethodResultsQuery,
  usePartResultsQuery,
} = api.injectEndpoints({
  endpoints: (build) => ({
    campaigns: build.query<CampaignSummary[], void>({ query: () => 'campaigns', providesTags: ['Campaign'] }),
    campaign: build.query<CampaignRecord, string>({ query: (id) => `campaigns/${id}`, providesTags: ['Campaign'] }),
    saveCampaign: build.mutation<CampaignRecord, CampaignRecord>({
      extraOptions: { kept: 'Campaign' },
      query: (body) => ({ url: `campaigns/${body.campaign.id}`, method: 'PUT', body }),
      invalidatesTags: ['Campaign'],
    }),
    removeCampaign: build.mutation<void, { id: string; revision: number }>({
      query: ({ id, revision }) => ({ url: `campaigns/${id}?revision=${revision}`, method: 'DELETE' }),
      invalidatesTags: ['Campaign'],
    }),
    trials: build.query<TrialRecord[], string>({ query: (id) => `campaigns/${id}/trials`, providesTags: ['Trial'] }),
    saveTrial: build.mutation<TrialRecord, TrialRecord>({
      extraOptions: { kept: 'Trial' },
      query: (body) => ({ url: `trials/${body.trial.id}`, method: 'PUT', body }),
      invalidatesTags: ['Trial', 'Campaign'],
    }),
    curve: build.query<TrialCurve, string>({ query: (id) => `trials/${id}/curve`, keepUnusedDataFor: 30 }),
    startRun: build.mutation<TrialRecord, { campaignId: string; specimenId: string }>({
      query: (which) => ({ url: `${runsOf(which)}/runs`, method: 'POST' }),
      invalidatesTags: ['Trial', 'Campaign', 'Instrument'],
    }),
    endRun: build.mutation<TrialRecord, { trialId: string; as: 'done' | 'abandoned' }>({
      query: ({ trialId, as }) => ({ url: `trials/${trialId}/run?as=${as}`, method: 'DELETE' }),
      invalidatesTags: ['Trial', 'Campaign'],
    }),
    importCurve: build.mutation<
      TrialRecord & { taken: string[] },
      { campaignId: string; specimenId: string; file: File }
    >({
      query: ({ file, ...which }) => ({
        url: `${runsOf(which)}/curve`,
        method: 'POST',
        body: file,
        headers: { 'Content-Type': 'text/csv' },
      }),
      invalidatesTags: ['Trial', 'Campaign'],
    }),
    previewAcceptance: build.mutation<AcceptancePreview, { campaignId: string; armId: string; outcomeId: string }>({
      query: ({ campaignId, ...body }) => ({
        url: `campaigns/${campaignId}/acceptances/preview`,
        method: 'POST',
        body,
      }),
    }),
    acceptResult: build.mutation<CampaignRecord, AcceptanceRequest & { campaignId: string }>({
      query: ({ campaignId, ...body }) => ({ url: `campaigns/${campaignId}/acceptances`, method: 'POST', body }),
      invalidatesTags: ['Campaign', 'Library', 'Grade', 'Notice', 'Part'],
    }),
    attachments: build.query<Attachment[], string>({
      query: (id) => `campaigns/${id}/attachments`,
      providesTags: ['Attachment'],
    }),
    addAttachment: build.mutation<Attachment, { campaignId: string; aboutId: string; file: File }>({
      query: ({ campaignId, aboutId, file }) => ({
        url: `campaigns/${campaignId}/attachments?about=${encodeURIComponent(aboutId)}&name=${encodeURIComponent(file.name)}`,
        method: 'POST',
        body: file,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
      invalidatesTags: ['Attachment'],
    }),
    removeAttachment: build.mutation<void, string>({
      query: (id) => ({ url: `attachments/${id}`, method: 'DELETE' }),
      invalidatesTags: ['Attachment'],
    }),
    partResults: build.query<MethodResult[], string>({
      query: (partId) => `parts/${partId}/test-results`,
      providesTags: ['Campaign', 'Trial'],
    }),
    methodResults: build.query<MethodResult[], string>({
      query: (id) => `test-methods/${id}/results`,
      providesTags: ['Campaign', 'Trial'],
    }),
    notices: build.query<PartNotice[], void>({ query: () => 'part-notices', providesTags: ['Notice'] }),
    clearNotices: build.mutation<{ cleared: number }, string>({
      query: (partId) => ({ url: `parts/${partId}/notices`, method: 'DELETE' }),
      invalidatesTags: ['Notice'],
    }),
  }),
});
