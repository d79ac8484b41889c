import { useState } from 'react';

/**
 * For dialogs that no trigger of their own opens: what had the focus before has it again when the dialog closes. Without it
 * whoever works by keyboard would begin again at the top of the page.
 */
export function useFocusBack(): (event: Event) => void {
  const [before] = useState(() => document.activeElement);
  return (event) => {
    event.preventDefault();
    if (before instanceof HTMLElement && before.isConnected) before.focus();
  };
}
