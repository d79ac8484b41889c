import { findCheck } from '@anvilstone/core/checks';
import type { Finalist } from './finalist.ts';

/** A reserve that changes by less than this share is not worth a word. */
const WORTH_A_WORD = 0.05;
const MOST_NAMED = 4;

export interface ReserveChange {
  checkId: string;
  title: string;
  from: number;
  to: number;
}

/** What a dearer finalist gives for its price over the next cheaper one, and what it takes. */
export interface Buy {
  cheaperId: string;
  dearerId: string;
  moreUsd: number;
  morePercent: number;
  /** Largest change first. */
  gains: readonly ReserveChange[];
  losses: readonly ReserveChange[];
  smallestReserve: { from: number | null; to: number | null };
  heatLimitK: number | null;
  massG: number | null;
  becomesPass: boolean;
}

/** Finalists in order of cost, each held against the one before it; those without a price are left out. */
export function whatTheDearerBuys(finalists: readonly Finalist[]): Buy[] {
  const priced = finalists
    .filter(({ entry }) => entry.costUsd !== null)
    .sort((a, b) => a.entry.costUsd! - b.entry.costUsd!);
  return priced.slice(1).map((dearer, i): Buy => {
    const cheaper = priced[i]!;
    const [a, b] = [cheaper.entry, dearer.entry];
    const changes = b.checks.flatMap((check, at): ReserveChange[] => {
      const before = a.checks[at]!;
      // Cost is what is paid, not what is bought.
      if (check.checkId === 'cost-limit' || check.reserve === null || before.reserve === null) return [];
      if (Math.abs(check.reserve / before.reserve - 1) < WORTH_A_WORD) return [];
      return [
        {
          checkId: check.checkId,
          title: findCheck(check.checkId)?.title ?? check.checkId,
          from: before.reserve,
          to: check.reserve,
        },
      ];
    });
    const bySize = (x: ReserveChange, y: ReserveChange) =>
      Math.abs(Math.log(y.to / y.from)) - Math.abs(Math.log(x.to / x.from));
    const difference = (from: number | null, to: number | null) => (from === null || to === null ? null : to - from);
    return {
      cheaperId: cheaper.gradeId,
      dearerId: dearer.gradeId,
      moreUsd: b.costUsd! - a.costUsd!,
      morePercent: 100 * (b.costUsd! / a.costUsd! - 1),
      gains: changes
        .filter(({ from, to }) => to > from)
        .sort(bySize)
        .slice(0, MOST_NAMED),
      losses: changes
        .filter(({ from, to }) => to < from)
        .sort(bySize)
        .slice(0, MOST_NAMED),
      smallestReserve: { from: a.minimumReserve, to: b.minimumReserve },
      heatLimitK: difference(a.ownHeatLimitC, b.ownHeatLimitC),
      massG: difference(a.massG, b.massG),
      becomesPass: a.status !== 'pass' && b.status === 'pass',
    };
  });
}
