import { findPartModel } from '@anvilstone/core/shapes';
import { PART_AXES, type Brief, type Feature, type PartAxisName } from '@anvilstone/schema';
import { useAddress } from '../../../sync/address/useAddress.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choice, TextField } from '../../../ui/fields.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import { useEdit } from '../editBrief.ts';
import { withFeature, withNewFeature, withoutFeature } from './features.ts';
import { ModelDialog } from './ModelChooser.tsx';

const MOST = 6;

/** The models of one part: what it is as a whole, and what else it does. The worst of them governs. */
export function FeatureTabs({ brief, shown }: { brief: Brief; shown: Feature | undefined }) {
  const edit = useEdit();
  const [, set] = useAddress();
  const { features = [] } = brief;
  const tab = (id: string | null, name: string) => (
    <button
      key={id ?? 'part'}
      type="button"
      aria-pressed={(shown?.id ?? null) === id}
      className="rounded border border-line px-2 py-0.5 text-sm aria-pressed:border-ink aria-pressed:bg-ink aria-pressed:text-ground"
      onClick={() => set({ feature: id }, true)}
    >
      {name}
    </button>
  );
  return (
    <div role="group" aria-label="Models of this part" className="flex flex-wrap items-center gap-2 print:hidden">
      {features.length > 0 && tab(null, findPartModel(brief.part.model).title)}
      {features.map(({ id, name }) => tab(id, name))}
      <ModelDialog
        title="Does this part have other features?"
        onChoose={(model) => {
          const next = withNewFeature(brief, model);
          edit(next.brief, 'add-feature');
          set({ feature: next.id }, true);
        }}
      >
        <Button look="quiet" disabled={features.length >= MOST}>
          + Add a feature …
        </Button>
      </ModelDialog>
      <span className="text-xs text-quiet">
        {features.length === 0
          ? 'a lug, a snap, a hot face: checked with the same grade and orientation'
          : 'All are checked with the same grade and orientation; the worst governs. Mass and cost are those of the part itself, once.'}
      </span>
    </div>
  );
}

const AXIS_WORDS: Record<PartAxisName, string> = {
  length: 'The part’s length',
  depth: 'The part’s depth',
  width: 'The part’s width',
};

/** What a feature is called, and how it lies in the part. */
export function FeatureFields({ brief, feature }: { brief: Brief; feature: Feature }) {
  const edit = useEdit();
  const [, set] = useAddress();
  const change = (part: Partial<Feature>, field: string) =>
    edit(withFeature(brief, feature.id, part), `${feature.id}-${field}`);
  const { axes } = findPartModel(brief.part.model);
  const options = (taken?: PartAxisName) =>
    PART_AXES.filter((axis) => axis !== taken).map((axis) => ({
      value: axis,
      label: `${AXIS_WORDS[axis]}, ${axes[axis]}`,
    }));
  return (
    <Panel
      title={`Feature: ${feature.name}`}
      aside={
        <Button
          look="quiet"
          aria-label={`Remove ${feature.name}`}
          onClick={() => {
            edit(withoutFeature(brief, feature.id), 'remove-feature');
            set({ feature: null }, true);
          }}
        >
          Remove
        </Button>
      }
    >
      <div className="grid grid-cols-2 narrow:grid-cols-1 gap-3 [&>:first-child]:col-span-full">
        <TextField
          label="Name"
          value={feature.name}
          maxLength={200}
          error={feature.name.trim() === '' ? 'A name is needed before it can be saved.' : undefined}
          onChange={(name) => change({ name }, 'name')}
        />
        <Choice
          label="Length of the feature lies along"
          value={feature.lengthAlong}
          options={options()}
          onChange={(lengthAlong) =>
            change(
              {
                lengthAlong,
                // The two never share an axis.
                ...(lengthAlong === feature.depthAlong ? { depthAlong: feature.lengthAlong } : {}),
              },
              'axes',
            )
          }
        />
        <Choice
          label="Depth of the feature lies along"
          value={feature.depthAlong}
          options={options(feature.lengthAlong)}
          onChange={(depthAlong) => change({ depthAlong }, 'axes')}
        />
      </div>
      <p className="mt-2 text-xs text-quiet">The layers then lie in the feature as the part is built.</p>
    </Panel>
  );
}
