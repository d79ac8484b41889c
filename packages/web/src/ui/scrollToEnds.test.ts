import type { KeyboardEvent } from 'react';
import { scrollToEnds } from './scrollToEnds.ts';

function pressed(key: string, change: Record<string, unknown> = {}) {
  const list = { scrollTop: 120, scrollHeight: 4560 };
  let isTaken = false;
  const event = { key, currentTarget: list, target: list, preventDefault: () => void (isTaken = true), ...change };
  scrollToEnds(event as unknown as KeyboardEvent<HTMLElement>);
  return { at: list.scrollTop, isTaken };
}

test.each([
  ['End', 4560],
  ['Home', 0],
])('%s goes to %i at once, in place of the browser’s glide', (key, at) => {
  expect(pressed(key)).toEqual({ at, isTaken: true });
});

test.each([
  ['another key', 'PageDown', {}],
  ['a key with Ctrl', 'End', { ctrlKey: true }],
  ['a key in a field of the list', 'End', { target: {} }],
])('%s is left to the browser', (_, key, change) => {
  expect(pressed(key, change)).toEqual({ at: 120, isTaken: false });
});
