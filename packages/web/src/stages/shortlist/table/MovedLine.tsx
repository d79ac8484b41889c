import { findRankingMethod } from '@anvilstone/core/evaluation';
import { inSentence } from '@anvilstone/core/foundations';
import type { Grade } from '@anvilstone/schema';
import type { Shortlist } from '../../../workers/leaders.ts';

/** What the ranking method asks for, or after a change of ranking method what that moved. */
export function MovedLine({
  sentence,
  shortlist,
  grades,
}: {
  sentence: string;
  shortlist: Shortlist;
  grades: ReadonlyMap<string, Grade>;
}) {
  const { schoolId, comparedWith: previousSchoolId } = shortlist;
  if (previousSchoolId === undefined || previousSchoolId === schoolId)
    return <p className="mb-2 text-sm text-quiet">{sentence}</p>;
  const { places, otherPlaces, ids, leaders } = shortlist;
  const moved = ids.filter((_, i) => places[i] !== otherPlaces[i]).length;
  const nameOf = (id: string) => {
    const leader = leaders.find((one) => one.schoolId === id)?.first;
    return leader && grades.get(leader.gradeId)?.name;
  };
  const [now, before] = [nameOf(schoolId), nameOf(previousSchoolId)];
  const was = inSentence(findRankingMethod(previousSchoolId).title);
  return (
    <p className="mb-2 text-sm text-quiet" role="status">
      Against “{was}”, {moved === 1 ? 'one place' : `${moved} places`} changed;{' '}
      {now === before ? (
        <>the leader is unchanged.</>
      ) : (
        <>
          <strong className="text-ink">{now ?? 'nobody'}</strong> leads instead of {before ?? 'nobody'}.
        </>
      )}
    </p>
  );
}
