import type { Brief } from '@anvilstone/schema';

/** A first part to change: complete, so that the screen answers from the first keystroke on. */
export const newBrief: Brief = {
  title: 'New part',
  purpose: '',
  failureCouldHurt: 'unanswered',
  moisture: 'conditioned',
  part: {
    model: 'cantilever-arm',
    spanMm: 120,
    section: { kind: 'rectangle', widthMm: 16, depthMm: 20 },
    filletRadiusMm: 4,
  },
  loadCases: [
    {
      id: 'load-1',
      name: 'Load at the end',
      forceN: 20,
      durationH: 1000,
      temperatureC: 23,
      safetyFactor: 2,
      actsWhenHot: true,
      maxSagMm: 3,
    },
  ],
  asks: {},
};
