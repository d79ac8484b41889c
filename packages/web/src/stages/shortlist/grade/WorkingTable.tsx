import { findCheck } from '@anvilstone/core/checks';
import { loadName } from '@anvilstone/core/decisions';
import { formatNumber, formatReserve, type UnitSystem, inWords } from '@anvilstone/core/foundations';
import type { CheckResult, WorkingStep } from '@anvilstone/schema';
import { useAppSelector } from '../../../sync/store/store.ts';
import { usePartContext } from '../../parts/partContext.ts';
import { amount } from '../../../ui/amount.ts';
import { demandSentence } from '../../../ui/demandWords.ts';
import { statusWords } from '../../../ui/Reserve.tsx';
import { useSay } from '../../../ui/useSay.ts';

/**
 * The shown arithmetic of one check, with the sources of its numbers, in the reader’s units, and beside each value the one
 * that was computed.
 */
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
        <p key={say(gap)} className="mt-2 text-unknown">
          Unknown, so it does not pass. {say(gap)}.
        </p>
      ))}
      {steps.length > 0 && units !== 'metric' && (
        <p className="mt-2 text-xs text-quiet">Small: the value as it was computed, in mm, N, MPa and °C.</p>
      )}
      {steps.length > 0 && (
        <table className="mt-2 w-full text-sm">
          <tbody>
            {steps.map((step, index) => (
              <tr key={index} className="border-t border-line align-top">
                <td className="w-16 py-1 pr-2 font-semibold whitespace-nowrap">{step.symbol}</td>
                <td className="py-1 pr-3">
                  {say(step.meaning)}
                  {step.expression && <span className="block text-xs text-quiet">= {say(step.expression)}</span>}
                  {step.source && <span className="block text-xs text-quiet">{say(step.source)}</span>}
                </td>
                <td className="max-w-72 py-1 text-right font-semibold">
                  <StepValue step={step} units={units} />
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

function StepValue({ step: { value, unit }, units }: { step: WorkingStep; units: UnitSystem }) {
  if (typeof value !== 'number') return inWords(value, units);
  const calculated = `${formatNumber(value, 4)} ${unit}`;
  const told = amount(value, unit, units, 4);
  const isOther = units !== 'metric' && !told.endsWith(unit);
  return (
    <>
      <span className="whitespace-nowrap">{isOther ? told : calculated}</span>
      {isOther && <span className="block text-xs font-normal whitespace-nowrap text-quiet">{calculated}</span>}
    </>
  );
}
