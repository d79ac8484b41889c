import type { Brief, Grade, Observation } from '@anvilstone/schema';
import { briefWith, testGrade } from '../../checks/testContext.ts';
import { lampArm, sampleLibrary } from '../../education/sample/index.ts';
import { evaluate } from '../evaluating/evaluate.ts';
import { chanceOfMeetingAll, type ChanceOptions } from './chance.ts';
import { normals, uniformFrom, wilsonInterval } from '../../foundations/numeric/random.ts';

/** Standard normal distribution function: Abramowitz & Stegun, 26.2.17; error below 7.5e−8. */
function phi(x: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(x));
  const poly = t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  const upper = (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) * poly;
  return x >= 0 ? 1 - upper : upper;
}
/** A bench series with this scatter, so that the coefficient of variation is known. */
const scattered = (cov: number): Grade => ({
  ...testGrade,
  observations: testGrade.observations.map((one): Observation =>
    one.count === undefined ? one : { ...one, standardDeviation: cov * one.value! },
  ),
});
const flat = (load: Parameters<typeof briefWith>[0]): Brief =>
  briefWith({ kind: 'short', durationH: 1 / 60, maxDeflectionMm: 9, ...load });
const chance = (brief: Brief, grade: Grade, options: ChanceOptions = {}) =>
  chanceOfMeetingAll(brief, sampleLibrary, grade, 'XZ', options)!;

describe('against closed forms', () => {
  // R = (40/2)/(1.3552·0.3·F); P = Φ((ln R − s²/2 − …)/s), the mean of the strength kept
  test.each([
    [45, 0.1],
    [49.19, 0.1],
    [52, 0.2],
  ])('strength alone, %p N, scatter %p', (forceN, cov) => {
    const s = Math.sqrt(Math.log1p(cov * cov));
    const logReserve = Math.log(20 / (1.35519 * 0.3 * forceN));
    const exact = phi((logReserve - (s * s) / 2) / s);
    const found = chance(flat({ forceN }), scattered(cov), { draws: 40000, loadCov: 0 });
    expect(found.scatter.strength).toBeCloseTo(cov, 9);
    expect(found.all).toBeGreaterThan(exact - 0.01);
    expect(found.all).toBeLessThan(exact + 0.01);
    expect(found.low).toBeLessThanOrEqual(found.all);
    expect(found.high).toBeGreaterThanOrEqual(found.all);
  });
  // Strength up and load down add their variances: P = Φ((ln R − s²/2 + q²/2)/√(s² + q²))
  test('strength and load together', () => {
    const s = Math.sqrt(Math.log1p(0.01));
    const q = Math.sqrt(Math.log1p(0.04));
    const logReserve = Math.log(20 / (1.35519 * 0.3 * 45));
    const exact = phi((logReserve - (s * s) / 2 + (q * q) / 2) / Math.hypot(s, q));
    expect(
      Math.abs(chance(flat({ forceN: 45 }), scattered(0.1), { draws: 40000, loadCov: 0.2 }).all - exact),
    ).toBeLessThan(0.01);
  });
  test('stiffness alone goes with the modulus', () => {
    const found = chance(flat({ forceN: 1, maxDeflectionMm: 0.105 }), scattered(0.1), { loadCov: 0 });
    expect(found.byCheck[0]!.checkId).toBe('deflection-at-load');
    expect(found.byCheck[0]!.met).toBeGreaterThan(0.2);
    expect(found.byCheck[0]!.met).toBeLessThan(0.95);
    expect(found.byCheck.find(({ checkId }) => checkId === 'strength-in-plane')!.met).toBe(1);
  });
});

test('the same seed gives the same numbers, another one others within the interval', () => {
  const one = chance(lampArm, sampleLibrary.grades[4]!, { draws: 4000, seed: 7 });
  expect(chance(lampArm, sampleLibrary.grades[4]!, { draws: 4000, seed: 7 })).toEqual(one);
  const other = chance(lampArm, sampleLibrary.grades[4]!, { draws: 4000, seed: 8 });
  expect(Math.abs(other.all - one.all)).toBeLessThan(3 * (one.high - one.low + 0.001));
});

test('more scatter of the loads never helps a part that passes with room to spare', () => {
  const of = (loadCov: number) =>
    chance(
      lampArm,
      sampleLibrary.grades.find(({ id }) => id === 'tm-asa')!,
      { loadCov },
    );
  expect(of(0.05).all).toBeGreaterThanOrEqual(of(0.4).all);
  expect(of(0.05).all).toBeGreaterThan(0.9);
});

test('what does not scatter holds or does not; what is not known has no chance', () => {
  const red: Brief = { ...flat({ forceN: 5 }), asks: { colour: { wanted: 'red' } } };
  expect(chance(red, { ...testGrade, colours: ['blue'] }).all).toBe(0);
  expect(chance(red, { ...testGrade, colours: ['red'] }).all).toBeGreaterThan(0.99);
  expect(chanceOfMeetingAll(red, sampleLibrary, testGrade, 'XZ')).toBeUndefined();
});

