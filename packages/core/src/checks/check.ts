import type { Brief, BuildOrientation, CheckResult, EvidenceClass, HouseRules, LoadCase } from '@anvilstone/schema';
import type { Working } from '../working/Working.ts';
import type { Material } from '../materials/material.ts';
import type { Resolution } from '../materials/resolution.ts';
import type { PartBody } from '../parts/partModel.ts';
import type { Cost } from '../process/cost.ts';
import type { MachineFit } from '../process/machineFit.ts';

/** Stiffness of the part's length and of its shear in one build orientation, 23 °C. */
export interface Stiffness {
  modulus: Resolution;
  /** Present when the modulus and the grade's behaviour are known. */
  shearModulusMPa: number;
}

/** One grade in one orientation on one machine, with everything resolved once. */
export interface CheckContext {
  brief: Brief;
  rules: HouseRules;
  material: Material;
  body: PartBody;
  orientation: BuildOrientation;
  stiffness: Stiffness;
  /** Undefined: the workshop has no machine to try, or the family's process is not known. */
  fit: MachineFit | undefined;
  massG: number | null;
  cost: Cost | null;
  priceIsFamilyEstimate: boolean;
  /** Own heat limits already found, by the longest time a load acts, h: the check and the entry ask for the same one. */
  heatLimits: Map<number, HeatLimit | { gaps: readonly string[] }>;
}

export interface HeatLimit {
  /** Temperature at which the first check reaches reserve 1, °C; −80 when it fails even there. */
  limitC: number;
  /** Title of the check that gives out first. */
  first: string;
  loadCaseId: string;
  evidence: EvidenceClass;
}

/** What a check returns; whoever shows it makes the sentence. The runner adds the check's id. */
export type CheckOutcome = Omit<CheckResult, 'checkId' | 'working'>;

/** One module and one line in `checks` each. */
export interface Check {
  id: string;
  title: string;
  /** What it asks, in one plain sentence. */
  asks: string;
  applies(brief: Brief): boolean;
  /** `working` collects the arithmetic of the governing load case; the ranking path passes none. */
  evaluate(context: CheckContext, working?: Working): CheckOutcome;
}

/** Demand and capacity of one load case at one temperature and duration. */
export type CaseOutcome =
  | { kind: 'known'; demand: number; capacity: number; evidence: EvidenceClass }
  | { kind: 'unknown'; gaps: readonly string[] }
  | { kind: 'not-loaded' };

/** A check that is made load case by load case and depends on temperature: the own heat limit reads these too. */
export interface CaseCheck extends Omit<Check, 'applies' | 'evaluate'> {
  unit: string;
  appliesTo(loadCase: LoadCase): boolean;
  at(context: CheckContext, loadCase: LoadCase, temperatureC: number, durationH: number): CaseOutcome;
  show(context: CheckContext, loadCase: LoadCase, temperatureC: number, durationH: number, working: Working): void;
}
