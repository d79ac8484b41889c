import type { ButtonHTMLAttributes } from 'react';

const LOOKS = {
  primary: 'border-ember bg-ember text-surface hover:brightness-110',
  plain: 'border-line-strong bg-surface hover:bg-sunken',
  quiet: 'border-transparent text-quiet hover:bg-sunken hover:text-ink',
};

export function Button({
  look = 'plain',
  className = '',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { look?: keyof typeof LOOKS }) {
  return (
    <button
      type="button"
      className={`rounded border px-2.5 py-1 text-sm font-medium disabled:cursor-not-allowed disabled:opacity-50 ${LOOKS[look]} ${className}`}
      {...rest}
    />
  );
}
