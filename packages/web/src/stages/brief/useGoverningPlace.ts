import { featureOfLoad } from '@anvilstone/core/shapes';
import type { BuildOrientation, EvaluationEntry } from '@anvilstone/schema';

import { usePartContext } from '../parts/partContext.ts';
import { usePreferred } from '../parts/usePreferred.ts';

import { useAnswer } from '../../workers/useAnswer.ts';

export interface Governing {
  placeId: string;
  checkId: string;
  reserve: number;
  gradeName: string;
}

/** The place of the part that governs for the decided, pinned or leading grade in the orientation shown; it follows every change. */
export function useGoverningPlace(orientation: BuildOrientation, featureId?: string): Governing | undefined {
  const { brief, library, screening } = usePartContext();
  const { preferred, known } = usePreferred();
  const gradeId = known ? (preferred?.gradeId ?? screening.value?.leaders[0]?.gradeId) : undefined;
  const { value: entry } = useAnswer(
    library,
    'oneWay',
    gradeId === undefined ? undefined : [brief, gradeId, orientation],
  );
  const name = library.grades.find((grade) => grade.id === gradeId)?.name;
  return entry && governingPlace(entry, name ?? '', (loadId) => featureOfLoad(brief, loadId)?.id === featureId);
}

/** Of the model that is shown. */
function governingPlace(
  entry: EvaluationEntry,
  gradeName: string,
  isShown: (loadCaseId: string | null) => boolean,
): Governing | undefined {
  const placed = entry.checks.filter(
    ({ placeId, reserve, loadCaseId }) => placeId && reserve !== null && isShown(loadCaseId),
  );
  const smallest = placed.sort((a, b) => a.reserve! - b.reserve!)[0];
  return smallest && { placeId: smallest.placeId!, checkId: smallest.checkId, reserve: smallest.reserve!, gradeName };
}
