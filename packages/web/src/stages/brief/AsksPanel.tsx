import { inSentence } from '@anvilstone/core/foundations';
import type { Brief } from '@anvilstone/schema';
import type { ReactNode } from 'react';
import { Button } from '../../ui/Button.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { askGroups, askKinds, type AskKind } from './asks/index.ts';
import { useEdit } from './editBrief.ts';
import { SurroundingsChooser } from './SurroundingsChooser.tsx';

/** Everything asked of the part besides its loads: added from a palette, taken off again. */
export function AsksPanel({ brief }: { brief: Brief }) {
  const edit = useEdit();
  const { asks } = brief;
  const asked = askKinds.filter((kind) => kind.isAsked(asks));
  return (
    <Panel title="Further requirements" aside={<SurroundingsChooser brief={brief} />}>
      <div className="flex flex-col gap-3">
        {asked.length === 0 && <p className="text-quiet">None yet: only the loads count.</p>}
        {asked.map((kind) => (
          <AskRow
            key={kind.id}
            kind={kind}
            onRemove={() => edit({ ...brief, asks: kind.remove(asks) }, `remove-${kind.id}`)}
          >
            {kind.Fields && (
              <kind.Fields asks={asks} set={(change) => edit({ ...brief, asks: { ...asks, ...change } }, kind.id)} />
            )}
          </AskRow>
        ))}
        <section aria-label="Add a requirement" className="border-t border-line pt-3">
          <p className="mb-2 text-xs text-quiet">
            Add a requirement. What is not required is not checked: go through the list once and think of cleaning,
            storage and misuse too.
          </p>
          <div className="grid grid-cols-[9rem_minmax(0,1fr)] items-baseline gap-x-3 gap-y-2">
            {askGroups.map(({ title, kinds }) => (
              <PaletteRow
                key={title}
                title={title}
                open={kinds.filter((kind) => !kind.isAsked(asks))}
                onAdd={(kind) => edit({ ...brief, asks: kind.add(asks) }, `add-${kind.id}`)}
              />
            ))}
          </div>
        </section>
      </div>
    </Panel>
  );
}

function PaletteRow({
  title,
  open,
  onAdd,
}: {
  title: string;
  open: readonly AskKind[];
  onAdd: (kind: AskKind) => void;
}) {
  if (open.length === 0) return null;
  return (
    <>
      <h4 className="text-xs font-semibold">{title}</h4>
      <div className="flex flex-wrap gap-1.5">
        {open.map((kind) => (
          <Button key={kind.id} title={kind.explains} onClick={() => onAdd(kind)}>
            + {kind.title}
          </Button>
        ))}
      </div>
    </>
  );
}

function AskRow({ kind, onRemove, children }: { kind: AskKind; onRemove: () => void; children: ReactNode }) {
  return (
    <fieldset className="grid grid-cols-[11rem_minmax(0,1fr)_auto] narrow:grid-cols-2 items-start gap-3">
      <legend className="sr-only">{kind.title}</legend>
      <div className={kind.wide ? 'col-span-2' : ''}>
        <p className="font-semibold">{kind.title}</p>
        <p className="text-xs text-quiet">{kind.explains}</p>
      </div>
      {!kind.wide && <div>{children}</div>}
      <Button look="quiet" aria-label={`Remove requirement: ${inSentence(kind.title)}`} onClick={onRemove}>
        Remove
      </Button>
      {kind.wide && <div className="col-span-3 narrow:col-span-2">{children}</div>}
    </fieldset>
  );
}
