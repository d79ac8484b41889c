import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { dependentsOf, importGraph } from './dependents.mjs';

const FILES = {
  'packages/core/package.json': '{ "exports": { ".": "./src/index.ts" } }',
  'packages/core/src/index.ts': "export * from './a.ts';\nexport { b as bee } from './b.ts';\n",
  'packages/core/src/a.ts': "import { inner } from './inner.ts';\nexport const a = inner;\nexport interface Shape {}\n",
  'packages/core/src/b.ts': 'export function b() {}\n',
  'packages/core/src/inner.ts': "import data from './data.json' with { type: 'json' };\nexport const inner = data;\n",
  'packages/core/src/data.json': '{}',
  'packages/core/src/a.test.ts': "import { a } from './a.ts';\n",
  'packages/web/src/usesA.test.tsx': "import {\n  a,\n  type Shape,\n} from '@anvilstone/core';\n",
  'packages/web/src/usesBee.test.ts': "import { bee } from '@anvilstone/core';\n",
  'packages/web/src/all.test.ts': "import * as core from '@anvilstone/core';\n",
  'packages/web/src/late.test.ts': "const page = await import('./page.ts?fresh=1');\n",
  'packages/web/src/page.ts': "import type { Shape } from '@anvilstone/core';\n",
};

let root;
let users;
beforeAll(() => {
  root = mkdtempSync(join(tmpdir(), 'dependents-'));
  for (const [file, text] of Object.entries(FILES)) {
    mkdirSync(join(root, dirname(file)), { recursive: true });
    writeFileSync(join(root, file), text);
  }
  users = importGraph(
    root,
    Object.keys(FILES).filter((file) => !file.endsWith('package.json')),
  );
});
afterAll(() => rmSync(root, { recursive: true }));

const testsOf = (...changed) =>
  [...dependentsOf(users, changed)]
    .filter((file) => file.includes('.test.'))
    .map((file) => file.split('/').at(-1))
    .sort((a, b) => (a < b ? -1 : 1));

test('of an index only those depend that take the name, under whatever name, or all of it', () => {
  expect(testsOf('packages/core/src/b.ts')).toEqual(['all.test.ts', 'usesBee.test.ts']);
  expect(testsOf('packages/core/src/a.ts')).toEqual(['a.test.ts', 'all.test.ts', 'late.test.ts', 'usesA.test.tsx']);
});
test('what is behind it counts, and so does data', () =>
  expect(testsOf('packages/core/src/data.json')).toEqual(testsOf('packages/core/src/a.ts')));
test('a page that is fetched late is followed; a test is its own', () => {
  expect(testsOf('packages/web/src/page.ts')).toEqual(['late.test.ts']);
  expect(testsOf('packages/core/src/a.test.ts')).toEqual(['a.test.ts']);
});
