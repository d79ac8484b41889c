import type { Brief } from '@anvilstone/schema';
import { useOutletContext } from 'react-router';
import type { ScreeningSummary } from '../../workers/leaders.ts';
import type { Workshop } from '../../workers/workshop.ts';
import type { Computed } from '../../workers/useComputed.ts';

/** What every stage of a part works on. */
export interface PartContext {
  partId: string;
  brief: Brief;
  library: Workshop;
  screening: Computed<ScreeningSummary>;
}

export function usePartContext(): PartContext {
  return useOutletContext<PartContext>();
}
