import type { Chance } from '@anvilstone/core/evaluation';
import type { Brief, BuildOrientation } from '@anvilstone/schema';
import { useMemo } from 'react';
import { useAnswers } from '../../../workers/useAnswers.ts';
import type { Workshop } from '../../../workers/workshop.ts';

/** Undefined chance: a check is not known, so neither is the chance. */
export type Chances = ReadonlyMap<string, Chance | undefined>;
/** Waiting for the worker at a time: few enough that a change of the brief is answered in between. */
const AHEAD = 4;

/** Chances of the grades in sight, each in the build orientation that is shown, as they come in. */
export function useChances(
  brief: Brief,
  library: Workshop,
  wanted: readonly { gradeId: string; orientation: BuildOrientation }[],
): Chances {
  const key = wanted.map(({ gradeId, orientation }) => `${gradeId} ${orientation}`).join('|');
  const all = useMemo(
    () =>
      key
        .split('|')
        .filter(Boolean)
        .map((one): [Brief, string[]] => [brief, [one]]),
    [brief, key],
  );
  const rows = useAnswers(library, 'chances', all, { ahead: AHEAD });
  return useMemo(
    () => new Map(rows.flatMap((one, i) => (one?.value ? [[all[i]![1][0]!, one.value[0] ?? undefined] as const] : []))),
    [rows, all],
  );
}
