import type { Brief, LoadCase } from '@anvilstone/schema';

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
