import type { Brief } from '@anvilstone/schema';
import { useMemo, useState } from 'react';
import { useAnswer } from '../../../workers/useAnswer.ts';
import { useAnswers } from '../../../workers/useAnswers.ts';
import { inPortions } from '../../../workers/inPortions.ts';
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
  const [stopped, onStopped] = useState(false);
  const ranked = useAnswer(library, 'ranking', wanted ? [brief, 'cheapest-that-passes'] : undefined);
  const passing = useMemo(
    () => (ranked.state === 'ready' && wanted ? ranked.value.filter(({ best }) => best.status === 'pass') : []),
    [ranked.state, ranked.value, wanted],
  );
  const portions = useMemo(() => {
    const ids = passing.map(({ gradeId, best }) => `${gradeId} ${best.orientation}`);
    return inPortions(ids, PORTION).map((some): [Brief, string[]] => [brief, some]);
  }, [brief, passing]);
  const rows = useAnswers(library, 'chances', portions, { as: 'portion', ahead: stopped ? 0 : 1 });
  const done = rows.reduce((sum, one) => sum + (one?.value?.length ?? 0), 0);
  return { done, of: passing.length, stopped, onStopped };
}
