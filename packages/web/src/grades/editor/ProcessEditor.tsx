import { findFamily } from '@anvilstone/core';
import type { Grade } from '@anvilstone/schema';
import { Choice } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import type { Section } from './section.ts';

type Process = Grade['process'];
const RANGES = [
  { name: 'nozzleC', title: 'Nozzle', dimension: 'temperature' },
  { name: 'bedC', title: 'Bed', dimension: 'temperature' },
  { name: 'chamberC', title: 'Chamber', dimension: 'temperature' },
  { name: 'fanPct', title: 'Part cooling', dimension: 'fraction' },
] as const;
const SINGLE = [
  { name: 'dryingC', title: 'Drying temperature', dimension: 'temperature' },
  { name: 'dryingH', title: 'Drying time', dimension: 'time' },
  { name: 'openHours', title: 'Time out of the dryer', dimension: 'time' },
  { name: 'minimumNozzleMm', title: 'Smallest nozzle', dimension: 'length' },
] as const;

/** The maker's process window. What is left empty is taken from the family and says so. */
export function ProcessEditor({ grade, edit, issueAt }: Section) {
  const { process } = grade;
  const family = findFamily(grade.familyId);
  const set = (change: Process, field: string) => edit({ process: { ...process, ...change } }, field);
  const without = (name: keyof Process) => {
    const { [name]: _gone, ...rest } = process;
    edit({ process: rest }, name);
  };
  return (
    <Panel title="How its maker prints it">
      <div className="grid grid-cols-4 narrow:grid-cols-2 gap-3">
        {RANGES.map(({ name, title, dimension }) => {
          const range = process[name];
          const typical = name === 'chamberC' ? undefined : family?.[name];
          return (['low', 'high'] as const).map((end) => (
            <QuantityField
              key={`${name}.${end}`}
              label={`${title}, ${end}`}
              dimension={dimension}
              value={range?.[end]}
              error={end === 'low' ? issueAt(`/process/${name}`) : undefined}
              bounds={{ minimum: 0, maximum: dimension === 'fraction' ? 100 : 600 }}
              // One end alone is both ends, until the other is given.
              onChange={(value) =>
                set({ [name]: { ...(range ?? { low: value, high: value }), [end]: value } }, `${name}.${end}`)
              }
              onClear={() => without(name)}
              hint={!range && typical ? `family: ${typical[end]}` : undefined}
            />
          ));
        })}
        {SINGLE.map(({ name, title, dimension }) => (
          <QuantityField
            key={name}
            label={title}
            dimension={dimension}
            value={process[name]}
            bounds={{ exclusiveMinimum: 0, maximum: name === 'minimumNozzleMm' ? 3 : name === 'dryingC' ? 250 : 10000 }}
            onChange={(value) => set({ [name]: value }, name)}
            onClear={() => without(name)}
          />
        ))}
        <div className="col-span-2">
          <Choice
            label="Around the part"
            value={process.enclosure ?? ''}
            options={[
              { value: '', label: 'Not stated: the family’s' },
              { value: 'open', label: 'Open frame' },
              { value: 'enclosed', label: 'Enclosed' },
              { value: 'heated', label: 'Heated chamber' },
            ]}
            onChange={(value) => (value === '' ? without('enclosure') : set({ enclosure: value }, 'enclosure'))}
          />
        </div>
        <div className="col-span-2">
          <Choice
            label="Wears a brass nozzle"
            value={process.abrasive === undefined ? '' : process.abrasive ? 'yes' : 'no'}
            options={[
              { value: '', label: 'Not stated: by family and filler' },
              { value: 'yes', label: 'Yes' },
              { value: 'no', label: 'No' },
            ]}
            onChange={(value) => (value === '' ? without('abrasive') : set({ abrasive: value === 'yes' }, 'abrasive'))}
          />
        </div>
      </div>
    </Panel>
  );
}
