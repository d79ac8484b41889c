import {
  grade as gradeSchema,
  type Grade,
  type GradeDifference,
  type ImportIssue,
  type ImportPlan,
  type ImportSettings,
} from '@anvilstone/schema';
import { validator } from '@anvilstone/schema/validate';
import { gradeIssues } from '@anvilstone/core/materials';
import type { ImportSource } from '../readers/index.ts';
import type { RawTable, TableRow } from '../table.ts';
import { mapColumns } from './columns.ts';
import { decimalSign } from './decimalSign.ts';
import { looseKey, nameKey, type GradeDraft } from './draft.ts';
import { Issues } from './issues.ts';
import { draftsOfDocuments } from './documents.ts';
import { mergeDraft, newGradeId } from './merge.ts';
import { Questions } from './questions.ts';
import { readRows } from './readRows.ts';

const checkGrade = validator(gradeSchema);
const MOST_ISSUES = 400;
const MOST_DIFFERENCES = 300;
const SAMPLES = 3;

export interface ImportOutcome {
  plan: ImportPlan;
  /** Whole documents to write: new and changed grades, nothing else. Empty while there are errors or open questions. */
  writes: Grade[];
  rows: readonly TableRow[];
  /** Every issue, also those the plan has no room for. */
  issues: readonly ImportIssue[];
}

export interface PlanOptions {
  fileName: string;
  settings: ImportSettings;
  library: readonly Grade[];
  /** 0 … 1 */
  onProgress?: (share: number) => void;
}

/**
 * What a file would do to the library: mapping, problems, questions, differences, and the documents to write once nothing
 * is open. Pure: the library is not touched, and the same file, settings and library give the same plan.
 */
export function planImport(
  source: ImportSource,
  { fileName, settings, library, onProgress }: PlanOptions,
): ImportOutcome {
  const questions = new Questions(settings.answers ?? {});
  const issues = new Issues();
  const table = source.table && corrected(source.table, settings);
  const mapped = table ? mapColumns(table, settings) : undefined;
  const numeric = (mapped?.columns ?? []).filter(({ target }) =>
    /^property\.|^observation\.value$|^grade\.pricePerKgUsd$/.test(target),
  );
  const ownFormat = mapped?.columns.some(({ target }) => target === 'record') ?? false;
  const decimal =
    table && !ownFormat
      ? decimalSign(
          table,
          numeric.map(({ column }) => column),
          settings,
          source.delimiter,
          questions,
        )
      : 'point';
  const drafts =
    table && mapped
      ? readRows({
          table,
          ...mapped,
          decimal,
          settings,
          fileName,
          questions,
          issues,
          onProgress: (share) => onProgress?.(share * 0.7),
        })
      : draftsOfDocuments(source.documents ?? [], issues);
  const merged = mergeAll(drafts, library, questions, issues);
  onProgress?.(1);
  const open = issues.errorCount > 0 || questions.list().some(({ answer }) => answer === null);
  const count = (kind: GradeDifference['kind']) => merged.filter(({ difference }) => difference.kind === kind).length;
  const shown = [...merged].sort((a, b) => KIND_ORDER[a.difference.kind] - KIND_ORDER[b.difference.kind]);
  return {
    plan: {
      format: source.format,
      sheets: source.sheets,
      sheet: source.sheet,
      delimiter: source.delimiter,
      decimal,
      headerLine: table?.headerLine ?? 1,
      layout: mapped?.layout ?? 'documents',
      rowCount: table?.rows.length ?? drafts.length,
      columns: (mapped?.columns ?? []).map(({ conditions, ...column }) => ({
        ...column,
        conditions: conditions as Record<string, string | number>,
        samples: samplesOf(table!, column.column),
      })),
      questions: questions.list(),
      issues: [...issues.all]
        .sort((a, b) => Number(a.severity === 'remark') - Number(b.severity === 'remark'))
        .slice(0, MOST_ISSUES),
      errorCount: issues.errorCount,
      remarkCount: issues.all.length - issues.errorCount,
      newCount: count('new'),
      changedCount: count('changed'),
      unchangedCount: count('unchanged'),
      grades: shown.slice(0, MOST_DIFFERENCES).map(({ difference }) => difference),
    },
    writes: open ? [] : merged.filter(({ difference }) => difference.kind !== 'unchanged').map(({ grade }) => grade),
    rows: table?.rows ?? [],
    issues: issues.all,
  };
}

