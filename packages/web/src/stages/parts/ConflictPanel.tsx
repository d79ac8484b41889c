import { mergeDocuments, documentChanges } from '@anvilstone/core/decisions';
import type { Brief, Part } from '@anvilstone/schema';
import { conflictSettled } from '../../sync/drafts/draft.ts';
import { useAppDispatch } from '../../sync/store/store.ts';
import { Button } from '../../ui/Button.tsx';
import { useSay } from '../../ui/useSay.ts';

/** Someone else changed the same fields meanwhile: shows those and leaves the choice to the engineer. All others of both are in anyway. */
export function ConflictPanel({ newer, mine, base }: { newer: Part; mine: Brief; base: Brief | null }) {
  const dispatch = useAppDispatch();
  const say = useSay();
  // What only one of both has changed is in either way, so that nothing but the choice is shown.
  const both = base ? mergeDocuments(base, mine, newer.brief) : undefined;
  const isOfFields = both !== undefined && both.conflicts.length > 0;
  const rows = isOfFields
    ? documentChanges('Brief', mergeDocuments(base!, mine, newer.brief, 'theirs').merged, both.merged)
    : documentChanges('Brief', newer.brief, mine);
  return (
    <section
      role="alert"
      aria-label="Changed by someone else"
      className="mb-4 rounded-md border border-fail bg-surface p-4"
    >
      <h2 className="text-base">This part was changed elsewhere (revision {newer.revision})</h2>
      <p className="mt-1 text-quiet">
        {isOfFields ? 'Changed by both; changes made by only one of you are merged. ' : 'The two versions conflict. '}
        Nothing has been overwritten. Your version is stored on this computer until you choose.
      </p>
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
        <Button onClick={() => dispatch(conflictSettled('mine'))}>Keep mine as a new revision</Button>
        <Button onClick={() => dispatch(conflictSettled('newer'))}>Use the newer version (undo restores mine)</Button>
      </div>
    </section>
  );
}
