import type { PartBody } from '@anvilstone/core/shapes';
import type { CaseCheck, CaseOutcome, Check, PreparedLoad } from './check.ts';
import { allLoads, isAskedOf } from './combined/asked.ts';
import { NO_GAPS, notLoaded, unknown } from './outcome.ts';

/** Makes a check of a brief out of a check of one load case: the case with the minimum reserve decides. */
export function overLoadCases(check: CaseCheck): Check {
  const isAsked = (load: PreparedLoad, body: PartBody) =>
    isAskedOf(check, load, body) && (check.asksOnlyWarm?.(load) ?? true);
  // What only load cases have stays with the check of one; all else it says of itself holds of both.
  const { unit: _u, limitsHeat: _l, temperatureDependence: _t, ofCombinations: _o, asksOnlyWarm: _w, ...about } = check;
  const { appliesTo: _a, at: _at, ...facts } = about;
  return {
    ...facts,
    scatter: 'loads',
    applies: (part) => allLoads(part).some((load) => isAsked(load, part.body)),
    evaluate(context, working) {
      const unit = typeof check.unit === 'string' ? check.unit : check.unit(context.body);
      let worst: { load: PreparedLoad; outcome: Extract<CaseOutcome, { kind: 'known' }> } | undefined;
      for (const load of allLoads(context.part)) {
        if (!isAsked(load, context.body)) continue;
        const { id, temperatureC, durationH } = load.loadCase;
        const outcome = check.at(context, load, temperatureC, durationH);
        if (outcome.kind === 'unknown') return unknown(unit, outcome.gaps, id);
        if (outcome.kind === 'known' && (!worst || reserveOf(outcome) < reserveOf(worst.outcome)))
          worst = { load, outcome };
      }
      if (!worst) return notLoaded(unit, 'Not loaded this way in this orientation');
      const { load, outcome } = worst;
      const { id, temperatureC, durationH } = load.loadCase;
      if (working) check.at(context, load, temperatureC, durationH, working);
      const reserve = reserveOf(outcome);
      return {
        checkId: '',
        status: reserve >= 1 ? 'pass' : 'fail',
        demand: outcome.demand,
        capacity: outcome.capacity,
        unit,
        reserve,
        evidence: outcome.evidence,
        gaps: NO_GAPS,
        reason: outcome.reason ?? null,
        loadCaseId: id,
        placeId: outcome.layerStress?.place.id ?? outcome.placeId ?? null,
      };
    },
  };
}

/** Reserve of an outcome; an infinite capacity (a bar that does not break) is shown as the largest reserve there is. */
export function reserveOf(outcome: { demand: number; capacity: number; reserve?: number }): number {
  const reserve = outcome.reserve ?? outcome.capacity / outcome.demand;
  return Number.isFinite(reserve) ? reserve : LARGEST_RESERVE;
}

/** More than this is “plenty”: a reserve is a finite number, so that it can be stored, sorted and drawn. */
const LARGEST_RESERVE = 9999;
