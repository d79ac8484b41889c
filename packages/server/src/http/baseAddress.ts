import { invalidInput } from './problems.ts';
import { textOf } from './query.ts';

/** Where the reader of a printed code finds this app: ?base= as the pages know it. @throws HttpProblem 422: no web address */
export function baseAddress(query: Record<string, unknown>): string {
  const text = textOf(query, 'base') ?? '';
  const url = URL.canParse(text) ? new URL(text) : undefined;
  if (url && (url.protocol === 'http:' || url.protocol === 'https:')) return url.origin;
  throw invalidInput([
    { pointer: '/base', detail: `“${text}” is no web address`, accepted: 'http:// or https:// and a host' },
  ]);
}
