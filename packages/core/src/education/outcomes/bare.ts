import type { Brief, Conditioning, Grade, LoadCase } from '@anvilstone/schema';
import { evaluate } from '@anvilstone/core/evaluation';
import { prepareMaterial, type Material, type PrintState, defaultCompanyRules } from '@anvilstone/core/materials';

/** A grade of which nothing is known but its family and its filler: what the engine says of it is what it says of the kind. */
const bareGrade = (familyId: string, reinforcementId: string | null = null): Grade => ({
  id: `${familyId} ${reinforcementId ?? ''}`.trim(),
  name: familyId,
  maker: 'any',
  familyId,
  reinforcementId,
  colours: [],
  pricePerKgUsd: null,
  observations: [],
  sampleData: false,
  process: {},
});

export const bareMaterial = (
  familyId: string,
  filler: string | null = null,
  state: Conditioning = 'dry',
  print: PrintState = {},
): Material => prepareMaterial(bareGrade(familyId, filler), state, defaultCompanyRules, false, print);

const load: LoadCase = {
  id: 'load',
  name: 'Load',
  forceN: 0.05,
  durationH: 2000,
  temperatureC: 23,
  safetyFactor: 1.5,
  actsWhenHot: true,
};

/** An arm of 100 mm, 20 × 10 mm, that carries next to nothing. */
const arm: Brief = {
  title: 'Arm',
  purpose: '',
  failureCouldHurt: 'no',
  moisture: 'dry',
  part: {
    model: 'cantilever-arm',
    spanMm: 100,
    section: { kind: 'rectangle', widthMm: 20, depthMm: 10 },
    filletRadiusMm: 3,
  },
  loadCases: [load],
  asks: {},
};

export const briefWith = (change: Partial<Brief>, loadChange: Partial<LoadCase> = {}): Brief => ({
  ...arm,
  ...change,
  loadCases: [{ ...load, ...loadChange }],
});

/** What one check says of a kind, built on edge; undefined: it is not asked. */
export const saysOf = (brief: Brief, checkId: string, familyId: string, filler: string | null = null) =>
  evaluate(
    brief,
    { machines: [], grades: [bareGrade(familyId, filler)] },
    { orientations: ['XZ'] },
  ).grades[0]!.best.checks.find((check) => check.checkId === checkId);

/** An arm in warm air for 2000 h, with nothing to speak of on it. */
export const warm = (steadyC: number, change: Partial<Brief> = {}): Brief =>
  briefWith({ ...change, asks: { heat: { steadyC, steadyH: 2000 } } });
