import type { Brief, GradeEvaluation } from '@anvilstone/schema';
import type { Remote } from 'comlink';
import { useCallback, useMemo, useRef } from 'react';
import type { Engine } from '../../../workers/evaluation.worker.ts';
import type { Workshop } from '../../../workers/workshop.ts';
import { useComputed } from '../../../workers/useComputed.ts';

const NONE: ReadonlyMap<string, GradeEvaluation> = new Map();

/**
 * Every check of the grades in sight. Those seen before are kept as long as brief and library stay the same, so that
 * scrolling back shows them at once.
 */
export function useEvaluated(
  brief: Brief,
  library: Workshop,
  ids: readonly string[],
): ReadonlyMap<string, GradeEvaluation> {
  const seen = useRef<{ brief: Brief; library: Workshop; rows: Map<string, GradeEvaluation> }>(undefined);
  const key = ids.join(' ');
  const ask = useCallback(
    async (engine: Remote<Engine>) => {
      if (seen.current?.brief !== brief || seen.current.library !== library)
        seen.current = { brief, library, rows: new Map() };
      const { rows } = seen.current;
      const missing = key.split(' ').filter((id) => id !== '' && !rows.has(id));
      if (missing.length > 0) for (const one of await engine.evaluateGrades(brief, missing)) rows.set(one.gradeId, one);
      return new Map(rows);
    },
    [brief, library, key],
  );
  const { value } = useComputed(library, ask);
  return useMemo(() => value ?? NONE, [value]);
}
