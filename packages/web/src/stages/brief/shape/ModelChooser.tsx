import { partModels, type AnyPartModel } from '@anvilstone/core/shapes';
import type { PartModelId } from '@anvilstone/schema';
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { Button } from '../../../ui/Button.tsx';
import { PartSketch } from '../sketch/PartSketch.tsx';

/** Every part model by what the part does, with a picture of each. */
export function ModelCards({
  chosen,
  onChoose,
}: {
  chosen?: PartModelId | undefined;
  onChoose: (model: AnyPartModel) => void;
}) {
  return (
    <div className="grid grid-cols-4 narrow:grid-cols-2 gap-3">
      {partModels.map((model) => (
        <button
          key={model.id}
          type="button"
          aria-pressed={model.id === chosen}
          className={`flex flex-col rounded-md border p-2 text-left hover:border-ink ${model.id === chosen ? 'border-ink bg-ember-ground' : 'border-line bg-surface'}`}
          onClick={() => onChoose(model)}
        >
          <span className="block h-24 w-full overflow-hidden" aria-hidden="true">
            <PartSketch bare part={model.start} orientation="XZ" title="" />
          </span>
          <span className="mt-1 block font-semibold">It {model.does}</span>
          <span className="block text-xs text-quiet">
            {model.title}: {model.examples}
          </span>
        </button>
      ))}
    </div>
  );
}

/** Opens the cards over the brief; the loads are made to fit the model that is chosen. */
export function ModelChooser({ chosen, onChoose }: { chosen: PartModelId; onChoose: (model: AnyPartModel) => void }) {
  return (
    <ModelDialog title="What does the part do?" chosen={chosen} onChoose={onChoose}>
      <Button>Another type of part …</Button>
    </ModelDialog>
  );
}

/** The cards behind a button. */
export function ModelDialog({
  title,
  chosen,
  onChoose,
  children,
}: {
  title: string;
  chosen?: PartModelId;
  onChoose: (model: AnyPartModel) => void;
  children: ReactNode;
}) {
  return (
    <Dialog.Root>
      <Dialog.Trigger asChild>{children}</Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-40 max-h-[92vh] w-[64rem] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 overflow-y-auto rounded-lg border border-line-strong bg-surface p-5 shadow-2xl"
        >
          <div className="mb-3 flex items-start">
            <Dialog.Title className="grow text-lg">{title}</Dialog.Title>
            <Dialog.Close asChild>
              <Button look="quiet">Close</Button>
            </Dialog.Close>
          </div>
          <Dialog.Close asChild>
            <div>
              <ModelCards chosen={chosen} onChoose={onChoose} />
            </div>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
