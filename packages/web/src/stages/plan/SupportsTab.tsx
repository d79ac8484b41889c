import { fromMarked } from '@anvilstone/core/foundations';
import { REMOVAL_WORDS, supportChoices } from '@anvilstone/core/making';
import { supportStatement } from '@anvilstone/core/materials/tables';
import { useMemo } from 'react';
import { useAppSelector } from '../../sync/store/store.ts';
import { amount } from '../../ui/amount.ts';
import { Panel } from '../../ui/Panel.tsx';
import { TableHead } from '../../ui/TableHead.tsx';
import type { PlanTabProps } from './planTab.ts';
import { useSay } from '../../ui/useSay.ts';

const HEADINGS = ['Support', 'Recommended', 'Adhesion while printing', 'Removal', 'Effect on the part', 'Notes'];
const ADVISED = { yes: 'yes', possible: 'possible', no: 'no' } as const;

/** What holds up overhangs of this grade, how it comes off, and what coming off does to the part. */
export function SupportsTab({ grade, choice }: PlanTabProps) {
  const units = useAppSelector((state) => state.settings.units);
  const say = useSay();
  const choices = useMemo(() => supportChoices(grade, choice.machine), [grade, choice]);
  if (!choices || choices.length === 0)
    return <p className="rounded border border-line bg-surface p-4">No support data for this family.</p>;
  return (
    <Panel title={`Supports for ${grade.name} on ${choice.machine.name}`}>
      <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
        <TableHead headings={HEADINGS} />
        <tbody>
          {choices.map(({ support, pairing, problems }) => (
            <tr key={support.id} className="border-b border-line align-top last:border-0">
              <th scope="row" className="px-3 py-2 text-left font-semibold">
                {support.name}
              </th>
              <td className="px-3 py-2">
                {problems.length > 0 ? (
                  <span className="text-fail">not available: {problems.map(say).join('; ')}</span>
                ) : (
                  <span className={pairing.recommended === 'no' ? 'text-fail' : ''}>
                    {ADVISED[pairing.recommended]}
                  </span>
                )}
              </td>
              <td className="px-3 py-2">{pairing.bond}</td>
              <td className="px-3 py-2">
                {REMOVAL_WORDS[pairing.removability]}, {support.removal.agent},{' '}
                {amount(support.removal.temperatureC.low, '°C', units)} to{' '}
                {amount(support.removal.temperatureC.high, '°C', units)}, {support.removal.hoursTypical.low} to{' '}
                {support.removal.hoursTypical.high} h
                <span className="block text-xs text-quiet">helps: {support.removal.helps.join('; ')}</span>
              </td>
              <td className="px-3 py-2">{pairing.harms ? say(fromMarked(pairing.harms)) : 'none'}</td>
              <td className="px-3 py-2 text-unknown">
                {say(fromMarked([pairing.caution, support.caution].filter(Boolean).join(' ')))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-xs text-quiet">
        {supportStatement} Overhangs are listed under Build for each orientation.
      </p>
    </Panel>
  );
}
