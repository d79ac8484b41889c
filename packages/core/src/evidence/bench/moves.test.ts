import type {
  Brief,
  BuildOrientation,
  Campaign,
  Findings,
  Grade,
  Observation,
  RigSetUp,
  Trial,
} from '@anvilstone/schema';
import { findCheck } from '../../checks/index.ts';
import { evaluate } from '../../evaluation/evaluating/evaluate.ts';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { ratchetPawl, lampArm, sampleLibrary } from '../../education/sample/index.ts';
import {
  armResult,
  checksTestedBy,
  findMethod,
  observationsOf,
  testMethods,
  typicalSetUp,
  type TestMethod,
} from './index.ts';

const gradeOf = (id: string) => sampleLibrary.grades.find((one) => one.id === id)!;
const bare = (familyId: string): Grade => ({
  ...gradeOf('ne-petg'),
  id: `bare-${familyId}`,
  familyId,
  observations: [],
});
const dry = (brief: Brief, change: Partial<Brief> = {}): Brief => ({ ...brief, moisture: 'dry', ...change });
const arm = dry(lampArm);
const knock = ratchetPawl.loadCases.find(({ mustStayWhole }) => mustStayWhole === 'unbroken')!;

interface Setting {
  brief: Brief;
  grade: Grade;
  orientation?: BuildOrientation;
  setUp?: RigSetUp;
  partOf?: string;
  /** What each specimen gives, the smaller of two results and the larger. */
  gives: readonly [Findings, Findings];
}
const moved = (times: readonly number[], mm: number) => ({
  moved: times.map((timeS) => ({ timeS, movedMm: mm * (1 + 0.05 * Math.log10(timeS)) })),
});
const DAY = [10, 60, 600, 3600, 21_600, 86_400, 172_800];
const softer = (times: readonly number[]): Setting['gives'] => [moved(times, 2), moved(times, 1.4)];
const reading = (low: number, high: number): Setting['gives'] => [{ reading: low }, { reading: high }];

/** One setting by method and check, in which a smaller and a larger result are to make a difference. */
const SETTINGS: Record<string, Setting> = {
  'pull-bar strength-in-plane': { brief: arm, grade: bare('petg'), gives: [{ peakN: 600 }, { peakN: 1200 }] },
  'pull-bar strength-across-layers': {
    brief: arm,
    grade: bare('petg'),
    orientation: 'ZX',
    gives: [{ peakN: 300 }, { peakN: 600 }],
  },
  'bend-bar deflection-at-load': {
    brief: arm,
    grade: bare('petg'),
    gives: [
      { peakN: 100, stiffnessNPerMm: 12 },
      { peakN: 100, stiffnessNPerMm: 20 },
    ],
  },
  'bend-bar strength-in-plane': { brief: arm, grade: bare('petg'), gives: [{ peakN: 60 }, { peakN: 110 }] },
  'break-part strength-in-plane': {
    brief: arm,
    grade: bare('petg'),
    orientation: 'XZ',
    partOf: arm.loadCases.find(({ kind }) => kind !== 'knock')!.id,
    gives: [{ peakN: 300 }, { peakN: 600 }],
  },
  'break-part strength-across-layers': {
    brief: arm,
    grade: bare('petg'),
    orientation: 'ZX',
    partOf: arm.loadCases.find(({ kind }) => kind !== 'knock')!.id,
    gives: [{ peakN: 100 }, { peakN: 300 }],
  },
  'bend-1-30-60 deflection-at-load': { brief: arm, grade: bare('petg'), gives: softer([1, 30, 60]) },
  'sag-48h sag-after-duration': {
    brief: arm,
    grade: bare('petg'),
    gives: [
      { moved: DAY.map((timeS, i) => ({ timeS, movedMm: 1 + 0.2 * i })) },
      { moved: DAY.map((timeS, i) => ({ timeS, movedMm: 1 + 0.02 * i })) },
    ],
  },
  'pendulum-notched impact-unbroken': { brief: dry(ratchetPawl), grade: bare('abs'), gives: reading(0.1, 0.4) },
  'pendulum-notched impact-undamaged': {
    brief: dry(ratchetPawl, { loadCases: [{ ...knock, mustStayWhole: 'undamaged', energyJ: 0.05 }] }),
    grade: bare('abs'),
    gives: reading(0.008, 0.4),
  },
  'drop-part impact-unbroken': {
    brief: dry(ratchetPawl),
    grade: bare('abs'),
    orientation: 'XY',
    partOf: knock.id,
    gives: reading(1, 3),
  },
  'heat-ladder heat-steady': { brief: arm, grade: bare('abs'), gives: reading(75, 95) },
  'soak fit-size': {
    brief: dry(lampArm, {
      asks: { fit: { nominalMm: 40, allowedMm: 0.3, dampestRhPct: 80, coldestC: 10, hottestC: 30 } },
    }),
    grade: bare('pa6'),
    gives: reading(5, 10),
  },
  'soak-fluid chemical': {
    brief: dry(lampArm, {
      asks: { fluids: [{ agentId: 'mineral-oil', temperatureC: 23, hours: 100, contact: 'immersion' }] },
    }),
    grade: bare('petg'),
    setUp: { agentId: 'mineral-oil', durationH: 168 },
    gives: reading(0.2, 8),
  },
  'rub wear': {
    brief: dry(lampArm, {
      asks: { sliding: { pressureMPa: 1, speedMPerS: 0.1, distanceKm: 10, maxWearMm: 0.5 } },
    }),
    grade: bare('pom'),
    gives: reading(1, 5),
  },
  'surface-resistance electrostatic': {
    brief: dry(lampArm, { asks: { electrostatic: { range: 'dissipative' } } }),
    grade: bare('petg'),
    gives: reading(1e5, 1e12),
  },
};

