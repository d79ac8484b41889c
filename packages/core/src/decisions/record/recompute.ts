import type { Decision, EvaluationResult, FrozenSensitivity } from '@anvilstone/schema';
import { evaluate, resultDifferences } from '@anvilstone/core/evaluation';
import { formatNumber } from '@anvilstone/core/foundations';
import { sensitivityOf, withNamedChances } from './grounds.ts';

/** Processors may differ in the last bits, and so in which side of a limit a draw falls now and then; not in more. */
const RELATIVE_TOLERANCE = 1e-9;
const DRAWS_TOLERANCE = 2e-4;

/**
 * A frozen decision computed again from its own brief, evidence, machines and rules: one sentence for every number that comes out otherwise,
 * chances and sensitivity with it. Empty: it agrees.
 * @throws InputError when its brief cannot be evaluated
 */
export function recomputeDecision(decision: Decision): string[] {
  const { brief, grades, machines, agents = [], rules, result, grounds } = decision;
  const library = { grades, machines, agents };
  const current = evaluate(brief, library, { rules });
  const differences = resultDifferences(result, current);
  if (!grounds) return differences;
  const named = grounds.alternatives.map(({ gradeId }) => gradeId);
  const chanced = withNamedChances(brief, library, rules, current, decision, named);
  return [
    ...differences,
    ...chanceDifferences(result, chanced),
    ...sensitivityDifferences(
      grounds.sensitivity,
      sensitivityOf(brief, library, rules, { ...decision, schoolId: grounds.schoolId }),
    ),
  ];
}

function chanceDifferences(frozen: EvaluationResult, current: EvaluationResult): string[] {
  const now = new Map(current.grades.map((one) => [one.gradeId, one]));
  return frozen.grades.flatMap(({ gradeId, entries }) =>
    entries.flatMap(({ orientation, chance }): string[] => {
      if (chance === undefined) return [];
      const other = now.get(gradeId)?.entries.find((one) => one.orientation === orientation)?.chance;
      const [was, is] = [chance?.all ?? null, other?.all ?? null];
      const same = was === null || is === null ? was === is : Math.abs(was - is) <= DRAWS_TOLERANCE;
      return same ? [] : [`${gradeId}, ${orientation}: chance was ${percent(was)}, now ${percent(is)}`];
    }),
  );
}

const percent = (share: number | null) => (share === null ? 'unknown' : `${formatNumber(100 * share, 4)} %`);

function sensitivityDifferences(frozen: readonly FrozenSensitivity[], current: readonly FrozenSensitivity[]): string[] {
  const now = new Map(current.map((one) => [one.id, one]));
  return frozen.flatMap((was): string[] => {
    const is = now.get(was.id);
    if (!is) return [`${was.title}: no longer among the most decisive inputs`];
    return (['low', 'high'] as const)
      .filter((side) => !same(was[side].reserve, is[side].reserve))
      .map(
        (side) => `${was.title}, ${side} end: reserve was ${shown(was[side].reserve)}, now ${shown(is[side].reserve)}`,
      );
  });
}

const same = (a: number | null, b: number | null) =>
  a === null || b === null ? a === b : Math.abs(a - b) <= RELATIVE_TOLERANCE * Math.max(Math.abs(a), Math.abs(b));
const shown = (value: number | null) => (value === null ? 'unknown' : formatNumber(value, 6));
