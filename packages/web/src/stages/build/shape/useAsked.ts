import { useEffect, useState } from 'react';

export interface Asked<T> {
  value: T | undefined;
  problem: string | undefined;
  /** The value is of an earlier question. */
  waiting: boolean;
}

/** Asks a worker and keeps the newest answer; `ask` must not change between renders unless the question does (useCallback). */
export function useAsked<T>(ask: (() => Promise<T>) | undefined): Asked<T> {
  const [answer, setAnswer] = useState<{ of: unknown; value?: T | undefined; problem?: string }>({ of: undefined });
  useEffect(() => {
    if (!ask) return;
    let current = true;
    ask()
      .then((value) => current && setAnswer({ of: ask, value }))
      .catch(
        (error: unknown) =>
          current && setAnswer({ of: ask, problem: error instanceof Error ? error.message : String(error) }),
      );
    return () => {
      current = false;
    };
  }, [ask]);
  return { value: answer.value, problem: answer.of === ask ? answer.problem : undefined, waiting: answer.of !== ask };
}
