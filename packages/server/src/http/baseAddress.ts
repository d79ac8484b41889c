import { invalidInput } from './problems.ts';
import { textOf } from './query.ts';

/** Where the reader of a printed code finds this app: ?base= as the pages know it. @throws HttpProblem 422: no web address */
export function baseAddress(query: Record<string, unknown>): string {
  const text = textOf(query, 'base') ?? '';
  const url = URL.canParse(text) ? new URL(text) : undefined;
  if (url && (url.protocol === 'http:' || url.protocol === 'https:')) {
    // Of a workspace other than the first, whose pages have its name before them.
    const [prefix = ''] = /^\/w\/[a-z0-9][a-z0-9-]{0,39}(?=\/?$)/.exec(url.pathname) ?? [];
    return url.origin + prefix;
  }
  throw invalidInput([
    { pointer: '/base', detail: `“${text}” is no web address`, accepted: 'http:// or https:// and a host' },
  ]);
}
