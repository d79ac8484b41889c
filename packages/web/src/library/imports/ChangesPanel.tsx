import type { GradeDifference, ImportPlan } from '@anvilstone/schema';
import { Link } from 'react-router';
import { Panel } from '../../ui/Panel.tsx';

const KINDS = { new: 'new', changed: 'changed', unchanged: 'as it was' };

/** What the file does to the library, grade by grade, before and after. What it does not mention stays. */
export function ChangesPanel({ plan, done }: { plan: ImportPlan; done: boolean }) {
  const total = plan.newCount + plan.changedCount + plan.unchangedCount;
  return (
    <Panel title={done ? 'Changes made' : 'Changes to be made'}>
      <p className="mb-2 text-sm text-quiet">
        {plan.newCount} new, {plan.changedCount} changed, {plan.unchangedCount} unchanged. Values not in the file stay
        as they are.
        {total > plan.grades.length && ` The first ${plan.grades.length} are listed.`}
      </p>
      <ul>
        {plan.grades.map((grade) => (
          <GradeChange key={grade.gradeId} grade={grade} done={done} />
        ))}
      </ul>
    </Panel>
  );
}

function GradeChange({ grade: { gradeId, name, kind, differences }, done }: { grade: GradeDifference; done: boolean }) {
  const title = (
    <>
      {done || kind !== 'new' ? (
        <Link to={`/grades/${gradeId}`} className="font-semibold underline">
          {name}
        </Link>
      ) : (
        <span className="font-semibold">{name}</span>
      )}{' '}
      <span className={`text-xs ${kind === 'unchanged' ? 'text-quiet' : 'text-ember'}`}>{KINDS[kind]}</span>
    </>
  );
  if (differences.length === 0) return <li className="border-b border-line py-1 text-sm">{title}</li>;
  return (
    <li className="border-b border-line py-1 text-sm">
      <details open={differences.length <= 12}>
        <summary>
          {title} <span className="text-xs text-quiet">{differences.length} differences</span>
        </summary>
        <table className="mt-1 ml-4">
          <tbody>
            {differences.map(({ field, before, after }, i) => (
              <tr key={i} className="align-top">
                <th scope="row" className="pr-4 text-left font-normal text-quiet">
                  {field}
                </th>
                <td className="pr-2">{before ?? <span className="text-quiet">nothing</span>}</td>
                <td className="pr-2 text-quiet" aria-label="becomes">
                  →
                </td>
                <td className="font-semibold">{after ?? <span className="text-quiet">nothing</span>}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </li>
  );
}
