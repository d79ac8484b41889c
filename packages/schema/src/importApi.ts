import { Type, type Static } from '@sinclair/typebox';
import { identifier, record, vocabulary } from './common.ts';
import { SOURCES } from './observation.ts';

export const IMPORT_FORMATS = ['csv', 'xlsx', 'json', 'matml', 'data-package'] as const;
export const importFormat = vocabulary(IMPORT_FORMATS, 'Format of the file, by its contents');
export type ImportFormat = Static<typeof importFormat>;

const text = Type.String({ maxLength: 4000 });
const columnIndex = Type.Integer({ minimum: 0, maximum: 2000 });

/** What a column of the file is: a field, a property under conditions, or nothing that is wanted. */
export const columnTarget = record(
  {
    column: columnIndex,
    target: Type.String({
      maxLength: 80,
      description: '`ignore`, a field such as `name`, or a property such as `tensileModulus`',
    }),
    unit: Type.Optional(Type.String({ maxLength: 30, description: 'Unit of the column where the cells state none' })),
    conditions: Type.Optional(
      Type.Record(Type.String({ maxLength: 40 }), Type.Union([Type.Number(), Type.String({ maxLength: 80 })])),
    ),
  },
  'What one column is taken for',
);
export type ColumnTarget = Static<typeof columnTarget>;

export const cellCorrection = record(
  { line: Type.Integer({ minimum: 1 }), column: columnIndex, text },
  'A cell corrected',
);

export const importSettings = record(
  {
    sheet: Type.Optional(
      Type.String({ maxLength: 200, description: 'Sheet or table to read, where there are several' }),
    ),
    delimiter: Type.Optional(vocabulary([',', ';', '\t', '|'] as const, 'Column separator of a CSV')),
    decimal: Type.Optional(vocabulary(['point', 'comma'] as const, 'Decimal sign')),
    headerLine: Type.Optional(Type.Integer({ minimum: 1, maximum: 200, description: 'Line that names the columns' })),
    layout: Type.Optional(vocabulary(['wide', 'long'] as const, 'Wide: a row a grade; long: a row an observation')),
    maker: Type.Optional(Type.String({ maxLength: 200, description: 'Maker of every grade, where no column says so' })),
    source: Type.Optional(vocabulary(SOURCES, 'Where the numbers come from, where no column says so')),
    reference: Type.Optional(
      Type.String({ maxLength: 200, description: 'Document or campaign, where no column says so' }),
    ),
    columns: Type.Optional(Type.Array(columnTarget, { maxItems: 2000 })),
    answers: Type.Optional(Type.Record(Type.String({ maxLength: 300 }), Type.String({ maxLength: 80 }))),
    corrections: Type.Optional(Type.Array(cellCorrection, { maxItems: 20000 })),
    leftOut: Type.Optional(
      Type.Array(Type.Integer({ minimum: 1 }), { maxItems: 20000, description: 'Lines left out on purpose' }),
    ),
  },
  'How a file is to be read',
  'import-settings',
);
export type ImportSettings = Static<typeof importSettings>;

export const importIssue = record(
  {
    line: Type.Integer(),
    column: Type.Union([columnIndex, Type.Null()]),
    header: Type.String(),
    text: Type.String({ description: 'What the cell holds' }),
    severity: vocabulary(['error', 'remark'] as const, 'An error stops the import; a remark does not'),
    message: Type.String(),
  },
  'One cell’s problem',
);
export type ImportIssue = Static<typeof importIssue>;

export const importQuestion = record(
  {
    id: Type.String(),
    kind: vocabulary(
      ['unit', 'unit-slip', 'decimal', 'notch', 'hdt-stress', 'family', 'filler', 'property', 'same-grade'] as const,
      'What is not clear',
    ),
    text: Type.String(),
    detail: Type.String(),
    choices: Type.Array(record({ id: Type.String(), label: Type.String(), means: Type.String() }, 'A possible answer')),
    answer: Type.Union([Type.String(), Type.Null()]),
    count: Type.Integer({ description: 'Cells or rows it touches' }),
    examples: Type.Array(record({ line: Type.Integer(), text: Type.String() }, 'A place where it arises')),
  },
  'Something only a person can decide',
);
export type ImportQuestion = Static<typeof importQuestion>;

export const fieldDifference = record(
  {
    field: Type.String(),
    before: Type.Union([Type.String(), Type.Null()]),
    after: Type.Union([Type.String(), Type.Null()]),
  },
  'A value before and after',
);
export type FieldDifference = Static<typeof fieldDifference>;

export const gradeDifference = record(
  {
    gradeId: identifier,
    name: Type.String(),
    kind: vocabulary(['new', 'changed', 'unchanged'] as const, 'What the import does to it'),
    differences: Type.Array(fieldDifference),
  },
  'What the import does to one grade',
);
export type GradeDifference = Static<typeof gradeDifference>;

export const importColumn = record(
  {
    column: columnIndex,
    header: Type.String(),
    samples: Type.Array(Type.String()),
    target: Type.String(),
    unit: Type.Union([Type.String(), Type.Null()]),
    conditions: Type.Record(Type.String(), Type.Union([Type.Number(), Type.String()])),
    guessed: Type.Boolean({ description: 'Proposed here, not chosen by anybody' }),
  },
  'A column and what it is taken for',
);
export type ImportColumn = Static<typeof importColumn>;

/** Everything there is to decide about a file before it changes the library. Long lists are cut; their totals are not. */
export const importPlan = record(
  {
    format: importFormat,
    sheets: Type.Array(Type.String()),
    sheet: Type.Union([Type.String(), Type.Null()]),
    delimiter: Type.Union([Type.String(), Type.Null()]),
    decimal: vocabulary(['point', 'comma'] as const, 'Decimal sign in force'),
    headerLine: Type.Integer(),
    layout: vocabulary(['wide', 'long', 'documents'] as const, 'How the rows are read'),
    rowCount: Type.Integer(),
    columns: Type.Array(importColumn),
    questions: Type.Array(importQuestion),
    issues: Type.Array(importIssue),
    errorCount: Type.Integer(),
    remarkCount: Type.Integer(),
    newCount: Type.Integer(),
    changedCount: Type.Integer(),
    unchangedCount: Type.Integer(),
    grades: Type.Array(gradeDifference),
  },
  'What a file would do to the library',
  'import-plan',
);
export type ImportPlan = Static<typeof importPlan>;

export const IMPORT_STATES = ['reading', 'ready', 'committing', 'done', 'failed', 'cancelled'] as const;
export const importJob = record(
  {
    id: Type.String({ format: 'uuid' }),
    fileName: Type.String(),
    state: vocabulary(IMPORT_STATES, 'How far it is'),
    /** 0 … 1 of the step under way. */
    progress: Type.Number({ minimum: 0, maximum: 1 }),
    settings: importSettings,
    plan: Type.Union([importPlan, Type.Null()]),
    failure: Type.Union([Type.String(), Type.Null()], { description: 'Why it could not be read' }),
    createdAt: Type.String({ format: 'date-time' }),
  },
  'A file on its way into the library',
  'import-job',
);
export type ImportJob = Static<typeof importJob>;

/** Rows as they stand in the file, for looking at problems in their place. */
export const importRows = record(
  {
    total: Type.Integer(),
    rows: Type.Array(
      record(
        {
          line: Type.Integer(),
          cells: Type.Array(Type.String()),
          issues: Type.Array(importIssue),
          leftOut: Type.Boolean(),
        },
        'A row of the file',
      ),
    ),
  },
  'Rows of the file',
  'import-rows',
);
export type ImportRows = Static<typeof importRows>;
