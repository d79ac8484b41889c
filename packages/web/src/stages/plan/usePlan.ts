import type { MachineChoice } from '@anvilstone/core/making';
import { ORIENTATIONS, type BuildOrientation, type Grade, type Machine } from '@anvilstone/schema';

import { useCallback } from 'react';
import { useAddress } from '../../sync/address/useAddress.ts';
import { useBuildGrade, type BuildGrade } from '../build/useBuildGrade.ts';
import { usePartContext } from '../parts/partContext.ts';

import { useAnswer } from '../../workers/useAnswer.ts';

/** What is to be printed: which grade, which build orientation, on which machine. */
export interface Plan {
  built: BuildGrade;
  grade: Grade | undefined;
  orientation: BuildOrientation | undefined;
  /** Undefined: still being worked out. `none`: how its family is printed is not known. */
  choices: readonly MachineChoice[] | 'none' | undefined;
  /** The chosen machine, else the first. */
  choice: MachineChoice | undefined;
  chooseWay: (orientation: BuildOrientation) => void;
  chooseMachine: (machine: Machine) => void;
}

/** From the address; without it the best orientation of the grade, and the machine that nothing blocks and that costs least. */
export function usePlan(): Plan {
  const { brief, library } = usePartContext();
  const [search, set] = useAddress();
  const built = useBuildGrade();
  const { gradeId } = built;
  const grade = library.grades.find(({ id }) => id === gradeId);
  const wanted = ORIENTATIONS.find((one) => one === search.get('way'));
  const orientation = wanted ?? built.orientation;
  const { value: choices } = useAnswer(
    library,
    'machineChoices',
    gradeId && orientation ? [brief, gradeId, orientation] : undefined,
  );
  const listed = choices === 'none' ? [] : (choices ?? []);
  return {
    built,
    grade,
    orientation,
    choices,
    choice: listed.find(({ machine }) => machine.id === search.get('machine')) ?? listed[0],
    chooseWay: useCallback((way: BuildOrientation) => set({ way }), [set]),
    chooseMachine: useCallback((machine: Machine) => set({ machine: machine.id }), [set]),
  };
}
