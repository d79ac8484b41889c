import { InputError } from '@anvilstone/core/foundations';
import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Logger } from 'pino';
import { HttpProblem, invalidInput } from './problems.ts';

/** What the body parser throws: https://github.com/jshttp/http-errors */
interface ParserError {
  type?: string;
  status?: number;
  limit?: number;
  message: string;
}

/** The last handler: alone decides status and shape of every error. */
export function errorHandler(logger: Logger): ErrorRequestHandler {
  return (error: unknown, _req, res, next) => {
    if (res.headersSent) {
      next(error);
      return;
    }
    const problem = asProblem(error);
    if (problem.status >= 500) logger.error({ err: error }, 'request failed');
    res.status(problem.status).type('application/problem+json').send(JSON.stringify(problem.toDocument()));
  };
}

function asProblem(error: unknown): HttpProblem {
  if (error instanceof HttpProblem) return error;
  if (error instanceof InputError) {
    return invalidInput([{ pointer: `/${error.field}`, detail: error.message, accepted: error.accepted }]);
  }
  const parser = error as ParserError;
  if (parser.type === 'entity.parse.failed') {
    return new HttpProblem(400, 'broken-json', 'The body is not JSON', `${parser.message}. Nothing was changed.`);
  }
  if (parser.type === 'entity.verify.failed') {
    return new HttpProblem(422, 'too-deep', 'The body is too deep', `It is ${parser.message}. Nothing was changed.`);
  }
  if (parser.type === 'entity.too.large') {
    const limit = parser.limit ?? 0;
    const most = limit < 1e6 ? `${Math.round(limit / 1e3)} kB` : `${Math.round(limit / 1e6)} MB`;
    return new HttpProblem(
      413,
      'too-large',
      'The body is too large',
      `At most ${most} is accepted. Nothing was changed.`,
    );
  }
  if (parser.type === 'encoding.unsupported' || parser.type === 'charset.unsupported') {
    return new HttpProblem(
      415,
      'unsupported-encoding',
      'The body’s encoding is not supported',
      'Send it in UTF-8, and not compressed.',
    );
  }
  if (parser.status === 404) return new HttpProblem(404, 'not-found', 'Not found', 'There is nothing at this address.');
  if (parser.status === 400 || error instanceof URIError) {
    return new HttpProblem(400, 'bad-request', 'The request cannot be read', 'The address or the body is malformed.');
  }
  const { code } = (error ?? {}) as { code?: unknown };
  if (typeof code === 'string' && CANNOT_BE_KEPT.has(code)) {
    return new HttpProblem(
      422,
      'cannot-be-kept',
      'The input cannot be kept',
      'It holds a character or a number that the database has no way to keep. Nothing was changed.',
    );
  }
  if (code === '53100') {
    return new HttpProblem(
      503,
      'disk-full',
      'The database’s disk is full',
      'Nothing was changed. The server administrator must free disk space first.',
    );
  }
  if (isAway(error)) {
    return new HttpProblem(
      503,
      'no-database',
      'The database does not answer',
      'Nothing was lost that was acknowledged. Try again in a moment.',
    );
  }
  return new HttpProblem(
    500,
    'internal',
    'Something went wrong here',
    'The fault is on the server’s side and has been logged. Nothing was changed.',
  );
}

/** Characters that no text may hold, numbers out of range, words where an id should be: appendix A of its manual, class 22. */
const CANNOT_BE_KEPT = new Set(['22021', '22P05', '22P02', '22003', '22001', '22007', '22008', '22009']);

/** Connection exceptions, and a server that starts or stops: https://www.postgresql.org/docs/15/errcodes-appendix.html */
const AWAY = /^(08\w{3}|57P0[1-3]|53300)$/;
const BROKEN_LINE = new Set(['ECONNREFUSED', 'ECONNRESET', 'ETIMEDOUT', 'EPIPE', 'ENOTFOUND']);

function isAway(error: unknown): boolean {
  const { code, name, message } = (error ?? {}) as { code?: unknown; name?: string; message?: string };
  if (typeof code === 'string' && (AWAY.test(code) || BROKEN_LINE.has(code))) return true;
  return name === 'KnexTimeoutError' || /Connection terminated|Unable to acquire a connection/.test(message ?? '');
}

export const unknownRoute: RequestHandler = (req) => {
  throw new HttpProblem(404, 'not-found', 'Not found', `There is nothing at ${req.method} ${req.path}.`);
};
