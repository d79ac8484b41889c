/** A title as it stands within a sentence: only its first letter goes small, so that “(Z)” and “UL 94” stay. */
export function inSentence(title: string): string;
export function inSentence(title: string | undefined): string | undefined;
export function inSentence(title: string | undefined): string | undefined {
  return title === undefined ? undefined : title.charAt(0).toLowerCase() + title.slice(1);
}
