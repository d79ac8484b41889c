import { JobRow } from '../../../team/jobs/JobRow.tsx';
import { isOpen, useCheckRecordsMutation, useJobsQuery } from '../../../team/jobs/jobsApi.ts';
import { Button } from '../../../ui/Button.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';

/** Every record computed again at once; what came of the last time stays in sight. */
export function CheckAllPanel() {
  const [check, checking] = useCheckRecordsMutation();
  const last = useJobsQuery().data?.find(({ kind }) => kind === 'check-records');
  return (
    <Panel title="Recompute all records">
      <p className="mb-2">
        Recomputes every record of this workspace from its frozen inputs and lists those that differ.
      </p>
      <Button disabled={checking.isLoading || (last !== undefined && isOpen(last))} onClick={() => void check()}>
        Recompute all
      </Button>
      {checking.error !== undefined && <ProblemNotice error={checking.error} />}
      <ul className="mt-2">{last && <JobRow job={last} />}</ul>
    </Panel>
  );
}
