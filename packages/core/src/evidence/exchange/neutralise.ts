/** What a spreadsheet program may run as a formula, with the marks that were put before it already. */
const DANGEROUS = /^'*[=+\-@\t\r]/;

/** Text for a CSV cell: what could run as a formula is led by an apostrophe, which spreadsheet programs show as text. */
export function neutralised(text: string): string {
  return DANGEROUS.test(text) ? `'${text}` : text;
}

/** The inverse: takes one apostrophe off where `neutralised` would have put one. */
export function restored(text: string): string {
  return text.startsWith("'") && DANGEROUS.test(text.slice(1)) ? text.slice(1) : text;
}
