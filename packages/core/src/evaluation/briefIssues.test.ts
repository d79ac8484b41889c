import type { Brief } from '@anvilstone/schema';
import { lampArm, sampleBriefs } from '../sample/index.ts';
import { briefIssues } from './briefIssues.ts';

test('the sample briefs have none', () => {
  for (const brief of sampleBriefs) expect(briefIssues(brief)).toEqual([]);
});

test.each<[string, Partial<Brief>, string]>([
  [
    'a wall of half the diameter',
    { part: { ...lampArm.part, section: { kind: 'tube', outerDiameterMm: 20, wallMm: 10 } } },
    '/part/section/wallMm',
  ],
  ['two loads under one id', { loadCases: [lampArm.loadCases[0]!, lampArm.loadCases[0]!] }, '/loadCases/1/id'],
  [
    'a sag limit below the deflection limit',
    { loadCases: [{ ...lampArm.loadCases[0]!, maxDeflectionMm: 5, maxSagMm: 2 }] },
    '/loadCases/0/maxSagMm',
  ],
  [
    'a peak below the steady temperature',
    { asks: { heat: { steadyC: 60, peak: { temperatureC: 40, durationH: 1 } } } },
    '/asks/heat/peak/temperatureC',
  ],
])('%s is named at its place', (_what, change, pointer) =>
  expect(briefIssues({ ...lampArm, ...change }).map((issue) => issue.pointer)).toEqual([pointer]),
);