describe('numbers', () => {
  test('normal numbers: mean 0, standard deviation 1', () => {
    const found = normals(3, 20000, 2);
    const mean = found.reduce((a, b) => a + b) / found.length;
    const spread = Math.sqrt(found.reduce((a, b) => a + (b - mean) ** 2, 0) / found.length);
    expect(Math.abs(mean)).toBeLessThan(0.02);
    expect(Math.abs(spread - 1)).toBeLessThan(0.02);
  });
  test('uniform numbers fill ten bins evenly and never reach 1', () => {
    const uniform = uniformFrom(11);
    const bins = new Array<number>(10).fill(0);
    for (let i = 0; i < 20000; i++) bins[Math.floor(uniform() * 10)]! += 1;
    for (const bin of bins) expect(Math.abs(bin - 2000)).toBeLessThan(200);
  });
  // 8 of 10: Wilson 0.4902 … 0.9433
  test('Wilson’s interval', () => {
    expect(wilsonInterval(8, 10).low).toBeCloseTo(0.4902, 4);
    expect(wilsonInterval(8, 10).high).toBeCloseTo(0.9433, 4);
    expect(wilsonInterval(10, 10).high).toBeCloseTo(1, 9);
    expect(wilsonInterval(0, 10).low).toBe(0);
  });
});

describe('every check has its chance', () => {
  const grade = (familyId: string): Grade => ({ ...testGrade, familyId, observations: [], pricePerKgUsd: 30 });
  test('each check with a number is drawn, whatever it is made of', () => {
    const brief: Brief = {
      ...flat({ forceN: 3, maxDeflectionMm: 5 }),
      asks: {
        heat: { steadyC: 40, coldestC: -10 },
        sliding: { pressureMPa: 0.3, speedMPerS: 0.01, maxFriction: 0.6, distanceKm: 1, maxWearMm: 1 },
        thermalFit: { fixedTo: 'steel', lengthMm: 100, coldestC: 0, hottestC: 40, allowedMm: 1 },
        maxMassG: 100,
        maxCostUsd: 60,
      },
    };
    const found = chance(brief, grade('petg'));
    expect(found.byCheck.map(({ checkId }) => checkId)).toEqual(
      expect.arrayContaining([
        ...['strength-in-plane', 'deflection-at-load', 'movement-in-range', 'heat-steady', 'keeps-shape'],
        ...['cold-embrittlement', 'pressure-velocity', 'friction', 'wear', 'thermal-fit', 'mass-limit', 'cost-limit'],
      ]),
    );
  });
  test('a face that just bears its touch is a coin toss, one with ten kelvin to spare is not', () => {
    const touched = (otherTemperatureC: number) =>
      chance(
        briefWith(
          { forceN: 1 },
          {
            model: 'hot-contact',
            areaMm2: 400,
            thicknessMm: 10,
            otherBody: 'leather',
            otherTemperatureC,
            ownTemperatureC: 23,
            contactS: 10,
            touches: 100,
          },
        ),
        grade('pc'),
      ).byCheck.find(({ checkId }) => checkId === 'contact-temperature')!.met;
    // Where it falls through a half, by steps of a kelvin.
    const met = Array.from({ length: 150 }, (_, i) => touched(100 + 2 * i));
    expect(met[0]).toBeGreaterThan(0.999);
    const half = met.findIndex((share) => share < 0.5);
    expect(half).toBeGreaterThan(0);
    expect(met[half - 1]!).toBeLessThan(0.75);
    expect(met[half]!).toBeGreaterThan(0.25);
    for (let i = 1; i < met.length; i++) expect(met[i]!).toBeLessThanOrEqual(met[i - 1]!);
  });
  test('two checks of one brittle temperature fail together, not one after the other', () => {
    const cold: Brief = {
      ...briefWith({ kind: 'knock', forceN: undefined, energyJ: 0.01, temperatureC: -10 }),
      asks: { heat: { coldestC: -20 } },
    };
    const found = chance(cold, grade('abs'));
    const met = (id: string) => found.byCheck.find(({ checkId }) => checkId === id)!.met;
    const [slow, fast] = [met('cold-embrittlement'), met('struck-fast')];
    expect(slow).toBeLessThan(0.999);
    expect(found.all).toBeGreaterThan(Math.min(slow, fast) - 0.02);
    expect(found.all).toBeLessThanOrEqual(Math.min(slow, fast));
  });
  test('a price that is the family’s usual scatters more than a listed one', () => {
    const asking: Brief = { ...flat({ forceN: 3 }), asks: { maxCostUsd: 1 } };
    const cost = evaluate(asking, { ...sampleLibrary, grades: [grade('petg')] }).grades[0]!.best.costUsd!;
    const brief: Brief = { ...asking, asks: { maxCostUsd: cost * 1.1 } };
    const of = (pricePerKgUsd: number | null) =>
      chance(brief, { ...grade('petg'), pricePerKgUsd }).byCheck.find(({ checkId }) => checkId === 'cost-limit')!.met;
    expect(of(30)).toBeGreaterThan(0.95);
    expect(of(null)).toBeGreaterThan(0);
    expect(of(null)).not.toBe(of(30));
  });
});
