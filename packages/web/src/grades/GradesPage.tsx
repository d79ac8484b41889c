import { findFamily, findReinforcement, PROPERTY_DEFINITIONS } from '@anvilstone/core';
import type { Grade } from '@anvilstone/schema';
import { useState } from 'react';
import { useGradesQuery } from '../app/api.ts';
import { TextField } from '../ui/fields.tsx';
import { Loading } from '../ui/Loading.tsx';
import { ProblemNotice } from '../ui/ProblemNotice.tsx';

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
  return (
    <li>
      <details className="rounded border border-line bg-surface">
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
          <table className="w-full text-sm">
            <thead>
              <tr className="text-left text-xs text-quiet">
                {['Property', 'Value', 'Conditions', 'Source'].map((title) => (
                  <th key={title} className="pr-3 font-normal">
                    {title}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {grade.observations.map((one) => (
                <tr key={one.id} className="border-t border-line align-top">
                  <td className="py-0.5 pr-3">{PROPERTY_DEFINITIONS[one.property].title}</td>
                  <td className="py-0.5 pr-3 whitespace-nowrap">
                    {one.value ?? `${one.low} to ${one.high}`} {one.unit}
                    {one.standardDeviation !== undefined && ` ± ${one.standardDeviation}`}
                    {one.count !== undefined && `, n = ${one.count}`}
                  </td>
                  <td className="py-0.5 pr-3 text-quiet">
                    {[
                      one.specimen ?? 'specimen not stated',
                      one.orientation,
                      one.conditioning,
                      one.temperatureC === undefined ? undefined : `${one.temperatureC} °C`,
                      one.hdtStressMPa === undefined ? undefined : `at ${one.hdtStressMPa} MPa`,
                      one.method,
                    ]
                      .filter(Boolean)
                      .join(', ')}
                  </td>
                  <td className="py-0.5 text-quiet">
                    {one.reference}
                    {one.note && <span className="block text-unknown">{one.note}</span>}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </details>
    </li>
  );
}
