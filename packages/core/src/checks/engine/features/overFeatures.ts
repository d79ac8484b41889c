import type { CheckResult, Statement } from '@anvilstone/schema';
import type { Check, CheckContext, HeatLimit } from '../check.ts';
import type { CheckOutcome } from '../checkOutcome.ts';
import { ownHeatLimit } from '../../heat/ownHeatLimit.ts';
import { featureContexts } from './featureContexts.ts';

const SEVERITY: Record<CheckResult['status'], number> = { fail: 3, unknown: 2, pass: 1, 'not-loaded': 0 };

/** Of several models of one part the worst: what fails before what is unknown, then the minimum reserve. */
const isWorse = (a: CheckOutcome, b: CheckOutcome) =>
  SEVERITY[a.status] - SEVERITY[b.status] || (b.reserve ?? Infinity) - (a.reserve ?? Infinity);

/** A check of a part model, asked of every model of the part: the worst governs. */
export function overFeatures(check: Check): Check {
  return {
    ...check,
    applies: (part) => check.applies(part) || part.features.some((feature) => check.applies(feature)),
    evaluate(context, working) {
      if (context.part.features.length === 0) return check.evaluate(context, working);
      const asked = [context, ...featureContexts(context)].filter(({ part }) => check.applies(part));
      const found = asked.map((one) => ({ one, outcome: check.evaluate(one) }));
      const worst = found.reduce((a, b) => (isWorse(b.outcome, a.outcome) > 0 ? b : a));
      if (working) check.evaluate(worst.one, working);
      return worst.outcome;
    },
  };
}

/** The lowest limit under load of all models of a part. Gaps: one of them is not known. */
export function lowestHeatLimit(context: CheckContext): HeatLimit | { gaps: readonly Statement[] } {
  let lowest = ownHeatLimit(context);
  for (const one of featureContexts(context)) {
    const limit = ownHeatLimit(one);
    if ('gaps' in lowest) return lowest;
    if ('gaps' in limit || limit.limitC < lowest.limitC) lowest = limit;
  }
  return lowest;
}
