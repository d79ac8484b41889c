import { tows } from '@anvilstone/core/materials/tables';
import { layupLoop, type Layup, type LayupLoop } from '@anvilstone/schema';
import { Button } from '../../../ui/Button.tsx';
import { Choice, TextField } from '../../../ui/fields.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import { QuantityField, type Bounds } from '../../../ui/QuantityField.tsx';
import { shortTowName } from './stacks.ts';

export const FIRST_LOOP: LayupLoop = {
  name: 'Around both eyes',
  towId: 'carbon-polyamide',
  path: 'holes',
  radiusMm: 10,
  apartMm: 80,
  turns: 3,
  layers: 4,
  pullN: 500,
};

/** Strands that run round holes or along walls and come back: they are laid beside the plies and carry by their two legs. */
export function LoopList({ layup, onChange }: { layup: Layup; onChange: (layup: Layup) => void }) {
  const loops = layup.loops ?? [];
  const setLoops = (next: readonly LayupLoop[]) => {
    const { loops: _before, ...rest } = layup;
    onChange(next.length === 0 ? rest : { ...rest, loops: [...next] });
  };
  return (
    <Panel title="Loops around holes and along walls">
      {loops.length === 0 && (
        <p className="mb-2 text-sm text-quiet">
          A lug on a pin, or a wall under internal pressure, is best reinforced by strands around it: both legs carry
          the load.
        </p>
      )}
      <ul className="flex flex-col gap-2">
        {loops.map((loop, index) => (
          <LoopRow
            key={index}
            index={index}
            loop={loop}
            onChange={(next) => setLoops(loops.map((one, i) => (i === index ? next : one)))}
            onRemove={() => setLoops(loops.filter((_, i) => i !== index))}
          />
        ))}
      </ul>
      <Button className="mt-2" onClick={() => setLoops([...loops, FIRST_LOOP])}>
        + Another loop
      </Button>
    </Panel>
  );
}

const bounds = (field: keyof typeof layupLoop.properties): Bounds => layupLoop.properties[field] as Bounds;

function LoopRow({
  index,
  loop,
  onChange,
  onRemove,
}: {
  index: number;
  loop: LayupLoop;
  onChange: (loop: LayupLoop) => void;
  onRemove: () => void;
}) {
  const length = (field: 'radiusMm' | 'apartMm', label: string) => (
    <QuantityField
      label={label}
      dimension="length"
      value={loop[field]}
      bounds={bounds(field)}
      onChange={(value) => onChange({ ...loop, [field]: value })}
    />
  );
  const count = (field: 'turns' | 'layers', label: string) => (
    <QuantityField
      label={label}
      dimension="ratio"
      value={loop[field]}
      bounds={bounds(field)}
      onChange={(value) => onChange({ ...loop, [field]: Math.max(1, Math.round(value)) })}
    />
  );
  const alongWalls = loop.path === 'walls';
  return (
    <li className="grid grid-cols-4 narrow:grid-cols-2 items-end gap-2 rounded border border-line bg-surface px-2 py-2">
      <div className="col-span-2">
        <TextField
          label={`Loop ${index + 1}: what it holds`}
          value={loop.name}
          maxLength={200}
          onChange={(name) => name && onChange({ ...loop, name })}
        />
      </div>
      <div className="col-span-2">
        <Choice
          label="Strand"
          value={loop.towId}
          options={tows.map(({ id, name }) => ({ value: id, label: shortTowName(name) }))}
          onChange={(towId) => onChange({ ...loop, towId })}
        />
      </div>
      <div className="col-span-2">
        <Choice
          label="Runs"
          value={loop.path}
          options={[
            { value: 'holes', label: 'around two holes' },
            { value: 'walls', label: 'along the walls of an outline' },
          ]}
          onChange={(path) => {
            const { acrossMm: _before, ...rest } = loop;
            onChange(path === 'walls' ? { ...rest, path, acrossMm: 20 } : { ...rest, path: 'holes' });
          }}
        />
      </div>
      {length('radiusMm', alongWalls ? 'Corner radius inside' : 'Radius inside')}
      {length('apartMm', 'Bend distance, along')}
      {alongWalls && (
        <QuantityField
          label="Bend distance, across"
          dimension="length"
          value={loop.acrossMm ?? 0}
          bounds={bounds('acrossMm')}
          onChange={(acrossMm) => onChange({ ...loop, acrossMm })}
        />
      )}
      {count('turns', 'Turns side by side')}
      {count('layers', 'Turns stacked')}
      <QuantityField
        label="Pull"
        dimension="force"
        value={loop.pullN}
        bounds={bounds('pullN')}
        onChange={(pullN) => onChange({ ...loop, pullN })}
        onClear={() => {
          const { pullN: _before, ...rest } = loop;
          onChange(rest);
        }}
      />
      <Button look="quiet" className="justify-self-end" aria-label={`Remove loop ${index + 1}`} onClick={onRemove}>
        ×
      </Button>
    </li>
  );
}
