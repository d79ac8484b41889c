import { useState } from 'react';
import { Button } from '../../ui/Button.tsx';
import { DropFile } from '../../ui/DropFile.tsx';
import { TextField } from '../../ui/fields.tsx';
import { JobRow } from '../jobs/JobRow.tsx';
import { isOpen, useJobsQuery } from '../jobs/jobsApi.ts';
import { Panel } from '../../ui/Panel.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import {
  useCheckArchiveMutation,
  useTakeArchiveMutation,
  type ArchiveManifest,
  type RestoreReport,
} from './workshopApi.ts';

const REPLACE_WORDS = 'replace everything';

/** An archive taken in: looked at first, then beside what is here or in the place of all of it. */
export function TakeArchive() {
  const [check, checking] = useCheckArchiveMutation();
  const [take, taking] = useTakeArchiveMutation();
  const [file, setFile] = useState<File>();
  const [words, setWords] = useState('');
  const { data: jobs } = useJobsQuery();
  const begun = taking.data && (jobs?.find(({ id }) => id === taking.data!.id) ?? taking.data);
  const choose = (chosen: File) => {
    taking.reset();
    setWords('');
    setFile(chosen);
    void check(chosen);
  };
  const run = (mode: 'merge' | 'replace') => void take({ file: file!, mode, confirm: words.trim() });
  return (
    <Panel title="Import or restore">
      <DropFile
        label="Archive"
        words="Drop an archive or a backup here. Nothing changes until you choose how."
        accept=".zip,application/zip"
        onFile={choose}
      />
      {checking.isLoading && <p className="mt-2 text-quiet">Unpacking and verifying checksums …</p>}
      {checking.error !== undefined && <ProblemNotice error={checking.error} />}
      {checking.data && file && !begun && (
        <>
          <Holds manifest={checking.data} name={file.name} />
          <div className="mt-3 rounded border border-line p-3">
            <p className="mb-2">
              <strong>Merge:</strong> missing items are added; existing items stay.
            </p>
            <Button disabled={taking.isLoading} onClick={() => run('merge')}>
              Merge
            </Button>
          </div>
          <div className="mt-3 rounded border border-fail p-3">
            <p className="mb-2">
              <strong>Replace everything:</strong> all parts, grades, records and photos of this workspace are deleted.
              Make a backup first.
            </p>
            <div className="flex items-end gap-2">
              <div className="grow">
                <TextField label={`Type “${REPLACE_WORDS}”`} value={words} onChange={setWords} />
              </div>
              <Button disabled={taking.isLoading || words.trim() !== REPLACE_WORDS} onClick={() => run('replace')}>
                Replace
              </Button>
            </div>
          </div>
          {taking.isLoading && <p className="mt-2 text-quiet">Sending the archive …</p>}
          {taking.error !== undefined && <ProblemNotice error={taking.error} />}
        </>
      )}
      {begun && begun.state !== 'done' && (
        <div className="mt-3">
          <ul>
            <JobRow job={begun} canRestart={false} />
          </ul>
          {isOpen(begun) && (
            <p className="mt-1 text-sm text-quiet">
              All or nothing: until it is done, everything stays as it is and can be read, but not changed.
            </p>
          )}
        </div>
      )}
      {begun?.state === 'done' && <Done report={begun.result as RestoreReport} />}
    </Panel>
  );
}

const TABLE_WORDS: Record<string, string> = {
  parts: 'parts',
  grades: 'grades',
  machines: 'machines',
  spools: 'spools',
  campaigns: 'bench campaigns',
  trials: 'trials',
  decisions: 'decisions',
  decision_sign_offs: 'signatures',
  installations: 'parts in service',
  service_findings: 'findings',
  received_records: 'records from other installations',
};

function Holds({ manifest, name }: { manifest: ArchiveManifest; name: string }) {
  const said = manifest.files.filter(({ table, rows }) => rows > 0 && table in TABLE_WORDS);
  return (
    <div className="mt-3" role="status">
      <p className="font-semibold text-pass">✓ {name} is intact</p>
      <p>
        It holds {said.map(({ table, rows }) => `${rows} ${TABLE_WORDS[table]}`).join(', ')}
        {manifest.holdsKey && ', and the key that seals its records'}.
      </p>
    </div>
  );
}

function Done({ report: { mode, tables } }: { report: RestoreReport }) {
  const moved = tables.filter(({ table, inArchive }) => table in TABLE_WORDS && inArchive > 0);
  return (
    <div className="mt-3" role="status">
      <p className="font-semibold text-pass">✓ Imported{mode === 'replace' ? ', replacing everything' : ''}</p>
      <ul className="list-disc pl-5 text-sm">
        {moved.map(({ table, added, kept }) => (
          <li key={table}>
            {added} {TABLE_WORDS[table]}
            {kept > 0 && `, ${kept} existed already`}
          </li>
        ))}
      </ul>
      <Button look="primary" className="mt-2" onClick={() => globalThis.location.assign('/parts')}>
        Open parts
      </Button>
    </div>
  );
}
