import { Panel } from '../../../ui/Panel.tsx';
import { Photos } from '../../../ui/Photos.tsx';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';
import { useAddAttachmentMutation, useAttachmentsQuery, useRemoveAttachmentMutation } from '../benchApi.ts';
import { API } from '../../../sync/address/place.ts';

/** Photos and notes that belong to a specimen or to a look. */
export function Attachments({ campaignId, aboutId }: { campaignId: string; aboutId: string }) {
  const { data } = useAttachmentsQuery(campaignId);
  const [add, { error, isLoading }] = useAddAttachmentMutation();
  const [remove] = useRemoveAttachmentMutation();
  const own = data?.filter((one) => one.aboutId === aboutId) ?? [];
  return (
    <Panel title={`Photos and notes of ${aboutId}`}>
      <Photos
        photos={own}
        hrefOf={(id) => `${API}/attachments/${id}`}
        busy={isLoading}
        onAdd={(file) => void add({ campaignId, aboutId, file }).catch(() => undefined)}
        onRemove={(id) => void remove(id)}
      />
      {error !== undefined && <ProblemNotice error={error} />}
    </Panel>
  );
}
