import type { Problem } from '@anvilstone/schema';

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

/** The same, with only the issue texts: for notices that have no field to sit beside. */
export function issueTexts(problem: Problem): string[] {
  return (problem.errors ?? []).map((issue) =>
    issue.accepted ? `${issue.detail}. Accepted: ${issue.accepted}.` : `${issue.detail}.`,
  );
}
