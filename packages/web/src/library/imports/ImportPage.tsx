import { PageHeading } from '../../ui/PageHeading.tsx';
import type { ImportJob, ImportSettings } from '@anvilstone/schema';
import { Link, useParams } from 'react-router';
import { api } from '../../sync/api/api.ts';
import { useAppDispatch } from '../../sync/store/store.ts';
import { Button } from '../../ui/Button.tsx';
import { buttonLook } from '../../ui/buttonLook.ts';
import { Loading } from '../../ui/Loading.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { Progress } from '../../ui/Progress.tsx';
import { useCancelImportMutation, useCommitImportMutation, useImportJobQuery } from './importsApi.ts';
import { ChangesPanel } from './ChangesPanel.tsx';
import { ColumnsPanel } from './ColumnsPanel.tsx';
import { PreviewPanel } from './PreviewPanel.tsx';
import { QuestionsPanel } from './QuestionsPanel.tsx';
import { ReadingPanel } from './ReadingPanel.tsx';
import { StartPanel } from './StartPanel.tsx';
import { useImportSettings } from './useImportSettings.ts';
import { useEffect } from 'react';

const POLL_MS = 300;

/** A file on its way in: how it is read, what is not clear, what it would change. Nothing is written before “Import”. */
export function ImportPage() {
  const { importId } = useParams();
  return (
    <main className="p-5">
      <p className="text-sm">
        <Link to="/grades" className="text-quiet hover:underline">
          ← All grades
        </Link>
      </p>
      {importId === undefined ? <StartPanel /> : <ImportWork key={importId} id={importId} />}
    </main>
  );
}

function ImportWork({ id }: { id: string }) {
  const dispatch = useAppDispatch();
  const peek = useImportJobQuery(id, { refetchOnMountOrArgChange: true });
  const busy = peek.data?.state === 'reading' || peek.data?.state === 'committing';
  // A second subscription to the same data, which only asks again while something is at work.
  useImportJobQuery(id, { pollingInterval: busy ? POLL_MS : 0 });
  const done = peek.data?.state === 'done';
  useEffect(() => {
    if (done) dispatch(api.util.invalidateTags(['Library', 'Grade']));
  }, [done, dispatch]);
  if (peek.error) return <ProblemNotice error={peek.error} />;
  if (!peek.data) return <Loading what="the import" />;
  return <OpenImport job={peek.data} busy={busy} />;
}

function OpenImport({ job, busy }: { job: ImportJob; busy: boolean }) {
  const { id, plan, state } = job;
  const { settings, change, isPending, error } = useImportSettings(id, job.settings);
  const [commit, committing] = useCommitImportMutation();
  const [cancel] = useCancelImportMutation();
  const done = state === 'done';
  const open =
    plan?.questions.filter((question) => answerOf(settings, question.id, question.answer) === null).length ?? 0;
  const blocked =
    isPending || state !== 'ready' || !plan || plan.errorCount + open > 0 || plan.newCount + plan.changedCount === 0;
  return (
    <>
      <header className="sticky top-0 z-20 -mx-5 mb-3 flex items-center justify-between gap-4 border-b border-line bg-ground px-5 py-2">
        <div className="min-w-0">
          <PageHeading className="truncate text-lg">Import of {job.fileName}</PageHeading>
          <p role="status" className="text-sm text-quiet">
            {busy ? (
              <Progress
                share={job.progress}
                label={state === 'reading' ? 'Reading and checking' : 'Writing into the library'}
              />
            ) : (
              summary(job, open)
            )}
          </p>
        </div>
        <div className="flex shrink-0 gap-2">
          {(state === 'reading' || state === 'ready' || state === 'committing') && (
            <Button onClick={() => void cancel(id)}>
              {state === 'committing' ? 'Stop without writing' : 'Cancel'}
            </Button>
          )}
          {(state === 'failed' || state === 'cancelled' || done) && (
            <Link to="/grades/import" className={buttonLook('plain')}>
              Another file
            </Link>
          )}
          {done ? (
            <Link to="/grades" className={buttonLook('primary')}>
              Open the library
            </Link>
          ) : (
            <Button look="primary" disabled={blocked || committing.isLoading} onClick={() => void commit(id)}>
              Import {plan ? plan.newCount + plan.changedCount : ''} grades
            </Button>
          )}
        </div>
      </header>
      {error !== undefined && <ProblemNotice error={error} />}
      {committing.error !== undefined && <ProblemNotice error={committing.error} />}
      {state === 'failed' && (
        <div role="alert" className="mb-3 rounded border border-fail bg-fail-ground px-3 py-2 text-fail">
          <p className="font-semibold">The file cannot be imported</p>
          <p>{job.failure}</p>
        </div>
      )}
      {state === 'cancelled' && <p className="text-quiet">Cancelled. The library is unchanged.</p>}
      {plan && state !== 'cancelled' && (
        <div className="flex flex-col gap-4">
          {done ? null : (
            <>
              <QuestionsPanel
                plan={plan}
                settings={settings}
                onAnswer={(questionId, answer) =>
                  change(({ answers }) => ({ answers: { ...answers, [questionId]: answer } }))
                }
              />
              {plan.layout !== 'documents' && (
                <ReadingPanel plan={plan} settings={settings} onChange={(set) => change(() => set)} />
              )}
              {plan.columns.length > 0 && <ColumnsPanel plan={plan} settings={settings} onChange={change} />}
              {plan.rowCount > 0 && (
                <PreviewPanel id={id} plan={plan} settings={settings} ready={state === 'ready'} onChange={change} />
              )}
            </>
          )}
          <ChangesPanel plan={plan} done={done} />
        </div>
      )}
    </>
  );
}

/** The answer given last, also while the file is still being read again with it. */
function answerOf(settings: ImportSettings, questionId: string, answered: string | null): string | null {
  return settings.answers?.[questionId] ?? answered;
}

function summary(
  {
    state,
    plan,
    failure,
  }: {
    state: string;
    plan: {
      rowCount: number;
      newCount: number;
      changedCount: number;
      unchangedCount: number;
      errorCount: number;
    } | null;
    failure: string | null;
  },
  open: number,
): string {
  if (state === 'cancelled') return 'Cancelled; nothing was changed.';
  if (state === 'failed') return failure ? 'Nothing was changed.' : '';
  if (!plan) return '';
  if (state === 'done') return `Imported: ${plan.newCount} new and ${plan.changedCount} changed grades.`;
  const waits = [
    plan.errorCount > 0 ? `${plan.errorCount} ${plan.errorCount === 1 ? 'cell' : 'cells'} to correct` : '',
    open > 0 ? `${open} ${open === 1 ? 'question' : 'questions'} to answer` : '',
  ].filter(Boolean);
  const change = `${plan.rowCount} rows: ${plan.newCount} new, ${plan.changedCount} changed, ${plan.unchangedCount} as they were`;
  return waits.length > 0 ? `${change}. Before it can go in: ${waits.join(', ')}.` : `${change}. Nothing is open.`;
}
