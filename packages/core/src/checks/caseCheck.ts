import type { LoadCase } from '@anvilstone/schema';
import type { CaseCheck, CaseOutcome, Check } from './check.ts';
import { known, notLoaded, unknown } from './outcome.ts';

/** Makes a check of a brief out of a check of one load case: the case with the smallest reserve decides. */
export function overLoadCases(check: CaseCheck): Check {
  return {
    id: check.id,
    title: check.title,
    asks: check.asks,
    applies: (brief) => brief.loadCases.some((loadCase) => check.appliesTo(loadCase)),
    evaluate(context, working) {
      let worst: { loadCase: LoadCase; outcome: Extract<CaseOutcome, { kind: 'known' }> } | undefined;
      for (const loadCase of context.brief.loadCases) {
        if (!check.appliesTo(loadCase)) continue;
        const outcome = check.at(context, loadCase, loadCase.temperatureC, loadCase.durationH);
        if (outcome.kind === 'unknown') return unknown(check.unit, outcome.gaps, loadCase.id);
        if (outcome.kind === 'known' && (!worst || reserveOf(outcome) < reserveOf(worst.outcome)))
          worst = { loadCase, outcome };
      }
      if (!worst) return notLoaded(check.unit, 'Not stressed this way in this orientation');
      const { loadCase, outcome } = worst;
      if (working) check.show(context, loadCase, loadCase.temperatureC, loadCase.durationH, working);
      return known({ ...outcome, unit: check.unit, loadCaseId: loadCase.id });
    },
  };
}

export function reserveOf(outcome: { demand: number; capacity: number }): number {
  return outcome.capacity / outcome.demand;
}
