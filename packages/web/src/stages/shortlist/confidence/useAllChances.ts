import type { Brief } from '@anvilstone/schema';
import { useEffect, useState } from 'react';
import { engineWith } from '../../../workers/engine.ts';
import type { Workshop } from '../../../workers/workshop.ts';

const PORTION = 10;

export interface ChancesProgress {
  done: number;
  of: number;
  stopped: boolean;
  onStopped: (stopped: boolean) => void;
}

/** Works out the chance of every grade that passes, portion by portion; it can be stopped and goes on where it was. */
export function useAllChances(brief: Brief, library: Workshop, wanted: boolean): ChancesProgress {
  const [{ done, of }, setProgress] = useState({ done: 0, of: 0 });
  const [stopped, onStopped] = useState(false);
  useEffect(() => {
    if (!wanted || stopped) return;
    let current = true;
    const run = async () => {
      const engine = await engineWith(library);
      const passing = (await engine.ranking(brief, 'cheapest-that-passes')).filter(
        ({ best }) => best.status === 'pass',
      );
      for (let from = 0; from < passing.length && current; from += PORTION) {
        const some = passing.slice(from, from + PORTION);
        await engine.chances(
          brief,
          some.map(({ gradeId, best }) => `${gradeId} ${best.orientation}`),
        );
        if (current) setProgress({ done: from + some.length, of: passing.length });
      }
    };
    // A brief that cannot be evaluated is said to be so beside the shortlist.
    run().catch(() => undefined);
    return () => {
      current = false;
    };
  }, [brief, library, wanted, stopped]);
  return { done, of, stopped, onStopped };
}
