import type { EvaluationEntry, Statement } from '@anvilstone/schema';
import { formatNumber as f, formatReserve, say, grams, kelvins } from '@anvilstone/core/foundations';
import { rejectionReasons } from '../wording/rejectionReasons.ts';

/** Less than this of a difference says nothing. */
const SAME_SHARE = 0.01;
const SAME_K = 1;
const MOST_REASONS = 6;

/**
 * Why another candidate was not taken, from the numbers alone: what it fails, or else how it differs from the chosen one. What speaks for it
 * is said too, so that nobody has to find it out later.
 */
export function whyNot(chosen: EvaluationEntry, other: EvaluationEntry): Statement[] {
  if (other.status !== 'pass') return rejectionReasons(other).slice(0, MOST_REASONS);
  const said = [
    compared(chosen.costUsd, other.costUsd, (by) => `${by.toFixed(2)} USD`, 'dearer by', 'cheaper by'),
    reserves(chosen, other),
    compared(chosen.massG, other.massG, (by) => say`${grams(by)}`, 'heavier by', 'lighter by'),
    chances(chosen, other),
    heat(chosen.ownHeatLimitC, other.ownHeatLimitC),
    typical(chosen, other),
  ].filter((text) => text !== null);
  return said.length > 0 ? said : ['Equal in all values'];
}

function compared(
  a: number | null,
  b: number | null,
  show: (by: number) => Statement,
  more: string,
  less: string,
): Statement | null {
  if (a === null || b === null) return null;
  const by = b - a;
  if (Math.abs(by) <= SAME_SHARE * Math.max(Math.abs(a), Math.abs(b))) return null;
  return say`${by > 0 ? more : less} ${show(Math.abs(by))}`;
}

/** Differences of temperature are no shares of it. */
function heat(a: number | null, b: number | null): Statement | null {
  if (a === null || b === null || Math.abs(b - a) < SAME_K) return null;
  return say`${b > a ? 'higher limit under load' : 'lower limit under load'} by ${kelvins(Math.abs(b - a), 2)}`;
}

function reserves({ minimumReserve: a }: EvaluationEntry, { minimumReserve: b }: EvaluationEntry): string | null {
  if (a === null || b === null || Math.abs(b - a) <= SAME_SHARE * a) return null;
  return `minimum reserve ${formatReserve(b)} against ${formatReserve(a)}`;
}

function chances({ chance: a }: EvaluationEntry, { chance: b }: EvaluationEntry): string | null {
  if (!a || !b || Math.abs(a.all - b.all) < 0.005) return null;
  return `meets all checks in ${f(100 * b.all)} % of the draws against ${f(100 * a.all)} %`;
}

/** How many of the passes rest on values typical of the family. */
function typical(a: EvaluationEntry, b: EvaluationEntry): string | null {
  const count = ({ checks }: EvaluationEntry) =>
    checks.filter(({ status, evidence }) => status === 'pass' && evidence === 'D').length;
  const [mine, its] = [count(a), count(b)];
  return mine === its ? null : `${its} of its passes rest on family estimates against ${mine}`;
}
