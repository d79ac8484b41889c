import type { Problem, ProblemIssue } from '@anvilstone/schema';

/** An error with a status of its own; the one error handler turns it into a problem document (RFC 9457). */
export class HttpProblem extends Error {
  readonly status: number;
  readonly type: string;
  readonly title: string;
  readonly issues: readonly ProblemIssue[];
  readonly current: unknown;
  constructor(
    status: number,
    type: string,
    title: string,
    detail: string,
    extra: { issues?: readonly ProblemIssue[]; current?: unknown } = {},
  ) {
    super(detail);
    this.name = 'HttpProblem';
    this.status = status;
    this.type = type;
    this.title = title;
    this.issues = extra.issues ?? [];
    this.current = extra.current;
  }

  toDocument(): Problem {
    return {
      type: `/problems/${this.type}`,
      title: this.title,
      status: this.status,
      detail: this.message,
      ...(this.issues.length > 0 ? { errors: [...this.issues] } : {}),
      ...(this.current === undefined ? {} : { current: this.current }),
    };
  }
}

export const notFound = (what: string, id: string) =>
  new HttpProblem(404, 'not-found', 'Not found', `There is no ${what} with the id “${id}”.`);

export const invalidInput = (issues: readonly ProblemIssue[], detail = 'Nothing was changed.') =>
  new HttpProblem(
    422,
    'invalid-input',
    'The input cannot be used',
    `${issues[0]?.detail ?? 'Invalid input'}. ${detail}`,
    { issues },
  );

/** A stale write: carries the newer record so that nothing has to be guessed or lost. */
export const conflict = (what: string, current: unknown) =>
  new HttpProblem(
    409,
    'stale-write',
    'Changed by someone else',
    `The ${what} has changed since it was read. Nothing was overwritten; the newer one is included.`,
    { current },
  );
