import type { Brief, EvaluationResult, Library } from '@anvilstone/schema';
import { useOutletContext } from 'react-router';
import type { Computed } from '../workers/useComputed.ts';

/** What every stage of a part works on. */
export interface Bench {
  partId: string;
  brief: Brief;
  library: Library;
  evaluation: Computed<EvaluationResult>;
}

export function useBench(): Bench {
  return useOutletContext<Bench>();
}
