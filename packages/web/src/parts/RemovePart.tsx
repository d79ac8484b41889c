import type { PartSummary } from '@anvilstone/schema';
import { AlertDialog } from 'radix-ui';
import { useDeletePartMutation } from '../app/api.ts';
import { Button } from '../ui/Button.tsx';
import { ProblemNotice } from '../ui/ProblemNotice.tsx';

/** Removes a part after asking. A part with decisions stays: they are frozen, and so is what they belong to. */
export function RemovePart({ part }: { part: PartSummary }) {
  const [remove, removal] = useDeletePartMutation();
  if (part.decisionCount > 0) return <span className="text-xs text-quiet">kept: has decisions</span>;
  return (
    <AlertDialog.Root>
      <AlertDialog.Trigger asChild>
        <Button look="quiet" aria-label={`Remove ${part.brief.title}`}>
          Remove
        </Button>
      </AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <AlertDialog.Content className="fixed top-1/3 left-1/2 z-50 w-96 -translate-x-1/2 rounded-md border border-line bg-surface p-5 shadow-2xl">
          <AlertDialog.Title className="text-base font-semibold">Remove “{part.brief.title}”?</AlertDialog.Title>
          <AlertDialog.Description className="mt-1 text-quiet">
            Its brief goes with it and cannot be brought back.
          </AlertDialog.Description>
          {removal.error !== undefined && <ProblemNotice error={removal.error} />}
          <div className="mt-4 flex justify-end gap-2">
            <AlertDialog.Cancel asChild>
              <Button>Keep it</Button>
            </AlertDialog.Cancel>
            <AlertDialog.Action asChild>
              <Button
                look="primary"
                onClick={(event) => {
                  // Stays open to say why, should it be refused; on success the row goes and the dialog with it.
                  event.preventDefault();
                  void remove({ id: part.id, revision: part.revision });
                }}
              >
                Remove
              </Button>
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
