import { findCheck } from '@anvilstone/core/checks';
import { rejectionReasons } from '@anvilstone/core/decisions';
import type { PracticeAnswer } from '@anvilstone/core/education';
import type { Grade } from '@anvilstone/schema';
import { Reserve } from '../ui/Reserve.tsx';
import { TableHead } from '../ui/TableHead.tsx';
import { useSay } from '../ui/useSay.ts';

/** Each of the four as the evaluation sees it, and in words what it is about. */
export function AnswerTable({
  answer,
  grades,
  remarks,
  chosen,
}: {
  answer: PracticeAnswer;
  grades: readonly Grade[];
  remarks: Readonly<Record<string, string>>;
  chosen: string;
}) {
  const say = useSay();
  return (
    <table className="mt-3 w-full text-sm">
      <TableHead headings={['Grade', 'Minimum reserve', 'Governed by', 'Cost per part, USD', 'Lesson']} />
      <tbody>
        {answer.evaluations.map(({ gradeId, best }) => (
          <tr
            key={gradeId}
            className={`border-t border-line align-baseline ${gradeId === answer.best.gradeId ? 'bg-ember-ground' : ''}`}
          >
            <th scope="row" className="px-3 py-2 text-left font-semibold">
              {grades.find(({ id }) => id === gradeId)!.name}
              {gradeId === chosen && <span className="block text-xs font-normal text-quiet">your choice</span>}
            </th>
            <td className="px-3">
              <Reserve reserve={best.status === 'unknown' ? null : best.minimumReserve} status={best.status} />
            </td>
            <td className="px-3">
              {best.governingCheckId && findCheck(best.governingCheckId)?.title}
              {best.status !== 'pass' && (
                <span className="block text-xs text-quiet">
                  {rejectionReasons(best).slice(0, 2).map(say).join('; ')}
                </span>
              )}
            </td>
            <td className="px-3">{best.costUsd?.toFixed(2) ?? 'unknown'}</td>
            <td className="max-w-96 px-3 py-2">{remarks[gradeId]}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
