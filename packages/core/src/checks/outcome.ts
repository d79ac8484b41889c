import type { EvidenceClass } from '@anvilstone/schema';
import type { CheckOutcome } from './check.ts';

const ORDER: readonly EvidenceClass[] = ['A', 'B', 'C', 'D'];

/** The weakest of several evidence classes. */
export function weakest(...classes: EvidenceClass[]): EvidenceClass {
  return classes.reduce((worst, one) => (ORDER.indexOf(one) > ORDER.indexOf(worst) ? one : worst), 'A');
}

export function known(facts: {
  demand: number;
  capacity: number;
  unit: string;
  evidence: EvidenceClass;
  reserve?: number;
  reason?: string | null;
  loadCaseId?: string;
}): CheckOutcome {
  const reserve = facts.reserve ?? facts.capacity / facts.demand;
  return {
    status: reserve >= 1 ? 'pass' : 'fail',
    demand: facts.demand,
    capacity: facts.capacity,
    unit: facts.unit,
    reserve,
    evidence: facts.evidence,
    gaps: [],
    reason: facts.reason ?? null,
    loadCaseId: facts.loadCaseId ?? null,
  };
}

/** Unknown never passes. */
export function unknown(unit: string, gaps: readonly string[], loadCaseId: string | null = null): CheckOutcome {
  const nothing = { demand: null, capacity: null, reserve: null, evidence: null, reason: null };
  return { status: 'unknown', unit, gaps: [...new Set(gaps)], loadCaseId, ...nothing };
}

export function notLoaded(unit: string, reason: string): CheckOutcome {
  const nothing = { demand: null, capacity: null, reserve: null, evidence: null, loadCaseId: null };
  return { status: 'not-loaded', unit, gaps: [], reason, ...nothing };
}
