import type { Dimension } from '@anvilstone/core/foundations';
import { Choice, controlLook, Field, TextArea, TextField, Tick } from '../fields.tsx';
import { QuantityField } from '../QuantityField.tsx';
import { localMinute } from '../when.ts';
import { choiceWords, dimensionOf, labelOf } from './fieldWords.ts';
import { TextsField } from './TextsField.tsx';
import { kindOf, stated, type FieldSchema } from './schemaField.ts';

interface FieldOption {
  value: string;
  label: string;
}

/** What a schema does not say, or says for programs. */
export interface FieldLook {
  label?: string | undefined;
  hint?: string | undefined;
  /** For a number whose name does not say what it measures. */
  dimension?: Dimension | undefined;
  /** Words for the choices, or what can be chosen where the schema holds an id. The order is theirs. */
  options?: readonly FieldOption[] | undefined;
  /** Of a choice that need not be made: what none is called. */
  none?: string | undefined;
  rows?: number | undefined;
}

/** The control for one field of a document, made from the schema that the server checks it with. */
export function SchemaField({
  name,
  schema,
  isRequired,
  value,
  error,
  onChange,
  label: given,
  hint: givenHint,
  dimension = dimensionOf(name),
  options,
  none = 'Not stated',
  rows = 2,
}: FieldLook & {
  /** The last part of its path: it says the unit. */
  name: string;
  schema: FieldSchema;
  isRequired: boolean;
  value: unknown;
  error?: string | undefined;
  /** Undefined: emptied. */
  onChange: (value: unknown) => void;
}) {
  const said = labelOf(schema.description ?? choiceWords(name));
  const label = given ?? said.label;
  // A label of one's own comes with its own hint, or none.
  const hint = givenHint ?? (given === undefined ? said.hint : undefined);
  const field = stated(schema);
  const text = typeof value === 'string' ? value : '';
  const common = { label, error };
  const kind = options ? 'choice' : kindOf(schema);
  switch (kind) {
    case 'choice': {
      const offered = options ?? field.enum!.map((one) => ({ value: one, label: choiceWords(one) }));
      return (
        <Choice
          {...common}
          value={text}
          options={isRequired ? offered : [{ value: '', label: none }, ...offered]}
          onChange={(next) => onChange(next === '' ? undefined : next)}
        />
      );
    }
    case 'number':
      return (
        <QuantityField
          {...common}
          hint={hint}
          dimension={dimension}
          value={(value as number | null | undefined) ?? undefined}
          bounds={field}
          onChange={(next) => onChange(field.type === 'integer' ? Math.round(next) : next)}
          {...(isRequired ? {} : { onClear: () => onChange(undefined) })}
        />
      );
    case 'tick':
      return (
        <Tick
          label={label}
          checked={value === true}
          onChange={(on) => onChange(on || field.const !== true ? on : undefined)}
        />
      );
    case 'moment':
    case 'day':
      return (
        <Field {...common} hint={hint}>
          {(ids) => (
            <input
              {...ids}
              type={kind === 'day' ? 'date' : 'datetime-local'}
              className={controlLook}
              value={kind === 'moment' && text !== '' ? localMinute(Date.parse(text)) : text}
              onChange={({ target: { value: typed } }) =>
                onChange(kind === 'day' ? typed || undefined : momentOf(typed))
              }
            />
          )}
        </Field>
      );
    case 'text':
      return <TextField {...common} value={text} maxLength={field.maxLength ?? 200} onChange={onChange} />;
    case 'longText':
      return <TextArea {...common} value={text} rows={rows} maxLength={field.maxLength!} onChange={onChange} />;
    case 'texts':
      return <TextsField {...common} hint={hint} value={(value as string[] | undefined) ?? []} onChange={onChange} />;
    default:
      throw new Error(`${name} is made of several fields: give its parts`);
  }
}

/** As it is stored; undefined: nothing, or a year that no calendar has. */
function momentOf(typed: string): string | undefined {
  const ms = Date.parse(typed);
  return Number.isNaN(ms) ? undefined : new Date(ms).toISOString();
}
