import type { Remote } from 'comlink';
import { useEffect, useState } from 'react';
import { engineWith } from './engine.ts';
import type { Engine, Workshop } from './evaluation.worker.ts';

export type Computed<T> =
  | { state: 'pending'; value?: undefined }
  | { state: 'ready'; value: T }
  /** The input cannot be evaluated; the last result is still shown. */
  | { state: 'failed'; value?: T | undefined; message: string };

/**
 * Asks the worker and keeps the newest answer: an older one that arrives late is dropped. While a new answer is on its way
 * the last one stays. `ask` must not change between renders unless the question does (useCallback).
 */
export function useComputed<T>(
  library: Workshop | undefined,
  ask: ((engine: Remote<Engine>) => Promise<T>) | undefined,
): Computed<T> {
  const [computed, setComputed] = useState<Computed<T>>({ state: 'pending' });
  useEffect(() => {
    if (!library || !ask) return;
    let current = true;
    engineWith(library)
      .then(ask)
      .then((value) => current && setComputed({ state: 'ready', value }))
      .catch((error: unknown) => {
        if (!current) return;
        const message = error instanceof Error ? error.message : String(error);
        setComputed((last) => ({ state: 'failed', value: last.value, message }));
      });
    return () => {
      current = false;
    };
  }, [library, ask]);
  return computed;
}
