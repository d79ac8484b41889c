import { isClassColumn, TABLE_COLUMNS, type TableColumn } from '@anvilstone/core/evaluation';
import { PROPERTY_DEFINITIONS, resolve, resolveClass } from '@anvilstone/core/materials';
import type { EvidenceClass, Grade, CompanyRules, Observation, Statement } from '@anvilstone/schema';
import type { LibraryAt } from '../../sync/store/gradesView.ts';

export interface ResolvedRow {
  column: TableColumn;
  /** NaN: unknown. Of a class the index in its classes. */
  value: number;
  evidence: EvidenceClass | null;
  cov: number | null;
  steps: readonly { text: Statement; value?: number }[];
  gaps: readonly Statement[];
  usedId: string | undefined;
  observations: readonly Observation[];
}

/** Every property of one grade at the chosen condition, with the reports it rests on. What nobody reports and no family states comes too: it is a gap. */
export function resolvedRows(grade: Grade, at: LibraryAt, rules: CompanyRules): ResolvedRow[] {
  return TABLE_COLUMNS.map((column): ResolvedRow => {
    const { property, parameters } = column;
    const observations = grade.observations.filter((one) => one.property === property);
    if (isClassColumn(column)) {
      const found = resolveClass(grade, property);
      const none = { column, value: Number.NaN, evidence: null, cov: null, steps: [], usedId: undefined, observations };
      if (!found.known) return { ...none, gaps: found.gaps };
      const value = PROPERTY_DEFINITIONS[property].classes!.indexOf(found.classValue);
      return {
        ...none,
        value,
        evidence: found.evidence,
        steps: found.steps.map((text) => ({ text })),
        gaps: [],
        usedId: found.observationId,
      };
    }
    const found = resolve(grade, property, parameters ? { ...at, parameters } : at, rules);
    if (!found.known)
      return {
        column,
        value: Number.NaN,
        evidence: null,
        cov: null,
        steps: [],
        gaps: found.gaps,
        usedId: undefined,
        observations,
      };
    return {
      column,
      value: found.value,
      evidence: found.evidence,
      cov: found.cov,
      steps: found.steps,
      gaps: [],
      usedId: found.observationId,
      observations,
    };
  });
}
