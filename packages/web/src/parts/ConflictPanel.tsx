import { mergeDocuments } from '@anvilstone/core';
import type { Brief, Part } from '@anvilstone/schema';
import { conflictSettled } from '../app/draft.ts';
import { useAppDispatch } from '../app/store.ts';
import { Button } from '../ui/Button.tsx';
import { briefDifferences } from './briefDifferences.ts';

/** Someone else changed the same fields meanwhile: shows those and leaves the choice to the engineer. All others of both are in anyway. */
export function ConflictPanel({ newer, mine, base }: { newer: Part; mine: Brief; base: Brief | null }) {
  const dispatch = useAppDispatch();
  const conflicts = base ? mergeDocuments(base, mine, newer.brief).conflicts : [];
  const rows =
    conflicts.length > 0
      ? conflicts.flatMap(({ path, mine: own, theirs }) => briefDifferences(theirs, own, `/${path.join('/')}`))
      : briefDifferences(newer.brief, mine);
  return (
    <section
      role="alert"
      aria-label="Changed by someone else"
      className="mb-4 rounded-md border border-fail bg-surface p-4"
    >
      <h2 className="text-base">This part was changed elsewhere (revision {newer.revision})</h2>
      <p className="mt-1 text-quiet">
        {conflicts.length > 0
          ? 'These were changed by both of you; what only one of you changed is brought together. '
          : 'What both of you changed does not fit together. '}
        Nothing has been overwritten. Your version is kept on this computer until you choose.
      </p>
      <table className="mt-3 w-full text-sm">
        <thead>
          <tr className="text-left text-xs text-quiet">
            <th className="pr-4 font-normal">Field</th>
            <th className="pr-4 font-normal">Saved elsewhere</th>
            <th className="font-normal">Yours</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ pointer, theirs, mine: own }) => (
            <tr key={pointer} className="border-t border-line">
              <td className="py-1 pr-4">{pointer}</td>
              <td className="py-1 pr-4">{theirs}</td>
              <td className="py-1">{own}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <div className="mt-3 flex gap-2">
        <Button onClick={() => dispatch(conflictSettled('mine'))}>Keep mine, as the next revision</Button>
        <Button onClick={() => dispatch(conflictSettled('newer'))}>Take the newer one (undo brings mine back)</Button>
      </div>
    </section>
  );
}
