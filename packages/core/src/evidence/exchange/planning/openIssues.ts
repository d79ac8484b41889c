import type { ImportIssue, ImportQuestion, ProblemIssue } from '@anvilstone/schema';

/** What stands between a file and the library: every error with its line and column, every question without an answer. */
export function openIssues(issues: readonly ImportIssue[], questions: readonly ImportQuestion[]): ProblemIssue[] {
  const errors = issues.filter(({ severity }) => severity === 'error');
  const open = questions.filter(({ answer }) => answer === null);
  return [
    ...errors.map(({ line, column, header, message }) => ({
      pointer: `/rows/${line}${column === null ? '' : `/${column}`}`,
      detail: `Line ${line}${header ? `, column “${header}”` : ''}: ${message}`,
    })),
    ...open.map(({ id, text, choices }) => ({
      pointer: `/answers/${id}`,
      detail: text,
      accepted: choices
        .map((choice) => choice.id)
        .slice(0, MOST_CHOICES)
        .join(', '),
    })),
  ];
}
const MOST_CHOICES = 12;
