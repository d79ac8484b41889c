const LOOKS = {
  primary: 'border-ember bg-ember text-surface hover:brightness-110',
  plain: 'border-line-strong bg-surface hover:bg-sunken',
  quiet: 'border-transparent text-quiet hover:bg-sunken hover:text-ink',
};
export type ButtonLook = keyof typeof LOOKS;

/** The one way something to press looks, for buttons and for links that lead on. */
export function buttonLook(look: ButtonLook = 'plain', extra = ''): string {
  return `inline-block rounded border px-2.5 py-1 text-sm font-medium disabled:cursor-not-allowed disabled:opacity-50 print:hidden ${LOOKS[look]} ${extra}`;
}
