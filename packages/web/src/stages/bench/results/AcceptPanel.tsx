import type { ArmResult } from '@anvilstone/core/evidence';
import type { Campaign } from '@anvilstone/schema';
import { useEffect } from 'react';
import { useAcceptResultMutation, usePreviewAcceptanceMutation } from '../benchApi.ts';
import { TakeEvidence } from './TakeEvidence.tsx';

/** The observation that the result would become, and what it moves in every part, before it counts. */
export function AcceptPanel({
  campaign,
  revision,
  result: { arm, outcome },
  onClose,
}: {
  campaign: Campaign;
  revision: number;
  result: ArmResult;
  onClose: () => void;
}) {
  const [look, { data: preview, error: refused }] = usePreviewAcceptanceMutation();
  const [accept, { error, isLoading }] = useAcceptResultMutation();
  const which = { campaignId: campaign.id, armId: arm.id, outcomeId: outcome.id };
  useEffect(() => {
    void look({ campaignId: campaign.id, armId: arm.id, outcomeId: outcome.id }).catch(() => undefined);
  }, [look, campaign.id, arm.id, outcome.id, revision]);
  return (
    <TakeEvidence
      title="Add to library"
      preview={preview}
      refused={refused}
      error={error}
      busy={isLoading}
      onTake={(by, gradeRevision) => accept({ ...which, by, campaignRevision: revision, gradeRevision }).unwrap()}
      onClose={onClose}
    />
  );
}
