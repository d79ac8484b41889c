import { builtAs } from '@anvilstone/core/shapes';
import { useMemo, useState } from 'react';
import { useAppSelector } from '../../../sync/store/store.ts';
import { usePartContext } from '../../parts/partContext.ts';
import { amount } from '../../../ui/amount.ts';
import { SizeRow, type SizedRow } from './SizeRow.tsx';
import { SizesFrame } from './SizesFrame.tsx';
import { useSized } from '../table/usePortions.ts';

const HEADINGS = ['Mass', 'Cost', 'Print time', 'Height in the print', 'Governing then', 'Apply to brief'];

/** Every grade at the smallest size that passes every check: what it then weighs, costs and takes, or what blocks it. */
export function SizedTable({ ids }: { ids: readonly string[] }) {
  const { brief, library } = usePartContext();
  const [stopped, setStopped] = useState(false);
  const units = useAppSelector((state) => state.settings.units);
  const found = useSized(brief, library, ids, { stopped });
  const rows = useMemo(
    () =>
      found.rows
        .filter((one): one is SizedRow => one.ok)
        .sort((a, b) => (a.entry.costUsd ?? Infinity) - (b.entry.costUsd ?? Infinity) || a.sizeMm - b.sizeMm),
    [found.rows],
  );
  const blocked = found.rows.flatMap((one) =>
    one.ok ? [] : [{ gradeId: one.gradeId, way: builtAs(brief.part, one.orientation), why: one.why }],
  );
  return (
    <SizesFrame
      label="Sized to pass"
      found={found}
      wanted={ids.length}
      stopped={stopped}
      onStopped={setStopped}
      headings={HEADINGS}
      blocked={blocked}
      blockedWords="Cannot be sized."
      intro={
        <>
          <strong>{found.title}</strong> grows or shrinks from the drawn {amount(found.drawnMm, 'mm', units)}until every
          check just passes, all else unchanged; range searched: one fifth to five times.
        </>
      }
      rows={rows.map((row) => (
        <SizeRow key={row.gradeId} row={row} drawnMm={found.drawnMm} />
      ))}
    />
  );
}
