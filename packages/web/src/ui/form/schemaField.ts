import type { Bounds } from '../QuantityField.tsx';

/** As much of a JSON Schema as a form needs. */
export interface FieldSchema extends Bounds {
  type?: string | readonly string[];
  enum?: readonly string[];
  const?: unknown;
  format?: string;
  pattern?: string;
  minLength?: number;
  maxLength?: number;
  description?: string;
  properties?: Readonly<Record<string, FieldSchema>>;
  required?: readonly string[];
  anyOf?: readonly FieldSchema[];
  /** Of a list: what each of its records has. */
  items?: FieldSchema;
  maxItems?: number;
}

export type FieldKind =
  | 'number'
  | 'choice'
  | 'tick'
  | 'moment'
  | 'day'
  | 'text'
  | 'longText'
  | 'texts'
  | 'group'
  | 'list';

/** More letters than this are written in a field of several lines. */
const ONE_LINE = 400;

const isNull = ({ type }: FieldSchema) => type === 'null';

/** Whether a document holds null where nothing is said. */
export const isNullable = ({ anyOf = [] }: FieldSchema): boolean => anyOf.some(isNull);

/** What a field holds when something is said. */
export const stated = (schema: FieldSchema): FieldSchema => schema.anyOf?.find((one) => !isNull(one)) ?? schema;

/** How a value of this schema is entered. @throws when a form has no way: the next kind needs one built for it */
export function kindOf(schema: FieldSchema): FieldKind {
  const { type, enum: choices, format, maxLength = 0, properties, items, const: only } = stated(schema);
  if (choices) return 'choice';
  if (type === 'boolean' || only === true) return 'tick';
  if (type === 'number' || type === 'integer') return 'number';
  if (format === 'date-time') return 'moment';
  if (format === 'date') return 'day';
  if (type === 'string') return maxLength > ONE_LINE ? 'longText' : 'text';
  if (properties) return 'group';
  if (items?.properties) return 'list';
  if (items?.type === 'string') return 'texts';
  throw new Error(`No field is made for ${JSON.stringify(schema).slice(0, 200)}`);
}

/**
 * The field at a path such as “buildVolumeMm.x”, and whether a document must have it.
 * @throws when the schema has no such field
 */
export function fieldAt(schema: FieldSchema, path: string): { field: FieldSchema; isRequired: boolean } {
  let field = schema;
  let isRequired = true;
  for (const name of path.split('.')) {
    const within = stated(field);
    const next = within.properties?.[name] ?? within.items;
    if (!next) throw new Error(`The schema has no field “${path}”`);
    isRequired = within.required?.includes(name) ?? false;
    field = next;
  }
  return { field, isRequired };
}

/**
 * What is stored of what was entered: texts without blanks around them, and no field that was emptied, unless the schema
 * holds null there.
 */
export function tidied<T>(schema: FieldSchema, entered: T): T {
  const { properties } = stated(schema);
  if (typeof entered !== 'object' || entered === null || !properties) return entered;
  const kept = Object.entries(entered).flatMap(([name, value]: [string, unknown]) => {
    const field = properties[name];
    const tidy: unknown = typeof value === 'string' ? value.trim() : field ? tidied(field, value) : value;
    if (tidy === undefined || (tidy === null && !(field && isNullable(field)))) return [];
    return tidy === '' && !schema.required?.includes(name) ? [] : [[name, tidy] as const];
  });
  return Object.fromEntries(kept) as T;
}

/** Whether every text that a document must have is there, as the schema wants it. The server checks the rest. */
export function isComplete(schema: FieldSchema, entered: unknown): boolean {
  const values = (entered ?? {}) as Record<string, unknown>;
  return Object.entries(stated(schema).properties ?? {}).every(([name, field]) => {
    const value = values[name];
    const isRequired = schema.required?.includes(name) ?? false;
    if (value === undefined || value === null) return !isRequired || isNullable(field);
    if (typeof value === 'object') return !field.properties || isComplete(field, value);
    return typeof value !== 'string' || (value.trim() === '' && !isRequired) || fits(stated(field), value.trim());
  });
}

function fits({ minLength = 0, pattern, format, enum: choices }: FieldSchema, text: string): boolean {
  if (text.length < minLength || (choices && !choices.includes(text))) return false;
  if (format === 'date-time' || format === 'date') return !Number.isNaN(Date.parse(text));
  return pattern === undefined || new RegExp(pattern, 'u').test(text);
}
