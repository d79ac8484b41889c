import { families, reinforcements } from '@anvilstone/core/materials';
import type { SectionGeometry } from '@anvilstone/schema';
import { choiceWords, labelOf } from '../../ui/form/fieldWords.ts';
import { SectionFields } from '../../stages/brief/shape/SectionFields.tsx';
import { SchemaField, type FieldLook } from '../../ui/form/SchemaField.tsx';
import { kindOf, type FieldSchema } from '../../ui/form/schemaField.ts';
import { RowsEntry } from './RowsEntry.tsx';

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
const listed = (table: readonly { id: string; name: string }[]) =>
  table.map(({ id, name }) => ({ value: id, label: name }));
/** Inputs that name a line of a table. */
const TABLES: Record<string, FieldLook> = {
  familyId: { label: 'Family', options: listed(families) },
  reinforcementId: { label: 'Filler', options: listed(reinforcements) },
};

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
  const { label } = labelOf(schema.description ?? choiceWords(name));
  if (name === 'section') return <SectionFields section={value as SectionGeometry} onChange={onChange} />;
  const kind = kindOf(schema);
  if (kind === 'group')
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
  if (kind === 'list')
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
  return (
    <SchemaField
      {...TABLES[name]}
      name={name}
      schema={schema}
      isRequired={!optional}
      none="None"
      value={value}
      error={error}
      onChange={onChange}
    />
  );
}
