import { formatNumber } from '@anvilstone/core/foundations';
import { choiceWords } from '../../ui/form/fieldWords.ts';
import { nameAndUnit } from './schemaFields.ts';

/** Every number of an answer with its unit; lists as tables. */
export function CalculationResult({ answer }: { answer: Record<string, unknown> }) {
  const single = Object.entries(answer).filter(([, value]) => !Array.isArray(value));
  const lists = Object.entries(answer).filter((entry): entry is [string, Record<string, unknown>[]] =>
    Array.isArray(entry[1]),
  );
  return (
    <>
      <dl className="grid grid-cols-[1fr_auto] gap-x-4 gap-y-1">
        {single.map(([key, value]) => {
          const { name, unit } = nameAndUnit(key);
          return (
            <div key={key} className="contents">
              <dt>{name}</dt>
              <dd className="text-right text-base font-semibold">{shown(value, unit)}</dd>
            </div>
          );
        })}
      </dl>
      {lists.map(([key, rows]) => (
        <table key={key} className="mt-3 w-full text-sm">
          <thead>
            <tr className="border-b border-line text-xs text-quiet">
              {Object.keys(rows[0] ?? {}).map((column) => {
                const { name, unit } = nameAndUnit(column);
                return (
                  <th key={column} scope="col" className="py-1 pr-2 text-left font-normal">
                    {name}
                    {unit && `, ${unit}`}
                  </th>
                );
              })}
            </tr>
          </thead>
          <tbody>
            {rows.map((row, index) => (
              <tr key={index} className="border-b border-line last:border-0">
                {Object.values(row).map((value, column) => (
                  <td key={column} className="py-1 pr-2">
                    {shown(value, '')}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      ))}
    </>
  );
}

function shown(value: unknown, unit: string): string {
  if (value === null) return '—';
  if (typeof value === 'number') return unit ? `${formatNumber(value, 5)} ${unit}` : formatNumber(value, 5);
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return typeof value === 'string' ? choiceWords(value) : JSON.stringify(value);
}
