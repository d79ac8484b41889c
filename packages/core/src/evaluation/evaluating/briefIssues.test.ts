import type { Brief } from '@anvilstone/schema';
import { lampArm, sampleBriefs } from '../../education/sample/index.ts';
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
  [
    'a contact force without its area',
    { asks: { sliding: { pressureMPa: 1, speedMPerS: 0.1, contactForceN: 40 } } },
    '/asks/sliding/contactAreaMm2',
  ],
  [
    'a contact force that does not make the pressure',
    { asks: { sliding: { pressureMPa: 1, speedMPerS: 0.1, contactForceN: 40, contactAreaMm2: 20 } } },
    '/asks/sliding/pressureMPa',
  ],
])('%s is named at its place', (_what, change, pointer) =>
  expect(briefIssues({ ...lampArm, ...change }).map((issue) => issue.pointer)).toEqual([pointer]),
);
