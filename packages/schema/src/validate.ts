import { Ajv, type ErrorObject, type ValidateFunction } from 'ajv';
import addFormatsModule, { type FormatsPlugin } from 'ajv-formats';
import type { Static, TSchema } from '@sinclair/typebox';
import type { ProblemIssue } from './api.ts';

// A CommonJS module: some loaders put its function under a second `default`, others do not.
const addFormats = (addFormatsModule as unknown as { default?: FormatsPlugin }).default ?? addFormatsModule;
const ajv = new Ajv({ allErrors: true, discriminator: true, strict: true, verbose: true });
addFormats(ajv);

export type Validation<T> = { ok: true; value: T } | { ok: false; issues: ProblemIssue[] };
/** Most problems worth listing at once; a file of the wrong kind would otherwise list thousands. */
const MOST_ISSUES = 50;

/** Asked for the same schema by request after request, it is compiled once: the validator keeps all it ever compiled. */
const known = new WeakMap<TSchema, ValidateFunction>();
function compiled<S extends TSchema>(schema: S): ValidateFunction<Static<S>> {
  let validate = known.get(schema) as ValidateFunction<Static<S>> | undefined;
  if (!validate) {
    validate = ajv.compile<Static<S>>(withoutId(schema));
    known.set(schema, validate);
  }
  return validate;
}

/**
 * Says where a value is wrong (JSON pointer) and what would be accepted. The schema is compiled when the first value comes: a
 * server has hundreds of them, and compiling all is most of its start.
 */
export function validator<S extends TSchema>(schema: S): (value: unknown) => Validation<Static<S>> {
  return (value) => {
    const validate = compiled(schema);
    if (validate(value)) return { ok: true, value };
    const issues = (validate.errors ?? []).filter((error) => error.keyword !== 'if').map(toIssue);
    return { ok: false, issues: issues.slice(0, MOST_ISSUES) };
  };
}

/** A document schema is compiled inside several others; an $id met twice would be refused. */
function withoutId(schema: TSchema): object {
  return JSON.parse(
    JSON.stringify(schema, (key, value: unknown) => (key === '$id' && typeof value === 'string' ? undefined : value)),
  ) as object;
}

const escape = (key: string) => key.replaceAll('~', '~0').replaceAll('/', '~1');

function toIssue(error: ErrorObject): ProblemIssue {
  const at = error.instancePath;
  const params = error.params as Record<string, unknown>;
  const name = at.split('/').at(-1) || 'value';
  switch (error.keyword) {
    case 'required':
      return {
        pointer: `${at}/${escape(String(params.missingProperty))}`,
        detail: `${String(params.missingProperty)} is missing`,
      };
    case 'additionalProperties':
      return {
        pointer: `${at}/${escape(String(params.additionalProperty))}`,
        detail: `${String(params.additionalProperty)} is not a field here`,
      };
    case 'enum':
      return {
        pointer: at,
        detail: `${name}: ${show(error.data)} is not one of the choices`,
        accepted: `one of ${(params.allowedValues as unknown[]).join(', ')}`,
      };
    case 'minimum':
    case 'exclusiveMinimum':
    case 'maximum':
    case 'exclusiveMaximum': {
      const words = { minimum: 'at least', exclusiveMinimum: 'above', maximum: 'at most', exclusiveMaximum: 'below' };
      return {
        pointer: at,
        detail: `${name}: ${show(error.data)} is out of range`,
        accepted: `a number ${words[error.keyword]} ${String(params.limit)}`,
      };
    }
    case 'type':
      return {
        pointer: at,
        detail: `${name}: ${show(error.data)} is of the wrong kind`,
        accepted: `a value of type ${String(params.type)}`,
      };
    case 'discriminator':
      return {
        pointer: `${at}/${String(params.tag)}`,
        detail: `${String(params.tag)}: ${show(params.tagValue)} is not one of the choices`,
      };
    case 'pattern':
      return {
        pointer: at,
        detail: `${name}: ${show(error.data)} has characters that are not allowed`,
        accepted: describeSchema(error),
      };
    case 'minLength':
      return {
        pointer: at,
        detail: `${name}: ${params.limit === 1 ? 'must not be empty' : `needs ${String(params.limit)} characters or more`}`,
      };
    case 'format':
      return { pointer: at, detail: `${name}: ${show(error.data)} is not a ${String(params.format)}` };
    default:
      return { pointer: at, detail: `${name} ${error.message ?? 'is not valid'}` };
  }
}

function describeSchema(error: ErrorObject): string | undefined {
  return (error.parentSchema as { description?: string } | undefined)?.description;
}

function show(value: unknown): string {
  if (value === undefined) return 'nothing';
  const text = JSON.stringify(value);
  return text.length > 60 ? `${text.slice(0, 57)}…` : text;
}
