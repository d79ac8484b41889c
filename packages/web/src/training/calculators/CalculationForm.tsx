import { families, reinforcements } from '@anvilstone/core/materials';
import type { SectionGeometry } from '@anvilstone/schema';
import { choiceWords, dimensionOf, labelOf } from '../../stages/brief/fieldWords.ts';
import { SectionFields } from '../../stages/brief/shape/SectionFields.tsx';
import { Choice, TextField } from '../../ui/fields.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { RowsEntry } from './RowsEntry.tsx';
import { kindOf, type FieldSchema } from './schemaFields.ts';

type Values = Record<string, unknown>;

/** Fields made from a calculator’s input schema. */
export function CalculationForm({
  schema,
  values,
  issues,
  onChange,
}: {
  schema: FieldSchema;
  values: Values;
  issues: ReadonlyMap<string, string>;
  onChange: (values: Values) => void;
}) {
  return (
    <div className="grid grid-cols-3 narrow:grid-cols-2 gap-3">
      {Object.entries(schema.properties ?? {}).map(([key, field]) => (
        <Entry
          key={key}
          name={key}
          schema={field}
          optional={!schema.required?.includes(key)}
          value={values[key]}
          error={issues.get(`/${key}`)}
          onChange={(value) => onChange(replaced(values, key, value))}
        />
      ))}
    </div>
  );
}

function replaced(values: Values, key: string, value: unknown): Values {
  const next = { ...values, [key]: value };
  if (value === undefined) delete next[key];
  return next;
}

const rowsOf = (value: unknown) => (Array.isArray(value) ? (value as Values[]) : []);
const NONE = '';
const textOf = (value: unknown) => (typeof value === 'string' ? value : NONE);

function Entry({
  name,
  schema,
  optional,
  value,
  error,
  onChange,
}: {
  name: string;
  schema: FieldSchema;
  optional: boolean;
  value: unknown;
  error: string | undefined;
  onChange: (value: unknown) => void;
}) {
  const { label, hint } = labelOf(schema.description ?? choiceWords(name));
  if (name === 'section') return <SectionFields section={value as SectionGeometry} onChange={onChange} />;
  if (name === 'familyId' || name === 'reinforcementId') {
    const options = (name === 'familyId' ? families : reinforcements).map((one) => ({
      value: one.id,
      label: one.name,
    }));
    return (
      <Choice
        label={name === 'familyId' ? 'Family' : 'Filler'}
        value={textOf(value)}
        options={optional ? [{ value: NONE, label: 'None' }, ...options] : options}
        onChange={(next) => onChange(next === NONE ? undefined : next)}
      />
    );
  }
  switch (kindOf(schema)) {
    case 'number':
      return (
        <QuantityField
          label={label}
          dimension={dimensionOf(name)}
          value={value as number | undefined}
          bounds={schema}
          error={error}
          hint={hint}
          onChange={onChange}
          {...(optional ? { onClear: () => onChange(undefined) } : {})}
        />
      );
    case 'choice':
      return (
        <Choice
          label={schema.description ? label : choiceWords(name)}
          value={textOf(value)}
          error={error}
          options={schema.enum!.map((one) => ({ value: one, label: choiceWords(one) }))}
          onChange={onChange}
        />
      );
    case 'text':
      return <TextField label={label} value={textOf(value)} error={error} onChange={onChange} />;
    case 'group':
      return (
        <fieldset className="col-span-3 narrow:col-span-2 border-l-3 border-line pl-3">
          <legend className="text-xs text-quiet">{label}</legend>
          {value === undefined ? (
            <p className="text-xs text-quiet">Not given.</p>
          ) : (
            <CalculationForm schema={schema} values={value as Values} issues={new Map()} onChange={onChange} />
          )}
        </fieldset>
      );
    case 'list':
      return (
        <RowsEntry
          label={label}
          schema={schema}
          rows={rowsOf(value)}
          error={error}
          fields={(row, change) => (
            <CalculationForm schema={schema.items!} values={row} issues={new Map()} onChange={change} />
          )}
          onChange={onChange}
        />
      );
  }
}
