import type { Remote } from 'comlink';
import { useEffect, useState } from 'react';
import { engineWith } from '../../../workers/engine.ts';
import type { Engine } from '../../../workers/evaluation.worker.ts';
import type { Workshop } from '../../../workers/workshop.ts';

/** Grades a portion: small enough that the page can ask for something else in between. */
const PORTION = 12;

export interface Portions<T> {
  /** The dimension that grows, and its drawn value, mm. */
  title: string;
  drawnMm: number;
  rows: readonly T[];
  done: boolean;
  /** This part has no dimension that may grow by itself. */
  impossible: boolean;
  failure: string | undefined;
}

export type AskPortion<T> = (
  engine: Remote<Engine>,
  ids: readonly string[],
) => Promise<{ title: string; drawnMm: number; rows: T[] } | undefined>;

/**
 * Asks the worker for grade after grade and shows what there is; another `ask` (which holds the brief; useCallback) starts
 * anew, leaving stops it. Undefined: not wanted now.
 */
export function usePortions<T>(
  library: Workshop,
  ask: AskPortion<T> | undefined,
  ids: readonly string[],
  stopped = false,
): Portions<T> {
  const [soFar, setSoFar] = useState<Portions<T>>(nothing<T>());
  // The order in which they are asked for does not matter, so that ranking anew does not start it again.
  const key = [...ids].sort().join(' ');
  useEffect(() => {
    if (stopped || !ask) return;
    let current = true;
    const run = async () => {
      const engine = await engineWith(library);
      const rows: T[] = [];
      const all = key.split(' ').filter(Boolean);
      for (let from = 0; from < all.length && current; from += PORTION) {
        const answer = await ask(engine, all.slice(from, from + PORTION));
        if (!current) return;
        if (!answer) return setSoFar({ ...nothing<T>(), done: true, impossible: true });
        rows.push(...answer.rows);
        const { title, drawnMm } = answer;
        setSoFar({ ...nothing<T>(), title, drawnMm, rows: [...rows], done: rows.length >= all.length });
      }
    };
    run().catch((error: unknown) => {
      if (current)
        setSoFar({ ...nothing<T>(), done: true, failure: error instanceof Error ? error.message : String(error) });
    });
    return () => {
      current = false;
    };
  }, [library, ask, key, stopped]);
  return soFar;
}

function nothing<T>(): Portions<T> {
  return { title: '', drawnMm: 0, rows: [], done: false, impossible: false, failure: undefined };
}
