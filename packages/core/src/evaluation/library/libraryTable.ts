import type { EvidenceClass, Grade, CompanyRules, Machine } from '@anvilstone/schema';
import { bestFitAnywhere } from '@anvilstone/core/machines';
import { PROPERTY_DEFINITIONS, type ResolveAt, resolve, resolveClass } from '@anvilstone/core/materials';
import { findTableColumn, isClassColumn, type TableColumn } from './tableColumns.ts';

export interface LibraryTableRequest {
  /** Ids of table columns; unknown ids are passed over. */
  columnIds: readonly string[];
  at: Pick<ResolveAt, 'direction' | 'conditioning' | 'temperatureC'>;
}

/**
 * Resolved values of many grades as flat arrays, row for row with the grades: they cross from a worker without being copied
 * and are filtered and sorted without an object a cell.
 */
export interface LibraryTable {
  columnIds: string[];
  /** Canonical unit, by column; NaN: unknown. Of a class column the index in the property's classes. Infinite: no break. */
  values: Float64Array[];
  /** Evidence by column: 0 unknown, 1 to 4 for A to D. */
  evidence: Uint8Array[];
  /** Weaker of the evidence of strength and stiffness in the layer plane. */
  overall: Uint8Array;
  /** On the best machine at hand: 0 unknown, 1 fits, 2 with cautions, 3 not without an upgrade. */
  printable: Uint8Array;
}

export const EVIDENCE_CODES: readonly (EvidenceClass | null)[] = [null, 'A', 'B', 'C', 'D'];
const codeOf = (evidence: EvidenceClass) => EVIDENCE_CODES.indexOf(evidence);
const FIT_CODES = { pass: 1, caution: 2, blocker: 3 } as const;

/** Resolves the asked columns of every grade. Some microseconds a cell at 23 °C, some tens at another temperature. */
export function libraryTable(
  grades: readonly Grade[],
  machines: readonly Machine[],
  { columnIds, at }: LibraryTableRequest,
  rules: CompanyRules,
): LibraryTable {
  const columns = columnIds.map(findTableColumn).filter((column) => column !== undefined);
  const values = columns.map(() => new Float64Array(grades.length).fill(Number.NaN));
  const evidence = columns.map(() => new Uint8Array(grades.length));
  const overall = new Uint8Array(grades.length);
  const printable = new Uint8Array(grades.length);
  grades.forEach((grade, row) => {
    columns.forEach((column, i) => {
      const cell = cellOf(grade, column, at, rules);
      if (!cell) return;
      values[i]![row] = cell.value;
      evidence[i]![row] = codeOf(cell.evidence);
    });
    overall[row] = overallEvidence(grade, at, rules);
    const fit = bestFitAnywhere(grade, machines, rules);
    printable[row] = fit === undefined ? 0 : FIT_CODES[fit];
  });
  return { columnIds: columns.map(({ id }) => id), values, evidence, overall, printable };
}

function cellOf(
  grade: Grade,
  column: TableColumn,
  at: LibraryTableRequest['at'],
  rules: CompanyRules,
): { value: number; evidence: EvidenceClass } | undefined {
  if (isClassColumn(column)) {
    const found = resolveClass(grade, column.property);
    if (!found.known) return undefined;
    const classes = PROPERTY_DEFINITIONS[column.property].classes!;
    return { value: classes.indexOf(found.classValue), evidence: found.evidence };
  }
  const where = column.parameters ? { ...at, parameters: column.parameters } : at;
  const found = resolve(grade, column.property, where, rules, false);
  return found.known ? found : undefined;
}

function overallEvidence(grade: Grade, at: LibraryTableRequest['at'], rules: CompanyRules): number {
  const inPlane = { ...at, direction: 'in-plane' } as const;
  const strength = resolve(grade, 'tensileStrength', inPlane, rules, false);
  const stiffness = resolve(grade, 'tensileModulus', inPlane, rules, false);
  return strength.known && stiffness.known ? Math.max(codeOf(strength.evidence), codeOf(stiffness.evidence)) : 0;
}
