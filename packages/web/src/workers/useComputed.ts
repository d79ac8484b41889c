import type { Remote } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { engineWith } from './engine.ts';
import type { Engine } from './evaluation.worker.ts';
import type { Workshop } from './workshop.ts';

export type Computed<T> =
  | { state: 'pending'; value?: undefined }
  | { state: 'ready'; value: T }
  /** The input cannot be evaluated; the last result is still shown. */
  | { state: 'failed'; value?: T | undefined; message: string };

/**
 * Asks the worker and keeps the newest answer. One question is under way at a time: while it is, only the newest of those
 * that follow waits, so that a slider that moves sixty times a second never leaves a queue behind. While a new answer is
 * on its way the last one stays, and one that comes late is shown until then: questions that follow each other faster than
 * they are answered must not leave nothing to be seen. `ask` must not change between renders unless the question does (useCallback).
 */
export function useComputed<T>(
  library: Workshop | undefined,
  ask: ((engine: Remote<Engine>) => Promise<T>) | undefined,
): Computed<T> {
  const [computed, setComputed] = useState<Computed<T>>({ state: 'pending' });
  const line = useRef<{ wanted: (() => Promise<void>) | undefined; running: boolean }>({
    wanted: undefined,
    running: false,
  });
  useEffect(() => {
    if (!library || !ask) return;
    const queue = line.current;
    let current = true;
    queue.wanted = async () => {
      try {
        const value = await ask(await engineWith(library));
        setComputed({ state: 'ready', value });
      } catch (error) {
        if (!current) return;
        const message = error instanceof Error ? error.message : String(error);
        setComputed((last) => ({ state: 'failed', value: last.value, message }));
      }
    };
    if (!queue.running) void workOff(queue);
    return () => {
      current = false;
    };
  }, [library, ask]);
  return computed;
}

async function workOff(queue: { wanted: (() => Promise<void>) | undefined; running: boolean }): Promise<void> {
  queue.running = true;
  while (queue.wanted) {
    const next = queue.wanted;
    queue.wanted = undefined;
    await next();
  }
  queue.running = false;
}
