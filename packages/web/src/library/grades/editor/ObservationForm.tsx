import { DIMENSIONS } from '@anvilstone/core/foundations';
import { PROPERTY_DEFINITIONS, TEST_PARAMETERS, type TestParameter } from '@anvilstone/core/materials';
import {
  CONDITIONINGS,
  CRYSTALLINITIES,
  ORIENTATIONS,
  PROPERTIES,
  SOURCES,
  SPECIMENS,
  type Observation,
  type PropertyId,
} from '@anvilstone/schema';
import { Choice, TextArea, TextField } from '../../../ui/fields.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { NumberField } from './NumberField.tsx';

const PROPERTY_OPTIONS = PROPERTIES.map((value) => ({ value, label: PROPERTY_DEFINITIONS[value].title }));
const plain = <T extends string>(values: readonly T[], words: Partial<Record<T, string>> = {}) =>
  values.map((value) => ({ value, label: words[value] ?? value }));
const unstated = { value: '', label: 'not stated' } as const;

/** One reported value with the conditions its method needs; other conditions appear when they are given. */
export function ObservationForm({
  observation,
  issueAt,
  onChange,
}: {
  observation: Observation;
  issueAt: (field: string) => string | undefined;
  onChange: (next: Observation, field: string) => void;
}) {
  const { classes, wording, conditions, means } = PROPERTY_DEFINITIONS[observation.property];
  const set = (change: Partial<Observation>, field: string) =>
    onChange(dropEmpty({ ...observation, ...change }), field);
  const kind = resultKind(observation);
  const parameters = (Object.keys(TEST_PARAMETERS) as TestParameter[]).filter(
    (name) =>
      conditions.includes(name) ||
      observation[name] !== undefined ||
      (name === 'ligamentMm' && observation.property.startsWith('izod')),
  );
  return (
    <div className="my-2 rounded border border-line bg-sunken p-3">
      <p className="mb-2 text-xs text-quiet">{means}</p>
      <div className="grid grid-cols-6 narrow:grid-cols-2 gap-x-3 gap-y-2">
        <div className="col-span-2">
          <Choice
            label="Property"
            value={observation.property}
            options={PROPERTY_OPTIONS}
            onChange={(property) => onChange(withProperty(observation, property), 'property')}
          />
        </div>
        {!classes && (
          <Choice
            label="Result is"
            value={kind}
            options={[
              { value: 'value', label: 'a value' },
              { value: 'range', label: 'a range' },
              { value: 'atLeast', label: 'a lower bound' },
              { value: 'atMost', label: 'an upper bound' },
              ...(wording ? [{ value: 'words' as const, label: wording[0]! }] : []),
            ]}
            onChange={(next) => onChange(withKind(observation, next, wording?.[0]), 'kind')}
          />
        )}
        {classes && (
          <Choice
            label="Class"
            value={observation.classValue ?? ''}
            options={[{ value: '', label: 'choose' }, ...plain(classes)]}
            onChange={(classValue) => set({ classValue }, 'classValue')}
          />
        )}
        {(kind === 'value' || kind === 'atLeast' || kind === 'atMost') && !classes && (
          <NumberField
            label="Value"
            value={observation.value}
            error={issueAt('value')}
            onChange={(value) => set({ value } as Partial<Observation>, 'value')}
          />
        )}
        {kind === 'range' && (
          <>
            <NumberField
              label="Low"
              value={observation.low}
              error={issueAt('low') ?? issueAt('value')}
              onChange={(low) => set({ low } as Partial<Observation>, 'low')}
            />
            <NumberField
              label="High"
              value={observation.high}
              onChange={(high) => set({ high } as Partial<Observation>, 'high')}
            />
          </>
        )}
        {!classes && (
          <Choice
            label="Unit"
            value={observation.unit}
            options={unitOptions(observation)}
            error={issueAt('unit')}
            onChange={(unit) => set({ unit }, 'unit')}
          />
        )}
        {kind === 'value' && !classes && (
          <NumberField
            label="Standard deviation"
            value={observation.standardDeviation}
            onChange={(standardDeviation) => set({ standardDeviation } as Partial<Observation>, 'sd')}
          />
        )}
        <NumberField
          label="Specimens (n)"
          value={observation.count}
          whole
          onChange={(count) => set({ count } as Partial<Observation>, 'count')}
        />
        <Choice
          label="Source"
          value={observation.source}
          options={plain(SOURCES, { bench: 'own bench', datasheet: 'data sheet' })}
          onChange={(source) => set({ source }, 'source')}
        />
        <Choice
          label="Specimen"
          value={observation.specimen ?? ''}
          options={[unstated, ...plain(SPECIMENS)]}
          onChange={(specimen) => set({ specimen } as Partial<Observation>, 'specimen')}
        />
        {(conditions.includes('specimen') || observation.crystallinity) && (
          <Choice
            label="Crystallinity"
            value={observation.crystallinity ?? ''}
            options={[unstated, ...plain(CRYSTALLINITIES)]}
            onChange={(crystallinity) => set({ crystallinity } as Partial<Observation>, 'crystallinity')}
          />
        )}
        <Choice
          label="Build orientation"
          value={observation.orientation ?? ''}
          options={[unstated, ...plain(ORIENTATIONS, { XY: 'XY flat', XZ: 'XZ on edge', ZX: 'ZX upright' })]}
          onChange={(orientation) => set({ orientation } as Partial<Observation>, 'orientation')}
        />
        <Choice
          label="Moisture state"
          value={observation.conditioning ?? ''}
          options={[unstated, ...plain(CONDITIONINGS)]}
          onChange={(conditioning) => set({ conditioning } as Partial<Observation>, 'conditioning')}
        />
        <QuantityField
          label="Test temperature"
          dimension="temperature"
          value={observation.temperatureC ?? 23}
          bounds={{ minimum: -80, maximum: 400 }}
          onChange={(temperatureC) => set({ temperatureC }, 'temperature')}
        />
        {parameters.map((name) => (
          <ParameterField key={name} name={name} observation={observation} onChange={(change) => set(change, name)} />
        ))}
        <TextField
          label="Method"
          value={observation.method ?? ''}
          maxLength={80}
          onChange={(method) => set({ method }, 'method')}
        />
        <div className="col-span-2">
          <TextField
            label="Document or campaign"
            value={observation.reference}
            maxLength={200}
            error={issueAt('reference')}
            onChange={(reference) => set({ reference }, 'reference')}
          />
        </div>
        <TextField
          label="Date (YYYY-MM-DD)"
          value={observation.date ?? ''}
          maxLength={10}
          error={dateIssue(observation.date)}
          onChange={(date) => set({ date }, 'date')}
        />
        <div className="col-span-2">
          <TextArea label="Notes" rows={1} value={observation.note ?? ''} onChange={(note) => set({ note }, 'note')} />
        </div>
      </div>
    </div>
  );
}

