import { spanOf, type RankingPreferences, type Sensitivity } from '@anvilstone/core/evaluation';
import type { Brief } from '@anvilstone/schema';
import { useEffect, useState } from 'react';
import { engineWith } from '../../workers/engine.ts';
import type { Workshop } from '../../workers/workshop.ts';

export interface SensitivitySoFar {
  /** Undefined: not known yet; null: nobody leads. */
  leaderId: string | null | undefined;
  found: readonly Sensitivity[];
  of: number;
  done: boolean;
  failure: string | undefined;
}
const NOTHING: SensitivitySoFar = { leaderId: undefined, found: [], of: 0, done: false, failure: undefined };

/** Input after input, what decides most first; a change of the brief starts anew. */
export function useSensitivity(
  brief: Brief,
  library: Workshop,
  preferences: RankingPreferences,
  wanted: boolean,
): SensitivitySoFar {
  const [soFar, setSoFar] = useState(NOTHING);
  useEffect(() => {
    if (!wanted) return;
    let current = true;
    const run = async () => {
      const engine = await engineWith(library);
      const asked = await engine.sensitivityInputs(brief, preferences);
      if (!current) return;
      if (!asked) return setSoFar({ ...NOTHING, leaderId: null, done: true });
      const { leaderId, inputs } = asked;
      const found: Sensitivity[] = [];
      for (let index = 0; index < inputs.length; index++) {
        const one = await engine.sensitivity(brief, preferences, index);
        if (!current) return;
        if (one) found.push(one);
        setSoFar({
          leaderId,
          found: [...found].sort((a, b) => spanOf(b) - spanOf(a)),
          of: inputs.length,
          done: index + 1 === inputs.length,
          failure: undefined,
        });
      }
    };
    run().catch((error: unknown) => {
      if (current)
        setSoFar({ ...NOTHING, done: true, failure: error instanceof Error ? error.message : String(error) });
    });
    return () => {
      current = false;
    };
  }, [brief, library, preferences, wanted]);
  return soFar;
}
