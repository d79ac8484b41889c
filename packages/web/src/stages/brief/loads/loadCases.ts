import { fitLoad, withKind, type SizeKind } from '@anvilstone/core/shapes';
import type { Brief, LoadCase, LoadKind } from '@anvilstone/schema';

export function withLoadCase(brief: Brief, index: number, change: Partial<LoadCase>): Brief {
  return {
    ...brief,
    loadCases: brief.loadCases.map((loadCase, i) => (i === index ? merged(loadCase, change) : loadCase)),
  };
}

/** A field that is set to undefined is taken off: the document holds what is asked and nothing else. */
function merged(loadCase: LoadCase, change: Partial<LoadCase>): LoadCase {
  const next: Record<string, unknown> = { ...loadCase, ...change };
  for (const [key, value] of Object.entries(change)) if (value === undefined) delete next[key];
  return next as unknown as LoadCase;
}

/** The same load as another kind: what the kind does not know is taken off, what it needs gets a first value. */
export function withLoadKind(brief: Brief, index: number, kind: LoadKind, size: SizeKind): Brief {
  return {
    ...brief,
    loadCases: brief.loadCases.map((loadCase, i) => (i === index ? withKind(loadCase, kind, size) : loadCase)),
  };
}

/** A new load with an id no other load has, of a kind that the part can bear. */
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
  return { ...brief, loadCases: [...brief.loadCases, fitLoad(loadCase, brief.part)] };
}
