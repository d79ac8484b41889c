import * as schemas from './index.ts';

type Json = Readonly<Record<string, unknown>>;

const DRAFT = 'http://json-schema.org/draft-07/schema#';
const SHARED_FILE = 'shared.schema.json';
/** Shorter ones read better where they stand. */
const SHORTEST_SHARED = 150;
/** What a schema has inside of it that is no field of the document. */
const KEYWORDS = new Set(['anyOf', 'oneOf', 'items', 'properties', 'patternProperties', 'additionalProperties']);

/**
 * Every published document as a JSON Schema file (draft-07) by its name, and one file of what several of them share. Each definition
 * stands once: a document inside another, or a shared part, is a `$ref` to it, relative to the file. A validator that is given all
 * files, or the folder to read them from, judges as the server does.
 */
export function publishedFiles(): Map<string, Json> {
  const documents = schemas.publishedDocuments.map(plain);
  const names = new Map(documents.map((document) => [textOf(document), fileOf(document)]));
  const shared = sharedParts(names);
  for (const [text, name] of shared) names.set(text, `${SHARED_FILE}#/definitions/${name}`);
  const files = new Map<string, Json>(
    documents.map((document) => {
      const { $id: _name, ...body } = document;
      return [fileOf(document), { $schema: DRAFT, $id: fileOf(document), title: document.$id, ...linked(body, names) }];
    }),
  );
  const all = new Map([...shared].map(([text, name]) => [name, linked(JSON.parse(text) as Json, names)]));
  const definitions = Object.fromEntries(
    [...reached([...files.values()], all)].sort().map((name) => [name, all.get(name)]),
  );
  return files.set(SHARED_FILE, { $schema: DRAFT, $id: SHARED_FILE, title: 'shared', definitions });
}

const plain = (schema: object) => JSON.parse(JSON.stringify(schema)) as Json;
const textOf = (schema: unknown) => JSON.stringify(schema);
const fileOf = ({ $id }: Json) => `${String($id)}.schema.json`;
const isSchema = (value: unknown): value is Json =>
  typeof value === 'object' &&
  value !== null &&
  !Array.isArray(value) &&
  ['type', 'anyOf', 'oneOf'].some((keyword) => keyword in value);

/** What is no document and has a name of its own in this package, or stands in more than one place, by its text. */
function sharedParts(documents: ReadonlyMap<string, string>): Map<string, string> {
  const parts = new Map<string, string>();
  const taken = new Set<string>();
  const add = (text: string, wanted: string) => {
    if (text.length < SHORTEST_SHARED || documents.has(text) || parts.has(text)) return;
    let name = wanted;
    for (let n = 2; taken.has(name); n++) name = `${wanted}-${n}`;
    taken.add(name);
    parts.set(text, name);
  };
  for (const [name, value] of Object.entries(schemas)) if (isSchema(value)) add(textOf(plain(value)), kebab(name));
  for (const [text, key] of repeated(schemas.publishedDocuments.map(plain))) add(text, kebab(key));
  return parts;
}

/** Schemas that stand in more than one place, and the field where each was met first. */
function repeated(documents: readonly Json[]): [text: string, key: string][] {
  const seen = new Map<string, { key: string; times: number }>();
  const visit = (value: unknown, key: string): void => {
    if (Array.isArray(value)) value.forEach((one) => visit(one, key));
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return;
    if (isSchema(value)) {
      const text = textOf(value);
      const before = seen.get(text);
      seen.set(text, { key: before?.key ?? key, times: (before?.times ?? 0) + 1 });
      // What is inside of it stands in one place with it.
      if (before) return;
    }
    for (const [name, inner] of Object.entries(value)) visit(inner, KEYWORDS.has(name) ? key : name);
  };
  for (const document of documents) visit(document, String(document.$id));
  return [...seen].filter(([, { times }]) => times > 1).map(([text, { key }]) => [text, key]);
}

/** Names of the shared parts that a document needs, itself or by way of another part. */
function reached(from: readonly Json[], all: ReadonlyMap<string, Json>, found = new Set<string>()): Set<string> {
  const wanted = [...textOf(from).matchAll(/"shared\.schema\.json#\/definitions\/([^"]+)"/g)].map(([, name]) => name!);
  const news = [...new Set(wanted)].filter((name) => !found.has(name));
  if (news.length === 0) return found;
  for (const name of news) found.add(name);
  return reached(
    news.map((name) => all.get(name)!),
    all,
    found,
  );
}

const kebab = (name: string) => name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);

/** The same with a reference in the place of everything inside that has a name. */
function linked(schema: Json, names: ReadonlyMap<string, string>): Json {
  const visit = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(visit);
    if (typeof value !== 'object' || value === null) return value;
    const file = isSchema(value) ? names.get(textOf(value)) : undefined;
    return file ? { $ref: file } : fieldsOf(value as Json);
  };
  const fieldsOf = (value: Json) =>
    Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, visit(inner)]));
  return fieldsOf(schema);
}
