import type { EvaluationEntry } from '@anvilstone/schema';
import { compareNumbers, STATUS_ORDER } from '../ranking/order.ts';

const ORIENTATION_ORDER = { XY: 0, XZ: 1, ZX: 2 } as const;

/**
 * Orders two entries of one grade, the better first: status, then the larger minimum reserve, then the larger second
 * smallest and so on (so that equal cost or mass does not hide a better orientation), then cost, then XY before XZ before ZX.
 */
export function compareEntries(a: EvaluationEntry, b: EvaluationEntry): number {
  return (
    STATUS_ORDER[a.status] - STATUS_ORDER[b.status] ||
    blockers(a) - blockers(b) ||
    compareNumbers(b.minimumReserve ?? Infinity, a.minimumReserve ?? Infinity) ||
    compareReserves(a, b) ||
    compareNumbers(a.costUsd ?? Infinity, b.costUsd ?? Infinity) ||
    ORIENTATION_ORDER[a.orientation] - ORIENTATION_ORDER[b.orientation]
  );
}

function blockers(entry: EvaluationEntry): number {
  let count = 0;
  for (const { status, reserve } of entry.checks) if (status === 'fail' && reserve === null) count++;
  return count;
}

/** The larger minimum reserve first, then the larger second smallest, and so on; what has fewer reserves counts as larger. */
function compareReserves(a: EvaluationEntry, b: EvaluationEntry): number {
  const left = sortedReserves(a, LEFT);
  const right = sortedReserves(b, RIGHT);
  for (let i = 0; i < Math.max(left, right); i++) {
    const difference = compareNumbers(i < right ? RIGHT[i]! : Infinity, i < left ? LEFT[i]! : Infinity);
    if (difference !== 0) return difference;
  }
  return 0;
}

// Thousands of comparisons are made at a time: they share two rows of paper.
const LEFT: number[] = [];
const RIGHT: number[] = [];

/** Writes an entry's reserves in rising order into `into`; how many there are. */
function sortedReserves({ checks }: EvaluationEntry, into: number[]): number {
  let count = 0;
  for (const { reserve } of checks) {
    if (reserve === null) continue;
    let at = count;
    while (at > 0 && into[at - 1]! > reserve) {
      into[at] = into[at - 1]!;
      at -= 1;
    }
    into[at] = reserve;
    count += 1;
  }
  return count;
}
