import { agentStatement, families } from '@anvilstone/core/materials';
import { useState } from 'react';
import { Link } from 'react-router';
import { buttonLook } from '../../ui/buttonLook.ts';
import { Tick } from '../../ui/fields.tsx';
import { Loading } from '../../ui/Loading.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { useLibrary } from '../../workers/useLibrary.ts';
import { PageHead } from '../../ui/PageHead.tsx';
import { RatingMark } from './RatingMark.tsx';
import { useAgents } from './useAgents.ts';

/** Agents × families: what stands what, and what cracks under tension. Each row leads to its reasons and to own soaks. */
export function ChemicalsPage() {
  const { listed, error } = useAgents();
  const { library } = useLibrary();
  const [onlyOurs, setOnlyOurs] = useState(true);
  if (error) return <ProblemNotice error={error} />;
  if (!listed || !library) return <Loading what="the chemicals" />;
  const ours = new Set(library.grades.map(({ familyId }) => familyId));
  const shown = families.filter(({ id, morphology }) => morphology !== 'support' && (!onlyOurs || ours.has(id)));
  const soaked = new Set(
    library.grades.flatMap((grade) =>
      grade.observations.flatMap((one) =>
        one.property === 'chemicalResistance' && one.source === 'bench' && one.agentId !== undefined
          ? [`${one.agentId} ${grade.familyId}`]
          : [],
      ),
    ),
  );
  return (
    <main className="p-5">
      <p className="text-sm">
        <Link to="/grades" className="text-quiet hover:underline">
          ← All grades
        </Link>
      </p>
      <PageHead title="Chemicals" says="Fluids in contact with parts, and their effect on each polymer family.">
        <Link to="/chemicals/new" className={buttonLook()}>
          Add a chemical
        </Link>
      </PageHead>
      <p className="my-2 max-w-240 rounded border border-unknown bg-unknown-ground px-3 py-2 text-sm text-unknown">
        {agentStatement} Lasting contact, unfilled, lightly loaded, at the chemical’s own temperature: evidence class D.
        They show what to exclude and what to test; they are no guarantee.
      </p>
      <div className="my-3 flex flex-wrap items-center gap-x-6 gap-y-2 text-sm">
        <Legend />
        <Tick label="Only families in the library" checked={onlyOurs} onChange={setOnlyOurs} />
      </div>
      <div
        className="max-h-[calc(100vh-13rem)] overflow-auto rounded-md border border-line bg-surface"
        tabIndex={0}
        role="region"
        aria-label="Chemicals by family"
      >
        <table className="text-sm">
          <thead>
            <tr className="align-bottom text-xs text-quiet">
              <th scope="col" className="sticky top-0 left-0 z-20 min-w-56 bg-surface px-3 py-2 text-left font-normal">
                Agent
              </th>
              {shown.map((family) => (
                <th
                  key={family.id}
                  scope="col"
                  className="sticky top-0 z-10 bg-surface px-0 py-2 font-normal"
                  title={family.name}
                >
                  <span className="block h-20 w-8 [writing-mode:sideways-lr] text-left whitespace-nowrap">
                    {family.abbreviation}
                  </span>
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {listed.map(({ agent, revision, corrects }) => (
              <tr key={agent.id} className="border-t border-line hover:bg-sunken">
                <th scope="row" className="sticky left-0 z-10 max-w-72 bg-surface px-3 py-1 text-left font-normal">
                  <Link to={`/chemicals/${agent.id}`} className="font-semibold hover:underline">
                    {agent.name}
                  </Link>
                  {revision > 0 && (
                    <span className="text-xs text-ember"> {corrects ? 'corrected here' : 'own entry'}</span>
                  )}
                </th>
                {shown.map((family) => {
                  const row = agent.ratings[family.id];
                  const hasSoak = soaked.has(`${agent.id} ${family.id}`);
                  return (
                    <td
                      key={family.id}
                      className={`px-0 py-1 text-center ${hasSoak ? 'outline-2 -outline-offset-2 outline-ember' : ''}`}
                      title={[
                        `${family.abbreviation} in ${agent.name}`,
                        row?.note,
                        hasSoak ? 'own soak results: see the agent' : '',
                      ]
                        .filter(Boolean)
                        .join('\n')}
                    >
                      <RatingMark rating={row?.rating ?? 'unknown'} stressCrack={row?.stressCrack ?? false} />
                      {hasSoak && <span className="sr-only">, own soak results</span>}
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </main>
  );
}

function Legend() {
  return (
    <p className="flex flex-wrap gap-x-4 gap-y-1" aria-label="Key">
      {(['resistant', 'limited', 'unsuitable', 'unknown'] as const).map((rating) => (
        <span key={rating} className="inline-flex items-center gap-1">
          <span aria-hidden="true">
            <RatingMark rating={rating} stressCrack={false} />
          </span>
          {LEGEND[rating]}
        </span>
      ))}
      <span className="inline-flex items-center gap-1">
        <span aria-hidden="true">
          <RatingMark rating="limited" stressCrack />
        </span>
        and cracks under tension
      </span>
      <span className="inline-flex items-center gap-1">
        <span aria-hidden="true" className="inline-block size-4 outline-2 -outline-offset-2 outline-ember" />
        own immersion test
      </span>
    </p>
  );
}

const LEGEND = {
  resistant: 'Resistant',
  limited: 'Limited',
  unsuitable: 'Not resistant',
  unknown: 'Not known: never a pass',
} as const;
