import { Button } from '../../../ui/Button.tsx';
import { Loading } from '../../../ui/Loading.tsx';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';
import { useGradeHistoryQuery, useRestoreGradeMutation } from '../gradesApi.ts';

const ACTIONS = {
  delivered: 'From the sample library',
  created: 'Written down',
  edited: 'Edited',
  imported: 'Imported from a file',
  restored: 'Earlier version restored',
  removed: 'Removed',
};

/** What changed and when, newest first; any earlier state can be brought back, which is itself a change. */
export function HistoryPanel({ gradeId, revision }: { gradeId: string; revision: number }) {
  const { data: changes, error } = useGradeHistoryQuery(gradeId);
  const [restore, { isLoading, error: refused }] = useRestoreGradeMutation();
  if (error) return <ProblemNotice error={error} />;
  if (!changes) return <Loading what="the history" />;
  return (
    <section aria-label="History">
      {refused !== undefined && <ProblemNotice error={refused} />}
      <ol>
        {changes.map((change) => (
          <li key={change.revision} className="flex items-start justify-between gap-4 border-b border-line py-2">
            <div className="min-w-0">
              <p>
                <span className="font-semibold">{ACTIONS[change.action]}</span>{' '}
                <span className="text-quiet">
                  revision {change.revision}, {new Date(change.at).toLocaleString()}
                </span>
              </p>
              <ul className="text-sm text-quiet">
                {change.differences.map((text) => (
                  <li key={text}>{text}</li>
                ))}
              </ul>
            </div>
            {change.revision !== revision && change.action !== 'removed' && (
              <Button disabled={isLoading} onClick={() => void restore({ id: gradeId, revision: change.revision })}>
                Restore this version
              </Button>
            )}
          </li>
        ))}
      </ol>
    </section>
  );
}
