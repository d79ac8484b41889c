import type { Statement } from '@anvilstone/schema';

/** A title or statement as it stands within a sentence: only its first letter goes small, so that “(Z)” and “UL 94” stay. */
export function inSentence(title: string): string;
export function inSentence(title: string | undefined): string | undefined;
export function inSentence(statement: Statement): Statement;
export function inSentence(title: Statement | undefined): Statement | undefined {
  if (title === undefined) return undefined;
  const small = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
  return typeof title === 'string' ? small(title) : { ...title, says: small(title.says) };
}
