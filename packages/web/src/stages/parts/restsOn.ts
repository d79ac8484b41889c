import type { Brief, StageMark } from '@anvilstone/schema';
import type { ScreeningSummary } from '../../workers/leaders.ts';
import type { Workshop } from '../../workers/workshop.ts';

/** What every stage rests on as things stand; undefined: the answer is not worked out yet. */
export function restsOn(
  brief: Brief,
  library: Workshop,
  screening: ScreeningSummary | undefined,
): Omit<StageMark, 'at' | 'stage'> | undefined {
  if (!screening) return undefined;
  const first = screening.leaders[0];
  const passes = first?.best.status === 'pass';
  const grade = passes ? library.grades.find(({ id }) => id === first.gradeId) : undefined;
  return {
    brief,
    rules: library.rules,
    leader:
      first && grade
        ? {
            grade,
            orientation: first.best.orientation,
            reserve: first.best.minimumReserve,
            governingCheckId: first.best.governingCheckId,
          }
        : null,
    machine: (grade && library.machines.find(({ id }) => id === first?.best.machineId)) ?? null,
    pass: screening.counts.pass,
  };
}
