import type { GradeStanding } from '@anvilstone/core';
import type { Remote } from 'comlink';
import { useCallback } from 'react';
import { useAddress } from '../app/useAddress.ts';
import { useBench } from '../parts/bench.ts';
import { useWishes } from '../shortlist/useWishes.ts';
import type { Engine } from '../workers/evaluation.worker.ts';
import { useComputed } from '../workers/useComputed.ts';

/** So many are offered; any other can be reached from the shortlist. */
const OFFERED = 60;

export interface BuildGrade {
  /** Undefined: not known yet. */
  gradeId: string | undefined;
  offered: readonly GradeStanding[];
  choose: (gradeId: string) => void;
}

/** The grade that the part is built of here: the one in the address, else whoever leads. */
export function useBuildGrade(): BuildGrade {
  const { brief, library } = useBench();
  const [search, set] = useAddress();
  const wishes = useWishes(library.rules);
  const ask = useCallback((engine: Remote<Engine>) => engine.rankingBy(brief, wishes), [brief, wishes]);
  const { value: ranked } = useComputed(library, ask);
  const wanted = search.get('grade');
  const known = library.grades.some(({ id }) => id === wanted);
  const chosen = ranked?.find(({ gradeId }) => gradeId === wanted);
  const first = ranked?.slice(0, OFFERED) ?? [];
  return {
    gradeId: known && wanted !== null ? wanted : ranked?.[0]?.gradeId,
    offered: chosen && !first.includes(chosen) ? [...first, chosen] : first,
    choose: useCallback((gradeId: string) => set({ grade: gradeId }), [set]),
  };
}
