import type { MachineChoice } from '@anvilstone/core/making';
import type { BuildOrientation, Grade } from '@anvilstone/schema';

/** What every tab of the print plan is about. */
export interface PlanTabProps {
  grade: Grade;
  orientation: BuildOrientation;
  choices: readonly MachineChoice[];
  choice: MachineChoice;
}
