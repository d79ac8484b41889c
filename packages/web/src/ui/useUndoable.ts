import { mergeDocuments } from '@anvilstone/core/decisions';
import { useCallback, useEffect, useReducer } from 'react';

export interface UndoableState<T> {
  past: readonly T[];
  now: T;
  future: readonly T[];
  lastEdit: { field: string; at: number };
}
export type UndoableAction<T> =
  /** `from`: what the edit was worked out from. */
  | { type: 'edit'; next: T; from: T; field: string; at: number }
  | { type: 'undo' }
  | { type: 'redo' }
  | { type: 'reset'; to: T };

const MOST_STEPS = 200;
/** Keystrokes in one field closer together than this are one step. */
const SAME_STEP_MS = 1200;

export function reduceUndoable<T>(state: UndoableState<T>, action: UndoableAction<T>): UndoableState<T> {
  switch (action.type) {
    case 'edit': {
      const { field, at } = state.lastEdit;
      const continues = state.past.length > 0 && field === action.field && action.at - at < SAME_STEP_MS;
      return {
        past: continues ? state.past : [...state.past, state.now].slice(-MOST_STEPS),
        // Edited since in another place: both edits hold.
        now: state.now === action.from ? action.next : mergeDocuments(action.from, action.next, state.now).merged,
        future: [],
        lastEdit: { field: action.field, at: action.at },
      };
    }
    case 'undo': {
      const last = state.past.at(-1);
      if (last === undefined) return state;
      return {
        past: state.past.slice(0, -1),
        now: last,
        future: [...state.future, state.now],
        lastEdit: { field: '', at: 0 },
      };
    }
    case 'redo': {
      const next = state.future.at(-1);
      if (next === undefined) return state;
      return {
        past: [...state.past, state.now],
        now: next,
        future: state.future.slice(0, -1),
        lastEdit: { field: '', at: 0 },
      };
    }
    case 'reset':
      return { past: [], now: action.to, future: [], lastEdit: { field: '', at: 0 } };
  }
}

/** A document being edited, with undo and redo by button and by Ctrl-Z, Ctrl-Shift-Z outside of text being typed. */
export function useUndoable<T>(initial: T) {
  const [{ past, now, future }, dispatch] = useReducer(reduceUndoable<T>, {
    past: [],
    now: initial,
    future: [],
    lastEdit: { field: '', at: 0 },
  });
  const undo = useCallback(() => dispatch({ type: 'undo' }), []);
  const redo = useCallback(() => dispatch({ type: 'redo' }), []);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLInputElement || event.target instanceof HTMLTextAreaElement;
      if (typing || !(event.ctrlKey || event.metaKey)) return;
      const key = event.key.toLowerCase();
      if (key !== 'z' && key !== 'y') return;
      event.preventDefault();
      if (key === 'y' || event.shiftKey) redo();
      else undo();
    };
    globalThis.addEventListener('keydown', onKey);
    return () => globalThis.removeEventListener('keydown', onKey);
  }, [undo, redo]);
  return {
    now,
    canUndo: past.length > 0,
    canRedo: future.length > 0,
    edit: (next: T, field: string) => dispatch({ type: 'edit', next, from: now, field, at: Date.now() }),
    undo,
    redo,
    reset: (to: T) => dispatch({ type: 'reset', to }),
  };
}
