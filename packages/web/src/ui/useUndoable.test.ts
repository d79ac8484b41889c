import { reduceUndoable, type UndoableAction, type UndoableState } from './useUndoable.ts';

const start: UndoableState<string> = { past: [], now: 'a', future: [], lastEdit: { field: '', at: 0 } };
/** What is done to the document as it is then. */
type Step = (now: string) => UndoableAction<string>;
const after = (...steps: Step[]) => steps.reduce((state, step) => reduceUndoable(state, step(state.now)), start);
const edit =
  (next: string, field = 'name', at = 0): Step =>
  (from) => ({ type: 'edit', next, from, field, at });
const undo: Step = () => ({ type: 'undo' });
const redo: Step = () => ({ type: 'redo' });

test('undo brings back what was there, redo what was undone', () => {
  expect(after(edit('b'), undo).now).toBe('a');
  expect(after(edit('b'), undo, redo).now).toBe('b');
});
test('keystrokes in one field close together are one step', () => {
  const typed = after(edit('ab', 'name', 1000), edit('abc', 'name', 1500), edit('abcd', 'name', 2600));
  expect(typed.past).toEqual(['a']);
  expect(reduceUndoable(typed, undo('')).now).toBe('a');
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
  expect(after(edit('b'), () => ({ type: 'reset', to: 'z' }))).toMatchObject({ past: [], now: 'z', future: [] }));

test('two edits worked out from one picture of the document both hold, and are undone one by one', () => {
  const from = { name: 'PETG', maker: 'Osk' };
  const state: UndoableState<typeof from> = { ...start, past: [], now: from, future: [] };
  const named = reduceUndoable(state, { type: 'edit', next: { ...from, name: 'PETG-GF' }, from, field: 'name', at: 0 });
  const both = reduceUndoable(named, { type: 'edit', next: { ...from, maker: 'Veld' }, from, field: 'maker', at: 10 });
  expect(both.now).toEqual({ name: 'PETG-GF', maker: 'Veld' });
  expect(reduceUndoable(both, { type: 'undo' }).now).toEqual({ name: 'PETG-GF', maker: 'Osk' });
});
