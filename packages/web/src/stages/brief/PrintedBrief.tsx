import { briefBlocks } from '@anvilstone/core/decisions';
import { useMemo } from 'react';
import { useAppSelector } from '../../sync/store/store.ts';
import { RecordBlocks } from '../decision/RecordBlocks.tsx';
import { usePartContext } from '../parts/partContext.ts';

/** On paper a form is no use: the same brief as the record words it. */
export function PrintedBrief() {
  const { brief, library } = usePartContext();
  const units = useAppSelector((state) => state.settings.units);
  const blocks = useMemo(() => briefBlocks({ brief, ...library }, units), [brief, library, units]);
  return (
    <section aria-label="The brief in words" className="hidden print:block">
      <RecordBlocks blocks={blocks} />
    </section>
  );
}