function ParameterField({
  name,
  observation,
  onChange,
}: {
  name: TestParameter;
  observation: Observation;
  onChange: (change: Partial<Observation>) => void;
}) {
  const { title, dimension, unit } = TEST_PARAMETERS[name];
  const value = observation[name];
  if (dimension === null)
    return (
      <TextField
        label={title}
        value={(value as string | undefined) ?? ''}
        onChange={(text) => onChange({ [name]: text } as Partial<Observation>)}
      />
    );
  return (
    <NumberField
      label={unit ? `${title} (${unit})` : title}
      value={value as number | undefined}
      onChange={(number) => onChange({ [name]: number } as Partial<Observation>)}
    />
  );
}

type Kind = 'value' | 'range' | 'atLeast' | 'atMost' | 'words';
function resultKind({ low, bound, classValue, value }: Observation): Kind {
  if (classValue !== undefined && value === undefined) return 'words';
  return low !== undefined ? 'range' : (bound ?? 'value');
}

function withKind(observation: Observation, kind: Kind, words: string | undefined): Observation {
  const { value, low, high, bound: _bound, classValue: _class, ...rest } = observation;
  const number = value ?? low;
  if (kind === 'words') return { ...rest, classValue: words! };
  if (kind === 'range') return dropEmpty({ ...rest, low: low ?? number ?? 0, high: high ?? number ?? 0 });
  return dropEmpty({ ...rest, value: number, ...(kind === 'value' ? {} : { bound: kind }) } as Observation);
}

/** Another property has other units and conditions: those that do not belong go. */
function withProperty(observation: Observation, property: PropertyId): Observation {
  const { dimension, classes } = PROPERTY_DEFINITIONS[property];
  const { classValue: _class, ...rest } = observation;
  const kept = classes
    ? (({ value: _v, low: _l, high: _h, bound: _b, standardDeviation: _s, ...others }) => others)(rest)
    : rest;
  return { ...kept, property, unit: classes ? '-' : DIMENSIONS[dimension].metric || '-' };
}

function unitOptions({ property, unit }: Observation) {
  const { dimension } = PROPERTY_DEFINITIONS[property];
  const names = [
    ...DIMENSIONS[dimension].units,
    ...(property.startsWith('izod') ? DIMENSIONS.impactPerThickness.units : []),
  ].map(({ names: [name] }) => name as string);
  return plain([...new Set([...names, unit])]);
}

const dateIssue = (date: string | undefined) =>
  date && !/^\d{4}-\d{2}-\d{2}$/.test(date) ? 'Write the date as 2026-05-31' : undefined;

/** A field that was emptied is not stated, and what is not stated is not there. */
function dropEmpty(observation: Observation): Observation {
  return Object.fromEntries(
    Object.entries(observation).filter(
      ([name, value]) => name === 'reference' || (value !== undefined && value !== ''),
    ),
  ) as Observation;
}
