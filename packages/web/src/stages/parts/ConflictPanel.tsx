import { documentChanges, mergeDocuments } from '@anvilstone/core/decisions';
import type { Brief, Part } from '@anvilstone/schema';
import { conflictSettled } from '../../sync/drafts/draft.ts';
import { useAppDispatch } from '../../sync/store/store.ts';
import { changedByBoth, ChangedElsewhere } from '../../ui/ChangedElsewhere.tsx';

/** Someone else changed the same fields of this brief meanwhile. */
export function ConflictPanel({ newer, mine, base }: { newer: Part; mine: Brief; base: Brief | null }) {
  const dispatch = useAppDispatch();
  const isOfFields = base !== null && mergeDocuments(base, mine, newer.brief).conflicts.length > 0;
  return (
    <ChangedElsewhere
      what="part"
      revision={newer.revision}
      how={`${isOfFields ? 'Changed by both; changes made by only one of you are merged. ' : 'The two versions conflict. '}Nothing has been overwritten. Your version is stored on this computer until you choose.`}
      rows={isOfFields ? changedByBoth('Brief', base, mine, newer.brief) : documentChanges('Brief', newer.brief, mine)}
      canUndo
      onSettle={(whose) => dispatch(conflictSettled(whose))}
    />
  );
}
