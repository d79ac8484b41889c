import type { Chance } from '@anvilstone/core/evaluation';
import type { Brief, BuildOrientation } from '@anvilstone/schema';
import type { Remote } from 'comlink';
import { useCallback, useMemo, useRef } from 'react';
import type { Engine } from '../../../workers/evaluation.worker.ts';
import type { Workshop } from '../../../workers/workshop.ts';
import { useComputed } from '../../../workers/useComputed.ts';

/** Undefined chance: a check is not known, so neither is the chance. */
export type Chances = ReadonlyMap<string, Chance | undefined>;
const NONE: Chances = new Map();
/** Rows a turn: few enough that scrolling or a change of the brief is answered in between. */
const PORTION = 8;

/** Chances of the grades in sight, each in the build orientation that is shown; those worked out before are kept for the same brief. */
export function useChances(
  brief: Brief,
  library: Workshop,
  wanted: readonly { gradeId: string; orientation: BuildOrientation }[],
): Chances {
  const seen = useRef<{ brief: Brief; library: Workshop; chances: Map<string, Chance | undefined> }>(undefined);
  const key = wanted.map(({ gradeId, orientation }) => `${gradeId} ${orientation}`).join('|');
  const ask = useCallback(
    async (engine: Remote<Engine>) => {
      if (seen.current?.brief !== brief || seen.current.library !== library)
        seen.current = { brief, library, chances: new Map() };
      const { chances } = seen.current;
      const missing = key.split('|').filter((one) => one !== '' && !chances.has(one));
      for (let from = 0; from < missing.length; from += PORTION) {
        const portion = missing.slice(from, from + PORTION);
        const found = await engine.chances(brief, portion);
        portion.forEach((one, i) => chances.set(one, found[i] ?? undefined));
      }
      return new Map(chances);
    },
    [brief, library, key],
  );
  const { value } = useComputed(library, ask);
  return useMemo(() => value ?? NONE, [value]);
}
