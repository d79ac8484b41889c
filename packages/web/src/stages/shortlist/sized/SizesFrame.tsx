import type { Statement } from '@anvilstone/schema';
import { useMemo, useState, type ReactNode } from 'react';
import { usePartContext } from '../../parts/partContext.ts';
import { Button } from '../../../ui/Button.tsx';
import { Progress } from '../../../ui/Progress.tsx';
import { TableHead } from '../../../ui/TableHead.tsx';
import type { Portions } from '../table/usePortions.ts';
import { useSay } from '../../../ui/useSay.ts';

const ROWS = 60;

/** The table of grades at sizes of their own: what was found so far, what could not be, how far it is and how to stop it. */
export function SizesFrame({
  label,
  found,
  wanted,
  stopped,
  onStopped,
  headings,
  intro,
  rows,
  blocked,
  blockedWords,
}: {
  label: string;
  found: Portions<unknown>;
  wanted: number;
  stopped: boolean;
  onStopped: (stopped: boolean) => void;
  headings: string[];
  intro: ReactNode;
  rows: readonly ReactNode[];
  blocked: readonly { gradeId: string; way: string; why: Statement }[];
  blockedWords: string;
}) {
  const { library } = usePartContext();
  const names = useMemo(() => new Map(library.grades.map(({ id, name }) => [id, name])), [library]);
  const say = useSay();
  const [shown, setShown] = useState(ROWS);
  if (found.impossible)
    return (
      <p className="rounded border border-line bg-surface p-4">
        A measured section has a fixed size. Choose a section with dimensions in the brief.
      </p>
    );
  if (found.failure)
    return (
      <p role="alert" className="text-fail">
        {found.failure}
      </p>
    );
  const total = rows.length + blocked.length;
  return (
    <>
      <div className="mb-2 flex items-center gap-4 text-sm">
        <div className="grow">{found.title !== '' && intro}</div>
        {!found.done && (
          <>
            <Progress
              share={found.rows.length / Math.max(1, wanted)}
              label={`${found.rows.length} of ${wanted} done`}
            />
            <Button onClick={() => onStopped(!stopped)}>{stopped ? 'Continue' : 'Stop'}</Button>
          </>
        )}
      </div>
      <div
        className="max-h-[calc(100vh-20rem)] min-h-80 overflow-auto rounded-md border border-line bg-surface print:max-h-none"
        tabIndex={0}
        role="region"
        aria-label={label}
      >
        <table className="w-full text-sm">
          <TableHead headings={['Grade and orientation', found.title || 'Size', ...headings]} />
          <tbody>
            {rows.slice(0, shown)}
            {blocked.slice(0, Math.max(0, shown - rows.length)).map(({ gradeId, way, why }) => (
              <tr key={gradeId} className="border-t border-line">
                <th scope="row" className="px-3 py-1.5 text-left font-semibold">
                  {names.get(gradeId)}
                  <span className="block text-xs font-normal text-quiet">{way}</span>
                </th>
                <td colSpan={headings.length + 1} className="px-3 py-1.5 text-fail">
                  {blockedWords} <span className="text-quiet">{say(why)}</span>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
        {total > shown && (
          <div className="border-t border-line p-3 text-center">
            <Button onClick={() => setShown(shown + ROWS)}>Show more of {total}</Button>
          </div>
        )}
      </div>
    </>
  );
}
