import { useCallback, useMemo, useState } from 'react';
import { useAppSelector } from '../../../sync/store/store.ts';
import { usePartContext } from '../../parts/partContext.ts';
import { amount } from '../../../ui/amount.ts';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { EqualMassRow, type EqualMassRowData } from './SizeRow.tsx';
import { SizesFrame } from './SizesFrame.tsx';
import { useEqualMass } from '../table/usePortions.ts';

const HEADINGS = ['Cost', 'Print time', 'Height in the print', 'Minimum reserve', 'Governs', 'Apply to brief'];
const STATUS_ORDER = { pass: 0, unknown: 1, fail: 2 };

/** Every grade in a part of the same mass: which polymer makes most of a gram. */
export function EqualMassTable({
  ids,
  massG,
  onMass,
}: {
  ids: readonly string[];
  /** Undefined: no grade’s mass is known. */
  massG: number | undefined;
  onMass: (massG: number) => void;
}) {
  const { brief, library } = usePartContext();
  const [stopped, setStopped] = useState(false);
  const units = useAppSelector((state) => state.settings.units);
  const found = useEqualMass(brief, library, ids, massG, stopped);
  const rows = useMemo(
    () =>
      found.rows
        .filter((one): one is EqualMassRowData => one.ok)
        .sort(
          (a, b) =>
            STATUS_ORDER[a.entry.status] - STATUS_ORDER[b.entry.status] ||
            (b.entry.minimumReserve ?? -1) - (a.entry.minimumReserve ?? -1),
        ),
    [found.rows],
  );
  const change = useCallback((value: number | undefined) => value !== undefined && onMass(value), [onMass]);
  if (massG === undefined)
    return <p className="rounded border border-line bg-surface p-4">No grade has a known mass.</p>;
  return (
    <SizesFrame
      label="At equal mass"
      found={found}
      wanted={ids.length}
      stopped={stopped}
      onStopped={setStopped}
      headings={HEADINGS}
      blocked={found.rows.flatMap((one) => (one.ok ? [] : [{ gradeId: one.gradeId, way: '', why: one.why }]))}
      blockedWords="Not possible."
      intro={
        <span className="flex items-end gap-3">
          <span className="w-36">
            <QuantityField label="Mass of each part" dimension="mass" value={massG} onChange={change} />
          </span>
          <span className="pb-1">
            {Number.isNaN(found.drawnMm) ? (
              <>
                Shape and walls stay; a light polymer gets more <strong>infill</strong>, a dense one less.
              </>
            ) : (
              <>
                <strong>{found.title}</strong> grows for a light polymer and shrinks for a heavy one, from the drawn{' '}
                {amount(found.drawnMm, 'mm', units)}; printed solid.
              </>
            )}{' '}
            Highest minimum reserve first.
          </span>
        </span>
      }
      rows={rows.map((row) => (
        <EqualMassRow key={row.gradeId} row={row} drawnMm={found.drawnMm} />
      ))}
    />
  );
}
