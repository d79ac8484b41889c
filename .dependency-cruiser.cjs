/** Arrows run one way: faces → core → schema. Nothing imports from a test. */
const faces = ['server', 'web', 'cli'];

/** The wings of core, the lowest first: each imports only those before it, and those only through their faces. */
const coreWings = [
  'foundations',
  'materials',
  'shapes',
  'machines',
  'checks',
  'evaluation',
  'making',
  'evidence',
  'decisions',
  'education',
];
/** The wings of the pages, the lowest first. */
const webWings = ['sync', 'ui', 'charts', 'workers', 'team', 'help', 'library', 'shop', 'stages', 'training', 'app'];
const TEST = '(\\.test|/test[A-Z]\\w*)\\.tsx?$';

const downwards = (name, wings) =>
  wings.slice(0, -1).map((wing, place) => ({
    name: `${name}/${wing}-imports-no-higher-wing`,
    severity: 'error',
    from: { path: `^packages/${name}/src/${wing}/`, pathNot: TEST },
    to: { path: `^packages/${name}/src/(${wings.slice(place + 1).join('|')})/` },
  }));

module.exports = {
  forbidden: [
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'schema-imports-nothing-of-ours',
      severity: 'error',
      from: { path: '^packages/schema/' },
      to: { path: '^(packages/(?!schema/)|e2e/|scripts/|bench/)' },
    },
    {
      name: 'core-imports-only-schema',
      severity: 'error',
      from: { path: '^packages/core/' },
      to: { path: '^(packages/(?!core/|schema/)|e2e/|scripts/|bench/)' },
    },
    {
      name: 'core-is-pure',
      comment: 'No I/O in the computation: it runs the same in the browser and on the server.',
      severity: 'error',
      from: { path: '^packages/core/src/', pathNot: TEST },
      to: { dependencyTypes: ['core'] },
    },
    ...downwards('core', coreWings),
    ...downwards('web', webWings),
    {
      name: 'a-wing-is-entered-by-its-face',
      severity: 'error',
      from: { path: '^packages/core/src/([^/]+)/', pathNot: TEST },
      to: { path: '^packages/core/src/[^/]+/', pathNot: '^packages/core/src/($1/|[^/]+/index\\.ts$)' },
    },
    ...faces.map((face) => ({
      name: `${face}-imports-no-other-face`,
      severity: 'error',
      from: { path: `^packages/${face}/` },
      to: { path: `^(packages/(${faces.filter((other) => other !== face).join('|')})/|e2e/|scripts/|bench/)` },
    })),
    {
      name: 'nothing-imports-a-test',
      severity: 'error',
      from: {},
      to: { path: '(\\.test\\.tsx?$|\\.spec\\.ts$)' },
    },
    {
      name: 'only-tests-import-test-helpers',
      severity: 'error',
      from: { pathNot: '(\\.test|/test[A-Z][A-Za-z]*|/testing/\\w+)\\.tsx?$' },
      to: {
        path: '/(test(Context|Server|Operations|Team|Store|Part|Page|Answers|Engine|Computed|Comlink|Raw|Document|App)|fakeServer)\\.tsx?$',
      },
    },
    {
      name: 'no-unresolvable',
      severity: 'error',
      from: {},
      to: { couldNotResolve: true, pathNot: '^pdfmake/interfaces' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'default'],
      extensions: ['.ts', '.tsx', '.mjs', '.js', '.json'],
    },
  },
};
