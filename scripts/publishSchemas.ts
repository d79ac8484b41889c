/**
 * Writes every published document as a JSON Schema file of its own to docs/schemas/. With --check it writes nothing and
 * fails when a file is not what it would write, or is no longer published.
 *   npm run schemas
 */
import { mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { publishedFiles } from '@anvilstone/schema/published';
import { format } from 'oxfmt';

const folder = new URL('../docs/schemas/', import.meta.url);
const check = process.argv.includes('--check');
let stale = 0;

mkdirSync(folder, { recursive: true });
const files = publishedFiles();
for (const [name, schema] of files) {
  const file = new URL(name, folder);
  const { code: text } = await format(name, JSON.stringify(schema), { printWidth: 120 });
  if (!check) writeFileSync(file, text);
  else if (read(file) !== text) complain(name, 'is not up to date');
}
for (const name of readdirSync(folder)) {
  if (files.has(name)) continue;
  if (!check) rmSync(new URL(name, folder));
  else complain(name, 'is not published any more');
}
process.exitCode = stale > 0 ? 1 : 0;

function complain(name: string, what: string): void {
  stale += 1;
  console.error(`docs/schemas/${name} ${what}: run “npm run schemas”`);
}

function read(file: URL): string {
  try {
    return readFileSync(file, 'utf8');
  } catch {
    return '';
  }
}
