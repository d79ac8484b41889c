import { findFamily, findReinforcement } from '@anvilstone/core';
import type { Grade } from '@anvilstone/schema';
import { useState } from 'react';
import { useGradesQuery } from '../app/api.ts';
import { TextField } from '../ui/fields.tsx';
import { Loading } from '../ui/Loading.tsx';
import { ProblemNotice } from '../ui/ProblemNotice.tsx';
import { ObservationTable } from './ObservationTable.tsx';

/** What do we know: every grade with the evidence it rests on. */
export function GradesPage() {
  const { data: grades, error } = useGradesQuery();
  const [search, setSearch] = useState('');
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const shown = grades?.filter((grade) => words.every((word) => textOf(grade).includes(word)));
  return (
    <main className="p-6">
      <h1 className="text-xl">Grades</h1>
      <p className="mt-1 text-quiet">
        Each number is shown as it was reported, with the conditions it was measured under.
      </p>
      <div className="my-3 flex items-end gap-4">
        <div className="w-72">
          <TextField label="Find by name, maker or family" value={search} onChange={setSearch} />
        </div>
        {shown && (
          <p role="status" className="pb-1 text-quiet">
            {shown.length} of {grades?.length}
          </p>
        )}
      </div>
      {error !== undefined && <ProblemNotice error={error} />}
      {!grades && !error && <Loading what="the grades" />}
      {shown?.length === 0 && <p className="text-quiet">No grade has all of these words.</p>}
      <ul className="flex flex-col gap-1.5">
        {shown?.map((grade) => (
          <GradeRow key={grade.id} grade={grade} />
        ))}
      </ul>
    </main>
  );
}

function familyName(grade: Grade): string {
  const family = findFamily(grade.familyId)?.name ?? 'polymer not stated';
  const filler = findReinforcement(grade.reinforcementId);
  return filler ? `${family}, ${filler.name.toLowerCase()}` : family;
}

function textOf(grade: Grade): string {
  return `${grade.name} ${grade.maker} ${familyName(grade)}`.toLowerCase();
}

function GradeRow({ grade }: { grade: Grade }) {
  // Only an open row holds its table: thousands of closed ones would be most of the page.
  const [open, setOpen] = useState(false);
  return (
    <li>
      <details
        className="rounded border border-line bg-surface"
        onToggle={(event) => setOpen(event.currentTarget.open)}
      >
        <summary className="grid grid-cols-[18rem_1fr_10rem_8rem] gap-3 px-3 py-1.5">
          <span className="font-semibold">{grade.name}</span>
          <span className="text-quiet">{familyName(grade)}</span>
          <span className="text-quiet">{grade.observations.length} observations</span>
          <span className="text-right">
            {grade.pricePerKgUsd === null ? 'price unknown' : `${grade.pricePerKgUsd.toFixed(2)} USD/kg`}
          </span>
        </summary>
        <div className="border-t border-line px-3 py-2">
          {grade.sampleData && <p className="text-xs text-unknown">Sample data, not for design</p>}
          {open && <ObservationTable observations={grade.observations} />}
        </div>
      </details>
    </li>
  );
}
