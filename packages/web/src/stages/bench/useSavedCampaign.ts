import type { Campaign, CampaignRecord } from '@anvilstone/schema';
import { useCallback, useEffect, useState } from 'react';
import { asProblem } from '../../sync/api/problem.ts';
import { useSaveCampaignMutation } from './benchApi.ts';

const SETTLE_MS = 500;
const RETRY_MS = 3000;

export type EditCampaign = (change: (campaign: Campaign) => Campaign) => void;

interface Mine {
  campaign: Campaign;
  /** What became of the last try to save it. */
  tried?: 'refused' | 'away';
}

/**
 * A campaign as it is here: what was typed a moment ago shows at once and is saved when it has settled, one save at a time. While the server
 * is away it is tried again; what is refused stays on the screen with the reason, and is saved with the next change.
 */
export function useSavedCampaign(stored: CampaignRecord) {
  const [mine, setMine] = useState<Mine>();
  const [revision, setRevision] = useState(stored.revision);
  const [save, { error, isLoading, reset }] = useSaveCampaignMutation();
  const newest = Math.max(revision, stored.revision);
  useEffect(() => {
    if (!mine || mine.tried === 'refused' || isLoading) return;
    const timer = setTimeout(
      () => {
        save({ campaign: mine.campaign, revision: newest })
          .unwrap()
          .then(
            (kept) => {
              setRevision(kept.revision);
              setMine((latest) => (latest === mine ? undefined : latest));
            },
            (failure: unknown) => {
              const { status } = asProblem(failure);
              const tried = status >= 400 && status < 500 ? 'refused' : 'away';
              setMine((latest) => (latest === mine ? { ...mine, tried } : latest));
            },
          );
      },
      mine.tried === 'away' ? RETRY_MS : SETTLE_MS,
    );
    return () => clearTimeout(timer);
  }, [mine, isLoading, newest, save]);
  return {
    campaign: mine?.campaign ?? stored.campaign,
    revision: newest,
    state: mine?.tried ?? (mine || isLoading ? ('saving' as const) : ('saved' as const)),
    error: mine?.tried ? error : undefined,
    edit: useCallback<EditCampaign>(
      (change) => setMine((latest) => ({ campaign: change(latest?.campaign ?? stored.campaign) })),
      [stored.campaign],
    ),
    takeNewer: useCallback(
      (newer: CampaignRecord) => {
        setRevision(newer.revision);
        setMine({ campaign: newer.campaign });
        reset();
      },
      [reset],
    ),
  };
}
