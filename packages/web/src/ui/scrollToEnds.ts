import type { KeyboardEvent } from 'react';

/**
 * Home and End of a list whose rows are drawn as they come into sight. The browser glides there and gives up when rows are put in under way;
 * this goes at once. Keys pressed in a field or button inside are left to it.
 */
export function scrollToEnds(event: KeyboardEvent<HTMLElement>): void {
  const { currentTarget: list } = event;
  if (event.target !== list || event.altKey || event.ctrlKey || event.metaKey || event.shiftKey) return;
  if (event.key !== 'Home' && event.key !== 'End') return;
  event.preventDefault();
  list.scrollTop = event.key === 'Home' ? 0 : list.scrollHeight;
}
