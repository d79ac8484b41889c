import type { Writable } from 'node:stream';

export interface Reply {
  status?: number;
  body: unknown;
  headers?: Record<string, string>;
}

/** A body that is written as it is made: it may be larger than memory. */
export interface Streamed {
  writeTo(sink: Writable): Promise<unknown>;
}
export const isStreamed = (body: unknown): body is Streamed =>
  typeof body === 'object' && body !== null && 'writeTo' in body;
