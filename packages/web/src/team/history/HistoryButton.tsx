import { Dialog } from 'radix-ui';
import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { ChangeList } from './ChangeList.tsx';
import { useChangesQuery } from './historyApi.ts';

/** Who changed this record and when, in place; what was there before can be put back. */
export function HistoryButton({
  kind,
  record,
  title,
  onPutBack,
}: {
  kind: string;
  record: string;
  title: string;
  onPutBack?: () => void;
}) {
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger asChild>
        <Button look="quiet">History</Button>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
        <Dialog.Content className="fixed top-0 right-0 z-50 flex h-full w-140 max-w-full flex-col border-l border-line bg-surface shadow-2xl">
          <header className="flex items-start gap-3 border-b border-line px-5 py-3">
            <div className="min-w-0 grow">
              <Dialog.Title className="truncate text-base font-semibold">History of “{title}”</Dialog.Title>
              <Dialog.Description className="text-sm text-quiet">
                Newest first. Restoring a version creates a new revision; the history is kept.
              </Dialog.Description>
            </div>
            <Dialog.Close asChild>
              <Button look="quiet">Close</Button>
            </Dialog.Close>
          </header>
          <div className="min-h-0 grow overflow-auto px-5 py-3">
            <Changes
              kind={kind}
              record={record}
              onPutBack={() => {
                setOpen(false);
                onPutBack?.();
              }}
            />
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Changes({ kind, record, onPutBack }: { kind: string; record: string; onPutBack: () => void }) {
  const { currentData: changes, error } = useChangesQuery({ kind, record });
  if (error !== undefined) return <ProblemNotice error={error} />;
  if (!changes) return <p className="text-quiet">Reading …</p>;
  if (changes.length === 0) return <p className="text-quiet">No changes recorded.</p>;
  return <ChangeList named={false} changes={changes} onPutBack={onPutBack} />;
}
