import { Button } from '../../ui/Button.tsx';
import type { ReactNode } from 'react';
import type { FieldSchema } from '../../ui/form/schemaField.ts';
import { firstRow } from './schemaFields.ts';

type Row = Record<string, unknown>;

/** A list of records, a line of fields each; another one starts as a copy of the last. */
export function RowsEntry({
  label,
  schema,
  rows,
  error,
  fields,
  onChange,
}: {
  label: string;
  schema: FieldSchema;
  rows: readonly Row[];
  error: string | undefined;
  /** The fields of one of them. */
  fields: (row: Row, onChange: (row: Row) => void) => ReactNode;
  onChange: (rows: Row[]) => void;
}) {
  const full = schema.maxItems !== undefined && rows.length >= schema.maxItems;
  return (
    <fieldset className="col-span-3 narrow:col-span-2 border-l-3 border-line pl-3">
      <legend className="text-xs text-quiet">{label}</legend>
      {error !== undefined && <p className="text-xs text-fail">{error}</p>}
      {rows.length === 0 && <p className="text-xs text-quiet">None given.</p>}
      {rows.map((values, index) => (
        <fieldset key={index} className="mb-2 flex items-end gap-3 border-b border-line pb-2">
          <legend className="sr-only">
            {label}, {index + 1}
          </legend>
          <div className="min-w-0 grow">
            {fields(values, (next) => onChange(rows.map((one, other) => (other === index ? next : one))))}
          </div>
          <Button
            look="quiet"
            aria-label={`Remove ${label.toLowerCase()}, ${index + 1}`}
            onClick={() => onChange(rows.filter((_, other) => other !== index))}
          >
            Remove
          </Button>
        </fieldset>
      ))}
      <Button disabled={full} onClick={() => onChange([...rows, { ...(rows.at(-1) ?? firstRow(schema.items!)) }])}>
        + Another
      </Button>
    </fieldset>
  );
}
