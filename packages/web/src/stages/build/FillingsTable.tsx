import type { Filling } from '@anvilstone/core/evaluation';
import { builtAs } from '@anvilstone/core/shapes';
import type { WallsAndInfill } from '@anvilstone/schema';
import { useEdit } from '../brief/editBrief.ts';
import { usePartContext } from '../parts/partContext.ts';
import { duration } from '../../ui/amount.ts';
import { MassAndCost, ReserveAndGoverns } from './EntryCells.tsx';
import { Button } from '../../ui/Button.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { TableHead } from '../../ui/TableHead.tsx';

const HEADINGS = ['Infill', 'Mass', 'Cost', 'Print time', 'Printed', 'Minimum reserve', 'Governs', 'Apply to brief'];

/** One that was worked out to weigh as much has the same share but for the last digits. */
function isSame(one: WallsAndInfill | undefined, other: WallsAndInfill | undefined): boolean {
  if (!one || !other) return one === other;
  const { infillShare: a, ...rest } = one;
  const { infillShare: b, ...otherRest } = other;
  return Math.abs(a - b) < 5e-4 && JSON.stringify(rest) === JSON.stringify(otherRest);
}

/** Fillings with what they weigh, cost and bear, in their best build orientation; one of them can be taken. */
export function FillingsTable({
  title,
  fillings,
  now,
  empty,
}: {
  title: string;
  fillings: readonly Filling[];
  now: WallsAndInfill | undefined;
  empty?: string;
}) {
  const { brief } = usePartContext();
  const edit = useEdit();
  const take = (filled: WallsAndInfill | undefined) => {
    const { filled: _before, ...rest } = brief;
    edit(filled ? { ...rest, filled } : rest, 'filled');
  };
  return (
    <Panel title={title}>
      {fillings.length === 0 && <p className="text-quiet">{empty}</p>}
      {fillings.length > 0 && (
        <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
          <TableHead headings={HEADINGS} />
          <tbody>
            {fillings.map(({ title: name, filled, entry }) => {
              const isNow = isSame(filled, now);
              return (
                <tr
                  key={JSON.stringify(filled ?? null)}
                  className={`border-b border-line last:border-0 ${isNow ? 'bg-sunken' : ''}`}
                >
                  <th scope="row" className="px-3 py-1 text-left font-normal xl:whitespace-nowrap">
                    {name}
                  </th>
                  <MassAndCost {...entry} />
                  <td className="px-3 py-1">{entry.printTimeH ? duration(entry.printTimeH) : 'unknown'}</td>
                  <td className="px-3 py-1">{builtAs(brief.part, entry.orientation)}</td>
                  <ReserveAndGoverns entry={entry} />
                  <td className="px-3 py-1">
                    {isNow ? (
                      <span className="text-quiet">current</span>
                    ) : (
                      <Button aria-label={`Apply ${name}`} onClick={() => take(filled)}>
                        Apply
                      </Button>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </Panel>
  );
}
