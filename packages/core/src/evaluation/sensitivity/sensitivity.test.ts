import type { Grade, Library, PartGeometry } from '@anvilstone/schema';
import { briefWith, testGrade } from '../../checks/testContext.ts';
import { evaluate } from '../evaluating/evaluate.ts';
import { rank } from '../ranking/ranking.ts';
import { lampArm, sampleBriefs, sampleLibrary } from '../../education/sample/index.ts';
import { helpfulMeasurements } from './measurements.ts';
import { prepareSensitivity, spanOf, type Sensitivity } from './sensitivity.ts';

const SCHOOL = 'cheapest-that-passes';
const all = (...args: Parameters<typeof prepareSensitivity>): Sensitivity[] => {
  const job = prepareSensitivity(...args)!;
  return job.inputs.map((_, i) => job.at(i));
};
const of = (found: readonly Sensitivity[], id: string) => found.find((one) => one.id === id)!;

/** A cheap grade and one twice as strong that costs twice as much; both bear the load, the cheap one with 1.37. */
const arm: PartGeometry = {
  model: 'cantilever-arm',
  spanMm: 100,
  section: { kind: 'rectangle', widthMm: 20, depthMm: 10 },
  filletRadiusMm: 3,
};
const strong: Grade = {
  ...testGrade,
  id: 'strong',
  pricePerKgUsd: 60,
  observations: testGrade.observations.map((one) =>
    one.property === 'tensileStrength' ? { ...one, value: 2 * one.value! } : one,
  ),
};
const library: Library = { ...sampleLibrary, grades: [testGrade, strong] };
const brief = {
  ...briefWith({ kind: 'short', forceN: 36, durationH: 1 / 60, maxDeflectionMm: 20 }, arm),
  asks: { orientations: ['XZ' as const] },
};

describe('against closed forms', () => {
  const found = all(brief, library, SCHOOL);
  // R = (40/2)/(1.3552·0.3·F): reserve goes with 1/F, and is 1 at F = 20/(1.3552·0.3) = 49.19 N
  test('a load: reserve ∝ 1/F, and the stronger one wins above the load that the cheap one just bears', () => {
    const load = of(found, 'load load');
    expect(load.low.reserve! / load.high.reserve!).toBeCloseTo(1.1 / 0.9, 3);
    expect(load.above!.value).toBeCloseTo(20 / (1.35519 * 0.3), 0);
    expect(load.above!.winnerId).toBe('strong');
    expect(load.below).toBeNull();
  });
  test('its own strength: reserve ∝ strength, and the other wins below the strength that is just enough', () => {
    const strength = of(found, 'grade strength');
    expect(strength.below!.value).toBeCloseTo((40 * 36) / (20 / (1.35519 * 0.3)), 0);
    expect(strength.below!.winnerId).toBe('strong');
    expect(strength.above).toBeNull();
  });
  test('its price: the other wins above the price at which both parts cost the same', () => {
    const price = of(found, 'grade price');
    expect(price.above!.value / 60).toBeCloseTo(1, 1);
    expect(price.low.reserve).toBe(price.high.reserve);
  });
  // F·L³/(3·E·I) and some shear reach L/10 at E = 720 MPa and a little
  test('what the part does not feel changes nothing, until it bends by a tenth of its span', () => {
    const modulus = of(found, 'grade modulus');
    expect(spanOf(modulus)).toBe(1);
    expect(modulus.below!.value).toBeCloseTo(726, -1);
  });
});

test('nobody passes: there is no winner to change', () => {
  expect(prepareSensitivity({ ...brief, asks: { ...brief.asks, maxMassG: 0.1 } }, library, SCHOOL)).toBeUndefined();
});

test('every turn is a turn: just inside the leader still wins, just outside the named one does', () => {
  const found = all(lampArm, sampleLibrary, SCHOOL);
  const price = of(found, 'grade price');
  const leaderId = prepareSensitivity(lampArm, sampleLibrary, SCHOOL)!.leaderId;
  const winnerAt = (pricePerKgUsd: number) => {
    const grades = sampleLibrary.grades.map((one) => (one.id === leaderId ? { ...one, pricePerKgUsd } : one));
    return rank(evaluate(lampArm, { ...sampleLibrary, grades }).grades, SCHOOL)[0]!.gradeId;
  };
  expect(winnerAt(price.above!.value * 0.99)).toBe(leaderId);
  expect(winnerAt(price.above!.value * 1.001)).toBe(price.above!.winnerId);
  const size = of(found, 'size');
  expect(size.below!.value).toBeLessThan(size.now);
  expect(size.above!.value).toBeGreaterThan(size.now);
});

test('every sample part: inputs named once, reserves at low and high, turns within the bounds on their own side', () => {
  for (const sample of sampleBriefs.slice(0, 5)) {
    const job = prepareSensitivity(sample, sampleLibrary, SCHOOL);
    if (!job) continue;
    expect(new Set(job.inputs.map(({ id }) => id)).size).toBe(job.inputs.length);
    const one = job.at(0);
    expect(one.low.value).toBeLessThan(one.now);
    expect(one.high.value).toBeGreaterThan(one.now);
    if (one.below) expect(one.below.value).toBeLessThan(one.now);
    if (one.above) expect(one.above.value).toBeGreaterThan(one.now);
  }
});

describe('which measurement would help most', () => {
  /** The cheap one just bears its load, and its strength is only a family estimate. */
  const unsure: Grade = {
    ...testGrade,
    id: 'unsure',
    pricePerKgUsd: 20,
    observations: testGrade.observations.filter(({ property }) => property !== 'tensileStrength'),
  };
  const near = (forceN: number) => ({ ...brief, loadCases: brief.loadCases.map((load) => ({ ...load, forceN })) });
  const found = (forceN: number, grades: Grade[]) => helpfulMeasurements(near(forceN), { ...library, grades }, SCHOOL);

  test('an uncertain strength near its limit comes first, and names whom the choice would go to', () => {
    const reserveAt36 = evaluate(near(36), { ...library, grades: [unsure] }).grades[0]!.best.minimumReserve!;
    const [first] = found(36 * reserveAt36 * 0.97, [unsure, strong]);
    expect(first).toMatchObject({ gradeId: 'unsure', of: 'strength', checkId: 'strength-in-plane', thenId: 'strong' });
    // 3 % of reserve against a scatter of tens of percent: nearly a coin toss.
    expect(first!.changes).toBeGreaterThan(0.3);
    expect(first!.changes).toBeLessThan(0.6);
  });
  test('far from its limit nothing is worth measuring', () => expect(found(4, [unsure, strong])).toEqual([]));
  test('a cheaper grade of which one thing is unknown is named, without a chance', () => {
    const asked = { ...near(20), asks: { ...brief.asks, food: 'dry' as const } };
    const declared: Grade = {
      ...strong,
      claims: [{ kind: 'food', statement: 'suited to dry food', reference: 'declaration', scope: 'printed-part' }],
    };
    const unknowns = helpfulMeasurements(asked, { ...library, grades: [testGrade, declared] }, SCHOOL).filter(
      (one) => one.of === 'unknown',
    );
    for (const one of unknowns) expect(one).toMatchObject({ changes: null, checkId: 'food' });
    expect(unknowns.map(({ gradeId }) => gradeId)).toContain('round-abs');
  });
});
