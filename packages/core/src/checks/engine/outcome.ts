import { distinct } from '@anvilstone/core/foundations';
import type { EvidenceClass, Statement } from '@anvilstone/schema';
import type { CheckOutcome } from './checkOutcome.ts';

/** Shared by every outcome without gaps: nobody changes a result. */
export const NO_GAPS: Statement[] = [];

/** The weakest of several evidence classes: A is the strongest, and the letters are in order. */
export function weakest(first: EvidenceClass, second: EvidenceClass = 'A', third: EvidenceClass = 'A'): EvidenceClass {
  const weaker = first > second ? first : second;
  return weaker > third ? weaker : third;
}

export function known(facts: {
  demand: number;
  capacity: number;
  unit: string;
  evidence: EvidenceClass;
  reserve?: number;
  reason?: Statement | null;
  loadCaseId?: string;
  placeId?: string | undefined;
}): CheckOutcome {
  const reserve = facts.reserve ?? facts.capacity / facts.demand;
  return {
    checkId: '',
    status: reserve >= 1 ? 'pass' : 'fail',
    demand: facts.demand,
    capacity: facts.capacity,
    unit: facts.unit,
    reserve,
    evidence: facts.evidence,
    gaps: NO_GAPS,
    reason: facts.reason ?? null,
    loadCaseId: facts.loadCaseId ?? null,
    placeId: facts.placeId ?? null,
  };
}

/** Unknown never passes. */
export function unknown(unit: string, gaps: readonly Statement[], loadCaseId: string | null = null): CheckOutcome {
  const nothing = { demand: null, capacity: null, reserve: null, evidence: null, reason: null, placeId: null };
  return { checkId: '', status: 'unknown', unit, gaps: distinct(gaps), loadCaseId, ...nothing };
}

export function notLoaded(unit: string, reason: Statement): CheckOutcome {
  const nothing = { demand: null, capacity: null, reserve: null, evidence: null, loadCaseId: null, placeId: null };
  return { checkId: '', status: 'not-loaded', unit, gaps: NO_GAPS, reason, ...nothing };
}

/** A judgement without a number of its own: a rating, a claim, a colour. `reserve` only where there is one. */
export function judged(
  status: 'pass' | 'fail',
  evidence: EvidenceClass,
  reason: Statement,
  numbers: { demand?: number; capacity?: number; reserve?: number; unit?: string; loadCaseId?: string } = {},
): CheckOutcome {
  return {
    checkId: '',
    status,
    demand: numbers.demand ?? null,
    capacity: numbers.capacity ?? null,
    unit: numbers.unit ?? '',
    reserve: numbers.reserve ?? null,
    evidence,
    gaps: NO_GAPS,
    reason,
    loadCaseId: numbers.loadCaseId ?? null,
    placeId: null,
  };
}
