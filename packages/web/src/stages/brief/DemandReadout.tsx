import { findCheck } from '@anvilstone/core/checks';
import { loadName, timeWords } from '@anvilstone/core/decisions';
import { materialDemands, type MaterialDemand } from '@anvilstone/core/evaluation';
import { everyLoadCase, builtAs } from '@anvilstone/core/shapes';
import type { Brief } from '@anvilstone/schema';
import { Link } from 'react-router';
import { useAppSelector } from '../../sync/store/store.ts';
import { usePartContext } from '../parts/partContext.ts';
import { amount } from '../../ui/amount.ts';
import { Panel } from '../../ui/Panel.tsx';
import { Reserve } from '../../ui/Reserve.tsx';
import type { ScreeningSummary } from '../../workers/leaders.ts';

/** What the asks demand of any material, and how many grades still stand after each. Follows every keystroke. */
export function DemandReadout() {
  const { screening, brief, library, partId } = usePartContext();
  const { value: result } = screening;
  return (
    <div className="flex flex-col gap-4">
      <Panel title="Required material properties">
        {screening.state === 'failed' && (
          <p role="alert" className="mb-2 text-fail">
            From the last valid brief: {screening.message}
          </p>
        )}
        <Demands brief={brief} />
      </Panel>
      <Panel title="Remaining grades" aside={<span className="text-xs text-quiet">of {library.grades.length}</span>}>
        {result ? (
          <Funnel result={result} total={library.grades.length} />
        ) : (
          <p className="text-quiet">Calculating …</p>
        )}
        {result && (
          <Leaders
            result={result}
            names={new Map(library.grades.map((grade) => [grade.id, grade.name]))}
            partId={partId}
            part={brief.part}
          />
        )}
      </Panel>
    </div>
  );
}

const WHAT: Record<MaterialDemand['what'], string> = {
  tension: 'Tensile stress',
  compression: 'Compressive stress',
  shear: 'Shear stress',
  'across-layers': 'Interlayer stress',
  stiffness: 'Modulus, initial',
  'lasting-stiffness': 'Modulus after creep',
  straightness: 'Modulus against buckling',
  strain: 'Strain',
  energy: 'Energy',
};

function Demands({ brief }: { brief: Brief }) {
  const units = useAppSelector((state) => state.settings.units);
  let demands: MaterialDemand[];
  try {
    demands = materialDemands(brief);
  } catch {
    return <p className="text-quiet">Correct the marked dimension.</p>;
  }
  return (
    <div className="flex flex-col gap-3">
      {everyLoadCase(brief).map((loadCase) => (
        <div key={loadCase.id}>
          <p className="text-xs text-quiet">
            {loadName(brief, loadCase.id)}: {timeWords(loadCase)} at {amount(loadCase.temperatureC, '°C', units)}
          </p>
          <dl className="grid grid-cols-[1fr_auto] gap-x-3">
            {demands
              .filter((demand) => demand.loadCaseId === loadCase.id)
              .map((demand) => (
                <div key={demand.what} className="contents">
                  <dt>
                    {WHAT[demand.what]}
                    {demand.orientation && (
                      <span className="text-quiet"> (least, built {builtAs(brief.part, demand.orientation)})</span>
                    )}
                  </dt>
                  <dd className="text-right font-semibold">{amount(demand.value, demand.unit, units)}</dd>
                </div>
              ))}
          </dl>
        </div>
      ))}
    </div>
  );
}

function Funnel({ result, total }: { result: ScreeningSummary; total: number }) {
  const steps = result.funnel;
  const worst = Math.max(...steps.map((step) => step.removed));
  return (
    <ol aria-label="Remaining grades after each requirement" className="flex flex-col gap-1">
      {steps.map(({ checkId, remaining, removed }) => (
        <li key={checkId} className="grid grid-cols-[1fr_5rem_2.5rem] items-center gap-2">
          <span>{findCheck(checkId)?.title}</span>
          <span className="h-2 bg-sunken" aria-hidden="true">
            <span
              className={`block h-2 ${removed === worst && removed > 0 ? 'bg-ember' : 'bg-line-strong'}`}
              style={{ width: `${(100 * remaining) / Math.max(1, total)}%` }}
            />
          </span>
          <span className="text-right font-semibold" title={`${removed} removed here`}>
            {remaining}
          </span>
        </li>
      ))}
    </ol>
  );
}

function Leaders({
  result,
  names,
  partId,
  part,
}: {
  result: ScreeningSummary;
  names: Map<string, string>;
  partId: string;
  part: Brief['part'];
}) {
  const { leaders } = result;
  return (
    <div className="mt-3 border-t border-line pt-3">
      <p className="text-xs text-quiet">
        {leaders[0]?.best.status === 'pass' ? 'Lowest cost' : 'None passes; nearest'}
      </p>
      <ul>
        {leaders.map(({ gradeId, best }) => (
          <li key={gradeId} className="flex justify-between gap-2">
            <Link className="truncate hover:underline" to={`/parts/${partId}/shortlist?grade=${gradeId}`}>
              {names.get(gradeId)} {builtAs(part, best.orientation)}
            </Link>
            <Reserve reserve={best.minimumReserve} status={best.status} />
          </li>
        ))}
      </ul>
    </div>
  );
}
