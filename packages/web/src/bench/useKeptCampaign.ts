import type { Campaign, CampaignRecord } from '@anvilstone/schema';
import { useCallback, useEffect, useState } from 'react';
import { useSaveCampaignMutation } from './benchApi.ts';

const SETTLE_MS = 500;

export type EditCampaign = (change: (campaign: Campaign) => Campaign) => void;

/**
 * A campaign as it is here: what was typed a moment ago shows at once and is saved when it has settled, one save at a time. What is refused
 * stays on the screen with the reason, and is saved again with the next change.
 */
export function useKeptCampaign(stored: CampaignRecord) {
  const [mine, setMine] = useState<{ campaign: Campaign; tried: boolean }>();
  const [revision, setRevision] = useState(stored.revision);
  const [save, { error, isLoading, reset }] = useSaveCampaignMutation();
  const newest = Math.max(revision, stored.revision);
  useEffect(() => {
    if (!mine || mine.tried || isLoading) return;
    const timer = setTimeout(() => {
      save({ campaign: mine.campaign, revision: newest })
        .unwrap()
        .then(
          (kept) => {
            setRevision(kept.revision);
            setMine((latest) => (latest === mine ? undefined : latest));
          },
          () => setMine((latest) => (latest === mine ? { ...mine, tried: true } : latest)),
        );
    }, SETTLE_MS);
    return () => clearTimeout(timer);
  }, [mine, isLoading, newest, save]);
  return {
    campaign: mine?.campaign ?? stored.campaign,
    revision: newest,
    state: mine?.tried ? ('refused' as const) : mine || isLoading ? ('saving' as const) : ('saved' as const),
    error: mine?.tried ? error : undefined,
    edit: useCallback<EditCampaign>(
      (change) => setMine((latest) => ({ campaign: change(latest?.campaign ?? stored.campaign), tried: false })),
      [stored.campaign],
    ),
    takeNewer: useCallback(
      (newer: CampaignRecord) => {
        setRevision(newer.revision);
        setMine({ campaign: newer.campaign, tried: false });
        reset();
      },
      [reset],
    ),
  };
}
