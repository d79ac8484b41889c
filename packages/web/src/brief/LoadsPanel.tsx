import type { Brief, LoadCase } from '@anvilstone/schema';
import { Button } from '../ui/Button.tsx';
import { TextField, Tick } from '../ui/fields.tsx';
import { Panel } from '../ui/Panel.tsx';
import { QuantityField } from '../ui/QuantityField.tsx';
import { duration } from '../ui/amount.ts';
import { bounds } from './bounds.ts';
import { useEdit, useIssue } from './editBrief.ts';
import { withLoadCase, withNewLoadCase } from './loadCases.ts';

const MOST_LOADS = 12;

/** Each load with how long it stays on, how warm, and how much movement is allowed. */
export function LoadsPanel({ brief }: { brief: Brief }) {
  const edit = useEdit();
  return (
    <Panel
      title="Loads"
      aside={
        <Button
          disabled={brief.loadCases.length >= MOST_LOADS}
          onClick={() => edit(withNewLoadCase(brief), 'add-load')}
        >
          Add a load
        </Button>
      }
    >
      <div className="flex flex-col gap-4">
        {brief.loadCases.map((loadCase, index) => (
          <LoadFields
            key={loadCase.id}
            index={index}
            loadCase={loadCase}
            onChange={(change, field) => edit(withLoadCase(brief, index, change), `${loadCase.id}-${field}`)}
            onRemove={
              brief.loadCases.length > 1
                ? () => edit({ ...brief, loadCases: brief.loadCases.filter((_, i) => i !== index) }, 'remove-load')
                : undefined
            }
          />
        ))}
      </div>
    </Panel>
  );
}

function LoadFields({
  index,
  loadCase,
  onChange,
  onRemove,
}: {
  index: number;
  loadCase: LoadCase;
  onChange: (change: Partial<LoadCase>, field: string) => void;
  onRemove: (() => void) | undefined;
}) {
  const sagIssue = useIssue(`/loadCases/${index}/maxSagMm`);
  return (
    <fieldset className="border-l-3 border-line pl-3">
      <legend className="sr-only">{loadCase.name}</legend>
      <div className="grid grid-cols-4 gap-3">
        <div className="col-span-2">
          <TextField
            label="Load"
            value={loadCase.name}
            maxLength={200}
            error={loadCase.name.trim() === '' ? 'A name is needed before it can be saved.' : undefined}
            onChange={(name) => onChange({ name }, 'name')}
          />
        </div>
        <QuantityField
          label="Force"
          dimension="force"
          value={loadCase.forceN}
          bounds={bounds.force}
          onChange={(forceN) => onChange({ forceN }, 'force')}
        />
        <QuantityField
          label="Stays on for"
          dimension="time"
          value={loadCase.durationH}
          bounds={bounds.duration}
          hint={`${duration(loadCase.durationH)}; “2 years” or “30 s” can be typed`}
          onChange={(durationH) => onChange({ durationH }, 'duration')}
        />
        <QuantityField
          label="Part temperature"
          dimension="temperature"
          value={loadCase.temperatureC}
          bounds={bounds.temperature}
          onChange={(temperatureC) => onChange({ temperatureC }, 'temperature')}
        />
        <QuantityField
          label="Safety factor on strength"
          dimension="ratio"
          value={loadCase.safetyFactor}
          bounds={bounds.safetyFactor}
          onChange={(safetyFactor) => onChange({ safetyFactor }, 'safety')}
        />
        <QuantityField
          label="Movement allowed at once"
          dimension="length"
          value={loadCase.maxDeflectionMm}
          bounds={bounds.movement}
          hint="empty = not asked"
          onChange={(maxDeflectionMm) => onChange({ maxDeflectionMm }, 'deflection')}
          onClear={() => onChange({ maxDeflectionMm: undefined }, 'deflection')}
        />
        <QuantityField
          label="Movement allowed at the end"
          dimension="length"
          value={loadCase.maxSagMm}
          bounds={bounds.movement}
          error={sagIssue}
          hint="with creep; empty = not asked"
          onChange={(maxSagMm) => onChange({ maxSagMm }, 'sag')}
          onClear={() => onChange({ maxSagMm: undefined }, 'sag')}
        />
      </div>
      <div className="mt-1 flex items-center justify-between">
        <Tick
          label="Also acts when the part is at its steady and peak heat"
          checked={loadCase.actsWhenHot}
          onChange={(actsWhenHot) => onChange({ actsWhenHot }, 'hot')}
        />
        {onRemove && (
          <Button look="quiet" aria-label={`Remove ${loadCase.name}`} onClick={onRemove}>
            Remove
          </Button>
        )}
      </div>
    </fieldset>
  );
}
