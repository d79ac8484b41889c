import { findCheck } from '@anvilstone/core/checks';
import { loadName } from '@anvilstone/core/decisions';
import { formatNumber, formatReserve } from '@anvilstone/core/foundations';
import type { CheckResult } from '@anvilstone/schema';
import { useAppSelector } from '../../../sync/store/store.ts';
import { usePartContext } from '../../parts/partContext.ts';
import { demandSentence } from '../../../ui/demandWords.ts';
import { statusWords } from '../../../ui/Reserve.tsx';
import { useSay } from '../../../ui/useSay.ts';

/** The shown arithmetic of one check, with the sources of its numbers. Always in the computation's own units. */
export function WorkingTable({ check }: { check: CheckResult }) {
  const { brief } = usePartContext();
  const units = useAppSelector((state) => state.settings.units);
  const definition = findCheck(check.checkId);
  const load = loadName(brief, check.loadCaseId);
  const steps = check.working ?? [];
  const say = useSay();
  return (
    <section aria-label={`Working: ${definition?.title ?? check.checkId}`} className="mt-4">
      <h3 className="text-base">{definition?.title}</h3>
      <p className="text-quiet">{definition?.asks}</p>
      {load && <p className="text-quiet">Governing load: “{load}”.</p>}
      {check.reserve !== null && (
        <p className="mt-2 text-base">
          <strong>{demandSentence(check, units)}</strong>: reserve <strong>{formatReserve(check.reserve)}</strong>,{' '}
          {statusWords(check.status, check.evidence)}.{check.reason ? ` ${say(check.reason)}.` : ''}
        </p>
      )}
      {check.demand === null && check.reason && <p className="mt-2 text-base">{say(check.reason)}</p>}
      {check.gaps.map((gap) => (
        <p key={gap} className="mt-2 text-unknown">
          Unknown, so it does not pass. {say(gap)}.
        </p>
      ))}
      {steps.length > 0 && (
        <table className="mt-2 w-full text-sm">
          <tbody>
            {steps.map((step, index) => (
              <tr key={index} className="border-t border-line align-top">
                <td className="w-16 py-1 pr-2 font-semibold whitespace-nowrap">{step.symbol}</td>
                <td className="py-1 pr-3">
                  {step.meaning}
                  {step.expression && <span className="block text-xs text-quiet">= {step.expression}</span>}
                  {step.source && <span className="block text-xs text-quiet">{step.source}</span>}
                </td>
                <td className="max-w-72 py-1 text-right font-semibold">
                  {typeof step.value === 'number' ? `${formatNumber(step.value, 4)} ${step.unit}` : step.value}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}
