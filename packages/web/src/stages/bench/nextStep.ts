import { findMethod, nextLook } from '@anvilstone/core/evidence';
import type { CampaignSummary } from './benchApi.ts';

/** What is to be done next, in a few words. */
export function nextStep({ campaign, done, running }: CampaignSummary): string {
  if (running > 0) return 'test running';
  if (campaign.specimens.length === 0) return 'print specimens';
  if (findMethod(campaign.methodId)?.capture === 'looks') {
    const date = nextLook(campaign);
    if (!campaign.begunAt) return 'expose them';
    return date ? `look on ${date}` : 'all inspections done';
  }
  if (done < campaign.specimens.length) return `test ${campaign.specimens.length - done} more`;
  const open = campaign.arms.filter(({ id }) => !campaign.accepted.some(({ armId }) => armId === id)).length;
  return open > 0 ? 'evaluate the results' : 'accepted';
}
