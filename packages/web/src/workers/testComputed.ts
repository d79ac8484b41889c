import type { Remote } from 'comlink';
import './evaluation.worker.ts';
import type { Engine } from './evaluation.worker.ts';
import { theEngine } from './testComlink.ts';
import type { Computed } from './useComputed.ts';
import { setTheWorkshop, theWorkshop, type Workshop } from './workshop.ts';

/**
 * The worker’s own engine asked in the same process, and answered at once: a page is drawn as it is when the worker has
 * answered. What is asked for in several turns stays pending. Takes the place of useComputed in tests.
 */
export function useComputed<T>(
  library: Workshop | undefined,
  ask: ((engine: Remote<Engine>) => Promise<T>) | undefined,
): Computed<T> {
  if (!library || !ask) return { state: 'pending' };
  if (theWorkshop() !== library) setTheWorkshop(library);
  try {
    const answer = ask(theEngine() as unknown as Remote<Engine>) as unknown;
    return answer instanceof Promise ? { state: 'pending' } : { state: 'ready', value: answer as T };
  } catch (error) {
    return { state: 'failed', message: error instanceof Error ? error.message : String(error) };
  }
}
