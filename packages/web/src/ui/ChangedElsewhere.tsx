import { documentChanges, mergeDocuments } from '@anvilstone/core/decisions';
import type { FieldChange } from '@anvilstone/schema';
import { Button } from './Button.tsx';
import { useSay } from './useSay.ts';

/** What both have changed, as it would be by either choice; what only one has changed is in by both. */
export function changedByBoth<T>(area: string, base: T, mine: T, theirs: T): FieldChange[] {
  return documentChanges(
    area,
    mergeDocuments(base, mine, theirs, 'theirs').merged,
    mergeDocuments(base, mine, theirs).merged,
  );
}

/** Someone else changed the same meanwhile: shows it, and leaves the choice. */
export function ChangedElsewhere({
  what,
  revision,
  how,
  rows,
  canUndo = false,
  onSettle,
}: {
  what: string;
  /** The newer one’s. */
  revision: number;
  how: string;
  rows: readonly FieldChange[];
  canUndo?: boolean;
  onSettle: (whose: 'mine' | 'newer') => void;
}) {
  const say = useSay();
  return (
    <section
      role="alert"
      aria-label="Changed by someone else"
      className="mb-4 rounded-md border border-fail bg-surface p-4"
    >
      <h2 className="text-base">
        This {what} was changed elsewhere (revision {revision})
      </h2>
      <p className="mt-1 text-quiet">{how}</p>
      <table className="mt-3 w-full text-sm">
        <thead>
          <tr className="text-left text-xs text-quiet">
            <th className="pr-4 font-normal">Field</th>
            <th className="pr-4 font-normal">Saved version</th>
            <th className="font-normal">Yours</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ field, before, after }) => (
            <tr key={field} className="border-t border-line">
              <td className="py-1 pr-4">{field}</td>
              <td className="py-1 pr-4">{before === null ? 'not given' : say(before)}</td>
              <td className="py-1">{after === null ? 'not given' : say(after)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-3 flex gap-2">
        <Button onClick={() => onSettle('mine')}>Keep mine as a new revision</Button>
        <Button onClick={() => onSettle('newer')}>Use the newer version{canUndo && ' (undo restores mine)'}</Button>
      </div>
    </section>
  );
}
