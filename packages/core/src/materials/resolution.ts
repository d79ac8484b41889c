import type { Conditioning, EvidenceClass } from '@anvilstone/schema';

export interface ResolveAt {
  /** In plane covers XY and XZ; across is upright, ZX. */
  direction: 'in-plane' | 'across';
  conditioning: Conditioning;
}

export interface DerivationStep {
  text: string;
  /** Value after this step, in the property's canonical unit. */
  value: number;
}

export interface Resolved {
  known: true;
  value: number;
  /** Log-normal coefficient of variation, 0 … 1. */
  cov: number;
  evidence: EvidenceClass;
  steps: readonly DerivationStep[];
}
export interface Unresolved {
  known: false;
  gaps: readonly string[];
}
export type Resolution = Resolved | Unresolved;
