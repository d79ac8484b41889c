import { SchemaField, type FieldLook } from './SchemaField.tsx';
import { fieldAt, isNullable, type FieldSchema } from './schemaField.ts';

/** A document that is kept elsewhere, with its history, and edited one field at a time. */
export interface EditedDocument<T> {
  schema: FieldSchema;
  document: T;
  /** What is wrong under a JSON pointer within it. */
  issueAt: (pointer: string) => string | undefined;
  edit: (next: T, field: string) => void;
}

/** One field of it, straight below it. What is emptied is not there, or null where the schema holds null. */
export function DocumentField<T extends object>({
  of: { schema, document, issueAt, edit },
  name,
  ...look
}: FieldLook & { of: EditedDocument<T>; name: keyof T & string }) {
  const { field, isRequired } = fieldAt(schema, name);
  return (
    <SchemaField
      {...look}
      name={name}
      schema={field}
      isRequired={isRequired && !isNullable(field)}
      value={document[name]}
      error={issueAt(`/${name}`)}
      onChange={(value) => edit(replaced(document, name, value === '' && !isRequired ? undefined : value, field), name)}
    />
  );
}

function replaced<T extends object>(document: T, name: keyof T, value: unknown, field: FieldSchema): T {
  if (value !== undefined) return { ...document, [name]: value };
  if (isNullable(field)) return { ...document, [name]: null };
  const { [name]: _gone, ...rest } = document;
  return rest as T;
}
