import { Link } from 'react-router';
import { Panel } from '../../ui/Panel.tsx';
import { JobRow } from './JobRow.tsx';
import { isOpen, useJobsQuery } from './jobsApi.ts';

const MOST_SHOWN = 4;

/** What is under way; without it a word of what was done last. */
export function OpenJobs() {
  const jobs = useJobsQuery().data;
  const open = jobs?.filter(isOpen) ?? [];
  const shown = (open.length > 0 ? open : (jobs ?? [])).slice(0, MOST_SHOWN);
  return (
    <Panel title="Jobs">
      <p className="text-sm text-quiet">
        {open.length > 0
          ? 'Running; it continues when this page is closed.'
          : shown.length > 0
            ? 'No running jobs. Last job:'
            : 'No running jobs.'}
      </p>
      <ul>
        {shown.map((job) => (
          <JobRow key={job.id} job={job} />
        ))}
      </ul>
      <Link className="text-sm underline underline-offset-2" to="/jobs">
        All jobs
      </Link>
    </Panel>
  );
}
