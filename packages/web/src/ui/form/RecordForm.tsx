import { createContext, useContext, type ReactNode } from 'react';
import {
  FormProvider,
  useController,
  useForm,
  type DefaultValues,
  type FieldValues,
  type Path,
  type UseFormReturn,
} from 'react-hook-form';
import { refusedAt } from '../../sync/api/problem.ts';
import { SchemaField, type FieldLook } from './SchemaField.tsx';
import { fieldAt, isComplete, isNullable, tidied, type FieldSchema } from './schemaField.ts';

export interface RecordFormState<T extends FieldValues> extends UseFormReturn<T> {
  schema: FieldSchema;
  /** As it stands. */
  values: T;
  /** As it would be stored. */
  entered: () => T;
  /** Every text that is needed is there. */
  isComplete: boolean;
}

/** A document, or a new one, that is edited here and saved on purpose. */
export function useRecordForm<T extends FieldValues>(schema: object, first: T): RecordFormState<T> {
  const form = useForm<T>({ defaultValues: first as DefaultValues<T> });
  const values = form.watch();
  return {
    ...form,
    schema,
    values,
    entered: () => tidied<T>(schema, form.getValues()),
    isComplete: isComplete(schema, values),
  };
}

const NOT_REFUSED = { schema: {} as FieldSchema, issueAt: (_path: string): string | undefined => undefined };
const Surroundings = createContext(NOT_REFUSED);

/** Its fields, and what the server refused beside the field that is to blame. */
export function RecordForm<T extends FieldValues>({
  form,
  error,
  at = '',
  children,
}: {
  form: RecordFormState<T>;
  error?: unknown;
  /** Where the document stands in what is sent: “/machine”. */
  at?: string;
  children: ReactNode;
}) {
  const refused = refusedAt(error);
  return (
    <FormProvider {...form}>
      <Surroundings.Provider
        value={{ schema: form.schema, issueAt: (path) => refused(`${at}/${path.replaceAll('.', '/')}`) }}
      >
        {children}
      </Surroundings.Provider>
    </FormProvider>
  );
}

/** One field of the record that is edited here. */
export function FormField<T extends FieldValues>({
  name,
  fault,
  onChanged,
  ...look
}: FieldLook & {
  name: Path<T>;
  /** What this page finds wrong with it. */
  fault?: string | undefined;
  /** What else follows from an entry. */
  onChanged?: (value: unknown) => void;
}) {
  const { schema, issueAt } = useContext(Surroundings);
  const { field } = useController({ name });
  const found = fieldAt(schema, name);
  return (
    <SchemaField
      {...look}
      name={name.slice(name.lastIndexOf('.') + 1)}
      schema={found.field}
      isRequired={found.isRequired && !isNullable(found.field)}
      value={field.value}
      error={fault ?? issueAt(name)}
      // The form library takes undefined for “as it was at first”.
      onChange={(value) => {
        field.onChange(value ?? null);
        onChanged?.(value);
      }}
    />
  );
}
