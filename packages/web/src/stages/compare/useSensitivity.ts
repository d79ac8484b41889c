import { spanOf, type RankingPreferences, type Sensitivity } from '@anvilstone/core/evaluation';
import type { Brief } from '@anvilstone/schema';
import { useMemo } from 'react';
import { useAnswer } from '../../workers/useAnswer.ts';
import { useAnswers } from '../../workers/useAnswers.ts';
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
export function useSensitivity(brief: Brief, library: Workshop, preferences: RankingPreferences): SensitivitySoFar {
  const asked = useAnswer(library, 'sensitivityInputs', [brief, preferences]);
  const inputs = asked.state === 'ready' ? asked.value?.inputs : undefined;
  const each = useMemo(
    () => (inputs ?? []).map((_, index): [Brief, RankingPreferences, number] => [brief, preferences, index]),
    [inputs, brief, preferences],
  );
  const answers = useAnswers(library, 'sensitivity', each, { as: 'portion', ahead: 1 });
  if (asked.state === 'failed') return { ...NOTHING, done: true, failure: asked.message };
  if (asked.state !== 'ready') return NOTHING;
  if (!asked.value) return { ...NOTHING, leaderId: null, done: true };
  const told = answers.filter((one) => one !== undefined);
  return {
    leaderId: asked.value.leaderId,
    found: told.flatMap((one) => one.value ?? []).sort((a, b) => spanOf(b) - spanOf(a)),
    of: asked.value.inputs.length,
    done: told.length === asked.value.inputs.length,
    failure: told.find((one) => one.failure !== undefined)?.failure,
  };
}
