import type { Grade } from '@anvilstone/schema';
import { useMemo, useState, type ReactNode } from 'react';
import { useStockQuery } from '../../shop/spools/spoolsApi.ts';
import { Choice } from '../../ui/fields.tsx';

/** What the filament really cost, where a spool of the grade in stock says so; and the field to choose it by. */
export function usePaid(grade: Grade): { paid: { pricePerKgUsd: number; from: string } | undefined; field: ReactNode } {
  const { data: stock } = useStockQuery();
  const [spoolId, setSpool] = useState('');
  const priced = useMemo(
    () =>
      (stock?.spools ?? []).flatMap(({ spool }) =>
        spool.gradeId === grade.id && !spool.empty && spool.pricePaidUsd !== undefined
          ? [{ id: spool.id, pricePerKgUsd: (1000 * spool.pricePaidUsd) / spool.netMassG }]
          : [],
      ),
    [stock, grade],
  );
  const chosen = priced.find(({ id }) => id === spoolId);
  const paid = useMemo(
    () => chosen && { pricePerKgUsd: chosen.pricePerKgUsd, from: `paid for ${chosen.id}` },
    [chosen],
  );
  return {
    paid,
    field: priced.length > 0 && (
      <Choice
        label="Filament at"
        value={chosen?.id ?? ''}
        options={[
          { value: '', label: 'its list price' },
          ...priced.map(({ id, pricePerKgUsd }) => ({
            value: id,
            label: `what ${id} cost: ${pricePerKgUsd.toFixed(2)} USD/kg`,
          })),
        ]}
        onChange={setSpool}
      />
    ),
  };
}
