import type { Brief, BuildOrientation, Grade, Machine } from '@anvilstone/schema';
import type { ProcessNeeds } from '@anvilstone/core/machines';
import type { Family, Reinforcement, CompleteRules } from '@anvilstone/core/materials';

/** What every line of a card may look at. */
export interface CardSetting {
  brief: Brief;
  grade: Grade;
  machine: Machine;
  orientation: BuildOrientation;
  family: Family;
  filler: Reinforcement | undefined;
  needs: ProcessNeeds;
  rules: CompleteRules;
}
