import type { Brief, BuildOrientation, Grade, CompanyRules, Library } from '@anvilstone/schema';
import { evaluate } from '@anvilstone/core/evaluation';
import { InputError, requirePositiveValue } from '@anvilstone/core/foundations';
import { briefWithLoad, everyLoadCase } from '@anvilstone/core/shapes';

/** Movement that was predicted for a time under one load, mm; null: not known, or the brief sets it no limit. */
export interface PredictedMovement {
  timeH: number;
  movedMm: number | null;
}

/**
 * How far the part should have deflected after each time under a sustained load, by the same check that its brief was judged with: its limit ÷
 * the reserve at that time.
 * @throws InputError no such load, or a time not above 0
 */
export function predictedMovement(
  brief: Brief,
  loadCaseId: string,
  library: Pick<Library, 'machines' | 'agents'>,
  grade: Grade,
  orientation: BuildOrientation,
  rules: CompanyRules,
  timesH: readonly number[],
): PredictedMovement[] {
  const load = everyLoadCase(brief).find(({ id }) => id === loadCaseId);
  if (!load) throw new InputError('loadCaseId', loadCaseId, 'a load of the brief');
  return timesH.map((timeH, i) => {
    requirePositiveValue(`timesH/${i}`, timeH);
    const { maxSagMm } = load;
    if (maxSagMm === undefined) return { timeH, movedMm: null };
    const then = briefWithLoad(brief, loadCaseId, { ...load, durationH: timeH, actsWhenHot: false }, orientation);
    const { checks } = evaluate(then, { ...library, grades: [grade] }, { rules }).grades[0]!.best;
    const reserve = checks.find(({ checkId }) => checkId === 'sag-after-duration')?.reserve;
    return { timeH, movedMm: reserve ? maxSagMm / reserve : null };
  });
}
