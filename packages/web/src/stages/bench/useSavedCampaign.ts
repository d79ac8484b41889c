import type { Campaign, CampaignRecord } from '@anvilstone/schema';
import { useSavedDocument } from '../../sync/saved/useSavedDocument.ts';
import type { Stored } from '../../sync/saved/upon.ts';
import { useMemo } from 'react';
import { useSaveCampaignMutation } from './benchApi.ts';

export type EditCampaign = (change: (campaign: Campaign) => Campaign) => void;

const storedOf = ({ campaign, revision }: CampaignRecord): Stored<Campaign> => ({ document: campaign, revision });

/** A campaign that is edited here. */
export function useSavedCampaign(record: CampaignRecord) {
  const [save] = useSaveCampaignMutation();
  return useSavedDocument(
    useMemo(() => storedOf(record), [record]),
    async (campaign, revision) => storedOf(await save({ campaign, revision }).unwrap()),
    (current) => (current ? storedOf(current as CampaignRecord) : undefined),
  );
}
