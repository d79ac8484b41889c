import { findFamily } from '@anvilstone/core/materials';
import { grade as gradeSchema, type Grade } from '@anvilstone/schema';
import { useState } from 'react';
import { useAppSelector } from '../../../sync/store/store.ts';
import { amount } from '../../../ui/amount.ts';
import { Choice } from '../../../ui/fields.tsx';
import { DocumentField } from '../../../ui/form/DocumentField.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import type { Section } from './section.ts';

type Process = Grade['process'];
const RANGES = [
  { name: 'nozzleC', title: 'Nozzle', dimension: 'temperature', unit: '°C' },
  { name: 'bedC', title: 'Bed', dimension: 'temperature', unit: '°C' },
  { name: 'chamberC', title: 'Chamber', dimension: 'temperature', unit: '°C' },
  { name: 'fanPct', title: 'Part cooling', dimension: 'fraction', unit: '%' },
] as const;
const SINGLE = [
  ['dryingC', 'Drying temperature'],
  ['dryingH', 'Drying time'],
  ['openHours', 'Time out of the dryer'],
  ['minimumNozzleMm', 'Smallest nozzle'],
] as const;
const ENCLOSURES = [
  { value: 'open', label: 'Open frame' },
  { value: 'enclosed', label: 'Enclosed' },
  { value: 'heated', label: 'Heated chamber' },
];

/** The maker's process window. What is left empty is taken from the family and says so. */
export function ProcessEditor({ grade, edit, issueAt }: Section) {
  const { process } = grade;
  const units = useAppSelector((state) => state.settings.units);
  const [given, setGiven] = useState<ReadonlySet<string>>(
    () => new Set(RANGES.filter(({ name }) => process[name]).flatMap(({ name }) => [`${name}.low`, `${name}.high`])),
  );
  const family = findFamily(grade.familyId);
  const of = {
    schema: gradeSchema.properties.process,
    document: process,
    issueAt: (pointer: string) => issueAt(`/process${pointer}`),
    edit: (next: Process, field: string) => edit({ process: next }, field),
  };
  const set = (change: Process, field: string) => edit({ process: { ...process, ...change } }, field);
  const without = (name: keyof Process) => {
    const { [name]: _gone, ...rest } = process;
    edit({ process: rest }, name);
  };
  /** One end alone is both ends, until the other is typed too. */
  const setEnd = (name: (typeof RANGES)[number]['name'], end: 'low' | 'high', value: number) => {
    const range = process[name];
    const isAlone = !range || !given.has(`${name}.${end === 'low' ? 'high' : 'low'}`);
    setGiven(new Set([...given, `${name}.${end}`]));
    set({ [name]: isAlone ? { low: value, high: value } : { ...range, [end]: value } }, `${name}.${end}`);
  };
  /** The other end, where it was typed, stays alone. */
  const clearEnd = (name: (typeof RANGES)[number]['name'], end: 'low' | 'high') => {
    const range = process[name];
    const other = end === 'low' ? 'high' : 'low';
    setGiven(new Set([...given].filter((one) => one !== `${name}.${end}`)));
    if (range && given.has(`${name}.${other}`))
      set({ [name]: { low: range[other], high: range[other] } }, `${name}.${end}`);
    else without(name);
  };
  return (
    <Panel title="Maker’s print settings">
      <div className="grid grid-cols-4 narrow:grid-cols-2 gap-3">
        {RANGES.map(({ name, title, dimension, unit }) => {
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
              onChange={(value) => setEnd(name, end, value)}
              onClear={() => clearEnd(name, end)}
              hint={!range && typical ? `family: ${amount(typical[end], unit, units)}` : undefined}
            />
          ));
        })}
        {SINGLE.map(([name, label]) => (
          <DocumentField
            key={name}
            of={of}
            name={name}
            label={label}
            dimension={name === 'openHours' ? 'time' : undefined}
          />
        ))}
        <div className="col-span-2">
          <DocumentField
            of={of}
            name="enclosure"
            label="Enclosure"
            none="Not stated: family value"
            options={ENCLOSURES}
          />
        </div>
        <div className="col-span-2">
          <Choice
            label="Abrasive (wears brass nozzles)"
            value={process.abrasive === undefined ? '' : process.abrasive ? 'yes' : 'no'}
            options={[
              { value: '', label: 'Not stated: from family and filler' },
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
