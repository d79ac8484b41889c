import type { Grade, Observation } from '@anvilstone/schema';
import fc from 'fast-check';
import { defaultCompanyRules } from '../companyRules/companyRules.ts';
import { creepReadings, fitCreep } from './creepFit.ts';
import { gradeCurves } from './curves.ts';
import { fatigueAmplitudeMPa, fatigueLaw } from './fatigue.ts';
import { pairsOf } from '../comparing/pairs.ts';
import { resolve } from '../resolving/resolve.ts';
import { waterDiffusionMm2PerH, waterUptakeFraction } from './sorption.ts';

const gradeOf = (observations: Partial<Observation>[], facts: Partial<Grade> = {}): Grade => ({
  id: 'g',
  name: 'G',
  maker: 'M',
  familyId: 'petg',
  reinforcementId: null,
  colours: [],
  pricePerKgUsd: 20,
  process: {},
  observations: observations.map((one, i) => ({
    id: `o${i}`,
    property: 'creepModulus',
    unit: 'MPa',
    source: 'bench',
    specimen: 'printed',
    orientation: 'XY',
    conditioning: 'dry',
    reference: 'bench',
    ...one,
  })),
  sampleData: true,
  ...facts,
});

describe('water (Crank)', () => {
  const diffusion = waterDiffusionMm2PerH(50);
  test('D = 0.04919·2²/50 = 0.003935 mm²/h', () => expect(diffusion).toBeCloseTo(0.0039352, 7));
  test('half of the gain after the half time of a 2 mm wall', () =>
    expect(waterUptakeFraction(2, diffusion, 50)).toBeCloseTo(0.5, 3));
  test('twice the wall, four times the time', () =>
    expect(waterUptakeFraction(4, diffusion, 200)).toBeCloseTo(waterUptakeFraction(2, diffusion, 50), 10));
  test('early and late formula meet where they change over', () => {
    const at = (fourier: number) => waterUptakeFraction(1, 1, fourier);
    expect(at(0.02 - 1e-9)).toBeCloseTo(at(0.02 + 1e-9), 6);
  });
  test('always rising, between 0 and 1', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 1e5, noNaN: true }),
        fc.double({ min: 1.001, max: 10, noNaN: true }),
        (hours, factor) => {
          const [early, late] = [
            waterUptakeFraction(2, diffusion, hours),
            waterUptakeFraction(2, diffusion, hours * factor),
          ];
          expect(late).toBeGreaterThanOrEqual(early);
          expect(late).toBeLessThanOrEqual(1);
        },
      ),
    ));
  test('ten kelvin warmer, nearly twice as fast at 50 kJ/mol', () =>
    expect(waterDiffusionMm2PerH(50, 33) / diffusion).toBeCloseTo(
      Math.exp((50 / 8.314462618e-3) * (1 / 296.15 - 1 / 306.15)),
      6,
    ));
  test.each([0, -1, NaN])('refuses a wall of %p mm', (wall) =>
    expect(() => waterUptakeFraction(wall, 1, 1)).toThrow(/thicknessMm/),
  );
});

describe('fatigue', () => {
  const law = fatigueLaw(0.2, 0.17);
  test('exponent log10(0.20/0.17) = 0.0706, coefficient 0.2·10^0.4235 = 0.530', () => {
    expect(law.exponent).toBeCloseTo(0.07058, 4);
    expect(law.coefficient).toBeCloseTo(0.5303, 3);
  });
  test('46 MPa static: 9.2 MPa at 1e6, 7.82 MPa at 1e7', () => {
    expect(fatigueAmplitudeMPa(law, 46, 1e6)).toBeCloseTo(9.2, 9);
    expect(fatigueAmplitudeMPa(law, 46, 1e7)).toBeCloseTo(7.82, 9);
  });
  test('never above the static strength', () => expect(fatigueAmplitudeMPa(law, 46, 1)).toBeLessThanOrEqual(46));
  test('a share that grows with cycles is refused', () => expect(() => fatigueLaw(0.17, 0.2)).toThrow(/fraction1e7/));
});

