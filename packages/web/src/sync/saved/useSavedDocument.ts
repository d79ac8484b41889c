import { sameContent } from '@anvilstone/core/decisions';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { asProblem } from '../api/problem.ts';
import { broughtUpon, editedSince, mineUpon, type Edited, type Stored } from './upon.ts';

const SETTLE_MS = 500;
const RETRY_MS = 3000;

/**
 * A document as it is here: what was changed a moment ago shows at once and is saved when it has settled, one save at a time, upon the
 * revision that it was made from. What somebody else has saved meanwhile is brought together with it field by field; where both changed
 * the same, it is asked. While the server is away it is tried again; what is refused stays on the screen with the reason, and is saved
 * with the next change.
 * @param save resolves to what the server has made of it, rejects with why not
 * @param newerIn the newer document in a refusal, if there is one
 */
export function useSavedDocument<T>(
  stored: Stored<T>,
  save: (document: T, revision: number) => Promise<Stored<T>>,
  newerIn: (current: unknown) => Stored<T> | undefined,
) {
  const [mine, setMine] = useState<Edited<T>>();
  const [tried, setTried] = useState<'refused' | 'away'>();
  const [isSaving, setSaving] = useState(false);
  const [error, setError] = useState<unknown>();
  // An answer that was under way while a change was saved tells of the time before it.
  const [seen, setSeen] = useState(stored);
  const newest = seen.revision > stored.revision ? seen : stored;
  const current = useMemo(() => mine && broughtUpon(mine, newest), [mine, newest]);
  const calls = useRef({ save, newerIn });
  useEffect(() => {
    calls.current = { save, newerIn };
  });

  useEffect(() => {
    if (!current || current.theirs || tried === 'refused' || isSaving) return;
    const timer = setTimeout(
      () => {
        // It is there already: sent from the outbox meanwhile, or typed and taken back.
        if (sameContent(current.document, current.base.document)) return setMine(undefined);
        setSaving(true);
        void calls.current
          .save(current.document, current.base.revision)
          .then(
            (kept) => {
              setSeen(kept);
              setTried(undefined);
              setError(undefined);
              setMine((latest) => (latest === mine || !latest ? undefined : editedSince(latest, mine!, kept)));
            },
            (failure: unknown) => {
              const { status, current: answered } = asProblem(failure);
              const newer = status === 409 ? calls.current.newerIn(answered) : undefined;
              // Somebody was first: it is brought together with theirs and sent again, or asked about.
              if (newer) return setSeen(newer);
              setError(failure);
              setTried(status >= 400 && status < 500 ? 'refused' : 'away');
            },
          )
          .finally(() => setSaving(false));
      },
      tried === 'away' ? RETRY_MS : SETTLE_MS,
    );
    return () => clearTimeout(timer);
  }, [current, mine, tried, isSaving]);

  const edit = useCallback(
    (change: (document: T) => T) => {
      setTried((before) => (before === 'refused' ? undefined : before));
      setMine((latest) => {
        const from = latest ? broughtUpon(latest, newest) : { base: newest, document: newest.document };
        return { ...from, document: change(from.document) };
      });
    },
    [newest],
  );
  const theirs = current?.theirs;
  return {
    document: current?.document ?? newest.document,
    revision: newest.revision,
    state: theirs ? ('conflict' as const) : (tried ?? (mine || isSaving ? ('saving' as const) : ('saved' as const))),
    error: tried ? error : undefined,
    edit,
    /** What both have changed; undefined: nothing. */
    conflict: theirs && current ? { base: current.base.document, mine: current.document, theirs } : undefined,
    settle: useCallback(
      (whose: 'mine' | 'newer') =>
        setMine((latest) => {
          const edited = latest && broughtUpon(latest, newest);
          if (!edited?.theirs) return latest;
          return whose === 'mine' ? mineUpon({ ...edited, theirs: edited.theirs }) : undefined;
        }),
      [newest],
    ),
  };
}
