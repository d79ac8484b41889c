import { useEffect, useState } from 'react';

/**
 * Something that a key opens from anywhere. `wants` must stay the same function; `typing`: the key goes into a field.
 * Whether a key that is pressed again closes it is up to what is open.
 */
export function useOpenByKey(
  wants: (event: KeyboardEvent, typing: boolean) => boolean,
): [isOpen: boolean, setOpen: (open: boolean) => void] {
  const [isOpen, setOpen] = useState(false);
  useEffect(() => {
    const listen = (event: KeyboardEvent) => {
      const field = (event.target as HTMLElement | null)?.closest('input, textarea, select, [contenteditable]');
      if (!wants(event, Boolean(field))) return;
      event.preventDefault();
      setOpen(true);
    };
    document.addEventListener('keydown', listen);
    return () => document.removeEventListener('keydown', listen);
  }, [wants]);
  return [isOpen, setOpen];
}