function taken(
  method: TestMethod,
  { grade, brief, orientation = 'XY', setUp, partOf }: Setting,
  found: Findings,
  broke?: string,
) {
  const campaign: Campaign = {
    id: 'M1',
    title: 'What it moves',
    methodId: method.id,
    setUp: { ...typicalSetUp(method), ...setUp },
    arms: [{ id: 'A', gradeId: grade.id, orientation }],
    perArm: 5,
    specimens: [1, 2, 3, 4, 5].map((n) => ({
      id: `M1-A${n}`,
      armId: 'A',
      defects: [],
      conditioning: 'dry',
      loadDirection: 'as-drawn',
    })),
    inspections: [],
    inspectOn: [],
    accepted: [],
    sampleData: true,
    ...(partOf ? { partId: '00000000-0000-4000-8000-000000000003', loadCaseId: partOf } : {}),
  };
  const trials = campaign.specimens.map(({ id }, i): Trial => ({
    id: `00000000-0000-4000-8000-00000000000${i}`,
    campaignId: 'M1',
    specimenId: id,
    at: '2026-11-01T10:00:00Z',
    state: 'done',
    source: 'typed',
    advantage: 1,
    found,
    ...(broke && i === 0 ? { broke } : {}),
    events: [],
    sampleData: true,
  }));
  const grounds = { grade, rules: defaultCompanyRules, library: sampleLibrary, brief };
  const seen = new Map<string, Observation>();
  for (const outcome of method.outcomes) {
    if (!outcome.property || armResult(campaign, campaign.arms[0]!, outcome, trials).claim === 'none') continue;
    for (const one of observationsOf(campaign, campaign.arms[0]!, outcome, trials, '2026-11-02', grounds))
      seen.set(one.id, one);
  }
  return [...seen.values()];
}

function answerOf(brief: Brief, grade: Grade, checkId: string, orientation: BuildOrientation) {
  const asked = { ...brief, asks: { ...brief.asks, orientations: [orientation] } };
  const { best } = evaluate(asked, { ...sampleLibrary, grades: [grade] }).grades[0]!;
  const check = best.checks.find((one) => one.checkId === checkId);
  return check && { status: check.status, demand: check.demand, capacity: check.capacity };
}

const pairs = testMethods.flatMap((method) => method.moves.map((checkId): [string, string] => [method.id, checkId]));

test.each(pairs)('a result of %s moves %s', (methodId, checkId) => {
  const method = findMethod(methodId)!;
  expect(checksTestedBy(method.id)).toContain(checkId);
  const setting = SETTINGS[`${methodId} ${checkId}`] ?? SETTINGS[`${ALIKE[methodId] ?? ''} ${checkId}`]!;
  const [low, high] = setting.gives.map((found) => {
    const observations = taken(method, setting, found);
    expect(observations.length).toBeGreaterThan(0);
    return answerOf(setting.brief, { ...setting.grade, observations }, checkId, setting.orientation ?? 'XZ');
  });
  expect(low).toBeDefined();
  expect(low).not.toEqual(high);
});

/** Tested alike, so the same readings serve. */
const ALIKE: Record<string, string> = { 'creep-hot': 'sag-48h' };

test('every check that a method is said to move is there', () => {
  for (const [, checkId] of pairs) expect(findCheck(checkId)?.id).toBe(checkId);
});

test('of what moves nothing, no result changes any check of the sample parts', () => {
  const silent = testMethods.filter(({ moves }) => moves.length === 0);
  expect(silent.map(({ id }) => id)).toEqual(['twist-90', 'pendulum', 'rebound', 'condition', 'leave-out']);
  for (const method of silent)
    for (const { brief, grade } of Object.values(SETTINGS)) {
      const [low, high] = [2, 6].map((found) =>
        evaluate(brief, {
          ...sampleLibrary,
          grades: [
            { ...grade, observations: taken(method, { brief, grade, gives: reading(1, 2) }, { reading: found }) },
          ],
        }).grades[0]!.best.checks.map(({ checkId, reserve }) => [checkId, reserve]),
      );
      expect(low).toEqual(high);
    }
});

test('a soak in a fluid is a class by its change of mass, and unsuitable where a specimen came to harm', () => {
  const setting = SETTINGS['soak-fluid chemical']!;
  const method = findMethod('soak-fluid')!;
  const classOf = (mass: number, broke?: string) => {
    const [one] = taken(method, setting, { reading: mass }, broke);
    return one!;
  };
  expect([0.9, -1, 1.1, -5, 5.1].map((mass) => classOf(mass).classValue)).toEqual([
    'resistant',
    'resistant',
    'limited',
    'limited',
    'unsuitable',
  ]);
  expect(classOf(0.2)).toMatchObject({ agentId: 'mineral-oil', durationH: 168, temperatureC: 23, source: 'bench' });
  expect(classOf(0.2)).not.toHaveProperty('value');
  const cracked = classOf(0.2, 'cracked at the edge');
  expect(cracked.classValue).toBe('unsuitable');
  expect(cracked.note).toMatch(/M1-A1: cracked at the edge/);
  expect(() => taken(method, { ...setting, setUp: {} }, { reading: 0.2 })).toThrow(/agentId/);
});
