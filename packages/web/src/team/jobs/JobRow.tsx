import type { Job } from '@anvilstone/schema';
import { useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/Button.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { Progress } from '../../ui/Progress.tsx';
import { moment } from '../../ui/when.ts';
import { isOpen, useCancelJobMutation, useRetryJobMutation } from './jobsApi.ts';
import { resultWords } from './resultWords.ts';

/** One job: what it is, how far it is, and what can be done about it. */
export function JobRow({ job, canRestart = job.kind !== 'restore' }: { job: Job; canRestart?: boolean }) {
  const [cancel, cancelling] = useCancelJobMutation();
  const [retry, retrying] = useRetryJobMutation();
  const [nowMs] = useState(() => Date.now());
  return (
    <li className="border-b border-line py-2 last:border-0">
      <div className="flex items-center gap-3">
        <div className="grow">
          <p className="font-semibold">{job.title}</p>
          <p className="text-sm text-quiet">
            {job.who}, {moment(Date.parse(job.createdAt), nowMs)} · <State job={job} />
            {job.attempt > 1 && ` · try ${job.attempt}`}
          </p>
        </div>
        {isOpen(job) && (
          <Button disabled={cancelling.isLoading} onClick={() => void cancel(job.id)}>
            Cancel
          </Button>
        )}
        {canRestart && (job.state === 'failed' || job.state === 'cancelled') && (
          <Button disabled={retrying.isLoading} onClick={() => void retry(job.id)}>
            Restart
          </Button>
        )}
      </div>
      {job.state === 'running' && (
        <div className="mt-1">
          <Progress wide share={job.progress} label={job.title} />
        </div>
      )}
      {isOpen(job) && job.line && <p className="text-sm text-quiet">{job.line}</p>}
      {job.failure && <p className="text-sm text-fail">{job.failure}</p>}
      {job.state === 'done' && <Result job={job} />}
      {cancelling.error !== undefined && <ProblemNotice error={cancelling.error} />}
      {retrying.error !== undefined && <ProblemNotice error={retrying.error} />}
    </li>
  );
}

const WORDS: Record<Job['state'], string> = {
  waiting: 'waiting',
  running: 'running',
  done: '✓ done',
  failed: '✕ failed',
  cancelled: 'cancelled',
};

function State({ job: { state, startedAt, endedAt, worker } }: { job: Job }) {
  const tookS = startedAt && endedAt ? (Date.parse(endedAt) - Date.parse(startedAt)) / 1000 : null;
  return (
    <>
      <span className={state === 'failed' ? 'text-fail' : state === 'done' ? 'text-pass' : ''}>{WORDS[state]}</span>
      {state === 'done' && tookS !== null && ` in ${tookS < 10 ? tookS.toFixed(1) : tookS.toFixed(0)} s`}
      {state === 'running' && worker && ` in ${worker}`}
    </>
  );
}

function Result({ job }: { job: Job }) {
  const found = resultWords(job);
  if (!found) return null;
  return (
    <>
      <p className={`text-sm ${found.isBad ? 'text-fail' : ''}`}>{found.words}</p>
      {found.records.map(({ decisionId, partId, title, differences }) => (
        <p key={decisionId} className="text-sm">
          <Link className="underline underline-offset-2" to={`/parts/${partId}/decision?record=${decisionId}`}>
            {title}
          </Link>
          : {differences.slice(0, 2).join('; ')}
        </p>
      ))}
    </>
  );
}
