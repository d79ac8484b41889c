import type { Finalist } from '@anvilstone/core/decisions';
import type { ChooseFinalists } from './useFinalists.ts';

/** The finalists as column headings: a letter for the charts, the name, and which one is the base. */
export function FinalistsHead({
  finalists,
  first,
  onChoose,
}: {
  finalists: readonly Finalist[];
  first: string;
  /** Present: they can be reordered and removed here. */
  onChoose?: ChooseFinalists;
}) {
  return (
    <thead>
      <tr className="border-b border-line-strong text-left align-bottom">
        <th scope="col" className="w-64 px-3 py-2 text-xs font-normal text-quiet">
          {first}
        </th>
        {finalists.map(({ gradeId, letter, name, maker, sampleData }, i) => (
          <th key={gradeId} scope="col" className="px-3 py-2 font-normal">
            <span className="flex items-baseline gap-1.5">
              <span className="rounded-sm border border-line-strong px-1 text-xs font-semibold">{letter}</span>
              <strong className="min-w-0">{name}</strong>
            </span>
            <span className="block text-xs text-quiet">
              {maker}
              {sampleData && ', sample data'}
            </span>
            {onChoose && (
              <span className="flex gap-2 text-xs print:hidden">
                {i === 0 ? (
                  <span className="text-quiet">baseline, 100 %</span>
                ) : (
                  <button
                    type="button"
                    className="text-quiet underline hover:text-ink"
                    onClick={() => onChoose((ids) => [gradeId, ...ids.filter((id) => id !== gradeId)])}
                  >
                    Set as baseline
                  </button>
                )}
                <button
                  type="button"
                  className="text-quiet underline hover:text-ink"
                  aria-label={`Remove ${name}`}
                  onClick={() => onChoose((ids) => ids.filter((id) => id !== gradeId))}
                >
                  Remove
                </button>
              </span>
            )}
          </th>
        ))}
      </tr>
    </thead>
  );
}
