import { useId } from 'react';
import { Button } from '../ui/Button.tsx';
import { Panel } from '../ui/Panel.tsx';
import { ProblemNotice } from '../ui/ProblemNotice.tsx';
import { useAddAttachmentMutation, useAttachmentsQuery, useRemoveAttachmentMutation } from './benchApi.ts';

/** Photos and notes that belong to a specimen or to a look. */
export function Attachments({ campaignId, aboutId }: { campaignId: string; aboutId: string }) {
  const { data } = useAttachmentsQuery(campaignId);
  const [add, { error, isLoading }] = useAddAttachmentMutation();
  const [remove] = useRemoveAttachmentMutation();
  const id = useId();
  const own = data?.filter((one) => one.aboutId === aboutId) ?? [];
  return (
    <Panel title={`Photos and notes of ${aboutId}`}>
      <ul className="flex flex-wrap gap-3">
        {own.map((one) => (
          <li key={one.id} className="w-36 text-xs">
            {one.mediaType.startsWith('image/') ? (
              <a href={`/api/v1/attachments/${one.id}`} target="_blank" rel="noreferrer">
                <img
                  src={`/api/v1/attachments/${one.id}`}
                  alt={one.name}
                  className="h-24 w-36 rounded border border-line object-cover"
                />
              </a>
            ) : (
              <a href={`/api/v1/attachments/${one.id}`} className="block underline">
                {one.name}
              </a>
            )}
            <Button look="quiet" aria-label={`Remove ${one.name}`} onClick={() => void remove(one.id)}>
              Remove
            </Button>
          </li>
        ))}
      </ul>
      <label htmlFor={id} className="block text-xs text-quiet">
        Add a photo, a text or a PDF
      </label>
      <input
        id={id}
        type="file"
        accept="image/png,image/jpeg,image/webp,text/plain,application/pdf"
        disabled={isLoading}
        className="text-sm"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) void add({ campaignId, aboutId, file }).catch(() => undefined);
          event.target.value = '';
        }}
      />
      {error !== undefined && <ProblemNotice error={error} />}
    </Panel>
  );
}
