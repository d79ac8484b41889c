import { useAppStore } from './store.ts';

interface Turn {
  /** Ends when every change asked for so far is saved or refused; never rejects. */
  last: Promise<unknown>;
  /** What the last save answered. */
  newest?: { revision: number };
}
const turnsOf = new WeakMap<object, Map<string, Turn>>();

function turnOf(store: object, key: string): Turn {
  let turns = turnsOf.get(store);
  if (!turns) turnsOf.set(store, (turns = new Map<string, Turn>()));
  let turn = turns.get(key);
  if (!turn) turns.set(key, (turn = { last: Promise.resolve() }));
  return turn;
}

/**
 * Changes to one record that are saved at once: one after the other, each made to what the one before left. Two quick presses both
 * count, though the page does not show the first yet. A change of somebody else's in between is the server's to refuse.
 * @param key kind and id of the record, the same wherever it is changed
 * @param shown the record as it stands on the page
 * @param save rejects with the reason when it is refused
 * @returns a function that resolves to whether the change was saved
 */
export function useInTurn<R extends { revision: number }>(
  key: string,
  shown: R,
  save: (record: R) => Promise<{ revision: number }>,
): (change: (newest: R) => R) => Promise<boolean> {
  const store = useAppStore();
  return (change) => {
    const turn = turnOf(store, key);
    const mine = turn.last.then(async () => {
      const { newest } = turn;
      const from = newest && newest.revision > shown.revision ? (newest as R) : shown;
      turn.newest = await save({ ...change(from), revision: from.revision });
    });
    turn.last = mine.catch(() => undefined);
    return mine.then(
      () => true,
      () => false,
    );
  };
}
