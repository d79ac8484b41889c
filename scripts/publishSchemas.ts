/**
 * Writes every published document as a JSON Schema file of its own to docs/schemas/. With --check it writes nothing and
 * fails when a file is not what it would write.
 *   npm run schemas
 */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { publishedDocuments } from '@anvilstone/schema';

const folder = new URL('../docs/schemas/', import.meta.url);
const check = process.argv.includes('--check');
let stale = 0;

mkdirSync(folder, { recursive: true });
for (const document of publishedDocuments) {
  const { $id, ...schema } = JSON.parse(JSON.stringify(document)) as { $id: string };
  const file = new URL(`${$id}.schema.json`, folder);
  // Inner documents carry their own $id; in a file that stands alone those would be references to nowhere.
  const inner = JSON.parse(JSON.stringify(schema), (key, value: unknown) =>
    key === '$id' ? undefined : value,
  ) as object;
  const text = `${JSON.stringify({ $schema: 'http://json-schema.org/draft-07/schema#', title: $id, ...inner }, null, 2)}\n`;
  if (!check) writeFileSync(file, text);
  else if (read(file) !== text) {
    stale += 1;
    console.error(`docs/schemas/${$id}.schema.json is not up to date: run “npm run schemas”`);
  }
}
process.exitCode = stale > 0 ? 1 : 0;

function read(file: URL): string {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    return '';
  }
}
