import { findCheck } from '@anvilstone/core/checks';
import type { CompanyRules, PartSummary } from '@anvilstone/schema';

import { useMemo } from 'react';
import { Link } from 'react-router';
import { Panel } from '../../ui/Panel.tsx';
import { Reserve } from '../../ui/Reserve.tsx';

import type { Leader, PartImpact } from '../../workers/leaders.ts';
import type { Workshop } from '../../workers/workshop.ts';
import { useAnswer } from '../../workers/useAnswer.ts';

/** Which parts' answers the changed rules move, before they are put in force. */
export function ImpactPanel({
  rules,
  parts,
  library,
}: {
  rules: CompanyRules;
  parts: readonly PartSummary[];
  library: Workshop;
}) {
  const briefs = useMemo(() => parts.map(({ id, brief }) => ({ partId: id, brief })), [parts]);
  const computed = useAnswer(library, 'impact', [briefs, rules]);
  const names = new Map(library.grades.map(({ id, name }) => [id, name]));
  const titles = new Map(parts.map(({ id, brief }) => [id, brief.title]));
  const moved = computed.value?.filter(moves);
  return (
    <Panel title="Parts affected">
      {computed.state === 'failed' && <p className="text-fail">{computed.message}</p>}
      {(computed.state === 'pending' || computed.state === 'updating') && (
        <p className="text-quiet">Evaluating {parts.length} parts …</p>
      )}
      {moved?.length === 0 && (
        <p className="text-quiet">None of the {parts.length} parts: rankings and verdicts stay the same.</p>
      )}
      {moved && moved.length > 0 && (
        <table className="w-full text-sm">
          <thead>
            <tr className="text-left text-xs text-quiet">
              <th className="py-1 pr-3 font-normal">Part</th>
              <th className="py-1 pr-3 font-normal">Leads now</th>
              <th className="py-1 pr-3 font-normal">Would lead</th>
              <th className="py-1 text-right font-normal">Pass</th>
            </tr>
          </thead>
          <tbody>
            {moved.map(({ partId, now, then }) => (
              <tr key={partId} className="border-t border-line align-top">
                <th scope="row" className="py-1.5 pr-3 text-left font-semibold">
                  <Link to={`/parts/${partId}/shortlist`} className="hover:underline">
                    {titles.get(partId)}
                  </Link>
                </th>
                <td className="py-1.5 pr-3">
                  <Leads leader={now} names={names} />
                </td>
                <td className={`py-1.5 pr-3 ${now.first?.gradeId === then.first?.gradeId ? '' : 'font-semibold'}`}>
                  <Leads leader={then} names={names} />
                </td>
                <td className="py-1.5 text-right whitespace-nowrap">
                  {now.counts.pass} → {then.counts.pass}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {moved && moved.length > 0 && (
        <p className="mt-2 text-xs text-quiet">
          {parts.length - moved.length} of {parts.length} parts are unchanged. Frozen decisions keep the rules they were
          made under.
        </p>
      )}
    </Panel>
  );
}

function Leads({ leader: { first, built }, names }: { leader: Leader; names: ReadonlyMap<string, string> }) {
  if (!first) return <span className="text-quiet">no grades</span>;
  const { best, gradeId } = first;
  const governs = best.governingCheckId ? findCheck(best.governingCheckId)?.title : undefined;
  return (
    <>
      {names.get(gradeId) ?? gradeId}, {built}
      <span className="block text-xs font-normal text-quiet">
        <Reserve reserve={best.minimumReserve} status={best.status} /> {governs}
      </span>
    </>
  );
}

/** By less than this a reserve is the same to the eye. */
const SAME_RESERVE = 0.005;

function moves({ now, then }: PartImpact): boolean {
  const a = now.first?.best;
  const b = then.first?.best;
  return (
    now.first?.gradeId !== then.first?.gradeId ||
    a?.status !== b?.status ||
    a?.orientation !== b?.orientation ||
    Math.abs((a?.minimumReserve ?? 0) - (b?.minimumReserve ?? 0)) > SAME_RESERVE ||
    now.counts.pass !== then.counts.pass ||
    now.counts.unknown !== then.counts.unknown
  );
}
