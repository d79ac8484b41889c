import type { Brief, BuildOrientation, Grade, Machine } from '@anvilstone/schema';
import type { ProcessNeeds } from '../process/machineFit.ts';
import type { Family } from '../reference/family.ts';
import type { Reinforcement } from '../reference/reinforcement.ts';
import type { CompleteRules } from '../rules/houseRules.ts';
import type { UnitSystem } from '../units/dimensions.ts';

/** What every line of a card may look at. */
export interface CardSetting {
  brief: Brief;
  grade: Grade;
  machine: Machine;
  orientation: BuildOrientation;
  family: Family;
  filler: Reinforcement | undefined;
  needs: ProcessNeeds;
  units: UnitSystem;
  rules: CompleteRules;
}
