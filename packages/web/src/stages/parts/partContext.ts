import type { Brief } from '@anvilstone/schema';
import { useOutletContext } from 'react-router';
import type { ScreeningSummary } from '../../workers/leaders.ts';
import type { Workshop } from '../../workers/workshop.ts';
import type { Answer } from '../../workers/useAnswer.ts';

/** What every stage of a part works on. */
export interface PartContext {
  partId: string;
  brief: Brief;
  library: Workshop;
  screening: Answer<ScreeningSummary>;
}

export function usePartContext(): PartContext {
  return useOutletContext<PartContext>();
}
