import { findTableColumn, isClassColumn, TABLE_COLUMNS } from '@anvilstone/core/evaluation';
import { PROPERTY_DEFINITIONS } from '@anvilstone/core/materials';
import { Button } from '../../../ui/Button.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { controlLook } from '../../../ui/fields.tsx';
import type { Range } from './gradeFilter.ts';

const choices = TABLE_COLUMNS.filter((column) => !isClassColumn(column));

/** Least and most of any resolved property, at the condition chosen for the page. */
export function RangeFilters({
  ranges,
  unknown,
  onChange,
}: {
  ranges: readonly Range[];
  unknown: number;
  onChange: (ranges: Range[]) => void;
}) {
  const set = (at: number, change: Partial<Range>) =>
    onChange(ranges.map((one, i) => (i === at ? { ...one, ...change } : one)));
  const clear = (at: number, end: 'least' | 'most') =>
    onChange(
      ranges.map((one, i) => {
        if (i !== at) return one;
        const { [end]: _gone, ...rest } = one;
        return rest;
      }),
    );
  return (
    <section aria-label="Ranges" className="border-b border-line pb-2">
      <h2 className="py-1 text-xs">Ranges of a property</h2>
      {ranges.map((range, i) => {
        const column = findTableColumn(range.columnId);
        if (!column) return null;
        const { dimension } = PROPERTY_DEFINITIONS[column.property];
        return (
          <fieldset key={range.columnId} className="mb-2 rounded border border-line p-1.5">
            <legend className="px-1 text-xs font-semibold">{column.title}</legend>
            <div className="flex gap-1.5">
              <QuantityField
                label="at least"
                dimension={dimension}
                value={range.least}
                onChange={(least) => set(i, { least })}
                onClear={() => clear(i, 'least')}
              />
              <QuantityField
                label="at most"
                dimension={dimension}
                value={range.most}
                onChange={(most) => set(i, { most })}
                onClear={() => clear(i, 'most')}
              />
            </div>
            <Button
              look="quiet"
              className="mt-1 px-1 py-0 text-xs"
              onClick={() => onChange(ranges.filter((_, at) => at !== i))}
            >
              Remove range
            </Button>
          </fieldset>
        );
      })}
      <select
        aria-label="Add a range"
        className={`${controlLook} text-sm`}
        value=""
        onChange={(event) => onChange([...ranges, { columnId: event.target.value }])}
      >
        <option value="">Add a range …</option>
        {choices
          .filter(({ id }) => !ranges.some(({ columnId }) => columnId === id))
          .map(({ id, title }) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
      </select>
      {unknown > 0 && (
        <p className="mt-1 text-xs text-unknown">
          {unknown} {unknown === 1 ? 'grade has' : 'grades have'} no known value there and{' '}
          {unknown === 1 ? 'is' : 'are'} excluded: unknown does not match.
        </p>
      )}
    </section>
  );
}
