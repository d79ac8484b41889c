import { formatNumber as f } from '@anvilstone/core/foundations';

import { useAppSelector } from '../../sync/store/store.ts';
import { useEdit } from '../brief/editBrief.ts';
import { usePartContext } from '../parts/partContext.ts';
import { amount } from '../../ui/amount.ts';
import { MassAndCost, ReserveAndGoverns } from './EntryCells.tsx';
import { Button } from '../../ui/Button.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { TableHead } from '../../ui/TableHead.tsx';

import { useAnswer } from '../../workers/useAnswer.ts';

const HEADINGS = [
  'Nozzle',
  'Density',
  'Shore A',
  'Flow',
  'Mass',
  'Cost',
  'Minimum reserve',
  'Governs',
  'Apply to brief',
];

/** A grade that foams: what each nozzle temperature makes of it and of the part. Nothing is shown of one that does not. */
export function FoamTable({ gradeId }: { gradeId: string }) {
  const { brief, library } = usePartContext();
  const edit = useEdit();
  const units = useAppSelector((state) => state.settings.units);
  const { value: foams } = useAnswer(library, 'foams', [brief, gradeId]);
  if (!foams) return null;
  const { foamNozzleC: set } = brief;
  const take = (nozzleC: number | undefined) => {
    const { foamNozzleC: _before, ...rest } = brief;
    edit(nozzleC === undefined ? rest : { ...rest, foamNozzleC: nozzleC }, 'foam');
  };
  return (
    <Panel
      title="Foaming by nozzle temperature"
      aside={set !== undefined && <Button onClick={() => take(undefined)}>As stated by the maker</Button>}
    >
      <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
        <TableHead headings={HEADINGS} />
        <tbody>
          {foams.map(({ nozzleC, densityGPerCm3, shoreA, flowShare, stated, entry }) => {
            const isNow = nozzleC === set || (set === undefined && stated);
            return (
              <tr key={nozzleC} className={`border-b border-line last:border-0 ${isNow ? 'bg-sunken' : ''}`}>
                <th scope="row" className="px-3 py-1 text-left font-normal whitespace-nowrap">
                  {amount(nozzleC, '°C', units)}
                  {stated && <span className="text-quiet"> · as stated</span>}
                </th>
                <td className="px-3 py-1 whitespace-nowrap">{amount(densityGPerCm3, 'g/cm³', units)}</td>
                <td className="px-3 py-1 whitespace-nowrap">{f(shoreA, 2)}</td>
                <td className="px-3 py-1 whitespace-nowrap">{f(100 * flowShare, 3)} %</td>
                <MassAndCost {...entry} />
                <ReserveAndGoverns entry={entry} />
                <td className="px-3 py-1 whitespace-nowrap">
                  {isNow ? (
                    <span className="text-quiet">current</span>
                  ) : (
                    <Button aria-label={`Apply ${amount(nozzleC, '°C', units)}`} onClick={() => take(nozzleC)}>
                      Apply
                    </Button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="mt-2 text-xs text-quiet">
        Flow is relative to the same lines unfoamed: the rest is gas. Stiffness by Gent’s relation from the hardness,
        strength by density to the power 1.5: typical, and a foam scatters more than a solid print. Print a cube at this
        temperature, weigh and measure it, and correct the flow until the density matches.
      </p>
    </Panel>
  );
}
