import type { Brief, LoadCase } from '@anvilstone/schema';
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

export function withLoadCase(brief: Brief, index: number, change: Partial<LoadCase>): Brief {
  return {
    ...brief,
    loadCases: brief.loadCases.map((loadCase, i) => (i === index ? { ...loadCase, ...change } : loadCase)),
  };
}

/** A new load with an id no other load has. */
export function withNewLoadCase(brief: Brief): Brief {
  const taken = new Set(brief.loadCases.map((loadCase) => loadCase.id));
  let number = brief.loadCases.length + 1;
  while (taken.has(`load-${number}`)) number += 1;
  const loadCase: LoadCase = {
    id: `load-${number}`,
    name: `Load ${number}`,
    forceN: 10,
    durationH: 0.1,
    temperatureC: 23,
    safetyFactor: 2,
    actsWhenHot: false,
  };
  return { ...brief, loadCases: [...brief.loadCases, loadCase] };
}
