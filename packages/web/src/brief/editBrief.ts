import type { Brief } from '@anvilstone/schema';
import { edited } from '../app/draft.ts';
import { useAppDispatch, useAppSelector } from '../app/store.ts';

/** Changes the open brief. `field` names what is changed, so that typing in one field is one step to undo. */
export function useEdit(): (brief: Brief, field: string) => void {
  const dispatch = useAppDispatch();
  return (brief, field) => dispatch(edited(brief, field));
}

/** What the server or the brief itself says is wrong at a place, in words. */
export function useIssue(pointer: string): string | undefined {
  return useAppSelector(({ draft }) => {
    if (draft.saving.state !== 'refused') return undefined;
    const issue = draft.saving.issues.find((one) => one.pointer === pointer);
    return issue && (issue.accepted ? `${issue.detail}. Accepted: ${issue.accepted}.` : issue.detail);
  });
}
