import type { PrintRecord } from '@anvilstone/schema';
import { useAppSelector } from '../../sync/store/store.ts';
import { usePrintsQuery } from '../spools/spoolsApi.ts';
import { amount, duration } from '../../ui/amount.ts';
import { moment } from '../../ui/when.ts';

const FEW = 8;

/** The latest prints that were written down for a machine. */
export function LatestPrints({ machineId }: { machineId: string }) {
  const { data: prints } = usePrintsQuery(machineId);
  const units = useAppSelector((state) => state.settings.units);
  if (!prints) return null;
  if (prints.length === 0)
    return <p className="mt-2 text-xs text-quiet">No print of it is written down here yet: see Spools, Instruments.</p>;
  const told = ({ what, hours, massG, spoolId, note }: PrintRecord) =>
    `${what}, ${duration(hours)}, ${amount(massG, 'g', units)}${spoolId === null ? '' : ` from ${spoolId}`}${note ? `. ${note}` : ''}`;
  return (
    <ul className="mt-2 border-t border-line pt-2 text-xs" aria-label="Latest prints">
      {prints.slice(0, FEW).map((print) => (
        <li key={print.id}>
          <span className={print.succeeded ? 'text-pass' : 'text-fail'}>{print.succeeded ? '● good' : '✕ failed'}</span>{' '}
          {moment(Date.parse(print.endedAt))}: {told(print)}
        </li>
      ))}
    </ul>
  );
}
