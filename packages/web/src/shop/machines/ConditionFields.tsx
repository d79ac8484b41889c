import { machineCondition as schema, type Machine } from '@anvilstone/schema';
import { Button } from '../../ui/Button.tsx';
import { TextArea } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { QuantityField, type Bounds } from '../../ui/QuantityField.tsx';

type Condition = NonNullable<Machine['condition']>;
const FIELDS = [
  { name: 'nozzleAbrasiveG', label: 'Abrasive through its nozzle', dimension: 'mass' },
  { name: 'hours', label: 'Hours run', dimension: 'ratio' },
  { name: 'prints', label: 'Prints', dimension: 'ratio' },
  { name: 'failedPrints', label: 'Failed', dimension: 'ratio' },
] as const;

/** How worn it is. Every print that is written down counts here by itself. */
export function ConditionFields({ machine, onChange }: { machine: Machine; onChange: (condition: Condition) => void }) {
  const condition: Condition = machine.condition ?? {};
  const without = (name: keyof Condition): Condition => {
    const { [name]: _before, ...rest } = condition;
    return rest;
  };
  return (
    <Panel
      title="Condition"
      className="col-span-3 narrow:col-span-2"
      aside={<Button onClick={() => onChange({ ...condition, nozzleAbrasiveG: 0 })}>A new nozzle is fitted</Button>}
    >
      <div className="grid grid-cols-[repeat(4,10rem)_1fr] narrow:grid-cols-2 gap-3">
        {FIELDS.map(({ name, label, dimension }) => (
          <QuantityField
            key={name}
            label={label}
            dimension={dimension}
            value={condition[name]}
            bounds={schema.properties[name] as Bounds}
            onChange={(value) =>
              onChange({
                ...condition,
                [name]: name === 'prints' || name === 'failedPrints' ? Math.round(value) : value,
              })
            }
            onClear={() => onChange(without(name))}
          />
        ))}
        <TextArea
          label="Notes"
          rows={2}
          value={condition.note ?? ''}
          onChange={(note) => onChange(note === '' ? without('note') : { ...condition, note })}
        />
      </div>
      <p className="mt-2 text-xs text-quiet">
        Failed prints set the scrap rate and so the cost. Fibre and some pigments wear the nozzle: the mass printed
        tells when to measure its bore.
      </p>
    </Panel>
  );
}
