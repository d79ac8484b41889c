import type { ArmResult } from '@anvilstone/core/bench';
import type { Campaign } from '@anvilstone/schema';
import { useEffect, useState } from 'react';
import { TextField } from '../ui/fields.tsx';
import { ProblemNotice } from '../ui/ProblemNotice.tsx';
import { SaveOrCancel } from '../ui/SaveOrCancel.tsx';
import { useAcceptResultMutation, usePreviewAcceptanceMutation } from './benchApi.ts';
import { EvidencePreview } from './EvidencePreview.tsx';

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
  const [by, setBy] = useState('');
  useEffect(() => {
    void look({ campaignId: campaign.id, armId: arm.id, outcomeId: outcome.id }).catch(() => undefined);
  }, [look, campaign.id, arm.id, outcome.id, revision]);
  return (
    <section aria-label="Take it into the library" className="mt-4 border-t border-line pt-3">
      {refused !== undefined && <ProblemNotice error={refused} />}
      {!preview && refused === undefined && <p className="text-sm text-quiet">Holding every part against it …</p>}
      {preview && <EvidencePreview preview={preview} />}
      <div className="mt-3 grid grid-cols-3 gap-3">
        <TextField label="Who stands for it" value={by} maxLength={200} onChange={setBy} />
        <SaveOrCancel
          ready={by.trim() !== '' && preview !== undefined && !isLoading}
          label="Accept it as evidence"
          error={error}
          onSave={() =>
            void accept({
              campaignId: campaign.id,
              armId: arm.id,
              outcomeId: outcome.id,
              by: by.trim(),
              campaignRevision: revision,
              gradeRevision: preview!.gradeRevision,
            })
              .unwrap()
              .then(onClose)
              .catch(() => undefined)
          }
          onCancel={onClose}
        />
      </div>
    </section>
  );
}
