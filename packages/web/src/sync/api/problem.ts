import type { Problem, ProblemIssue } from '@anvilstone/schema';

/** What a failed request tells: a problem document, or that there was no answer at all. */
export function asProblem(error: unknown): Problem {
  const { status, data } = (error ?? {}) as { status?: number | string; data?: unknown };
  if (typeof data === 'object' && data !== null && 'title' in data && 'detail' in data) return data as Problem;
  if (status === 'FETCH_ERROR' || status === 'TIMEOUT_ERROR') {
    return {
      type: 'offline',
      title: 'The server does not answer',
      status: 0,
      detail: 'Nothing was changed. Try again when it is back; your input stays here while the page is open.',
    };
  }
  return {
    type: 'unexpected',
    title: 'Unexpected error',
    status: 500,
    detail: 'Try again; if the error remains, see the server log.',
  };
}

/** What is wrong and what would be accepted. */
const issueWords = ({ detail, accepted }: ProblemIssue): string =>
  accepted ? `${detail}. Accepted: ${accepted}.` : detail;

/** What is wrong at a place, by its JSON pointer; undefined: nothing. */
export const issueIn =
  (issues: readonly ProblemIssue[] | undefined) =>
  (pointer: string): string | undefined => {
    const issue = issues?.find((one) => one.pointer === pointer);
    return issue && issueWords(issue);
  };

/** The same of a request that was refused; of none nothing is wrong. */
export const refusedAt = (error: unknown) => issueIn(error === undefined ? undefined : asProblem(error).errors);

/** All that is wrong: for notices that have no field to sit beside. */
export const issueTexts = ({ errors = [] }: Problem): string[] =>
  errors.map((issue) => issueWords(issue).replace(/([^.])$/, '$1.'));