describe('creep readings', () => {
  // Made with a = 0.08, n = 0.19: E(t) = 2000/(1 + 0.08·t^0.19)
  const hours = [1 / 60, 1, 24, 240];
  const readings = hours.map((durationH) => ({
    durationH,
    value: 2000 / (1 + 0.08 * durationH ** 0.19),
    creepStressMPa: 5,
  }));
  const measured = gradeOf([{ property: 'tensileModulus', value: 2000, count: 5 }, ...readings]);
  test('the law they were made with is found again', () => {
    const fit = fitCreep(creepReadings(measured))!;
    expect(fit.creepA).toBeCloseTo(0.08, 4);
    expect(fit.creepN).toBeCloseTo(0.19, 4);
    expect(fit.largestMisfit).toBeLessThan(1e-4);
  });
  test('two readings are too few; without a modulus of the same specimen there is nothing to hold them against', () => {
    expect(creepReadings(gradeOf([{ property: 'tensileModulus', value: 2000 }, ...readings.slice(0, 2)]))).toEqual([]);
    expect(
      creepReadings(gradeOf([{ property: 'tensileModulus', value: 2000, specimen: 'moulded' }, ...readings])),
    ).toEqual([]);
  });
  test('the curve shows them as measured and is then class C, not D', () => {
    const creep = gradeCurves(measured, 'dry', defaultCompanyRules).find(({ id }) => id === 'creep-over-time')!;
    expect(creep.evidence).toBe('C');
    expect(creep.marks.map(({ kind }) => kind)).toEqual(['measured', 'measured', 'measured', 'measured']);
  });
});

describe('curves of a grade', () => {
  const grade = gradeOf([
    { property: 'tensileModulus', value: 1950, count: 5 },
    { property: 'tensileModulus', value: 1200, temperatureC: 60 },
    { property: 'heatDeflectionTemperature', value: 70, unit: '°C', hdtStressMPa: 0.45, source: 'datasheet' },
  ]);
  const curves = gradeCurves(grade, 'dry', defaultCompanyRules);
  const modulus = curves.find(({ id }) => id === 'modulus-over-temperature')!;
  test('measured points are marked apart from reported and typical ones, and lie on the line', () => {
    expect(modulus.marks.filter(({ kind }) => kind === 'measured')).toMatchObject([{ x: 60, y: 1200 }]);
    expect(modulus.marks.map(({ kind }) => kind)).toContain('typical');
    const at60 = modulus.lines[0]!.points.reduce((near, one) =>
      Math.abs(one.x - 60) < Math.abs(near.x - 60) ? one : near,
    );
    expect(at60.y / 1200).toBeCloseTo(1, 1);
  });
  test('modulus never rises with temperature', () => {
    const { points } = modulus.lines[0]!;
    for (let i = 1; i < points.length; i++) expect(points[i]!.y).toBeLessThanOrEqual(points[i - 1]!.y);
  });
  test('a value at a temperature: measured there it is taken as it is, elsewhere it is carried along the curve', () => {
    const at = (temperatureC: number) =>
      resolve(
        grade,
        'tensileModulus',
        { direction: 'in-plane', conditioning: 'dry', temperatureC },
        defaultCompanyRules,
      );
    expect(at(60)).toMatchObject({ known: true, value: 1200 });
    const adjusted = at(45);
    expect(adjusted).toMatchObject({ known: true, evidence: 'C' });
    expect(adjusted.known && adjusted.value).toBeLessThan(1950);
    expect(adjusted.known && adjusted.value).toBeGreaterThan(1200);
  });
  test('a grade of an unknown polymer has no curves', () =>
    expect(
      gradeCurves(
        gradeOf([{ property: 'tensileModulus', value: 2000 }], { familyId: 'not-stated' }),
        'dry',
        defaultCompanyRules,
      ),
    ).toEqual([]));
});

describe('pairs', () => {
  const neat = gradeOf([], { id: 'neat' });
  const carbon = gradeOf([], { id: 'carbon', reinforcementId: 'carbon-10' });
  const glass = gradeOf([], { id: 'glass', reinforcementId: 'glass-10' });
  const foreign = gradeOf([], { id: 'foreign', reinforcementId: 'carbon-10', maker: 'Other' });
  const all = [neat, carbon, glass, foreign];
  const ids = (grade: Grade) => pairsOf(grade, all).map(({ grade: other, relation }) => `${other.id}:${relation}`);
  test('unfilled and filled of one maker are linked, filled ones only through the unfilled', () => {
    expect(ids(neat)).toEqual(['carbon:filled', 'glass:filled']);
    expect(ids(carbon)).toEqual(['neat:unfilled']);
    expect(ids(foreign)).toEqual([]);
  });
});
