import { useState } from 'react';
import { useOwnName } from '../../../sync/api/useOwnName.ts';
import { TextField } from '../../../ui/fields.tsx';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';
import { SaveOrCancel } from '../../../ui/SaveOrCancel.tsx';
import type { AcceptancePreview } from '../benchApi.ts';
import { EvidencePreview } from './EvidencePreview.tsx';

/** What something would become in the evidence and move in every part, and who stands for it. */
export function TakeEvidence({
  title,
  preview,
  refused,
  error,
  busy,
  onTake,
  onClose,
}: {
  title: string;
  preview: AcceptancePreview | undefined;
  /** Why there is nothing to look at. */
  refused: unknown;
  /** Why it was not taken. */
  error: unknown;
  busy: boolean;
  onTake: (by: string, gradeRevision: number) => Promise<unknown>;
  onClose: () => void;
}) {
  const [by, setBy] = useState(useOwnName());
  return (
    <section aria-label={title} className="mt-4 border-t border-line pt-3">
      {refused !== undefined && <ProblemNotice error={refused} />}
      {!preview && refused === undefined && <p className="text-sm text-quiet">Re-evaluating every part …</p>}
      {preview && <EvidencePreview preview={preview} />}
      <div className="mt-3 grid grid-cols-3 narrow:grid-cols-2 gap-3">
        <TextField label="Approved by" value={by} maxLength={200} onChange={setBy} />
        <SaveOrCancel
          ready={by.trim() !== '' && preview !== undefined && !busy}
          label="Accept as evidence"
          error={error}
          onSave={() =>
            void onTake(by.trim(), preview!.gradeRevision)
              .then(onClose)
              .catch(() => undefined)
          }
          onCancel={onClose}
        />
      </div>
    </section>
  );
}
