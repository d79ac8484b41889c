import { withPart, type AnyPartModel } from '@anvilstone/core/shapes';
import type { Brief, PartSummary } from '@anvilstone/schema';
import { Dialog } from 'radix-ui';
import { useState, type ChangeEvent } from 'react';
import { ModelCards } from '../../brief/shape/ModelChooser.tsx';
import { Button } from '../../../ui/Button.tsx';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';
import { copyOf } from './copyBrief.ts';
import { newBrief } from './newBrief.ts';
import { useStartPart } from './useStartPart.ts';
import { useFocusBack } from '../../../ui/useFocusBack.ts';

/** A new part: by what it does, from a template, or from a brief in a file. */
export function NewPartSheet({ parts, onClose }: { parts: readonly PartSummary[]; onClose: () => void }) {
  const focusBack = useFocusBack();
  const { start, error } = useStartPart();
  const [fault, setFault] = useState<string>();
  const read = async (event: ChangeEvent<HTMLInputElement>) => {
    const file = event.target.files?.[0];
    event.target.value = '';
    if (!file) return;
    setFault(undefined);
    try {
      start(JSON.parse(await file.text()) as Brief);
    } catch {
      setFault(
        `${file.name} is not JSON. A brief that was exported here, or one written to the published schema, is needed.`,
      );
    }
  };
  const templates = parts.filter((part) => part.brief.template);
  return (
    <Dialog.Root open onOpenChange={(open) => !open && onClose()}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/40" />
        <Dialog.Content
          onCloseAutoFocus={focusBack}
          aria-describedby={undefined}
          onOpenAutoFocus={(event) => {
            // What comes first is what most want: a kind of part, and not a file.
            event.preventDefault();
            (event.currentTarget as HTMLElement).querySelector<HTMLElement>('[data-cards] button')?.focus();
          }}
          className="fixed top-1/2 left-1/2 z-40 max-h-[94vh] w-[66rem] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-lg border border-line-strong bg-surface p-5 shadow-2xl"
        >
          <div className="mb-3 flex items-start gap-3">
            <Dialog.Title className="grow text-lg">What does the part do?</Dialog.Title>
            <label className="cursor-pointer rounded border border-line-strong px-3 py-1 text-sm focus-within:outline-2 focus-within:outline-ember hover:bg-sunken">
              From a brief in a file …
              <input
                type="file"
                accept=".json,application/json"
                className="sr-only"
                onChange={(event) => void read(event)}
              />
            </label>
            <Dialog.Close asChild>
              <Button look="quiet">Close</Button>
            </Dialog.Close>
          </div>
          {fault && (
            <p role="alert" className="mb-3 text-fail">
              {fault}
            </p>
          )}
          {error !== undefined && <ProblemNotice error={error} />}
          {templates.length > 0 && (
            <section aria-label="Templates" className="mb-4">
              <h2 className="mb-1 text-sm">From a template</h2>
              <div className="flex flex-wrap gap-2">
                {templates.map((part) => (
                  <Button key={part.id} onClick={() => start(copyOf(part.brief, 'New part'))}>
                    {part.brief.title}
                  </Button>
                ))}
              </div>
            </section>
          )}
          <div data-cards>
            <ModelCards onChoose={(model) => start(briefFor(model))} />
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function briefFor(model: AnyPartModel): Brief {
  return withPart(newBrief, model.start);
}
