import type { Sized } from '@anvilstone/core';
import type { Brief } from '@anvilstone/schema';
import { useEffect, useState } from 'react';
import { engineWith } from '../workers/engine.ts';
import type { Workshop } from '../workers/evaluation.worker.ts';

/** Grades a portion: small enough that the page can ask for something else in between. */
const PORTION = 12;

export interface SizedSoFar {
  title: string;
  drawnMm: number;
  sized: readonly Sized[];
  done: boolean;
  /** This part has no dimension that may grow by itself. */
  impossible: boolean;
  failure: string | undefined;
}

const NOTHING: SizedSoFar = { title: '', drawnMm: 0, sized: [], done: false, impossible: false, failure: undefined };

/** Sizes grade after grade in the worker and shows what there is; a change of the brief starts anew, leaving stops it. */
export function useSized(brief: Brief, library: Workshop, ids: readonly string[], stopped: boolean): SizedSoFar {
  const [soFar, setSoFar] = useState(NOTHING);
  const key = ids.join(' ');
  useEffect(() => {
    if (stopped) return;
    let current = true;
    const run = async () => {
      const engine = await engineWith(library);
      const sized: Sized[] = [];
      const all = key.split(' ').filter(Boolean);
      for (let from = 0; from < all.length && current; from += PORTION) {
        const answer = await engine.sized(brief, all.slice(from, from + PORTION));
        if (!current) return;
        if (!answer) return setSoFar({ ...NOTHING, done: true, impossible: true });
        sized.push(...answer.sized);
        setSoFar({
          ...NOTHING,
          title: answer.title,
          drawnMm: answer.drawnMm,
          sized: [...sized],
          done: sized.length >= all.length,
        });
      }
    };
    run().catch((error: unknown) => {
      if (current)
        setSoFar({ ...NOTHING, done: true, failure: error instanceof Error ? error.message : String(error) });
    });
    return () => {
      current = false;
    };
  }, [brief, library, key, stopped]);
  return soFar;
}
