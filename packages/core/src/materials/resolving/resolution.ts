import type { Conditioning, EvidenceClass, Statement } from '@anvilstone/schema';
import type { TestParameter } from './conditions.ts';
import type { Solidity } from '../behaviour/formLimit.ts';

export interface ResolveAt {
  /** In plane covers XY and XZ; across is upright, ZX. */
  direction: 'in-plane' | 'across';
  conditioning: Conditioning;
  /** What holds the part together as it is used; absent: whatever it was tested as. */
  solidity?: Solidity;
  /** °C. @default 23 */
  temperatureC?: number;
  /** Test parameters the value is wanted at, such as the stress of a heat deflection test. */
  parameters?: Partial<Record<TestParameter, number | string>>;
}

export interface DerivationStep {
  text: Statement;
  /** Value after this step, in the property's canonical unit. */
  value: number;
}

export interface Resolved {
  known: true;
  /** Canonical unit. Infinite: the notched bar does not break. */
  value: number;
  /** Log-normal coefficient of variation, 0 … 1. */
  cov: number;
  evidence: EvidenceClass;
  steps: readonly DerivationStep[];
  /** Which observation it rests on; absent for a family estimate. */
  observationId?: string;
}
export interface Unresolved {
  known: false;
  gaps: readonly Statement[];
}
export type Resolution = Resolved | Unresolved;
