import sampleSheet from '../../../../../docs/examples/nine-elms-grades.csv?raw';
import { useState, type DragEvent } from 'react';
import { Link, useNavigate } from 'react-router';
import { Button } from '../../ui/Button.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { PageHead } from '../../ui/PageHead.tsx';
import { useImportsQuery, useStartImportMutation } from './importsApi.ts';

const STATES = {
  reading: 'reading',
  ready: 'waiting for input',
  committing: 'writing',
  done: 'in the library',
  failed: 'not readable',
  cancelled: 'cancelled',
};

/** Where a file is handed in, and the files handed in lately. */
export function StartPanel() {
  const [start, { error, isLoading }] = useStartImportMutation();
  const { data: imports } = useImportsQuery(undefined, { refetchOnMountOrArgChange: true });
  const [over, setOver] = useState(false);
  const navigate = useNavigate();
  const handIn = (file: File | null | undefined) => {
    if (!file) return;
    start(file)
      .unwrap()
      .then((job) => navigate(`/grades/import/${job.id}`))
      .catch(() => undefined); // shown from the mutation's own error
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    handIn(event.dataTransfer.files[0]);
  };
  const sample = () => handIn(new File([sampleSheet], 'nine-elms-grades.csv'));
  return (
    <>
      <PageHead
        title="Import grades"
        says="A maker’s table, your own table, or another library. Every problem and change is shown before anything is written; the import is all or nothing."
      />
      {error !== undefined && <ProblemNotice error={error} />}
      <div
        className={`rounded-md border-2 border-dashed p-8 text-center ${over ? 'border-ember bg-ember-ground' : 'border-line-strong bg-surface'}`}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={drop}
      >
        <p className="text-base font-semibold">Drop a file here</p>
        <label className="mt-2 inline-block cursor-pointer rounded border border-line-strong bg-surface px-2.5 py-1 text-sm font-medium focus-within:outline-2 focus-within:outline-focus hover:bg-sunken">
          {isLoading ? 'Handing in …' : 'Choose a file'}
          <input
            type="file"
            className="sr-only"
            accept=".csv,.tsv,.txt,.xlsx,.json,.xml,.zip"
            disabled={isLoading}
            onChange={(event) => handIn(event.target.files?.[0])}
          />
        </label>
        <p className="mt-3 text-sm text-quiet">
          CSV with any separator, decimal comma or point · workbook (XLSX) · JSON in our schema · MatML (XML) · tabular
          data package (ZIP). At most 40 MB and 50,000 rows.
        </p>
        <Button look="quiet" className="mt-1" onClick={sample}>
          Try a messy sample sheet
        </Button>
      </div>
      {imports && imports.length > 0 && (
        <section aria-label="Latest imports" className="mt-5">
          <h2 className="text-base">Latest</h2>
          <ul>
            {imports.map((job) => (
              <li key={job.id} className="flex gap-4 border-b border-line py-1 text-sm">
                <Link to={`/grades/import/${job.id}`} className="w-72 truncate underline">
                  {job.fileName}
                </Link>
                <span className="w-40">{STATES[job.state]}</span>
                <span className="text-quiet">{new Date(job.createdAt).toLocaleString()}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}
