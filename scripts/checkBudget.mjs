#!/usr/bin/env node
// `npm run check:budget`: what the first page and every other file of the built pages may weigh, packed as it is sent.
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { buildWeb } from './buildWeb.mjs';
import { root } from './paths.mjs';

/** kB of 1000 bytes, gzip. */
const FIRST_PAGE_KB = 200;
/** The engine in its worker and the viewer of meshes are the largest; each comes only when it is needed. */
const ANY_FILE_KB = 260;
/** What no first page needs. */
const NEVER_FIRST = /Mesh|three|exceljs|pdf|Practice|worker/i;

await buildWeb();
const dist = join(root, 'packages/web/dist');
const kbOf = (file) => gzipSync(readFileSync(join(dist, file))).length / 1000;
const index = readFileSync(join(dist, 'index.html'), 'utf8');
const first = [...index.matchAll(/(?:src|href)="\/(assets\/[^"]+\.js)"/g)].map(([, file]) => file);
const firstKb = first.reduce((sum, file) => sum + kbOf(file), 0);
const files = readdirSync(join(dist, 'assets'))
  .filter((name) => name.endsWith('.js'))
  .map((name) => ({ name, kb: kbOf(`assets/${name}`) }))
  .sort((a, b) => b.kb - a.kb);

const broken = [
  ...(first.length === 0 ? ['index.html names no script: is it built?'] : []),
  ...(firstKb > FIRST_PAGE_KB
    ? [`the first page takes ${firstKb.toFixed(1)} kB of JavaScript, ${FIRST_PAGE_KB} are allowed`]
    : []),
  ...first.filter((file) => NEVER_FIRST.test(file)).map((file) => `${file} comes with the first page`),
  ...files
    .filter(({ kb }) => kb > ANY_FILE_KB)
    .map(({ name, kb }) => `${name} has ${kb.toFixed(0)} kB, ${ANY_FILE_KB} are allowed`),
];
console.log(
  `First page: ${firstKb.toFixed(1)} of ${FIRST_PAGE_KB} kB in ${first.length} files. Largest of ${files.length}: ` +
    files
      .slice(0, 4)
      .map(({ name, kb }) => `${name.replace(/-[\w-]{8}\.js$/, '')} ${kb.toFixed(0)} kB`)
      .join(', '),
);
for (const line of broken) console.error(`Over budget: ${line}`);
process.exit(broken.length === 0 ? 0 : 1);
