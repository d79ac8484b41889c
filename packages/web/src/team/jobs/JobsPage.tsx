import { Loading } from '../../ui/Loading.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { PageHead } from '../../ui/PageHead.tsx';
import { JobRow } from './JobRow.tsx';
import { isOpen, useJobsQuery } from './jobsApi.ts';

/** Jobs of the workshop: what is under way, and what came of the rest. */
export function JobsPage() {
  const { data: jobs, error } = useJobsQuery();
  const open = jobs?.filter(isOpen) ?? [];
  const over = jobs?.filter((job) => !isOpen(job)) ?? [];
  return (
    <main className="max-w-4xl p-5">
      <PageHead
        title="Jobs"
        says="Imports, exports, backups and recomputation. Jobs continue when the page is closed and restart if a process is lost. Jobs older than two weeks are not listed."
      />
      {error !== undefined && <ProblemNotice error={error} />}
      {!jobs && error === undefined && <Loading what="the list" />}
      {jobs && (
        <div className="flex flex-col gap-4">
          <Panel title={`Running: ${open.length}`}>
            {open.length === 0 && <p className="text-quiet">Nothing.</p>}
            <ul>
              {open.map((job) => (
                <JobRow key={job.id} job={job} />
              ))}
            </ul>
          </Panel>
          <Panel title="Over">
            {over.length === 0 && <p className="text-quiet">None yet.</p>}
            <ul>
              {over.map((job) => (
                <JobRow key={job.id} job={job} />
              ))}
            </ul>
          </Panel>
        </div>
      )}
    </main>
  );
}
