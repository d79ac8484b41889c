import { grade as gradeSchema, type Grade } from '@anvilstone/schema';
import { validator } from '@anvilstone/schema/validate';
import { GRADE_FIELDS } from '../fields.ts';
import type { GradeDraft } from './draft.ts';
import type { Issues } from './issues.ts';

const check = validator(gradeSchema);

/** Grades that came as documents of our schema. One that does not validate is an issue with the pointer into it. */
export function draftsOfDocuments(documents: readonly unknown[], issues: Issues): GradeDraft[] {
  return documents.flatMap((document, i) => {
    const line = i + 1;
    const checked = check(document);
    if (checked.ok) return [draftOf(checked.value, line)];
    const name = (document as { name?: unknown } | null)?.name;
    for (const { pointer, detail, accepted } of checked.issues) {
      issues.error(
        { line, column: null, header: pointer, text: typeof name === 'string' ? name : '' },
        `${detail}${accepted ? ` (${accepted})` : ''}`,
      );
    }
    return [];
  });
}

function draftOf(grade: Grade, line: number): GradeDraft {
  const fields = new Map<string, unknown>();
  for (const { path } of GRADE_FIELDS) {
    const value = path
      .split('.')
      .reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], grade);
    if (value !== undefined) fields.set(path, value);
  }
  return {
    line,
    fields,
    observations: grade.observations.map((stated) => ({ stated, line })),
    claims: (grade.claims ?? []).map((stated) => ({ stated, line })),
  };
}
