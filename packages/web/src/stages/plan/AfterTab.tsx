import { afterPrinting, type TreatmentVerdict } from '@anvilstone/core/making';
import { agents } from '@anvilstone/core/materials/tables';
import { useMemo } from 'react';
import { usePartContext } from '../parts/partContext.ts';
import { Panel } from '../../ui/Panel.tsx';
import { TableHead } from '../../ui/TableHead.tsx';
import type { PlanTabProps } from './planTab.ts';
import { useSay } from '../../ui/useSay.ts';

const LOOK: Record<TreatmentVerdict, string> = {
  works: 'text-pass',
  'with care': 'text-unknown',
  'not suitable': 'text-fail',
  'no effect': 'text-quiet',
};
const MARK: Record<TreatmentVerdict, string> = { works: '✓', 'with care': '△', 'not suitable': '✕', 'no effect': '–' };

/** What may be done to the finished print, what wrecks it, and what it changes in the numbers. */
export function AfterTab({ grade }: PlanTabProps) {
  const { library } = usePartContext();
  const say = useSay();
  const treatments = useMemo(() => afterPrinting(grade, [...(library.agents ?? []), ...agents]), [grade, library]);
  if (!treatments) return null;
  return (
    <Panel title={`After printing ${grade.name}`}>
      <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
        <TableHead headings={['Treatment', 'Verdict', 'Method', 'Effect', 'Notes']} />
        <tbody>
          {treatments.map(({ id, title, verdict, how, changes, caution }) => (
            <tr key={id} className="border-b border-line align-top last:border-0">
              <th scope="row" className="px-3 py-2 text-left font-semibold whitespace-nowrap">
                {title}
              </th>
              <td className={`px-3 py-2 whitespace-nowrap ${LOOK[verdict]}`}>
                <span aria-hidden="true">{MARK[verdict]}</span> {verdict}
              </td>
              <td className="px-3 py-2">{say(how)}</td>
              <td className="px-3 py-2">{changes ? say(changes) : '–'}</td>
              <td className="px-3 py-2 text-unknown">{caution && say(caution)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-xs text-quiet">
        By family and filler, typical values (evidence D). Try it on a failed print first.
      </p>
    </Panel>
  );
}