const KIND_ORDER = { changed: 0, new: 1, unchanged: 2 };

function corrected(table: RawTable, { corrections = [] }: ImportSettings): RawTable {
  if (corrections.length === 0) return table;
  const byLine = new Map<number, Map<number, string>>();
  for (const { line, column, text } of corrections)
    byLine.set(line, (byLine.get(line) ?? new Map<number, string>()).set(column, text));
  const rows = table.rows.map((row) => {
    const mended = byLine.get(row.line);
    return mended ? { line: row.line, cells: row.cells.map((cell, i) => mended.get(i) ?? cell) } : row;
  });
  return { ...table, rows };
}

function samplesOf(table: RawTable, column: number): string[] {
  const samples: string[] = [];
  for (const { cells } of table.rows) {
    const cell = cells[column]!;
    if (cell !== '' && !samples.includes(cell)) samples.push(cell.slice(0, 80));
    if (samples.length === SAMPLES) break;
  }
  return samples;
}

function mergeAll(drafts: readonly GradeDraft[], library: readonly Grade[], questions: Questions, issues: Issues) {
  const byId = new Map(library.map((grade) => [grade.id, grade]));
  const byName = new Map(library.map((grade) => [nameKey(grade.maker, grade.name), grade]));
  const byWords = new Map(library.map((grade) => [looseKey(grade.maker, grade.name), grade]));
  const given = new Set<string>();
  return drafts.flatMap((draft) => {
    const existing = match(draft);
    const stated = draft.fields.get('id') as string | undefined;
    const id =
      existing?.id ??
      stated ??
      newGradeId(draft.fields.get('maker'), draft.fields.get('name'), (one) => byId.has(one) || given.has(one));
    given.add(id);
    const merged = mergeDraft(draft, existing, id);
    // Waiting for the answer: the question stands for it.
    if (merged.grade.familyId === '' && draft.familyAsked) return [];
    if (merged.grade.familyId === '') {
      issues.error(placeOf(draft), 'The polymer family is missing: map a column to it, or let the name say it');
      return [];
    }
    const checked = checkGrade(merged.grade);
    if (!checked.ok) {
      for (const { pointer, detail, accepted } of checked.issues)
        issues.error(placeOf(draft, pointer, merged.grade), `${detail}${accepted ? ` (${accepted})` : ''}`);
      return [];
    }
    const unsound = gradeIssues(merged.grade);
    for (const { pointer, detail, accepted } of unsound)
      issues.error(placeOf(draft, pointer, merged.grade), `${detail}${accepted ? ` (${accepted})` : ''}`);
    return unsound.length > 0 ? [] : [merged];
  });

  function match(draft: GradeDraft): Grade | undefined {
    const [id, maker, name] = ['id', 'maker', 'name'].map((path) => draft.fields.get(path) as string | undefined);
    if (id !== undefined && byId.has(id)) return byId.get(id);
    if (id !== undefined) return undefined;
    const exact = byName.get(nameKey(maker, name));
    if (exact) return exact;
    const alike = byWords.get(looseKey(maker ?? '', name ?? ''));
    if (!alike) return undefined;
    const answer = questions.ask(
      `same-grade:${nameKey(maker, name)}`,
      () => ({
        kind: 'same-grade',
        text: `Is “${name}” the “${alike.name}” that is in the library?`,
        detail: `Maker and words are the same, the spelling is not. Names of different polymers can be that close.`,
        choices: [
          { id: 'same', label: 'The same grade', means: `${alike.name} is updated` },
          { id: 'new', label: 'Another grade', means: 'a new grade is made' },
        ],
      }),
      { line: draft.line, text: name ?? '' },
    );
    return answer === 'same' ? alike : undefined;
  }
}

/** Where in the file a fault of the finished document comes from: the row of the observation, else the grade's first row. */
function placeOf(draft: GradeDraft, pointer = '', grade?: Grade) {
  const index = /^\/observations\/(\d+)/.exec(pointer)?.[1];
  const faulty = index === undefined ? undefined : grade?.observations[Number(index)];
  const source =
    faulty &&
    draft.observations.find(
      ({ stated }) => stated.id === faulty.id || (stated.property === faulty.property && stated.value === faulty.value),
    );
  return {
    line: source?.line ?? draft.line,
    column: null,
    header: '',
    text: (draft.fields.get('name') as string | undefined) ?? '',
  };
}
