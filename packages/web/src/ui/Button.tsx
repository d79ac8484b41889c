import type { ButtonHTMLAttributes } from 'react';
import { buttonLook, type ButtonLook } from './buttonLook.ts';

export function Button({
  look = 'plain',
  className = '',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { look?: ButtonLook }) {
  return <button type="button" className={buttonLook(look, className)} {...rest} />;
}
