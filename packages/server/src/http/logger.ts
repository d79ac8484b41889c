import { pino, type DestinationStream, type Logger } from 'pino';

/**
 * The log of a process. Of an error it holds what went wrong and where, not the values that came with it: a database names the whole row that it
 * refuses, and a row may hold what nobody should read.
 */
export function makeLogger(level: string, into?: DestinationStream): Logger {
  const options = { level, serializers: { err: told, error: told } };
  return into ? pino(options, into) : pino(options);
}

function told(error: unknown): unknown {
  if (!(error instanceof Error)) return error;
  const { code } = error as { code?: unknown };
  return {
    type: error.name,
    message: error.message,
    ...(typeof code === 'string' ? { code } : {}),
    stack: error.stack,
  };
}
