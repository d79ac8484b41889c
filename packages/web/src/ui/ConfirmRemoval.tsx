import { AlertDialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { Button } from './Button.tsx';
import { ProblemNotice } from './ProblemNotice.tsx';

/** Asks before something is removed, and stays open to say why when that is refused. */
export function ConfirmRemoval({
  name,
  children,
  error,
  onRemove,
}: {
  name: string;
  /** What goes with it. */
  children: ReactNode;
  error: unknown;
  onRemove: () => void;
}) {
  return (
    <AlertDialog.Root>
      <AlertDialog.Trigger asChild>
        <Button look="quiet" aria-label={`Remove ${name}`}>
          Remove
        </Button>
      </AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <AlertDialog.Content className="fixed top-1/3 left-1/2 z-50 w-96 -translate-x-1/2 rounded-md border border-line bg-surface p-5 shadow-2xl">
          <AlertDialog.Title className="text-base font-semibold">Remove “{name}”?</AlertDialog.Title>
          <AlertDialog.Description className="mt-1 text-quiet">{children}</AlertDialog.Description>
          {error !== undefined && <ProblemNotice error={error} />}
          <div className="mt-4 flex justify-end gap-2">
            <AlertDialog.Cancel asChild>
              <Button>Save record</Button>
            </AlertDialog.Cancel>
            <AlertDialog.Action asChild>
              <Button
                look="primary"
                onClick={(event) => {
                  // Stays open to say why, should it be refused; on success what is shown goes and the dialog with it.
                  event.preventDefault();
                  onRemove();
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
