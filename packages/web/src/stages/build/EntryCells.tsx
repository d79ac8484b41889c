import { findCheck } from '@anvilstone/core/checks';
import type { EvaluationEntry } from '@anvilstone/schema';
import { useAppSelector } from '../../sync/store/store.ts';
import { amount } from '../../ui/amount.ts';
import { Reserve } from '../../ui/Reserve.tsx';

/** What a part weighs and costs, as two cells of a row. */
export function MassAndCost({ massG, costUsd }: Pick<EvaluationEntry, 'massG' | 'costUsd'>) {
  const units = useAppSelector((state) => state.settings.units);
  return (
    <>
      <td className="px-3 py-1 whitespace-nowrap">{massG === null ? 'unknown' : amount(massG, 'g', units)}</td>
      <td className="px-3 py-1 whitespace-nowrap">{costUsd === null ? 'unknown' : amount(costUsd, 'USD', units)}</td>
    </>
  );
}

/** Its minimum reserve and the check that has it, as two cells of a row. */
export function ReserveAndGoverns({ entry }: { entry: EvaluationEntry }) {
  return (
    <>
      <td className="px-3 py-1 whitespace-nowrap">
        <Reserve reserve={entry.minimumReserve} status={entry.status} />
      </td>
      <td className="px-3 py-1">{findCheck(entry.governingCheckId ?? '')?.title ?? '–'}</td>
    </>
  );
}
