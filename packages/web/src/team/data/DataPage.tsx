import { useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/Button.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { OpenJobs } from '../jobs/OpenJobs.tsx';
import { isOpen, useJobsQuery } from '../jobs/jobsApi.ts';
import { moment } from '../../ui/when.ts';
import { TakeArchive } from './TakeArchive.tsx';
import { useBackupsQuery, useMakeBackupMutation } from './workshopApi.ts';
import { API } from '../../sync/address/place.ts';
import { PageHead } from '../../ui/PageHead.tsx';

const linkLook = 'inline-block rounded border border-line-strong px-2.5 py-1 text-sm font-medium hover:bg-sunken';

/** Everything at once: out as an archive, in from one, and backups that make themselves. */
export function DataPage() {
  return (
    <main className="p-5">
      <PageHead
        title="Data and backup"
        says={
          <>
            Export, backup and restore of all data. See also:{' '}
            <Link to="/changes" className="underline underline-offset-2">
              change log
            </Link>{' '}
            and{' '}
            <Link to="/people" className="underline underline-offset-2">
              accounts and roles
            </Link>
            .
          </>
        }
      />
      <div className="grid grid-cols-2 narrow:grid-cols-1 items-start gap-4">
        <div className="flex flex-col gap-4">
          <Panel title="Export">
            <p className="mb-2">
              Parts, grades with their evidence, machines, spools, bench, decisions and service in one archive of open
              files: JSON lines, one file per table, photos as they are, each with its checksum.
            </p>
            <a className={linkLook} href={`${API}/workshop/archive.zip`} download>
              Download the archive
            </a>
          </Panel>
          <Backups />
        </div>
        <div className="flex flex-col gap-4">
          <TakeArchive />
          <OpenJobs />
        </div>
      </div>
    </main>
  );
}

const MOST_SHOWN = 8;

function Backups() {
  const { data: state, error } = useBackupsQuery();
  const [make, making] = useMakeBackupMutation();
  const backingUp = useJobsQuery().data?.find((job) => job.kind === 'back-up' && isOpen(job));
  const [nowMs] = useState(() => Date.now());
  return (
    <Panel title="Backup">
      {error !== undefined && <ProblemNotice error={error} />}
      {state?.folder === undefined && state !== undefined && (
        <p className="text-unknown">
          ! No backups: the server was started without a backup folder (ANVILSTONE_BACKUPS).
        </p>
      )}
      {state?.folder !== undefined && (
        <>
          <p>
            Backup every {state.everyH} h, verified after writing; the last {state.keep}, and ten made on request, are
            stored in <code className="text-sm break-all">{state.folder}</code>. Copy them to another computer
            regularly: a disk failure would lose both.
          </p>
          <p className="mt-1 text-sm text-quiet">
            A backup contains the key that seals this installation’s records. Keep it private; to share data, use the
            export above.
          </p>
          {state.trouble && <p className="mt-2 text-fail">The last backup failed: {state.trouble}</p>}
          <ul className="mt-2 text-sm">
            {state.files.slice(0, MOST_SHOWN).map(({ name, at, bytes, byHand }) => (
              <li key={name} className="flex gap-3 border-b border-line py-1 last:border-0">
                <a className="grow underline underline-offset-2" href={`${API}/workshop/backups/${name}`} download>
                  {moment(Date.parse(at), nowMs)}
                </a>
                {byHand && <span className="text-quiet">on request</span>}
                <span className="text-quiet">{(bytes / 1e6).toFixed(1)} MB</span>
              </li>
            ))}
          </ul>
          {state.files.length > MOST_SHOWN && (
            <p className="text-xs text-quiet">and {state.files.length - MOST_SHOWN} older</p>
          )}
          {state.files.length === 0 && <p className="text-quiet">None yet.</p>}
        </>
      )}
      <div className="mt-3 flex items-center gap-2">
        {state?.folder !== undefined && (
          <Button disabled={making.isLoading || backingUp !== undefined} onClick={() => void make()}>
            Back up now
          </Button>
        )}
        <a className={linkLook} href={`${API}/workshop/archive.zip?key=with`} download>
          Download a backup
        </a>
        {backingUp && (
          <span role="status" className="text-sm text-quiet">
            {backingUp.state === 'waiting' ? 'Starting …' : 'Writing and verifying …'}
          </span>
        )}
      </div>
      {making.error !== undefined && <ProblemNotice error={making.error} />}
    </Panel>
  );
}
