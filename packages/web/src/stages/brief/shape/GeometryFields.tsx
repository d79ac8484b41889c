import { partGeometries, type PartGeometry, type SectionGeometry } from '@anvilstone/schema';
import { Button } from '../../../ui/Button.tsx';
import { useIssue } from '../editBrief.ts';
import { choiceWords, labelOf } from '../../../ui/form/fieldWords.ts';
import { SchemaField } from '../../../ui/form/SchemaField.tsx';
import type { FieldSchema } from '../../../ui/form/schemaField.ts';
import { SectionFields } from './SectionFields.tsx';

/** Letters that can be read in a choice of one column; a longer one takes two. */
const FITS_ONE_COLUMN = 18;
type Change = (pointer: string, value: unknown) => void;

/** One field for every dimension of a part model, made from the schema that the server validates with. */
export function GeometryFields({ part, onChange }: { part: PartGeometry; onChange: Change }) {
  const schema = partGeometries.find((one) => one.properties.model.const === part.model) as unknown as FieldSchema;
  return (
    <div className="mt-3 grid grid-cols-4 narrow:grid-cols-2 gap-3">
      <Fields schema={schema} value={part as unknown as Record<string, unknown>} at="" onChange={onChange} />
    </div>
  );
}

function Fields({
  schema,
  value,
  at,
  onChange,
}: {
  schema: FieldSchema;
  value: Record<string, unknown>;
  at: string;
  onChange: Change;
}) {
  return Object.entries(schema.properties ?? {}).map(([key, field]) => {
    const pointer = `${at}/${key}`;
    if (key === 'model') return null;
    if (isUnused(key, value)) return null;
    if (key === 'section') {
      return (
        <SectionFields key={key} section={value[key] as SectionGeometry} onChange={(next) => onChange(pointer, next)} />
      );
    }
    if (field.properties) {
      return (
        <Group
          key={key}
          field={field}
          optional={!schema.required?.includes(key)}
          value={value[key] as Record<string, unknown> | undefined}
          at={pointer}
          onChange={onChange}
        />
      );
    }
    return (
      <Field
        key={key}
        name={key}
        field={field}
        value={value[key]}
        optional={!schema.required?.includes(key)}
        at={pointer}
        onChange={onChange}
      />
    );
  });
}

/** Dimensions that another choice has switched off. */
function isUnused(key: string, value: Record<string, unknown>): boolean {
  if (key === 'widthMm') return value.shape === 'round' || value.shape === 'disc';
  if (key === 'positionMm') return value.loading === 'spread';
  if (key === 'filletRadiusMm' && value.shoulder === 'runs-on') return true;
  return (key === 'filletRadiusMm' || key === 'shoulder') && value.model === 'beam' && value.ends === 'supported';
}

function Field({
  name,
  field,
  value,
  optional,
  at,
  onChange,
}: {
  name: string;
  field: FieldSchema;
  value: unknown;
  optional: boolean;
  at: string;
  onChange: Change;
}) {
  const issue = useIssue(`/part${at}`);
  const isWide = field.enum?.some((one) => choiceWords(one).length > FITS_ONE_COLUMN);
  return (
    <div className={isWide ? 'col-span-2' : ''}>
      <SchemaField
        name={name}
        schema={field}
        // Of an optional choice the first is what a part without it has.
        isRequired={!optional || field.enum !== undefined}
        value={value ?? field.enum?.[0]}
        error={issue}
        onChange={(next) => onChange(at, next)}
      />
    </div>
  );
}

/** A member of the part with dimensions of its own; an optional one is put in and taken out. */
function Group({
  field,
  optional,
  value,
  at,
  onChange,
}: {
  field: FieldSchema;
  optional: boolean;
  value: Record<string, unknown> | undefined;
  at: string;
  onChange: Change;
}) {
  const { label } = labelOf(field.description ?? '');
  if (!value) {
    return (
      <div className="self-end">
        <Button onClick={() => onChange(at, { diameterMm: 6.3, lengthMm: 9 })}>Add: {label.toLowerCase()}</Button>
      </div>
    );
  }
  return (
    <fieldset className="col-span-2 grid grid-cols-2 gap-x-3 border-l-3 border-line pl-3">
      <legend className="sr-only">{label}</legend>
      <Fields schema={field} value={value} at={at} onChange={onChange} />
      {optional && (
        <Button look="quiet" onClick={() => onChange(at, undefined)}>
          Take out of service
        </Button>
      )}
    </fieldset>
  );
}
