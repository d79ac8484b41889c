import { Ajv } from 'ajv';
import { publishedDocuments } from './index.ts';
import { publishedFiles } from './published.ts';

const files = publishedFiles();

test('every document has a file, and every reference leads to a definition', () => {
  expect([...files.keys()].sort()).toEqual(
    [...publishedDocuments.map(({ $id }) => `${$id}.schema.json`), 'shared.schema.json'].sort(),
  );
  const ajv = new Ajv({ strict: false, schemas: [...files.values()], validateFormats: false });
  for (const file of files.keys()) expect(ajv.getSchema(file)).toBeInstanceOf(Function);
});

test('no definition stands in two places', () => {
  const places = new Map<string, string[]>();
  const visit = (value: unknown, place: string): void => {
    if (typeof value !== 'object' || value === null) return;
    if ('type' in value || 'anyOf' in value || 'oneOf' in value) {
      const text = JSON.stringify(value);
      places.set(text, [...(places.get(text) ?? []), place]);
    }
    for (const [key, inner] of Object.entries(value)) visit(inner, `${place}/${key}`);
  };
  for (const [file, schema] of files) visit(schema, file);
  const twice = [...places].filter(([text, found]) => found.length > 1 && text.length >= 150);
  expect(twice.map(([, found]) => found)).toEqual([]);
});

test('a document inside another is a reference to its file', () => {
  const part = files.get('part.schema.json') as { properties: Record<string, unknown> };
  expect(part.properties.brief).toEqual({ $ref: 'brief.schema.json' });
  expect(JSON.stringify(files.get('brief.schema.json')).length).toBeLessThan(5000);
});
