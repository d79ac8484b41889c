import type { Brief, CompanyRules, Installation, Observation, ServiceFinding, Statement } from '@anvilstone/schema';
import type { Material } from '@anvilstone/core/materials';
import type { ServiceComparison } from './comparison.ts';
import type { ServiceInputs } from './grounds.ts';

/** What a finding may change, for somebody to take or leave. */
export type ServiceProposal =
  | { kind: 'evidence'; says: Statement; observation: Observation }
  | { kind: 'rule'; says: Statement; ruleId: keyof CompanyRules; was: number; value: number }
  | { kind: 'brief'; says: Statement; change: (brief: Brief) => Brief }
  | { kind: 'test'; says: Statement; methodId: string };

/** What a finding is read with. */
export interface Situation {
  finding: ServiceFinding;
  installation: Installation;
  grounds: ServiceInputs;
  comparison: ServiceComparison;
  material: Material;
}

export type Proposer = (situation: Situation) => ServiceProposal[];
