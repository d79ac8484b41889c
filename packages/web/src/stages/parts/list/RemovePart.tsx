import type { PartSummary } from '@anvilstone/schema';
import { useDeletePartMutation } from '../../../sync/api/api.ts';
import { ConfirmRemoval } from '../../../ui/ConfirmRemoval.tsx';

/** Removes a part after asking. A part with decisions stays: they are frozen, and so is what they belong to. */
export function RemovePart({ part }: { part: PartSummary }) {
  const [remove, { error }] = useDeletePartMutation();
  if (part.decisionCount > 0) return <span className="text-xs text-quiet">has decisions</span>;
  return (
    <ConfirmRemoval
      name={part.brief.title}
      error={error}
      onRemove={() => void remove({ id: part.id, revision: part.revision })}
    >
      Its brief is deleted permanently.
    </ConfirmRemoval>
  );
}
