import type { RankedCandidate } from '@anvilstone/core/evaluation';

import type { BuildOrientation } from '@anvilstone/schema';
import { useCallback } from 'react';
import { useAddress } from '../../sync/address/useAddress.ts';
import { usePartContext } from '../parts/partContext.ts';
import { usePreferred } from '../parts/usePreferred.ts';
import { usePreferences } from '../shortlist/ranking/usePreferences.ts';

import { useAnswer } from '../../workers/useAnswer.ts';

/** So many are offered; any other can be reached from the shortlist. */
const OFFERED = 60;

export interface BuildGrade {
  /** Undefined: not known yet. */
  gradeId: string | undefined;
  /** The build orientation that is shown unless another is asked for: as decided, else its best. */
  orientation: BuildOrientation | undefined;
  offered: readonly RankedCandidate[];
  choose: (gradeId: string) => void;
}

/** The grade that the part is built of here: the one in the address, else the decided one, else a pinned one, else whoever leads. */
export function useBuildGrade(): BuildGrade {
  const { brief, library } = usePartContext();
  const [search, set] = useAddress();
  const preferences = usePreferences(library.rules);
  const { value: ranked } = useAnswer(library, 'rankingBy', [brief, preferences]);
  const { preferred, known: decided } = usePreferred();
  const asked = search.get('grade');
  const isAsked = library.grades.some(({ id }) => id === asked);
  // Nobody leads here until it is known whether something was decided.
  const wanted = isAsked ? asked! : decided ? (preferred?.gradeId ?? ranked?.[0]?.gradeId) : undefined;
  const chosen = ranked?.find(({ gradeId }) => gradeId === wanted);
  const first = ranked?.slice(0, OFFERED) ?? [];
  return {
    gradeId: wanted,
    orientation:
      (wanted === preferred?.gradeId ? preferred?.orientation : undefined) ??
      ranked?.find(({ gradeId }) => gradeId === wanted)?.best.orientation,
    offered: chosen && !first.includes(chosen) ? [...first, chosen] : first,
    choose: useCallback((gradeId: string) => set({ grade: gradeId }), [set]),
  };
}
