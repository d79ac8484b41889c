import { findMethod, nextLook } from '@anvilstone/core/bench';
import type { CampaignSummary } from './benchApi.ts';

/** What is to be done next, in a few words. */
export function nextStep({ campaign, done, running }: CampaignSummary): string {
  if (running > 0) return 'a specimen is in the rig';
  if (campaign.specimens.length === 0) return 'make specimens';
  if (findMethod(campaign.methodId)?.capture === 'looks') {
    const date = nextLook(campaign);
    if (!campaign.begunAt) return 'leave them in their place';
    return date ? `look on ${date}` : 'looked at on every date planned';
  }
  if (done < campaign.specimens.length) return `test ${campaign.specimens.length - done} more`;
  const open = campaign.arms.filter(({ id }) => !campaign.accepted.some(({ armId }) => armId === id)).length;
  return open > 0 ? 'read the results' : 'accepted';
}
