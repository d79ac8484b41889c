import { reduceUndoable, type UndoableAction, type UndoableState } from './useUndoable.ts';

const start: UndoableState<string> = { past: [], now: 'a', future: [], lastEdit: { field: '', at: 0 } };
const after = (...actions: UndoableAction<string>[]) => actions.reduce(reduceUndoable<string>, start);
const edit = (next: string, field = 'name', at = 0): UndoableAction<string> => ({ type: 'edit', next, field, at });
const undo = { type: 'undo' } as const;
const redo = { type: 'redo' } as const;

test('undo brings back what was there, redo what was undone', () => {
  expect(after(edit('b'), undo).now).toBe('a');
  expect(after(edit('b'), undo, redo).now).toBe('b');
});
test('keystrokes in one field close together are one step', () => {
  const typed = after(edit('ab', 'name', 1000), edit('abc', 'name', 1500), edit('abcd', 'name', 2600));
  expect(typed.past).toEqual(['a']);
  expect(reduceUndoable(typed, undo).now).toBe('a');
});
test('another field, or a pause, begins a step of its own', () => {
  expect(after(edit('b', 'name', 0), edit('c', 'maker', 100)).past).toEqual(['a', 'b']);
  expect(after(edit('b', 'name', 0), edit('c', 'name', 5000)).past).toEqual(['a', 'b']);
});
test('typing on after an undo is a step of its own, and what was undone is gone', () => {
  const state = after(edit('b', 'name', 0), undo, edit('c', 'name', 10));
  expect(state).toMatchObject({ past: ['a'], now: 'c', future: [] });
});
test('undo and redo with nothing to do change nothing', () => {
  expect(after(undo)).toBe(start);
  expect(after(redo)).toBe(start);
});
test('no more than 200 steps are kept', () => {
  const edits = Array.from({ length: 300 }, (_, i) => edit(`${i}`, `field ${i}`));
  expect(after(...edits).past).toHaveLength(200);
});
test('a reset forgets the way there', () =>
  expect(after(edit('b'), { type: 'reset', to: 'z' })).toMatchObject({ past: [], now: 'z', future: [] }));
